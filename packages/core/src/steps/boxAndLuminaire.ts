import type { BoxId } from '../model/ids.js';
import { findLuminaire } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import { endKey, type Wiring } from '../model/wiring.js';
import { endWord, luminaireScrew } from '../words/wires.js';
import { keyOf, pieceWord } from './landings.js';
import type { DraftStep } from './step.js';

/** A ground that goes straight to the screw of a metal box, without a splice. */
export const bondSteps = (job: Job, wiring: Wiring, box: BoxId): DraftStep[] =>
  wiring.landings.flatMap(({ wire, terminal }) =>
    !('box' in terminal) || terminal.box !== box || !('end' in wire)
      ? []
      : [
          {
            id: `${box}/bond/${endKey(wire.end)}`,
            rests: [wire, terminal],
            phase: 'grounds' as const,
            text: wiring.joints.some(({ members }) =>
              members.some((member) => 'end' in member && endKey(member.end) === endKey(wire.end)),
            )
              ? `Loop the ${endWord(job, wiring, wire.end)} once round the green screw of the box, in a hole of it that holds nothing else, and on to the splice of grounds, uncut.`
              : `The ${endWord(job, wiring, wire.end)} to the green screw of the box, in a hole of it that holds nothing else.`,
            why: 'A metal box that no ground reaches is as live as the first hot that touches it.',
            section: '250.148(C)',
            caution: null,
            shows: keyOf(wire),
          },
        ],
  );

const WHY_AT_LUMINAIRE = {
  hot: 'The switch leg: hot only while the switches say so.',
  neutral: 'The shell is on the neutral, so that a hand that changes a lamp touches nothing live.',
  ground: 'Its metal can be touched.',
} as const;

const ORDER_AT_LUMINAIRE = ['ground', 'neutral', 'hot'];

export const luminaireSteps = (job: Job, wiring: Wiring, box: BoxId): DraftStep[] =>
  [...wiring.landings]
    .sort((a, b) => ORDER_AT_LUMINAIRE.indexOf(a.terminal.name) - ORDER_AT_LUMINAIRE.indexOf(b.terminal.name))
    .flatMap(({ wire, terminal }) => {
      if (!('luminaire' in terminal)) return [];
      const luminaire = findLuminaire(job, terminal.luminaire);
      if (luminaire?.box !== box) return [];
      const what = 'end' in wire ? endWord(job, wiring, wire.end) : pieceWord(wiring, wire.pigtail);
      return [
        {
          id: `${box}/luminaire/${terminal.luminaire}/${terminal.name}`,
          rests: [wire, terminal],
          phase: 'luminaire' as const,
          text: `${luminaire.name}: the ${what} to its ${luminaireScrew(job, wiring, luminaire, terminal.name)}.`,
          why: WHY_AT_LUMINAIRE[terminal.name],
          section: terminal.name === 'ground' ? '410.40, 410.44' : '200.10(C), 410.50',
          caution: null,
          shows: keyOf(wire),
        },
      ];
    });

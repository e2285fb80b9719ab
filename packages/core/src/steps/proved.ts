import { articleOf, hasReceptacle } from '../model/articles.js';
import { PANEL, type BoxId } from '../model/ids.js';
import type { CableHere } from '../model/inBox.js';
import type { Circuit, Job } from '../model/job.js';
import { findSlot } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { conductorKey } from '../circuit/keys.js';
import { endWord } from '../words/wires.js';
import { listed } from '../words/lists.js';
import { PANEL_CAUTION } from '../words/cautions.js';
import type { DraftStep } from './step.js';

/** Where the neutral of a circuit is landed at the panel: a breaker that watches it has a place of its own for it (110.3(B)). */
const neutralAt = ({ afci, gfci }: Circuit | { afci: 'unknown'; gfci: 'unknown' }): string => {
  if (afci === 'yes' || gfci === 'yes')
    return 'the neutral terminal of that breaker where it has one, else the neutral bar, by its instructions';
  if (afci === 'unknown' || gfci === 'unknown')
    return 'the neutral bar, or the neutral terminal of the breaker where it has one';
  return 'the neutral bar';
};

/** A new home run is landed at the panel last of all, when everything else is made up. */
export const panelSteps = (job: Job, wiring: Wiring, box: BoxId, here: readonly CableHere[]): DraftStep[] =>
  here
    .filter(({ cable }) => !cable.existing && cable.from === PANEL)
    .flatMap(({ cable }): DraftStep[] => {
      const landed = wiring.landings.flatMap(({ wire, terminal }) =>
        'end' in wire && wire.end.cable === cable.id && 'circuit' in terminal
          ? [{ end: wire.end, terminal }]
          : [],
      );
      const [first] = landed;
      const circuit = job.circuits.find(({ id }) => id === first?.terminal.circuit);
      if (!first || !circuit) return [];
      const place = {
        hot: `the breaker of ${circuit.name}, ${circuit.breaker} A and off`,
        neutral: neutralAt(circuit),
        ground: 'the ground bar',
      };
      const order = ['ground', 'neutral', 'hot'] as const;
      const said = order.flatMap((name) =>
        landed
          .filter(({ terminal }) => terminal.name === name)
          .map(({ end }) => `the ${endWord(job, wiring, end)} to ${place[name]}`),
      );
      return [
        {
          id: `${box}/panel/${cable.id}`,
          rests: [landed, circuit.breaker, circuit.afci, circuit.gfci],
          phase: 'prove',
          text: `When every box of ${circuit.name} is closed, last of all, at the panel: ${said.join('; ')}.`,
          why: 'Until then nothing of it can be live. A breaker that watches for arcs or leaks trips where its own neutral is not on it.',
          section: '110.3(B), 408.41',
          caution: PANEL_CAUTION,
          shows: conductorKey(first.end.cable, first.end.colour),
        },
      ];
    });

/** What is tried from a box when power is there. */
export const tryOutSteps = (job: Job, wiring: Wiring, box: BoxId): DraftStep[] => {
  const devices = wiring.devices.filter((one) => one.box === box);
  const roles = devices.map(({ article }) => articleOf(job.stock, 'device', article).role);
  const groups = job.groups.filter(
    ({ id, control }) =>
      control === 'switched' && devices.some(({ slot }) => findSlot(job, slot)?.group === id),
  );
  const receptacle = roles.some(hasReceptacle);
  return [
    ...groups.map((group): DraftStep => {
      const others = job.slots.filter(
        (slot) => slot.group === group.id && slot.role !== 'receptacle' && slot.box !== box && !slot.leaves,
      ).length;
      return {
        id: `${box}/try/${group.id}`,
        rests: devices.map(({ id, article }) => [id, article]),
        phase: 'prove',
        text:
          others === 0
            ? `When every box is closed, switch the breaker on. ${group.name}: on and off from here.`
            : `When every box is closed, switch the breaker on. ${group.name}: move the handle here, and see the light change each time; then the same with ${others === 1 ? 'the other handle' : `each of the other ${others} handles`} moved first.`,
        why:
          others === 0
            ? 'What was never tried is found by the owner.'
            : 'A crossed pair or a wrong common works from some positions and not from others.',
        section: null,
        caution: null,
        shows: null,
      };
    }),
    ...(receptacle
      ? [
          {
            id: `${box}/try-receptacle`,
            rests: devices.map(({ id, article }) => [id, article]),
            phase: 'prove' as const,
            text: 'Put a receptacle tester into both halves of the receptacle, and press its button where there is ground-fault protection.',
            why: 'Hot and neutral exchanged, or an open ground, run every lamp and show nothing.',
            section: '406.4, 210.8',
            caution: null,
            shows: null,
          },
        ]
      : []),
  ];
};

/** The luminaire is held before a wire of it is joined. */
export const supportSteps = (job: Job, box: BoxId, hangsNew: readonly string[]): DraftStep[] =>
  hangsNew.length === 0
    ? []
    : [
        {
          id: `${box}/support`,
          rests: job.luminaires
            .filter(({ id }) => hangsNew.includes(id))
            .map(({ id, pounds }) => [id, pounds]),
          phase: 'luminaire',
          text: `Hold ${listed(
            job.luminaires.filter(({ id }) => hangsNew.includes(id)).map(({ name }) => name),
          )} first, by strap, hook or helper: nothing hangs on its wires. Its ground is joined first, then neutral and hot.`,
          why: 'Its weight pulls splices apart that nobody sees again.',
          section: '410.36, 314.27',
          caution: null,
          shows: null,
        },
      ];

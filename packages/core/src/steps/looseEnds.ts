import { articleOf, conductorsOf } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import { cablesIn } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { createUnknown, endKey, type End, type Wiring } from '../model/wiring.js';
import { conductorKey } from '../circuit/keys.js';
import { endWord } from '../words/wires.js';
import type { DraftStep } from './step.js';

/** A conductor of a box that is joined to nothing there, or of which nobody has looked to what. */
export interface LooseEnd {
  end: End;
  unknown: boolean;
  step: string;
}

export const looseEndsIn = (job: Job, wiring: Wiring, box: BoxId): LooseEnd[] => {
  const used = new Set([
    ...wiring.joints.flatMap(({ members }) =>
      members.flatMap((member) => ('end' in member ? [endKey(member.end)] : [])),
    ),
    ...wiring.landings.flatMap(({ wire }) => ('end' in wire ? [endKey(wire.end)] : [])),
  ]);
  const isUnknown = createUnknown(wiring);
  return cablesIn(wiring, box).flatMap(({ cable, side }) =>
    conductorsOf(articleOf(job.stock, 'cable', cable.article)).flatMap((colour): LooseEnd[] => {
      const end = { cable: cable.id, side, colour };
      // The metal of a raceway meets its box by the fitting.
      if (colour === 'raceway' || used.has(endKey(end))) return [];
      return [{ end, unknown: isUnknown(end), step: `${box}/loose/${endKey(end)}` }];
    }),
  );
};

/** What ends in the air is capped; what nobody has followed is found out before anything is joined to it. */
export const looseSteps = (job: Job, wiring: Wiring, box: BoxId): DraftStep[] =>
  looseEndsIn(job, wiring, box).map(({ end, unknown, step }) => ({
    id: step,
    rests: unknown,
    phase: unknown ? 'proof' : 'hots',
    text: unknown
      ? `Find out where the ${endWord(job, wiring, end)} goes before anything is joined to it: nobody has looked.`
      : `Cap the ${endWord(job, wiring, end)} and fold it back: it ends in the air.`,
    why: unknown
      ? 'What nobody has followed may be live from any breaker, or lead to what is live.'
      : 'Bare copper at its end could touch something, and its other end may be made live later.',
    section: '110.14(B)',
    caution: unknown ? 'Take it for live until it is proved dead with every handle in both positions.' : null,
    shows: conductorKey(end.cable, end.colour),
  }));

import { existingDocument } from '../model/existing.js';
import { articleOf } from '../model/articles.js';
import { isNeutralColour } from '../model/colours.js';
import { PANEL, type BoxId } from '../model/ids.js';
import type { CableHere } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { findCable, slotsInBox } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { endKey, type End, type Mark, type Wiring } from '../model/wiring.js';
import { conductorKey } from '../circuit/keys.js';
import { cableWord } from '../words/cables.js';
import { colourWord, isInUse } from '../words/wires.js';
import type { DraftStep } from './step.js';

const ofCable = (job: Job, wiring: Wiring, end: End): string => {
  const cable = findCable(wiring, end.cable);
  return cable ? ` of the ${cableWord(job, wiring, cable, end.side)}` : '';
};

const isHere = (here: readonly CableHere[], end: End): boolean =>
  here.some(({ cable, side }) => cable.id === end.cable && side === end.side);

/** Whites that serve as hots. */
export const markSteps = (job: Job, wiring: Wiring, box: BoxId, here: readonly CableHere[]): DraftStep[] =>
  wiring.marks
    .filter(({ end }) => isHere(here, end))
    .map(({ end, colour }) => {
      const of = ofCable(job, wiring, end);
      return {
        id: `${box}/mark/${endKey(end)}`,
        rests: colour,
        phase: 'hots',
        text: `Mark the ${colourWord(end.colour)}${of} ${colour}, all round, at its end and wherever it shows from the sheath on.`,
        why: 'It is a hot. Whoever opens the box next takes an unmarked white for a neutral.',
        section: '200.7(C)(1)',
        caution: 'This white is live when the circuit is on.',
        shows: conductorKey(end.cable, end.colour),
      };
    });

/** Whites of old cables to a switch that nobody has looked at: as a loop they may have been marked. */
const unseenWhites = (job: Job, here: readonly CableHere[], unseen: readonly End[]): End[] => {
  const notLookedAt = new Set(unseen.map(endKey));
  return here
    .filter(
      ({ cable: { existing, from, to } }) =>
        existing && from !== PANEL && [from, to].some((place) => slotsInBox(job, place).length > 0),
    )
    .flatMap(({ cable, side }) =>
      articleOf(job.stock, 'cable', cable.article)
        .insulated.filter(isNeutralColour)
        .map((colour): End => ({ cable: cable.id, side, colour })),
    )
    .filter((end) => notLookedAt.has(endKey(end)));
};

/** Whites of old cables that served as hots and serve as something else now: their marking says what is not so. */
export const unmarkSteps = (
  job: Job,
  wiring: Wiring,
  box: BoxId,
  here: readonly CableHere[],
): DraftStep[] => {
  const there = existingDocument(job);
  if (!there) return [];
  const stay = new Set(wiring.marks.map(({ end }) => endKey(end)));
  const comesOff = (end: End) => isHere(here, end) && !stay.has(endKey(end)) && isInUse(wiring, end);
  const isSeen = ofId(there.certainty, box) === 'seen';
  const step = (end: End, colour: Mark['colour'] | null, take: string): DraftStep => ({
    id: `${box}/unmark/${endKey(end)}`,
    rests: colour,
    phase: 'hots',
    text: `${take} the ${colourWord(end.colour)}${ofCable(job, wiring, end)}, here and wherever it shows: it is no hot now.`,
    why: 'A marked white says that it is hot. Whoever opens the box next would join it as one.',
    section: '200.7(C)(1)',
    caution: null,
    shows: conductorKey(end.cable, end.colour),
  });
  return [
    ...there.wiring.marks
      .filter(({ end }) => comesOff(end))
      .map(({ end, colour }) => step(end, colour, `Take ${isSeen ? `the ${colour}` : 'any'} marking off`)),
    ...unseenWhites(job, here, there.wiring.unseen)
      .filter((end) => comesOff(end) && !there.wiring.marks.some((one) => endKey(one.end) === endKey(end)))
      .map((end) => step(end, null, 'Take any marking off')),
  ];
};

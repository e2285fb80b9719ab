import type { BoxId, CircuitId } from './ids.js';
import type { Job, WiringDoc } from './job.js';
import { boxesOfCircuit, findBox, findGroup } from './lookup.js';
import { ofId } from './records.js';
import { boxesReached, endKey, type Wiring } from './wiring.js';

/** What is there: the one existing wiring of a job; undefined where nobody has told of any. */
export const existingDocument = (job: Pick<Job, 'wirings'>): WiringDoc | undefined =>
  job.wirings.find((document) => document.kind === 'existing');

/** What of a document is only assumed, as the simulator takes it: boxes by id, ends by key. */
export const assumedOf = (document: Pick<WiringDoc, 'certainty' | 'assumedEnds'> | undefined): Set<string> =>
  new Set<string>([
    ...Object.entries(document?.certainty ?? {})
      .filter(([, sure]) => sure === 'assumed')
      .map(([box]) => box),
    ...(document?.assumedEnds ?? []).map(endKey),
  ]);

/** Boxes of the wiring that are there already and that nobody has looked into, or not into all of them. */
export const unseenBoxes = (job: Job, wiring: Wiring): BoxId[] => {
  const there = existingDocument(job);
  if (!there) return [];
  const assumed = assumedOf(there);
  return [...boxesReached(wiring)].filter((id) => {
    if (findBox(job, id)?.work !== 'existing') return false;
    const sure = ofId(there.certainty, id);
    return assumed.has(id) || (sure !== undefined && sure !== 'seen');
  });
};

/**
 * Circuits that stand as they are: nobody has chosen another way for them, and each of their boxes is told of in the existing wiring. They
 * are copied into what is planned and never made again.
 */
export const standingCircuits = (job: Job): ReadonlySet<CircuitId> => {
  const certainty = existingDocument(job)?.certainty;
  return new Set(
    job.circuits
      .map(({ id }) => id)
      .filter((id) => {
        const boxes = boxesOfCircuit(job, id);
        return (
          boxes.length > 0 &&
          boxes.every((box) => ofId(certainty, box) !== undefined) &&
          job.choices.every((choice) => choice.circuit !== id) &&
          !job.slots.some(({ group, leaves }) => leaves && findGroup(job, group)?.circuit === id)
        );
      }),
  );
};

/** The job in which a circuit does not stand: its boxes are to be planned, and what is in them now counts for nothing. */
export const notStanding = (job: Job, circuit: CircuitId): Job => {
  const mine = new Set<string>(boxesOfCircuit(job, circuit));
  const isToldOf = ({ certainty }: WiringDoc) => Object.keys(certainty).some((box) => mine.has(box));
  return {
    ...job,
    wirings: job.wirings.map((document) =>
      document.kind === 'existing' && isToldOf(document)
        ? {
            ...document,
            certainty: Object.fromEntries(
              Object.entries(document.certainty).filter(([box]) => !mine.has(box)),
            ) as WiringDoc['certainty'],
          }
        : document,
    ),
  };
};

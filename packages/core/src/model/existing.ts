import type { BoxId, CircuitId } from './ids.js';
import type { Job, WiringDoc } from './job.js';
import { boxesOfCircuit, findBox } from './lookup.js';
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

import { assumedOf, existingDocument } from '../../model/existing.js';
import type { BoxId, CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { boxesOfCircuit } from '../../model/lookup.js';
import { ofId } from '../../model/records.js';
import { compile } from '../../circuit/compile.js';
import { reviewCircuit, type JobReview } from '../../review/reviewJob.js';
import { asTold } from './asStood.js';
import { changeBetween, lookFirstIn, type ChangeSide, type WiringChange } from './changeBetween.js';

/** What a chosen way changes of what is there. Its price is told where it is chosen. */
export interface PlannedChange extends Omit<WiringChange, 'cost'> {
  /** Boxes of the circuit that stay as they are. */
  closed: BoxId[];
  /** Opened boxes that nobody has looked into, or not all of. */
  lookFirst: BoxId[];
}

/** The job as it stands, with what is told of it. */
const asItStood = (job: Job): ChangeSide | null => {
  const document = existingDocument(job);
  if (!document) return null;
  const { wiring } = document;
  const drawn = compile(wiring, job);
  const assumed = assumedOf(document);
  return {
    job: { ...job, ...asTold(job, wiring, null) },
    wiring,
    drawn,
    compiled: assumed.size === 0 ? drawn : compile(wiring, job, assumed),
  };
};

/**
 * Before and after of a circuit of which is told what is there and for which a way is chosen; null where nothing of it is told, or where no
 * way is chosen and it stays as it is.
 */
export const plannedChange = (review: JobReview, circuit: CircuitId): PlannedChange | null => {
  const { job } = review;
  const certainty = existingDocument(job)?.certainty;
  const stands = boxesOfCircuit(job, circuit);
  const isChosen = job.choices.some((choice) => choice.circuit === circuit);
  if (!isChosen || stands.every((box) => ofId(certainty, box) === undefined)) return null;
  const before = asItStood(job);
  if (!before) return null;
  const { cost: _, ...change } = changeBetween(before, review);
  const mine = reviewCircuit(review, circuit);
  const boxes = new Set<string>([...mine.boxes, ...stands]);
  const cables = new Set<string>(mine.cables);
  const opened = change.opened.filter((box) => boxes.has(box));
  const isHere = ({ box }: { box: BoxId }) => boxes.has(box);
  const endsHere = ({ from, to }: { from: string; to: string }) => boxes.has(from) || boxes.has(to);
  return {
    ...change,
    opened,
    newBoxes: change.newBoxes.filter((box) => boxes.has(box)),
    emptied: change.emptied.filter((box) => boxes.has(box)),
    devices: change.devices.filter(isHere),
    devicesOut: change.devicesOut.filter(isHere),
    luminaires: change.luminaires.filter(isHere),
    luminairesOut: change.luminairesOut.filter(isHere),
    moved: change.moved.filter(isHere),
    stay: change.stay.filter((id) => cables.has(id)),
    fresh: change.fresh.filter(({ id }) => cables.has(id)),
    idle: change.idle.filter((id) => review.wiring.cables.some((one) => one.id === id && endsHere(one))),
    drawnOut: change.drawnOut.filter(endsHere),
    offBreaker: change.offBreaker.filter(isHere),
    closed: [...mine.boxes].filter((box) => !opened.includes(box)),
    lookFirst: lookFirstIn(job, opened),
  };
};

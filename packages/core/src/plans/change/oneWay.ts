import { articleOf } from '../../model/articles.js';
import { existingDocument } from '../../model/existing.js';
import type { CircuitId, SlotId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import type { Device } from '../../model/wiring.js';
import { groupIdsOf } from '../../model/lookup.js';
import { findingKey } from '../../code/rule.js';
import { isGrave, type Finding } from '../../code/rule.js';
import { planJob } from '../../planning/planJob.js';
import { wiringOrEmpty } from '../../proving/works.js';
import { reviewCircuit, reviewJob, type JobReview } from '../../review/reviewJob.js';
import { withChoice } from '../withChoice.js';
import { changeBetween, type WiringChange } from './changeBetween.js';

/** One way to make a change on what is there. */
export interface Way {
  review: JobReview;
  change: WiringChange;
}

/** Devices that serve where they are stay there, whatever article of their kind the plan would buy. */
const slotsThere = (job: Job, devices: readonly Device[], replaced: readonly SlotId[]): Job['slots'] => {
  const told = existingDocument(job)?.wiring.devices ?? [];
  return job.slots.map((slot) => {
    const [now, then] = [devices, told].map((all) =>
      all.find((one) => one.slot === slot.id && one.box === slot.box),
    );
    if (replaced.includes(slot.id) || !now || !then) return slot;
    const [wanted, there] = [now, then].map((one) => articleOf(job.stock, 'device', one.article));
    const serves =
      wanted?.letter === there?.letter && wanted?.role === there?.role && slot.role === there?.role;
    return serves ? { ...slot, article: then.article, comesNew: false } : slot;
  });
};

/** Which devices serve hangs on the order of the switches alone, so each order of a job is asked once. */
const knownSlots = new WeakMap<Job, Map<string, Job['slots']>>();

/** The job by a choice, with the devices that stay; null where it cannot be planned. */
const chosenOn = (job: Job, choice: Choice, replaced: readonly SlotId[]): Job | null => {
  const chosen = withChoice(job, choice.circuit, choice);
  const known = knownSlots.get(job) ?? new Map<string, Job['slots']>();
  knownSlots.set(job, known);
  const key = JSON.stringify([choice.chains, replaced]);
  const before = choice.chains && known.get(key);
  if (before) return { ...chosen, slots: before };
  const planned = planJob(chosen);
  if (!planned.circuits.some(({ circuit, outcome }) => circuit.id === choice.circuit && outcome.ok))
    return null;
  const slots = slotsThere(chosen, wiringOrEmpty(planned.job).devices, replaced);
  if (choice.chains) known.set(key, slots);
  return { ...chosen, slots };
};

const planOf = ({ plans }: JobReview, circuit: CircuitId) =>
  plans.find((plan) => plan.circuit.id === circuit)?.outcome;

/** Violations and what is unfinished: of the circuit as it is then, or those alone that were not there before. */
export const wrongOf = (
  before: JobReview,
  { review }: Way,
  circuit: CircuitId,
  mending: boolean,
): Finding[] => {
  if (mending) return reviewCircuit(review, circuit).findings.filter(isGrave);
  const known = new Set(before.findings.map(findingKey));
  return review.findings.filter((one) => isGrave(one) && !known.has(findingKey(one)));
};

/** How many they are. */
export const wrongIn = (...asked: Parameters<typeof wrongOf>): number => wrongOf(...asked).length;

/** The way that a choice is; null where it cannot be planned, does not work, or needs a cable whose length nobody knows. */
export const oneWay = (
  before: JobReview,
  job: Job,
  choice: Choice,
  replaced: readonly SlotId[],
  /** Wirings that other choices came to, as text: one that comes to the same again is no other way. */
  met: Set<string>,
): Way | null => {
  const { circuit } = choice;
  const chosen = chosenOn(job, choice, replaced);
  const review = chosen && reviewJob(chosen);
  if (!review || planOf(review, circuit)?.ok !== true) return null;
  const text = JSON.stringify(review.wiring);
  if (met.has(text)) return null;
  met.add(text);
  const ids = groupIdsOf(job, circuit);
  const works = review.proofs
    .filter(({ group }) => ids.has(group))
    .every((proof) => proof.working === proof.positions);
  const unmeasured = review.wiring.cables.some(
    (cable) =>
      !cable.existing &&
      ['unknown', 'guessed'].includes(cable.lengthSource) &&
      !before.wiring.cables.some(({ id }) => id === cable.id),
  );
  return works && !unmeasured ? { review, change: changeBetween(before, review) } : null;
};

import { existingDocument, standingCircuits } from '../../model/existing.js';
import { findCircuit } from '../../model/lookup.js';
import { ofId } from '../../model/records.js';
import { PANEL, type BoxId } from '../../model/ids.js';
import type { Choice, ExistingCable, Job } from '../../model/job.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { feedingCable } from '../../planning/carriers.js';
import type { Finding } from '../../code/rule.js';
import { reviewCircuit, reviewJob } from '../../review/reviewJob.js';
import { leastCable } from '../../search/prices/weights.js';
import { NO_CONSTRAINTS, type Constraints } from '../../search/orders.js';
import { choiceOf, createSearch } from '../../search/search.js';
import { changedJob, circuitOf, withDevicesFreed, type Change } from './changes.js';
import { MOST_STEPS } from '../findPlans.js';
import { changeBetween, type WiringChange } from './changeBetween.js';
import { waysOnExisting, type Way } from './onExisting.js';
import { baselineOf, measureReview, withChoice, type LaidRun, type Measures } from '../measures.js';
import type { Refusal } from '../refusal.js';
import { doesNotStand, feedNotTold, needsUnmeasured, notUnderstood, refusalOf } from './refusals.js';

/** A change of existing work: what is different, and what follows of it for the circuit. */
export interface LeastChange extends WiringChange {
  /** The job after the change, with its choice of runs. */
  job: Job;
  measures: Measures;
  runs: LaidRun[];
  /** Boxes of the circuit that stay as they are. */
  closed: BoxId[];
  /** What today's rules then ask of the circuit, gravest first. */
  asks: Finding[];
  /** Opened boxes that nobody has looked into, or not all of: to look there is the first step, and what is said of them is what is usual. */
  lookFirst: BoxId[];
}

/** The least change, and the next two ways with what they come to. */
export type LeastChangeOutcome =
  { ok: true; value: LeastChange; others: LeastChange[] } | { ok: false; refusal: Refusal };

/** A job after the change that could be planned. */
interface Variant {
  job: Job;
  abandoned: ExistingCable[];
  weight: number;
}

/** The cheapest plan for a changed job, by new cable first; null where there is none. */
const planned = (
  job: Job,
  circuit: Choice['circuit'],
  wanted: Pick<Constraints, 'neutralAt' | 'neutrals'>,
): Omit<Variant, 'abandoned'> | null => {
  const named = findCircuit(job, circuit);
  if (!named) return null;
  const { best } = createSearch(job, named, {
    weights: leastCable(job),
    constraints: { ...NO_CONSTRAINTS, ...wanted },
    volumeLimit: Infinity,
  }).least({ mostSteps: MOST_STEPS });
  return best && { job: withChoice(job, circuit, choiceOf(best)), weight: best.weight };
};

/**
 * The plan of least change for a small job on existing work: what stays, what is opened, what is new, what today's rules
 * ask. Tried in turn: the runs as they are; other runs with the cables that lie there; old devices replaced; old cables to the
 * box in question abandoned. The one with the least new cable, then the least cost, is taken.
 */
export const leastChange = (asked: Job, change: Change): LeastChangeOutcome => {
  const circuit = circuitOf(asked, change);
  if (circuit === null)
    return {
      ok: false,
      refusal: {
        title: 'There is nothing to change',
        reason: 'The change names a switch or a group that the job does not have.',
        remedy: 'Choose one of the job.',
      },
    };
  if (standingCircuits(asked).has(circuit)) return onWhatStands(asked, change, circuit);
  const stands = asItStands(asked, circuit);
  if (!stands.ok) return stands;
  const { job } = stands;
  const before = reviewJob(job);
  const wanted = changedJob(job, change);
  const neutrals = {
    neutralAt: change.kind === 'bringNeutral' ? [change.slot] : [],
    neutrals: 'asAsked' as const,
  };
  const touched =
    change.kind === 'addSwitch'
      ? job.slots.filter((slot) => slot.group === change.group).map((slot) => slot.box)
      : change.kind === 'takeOff'
        ? [change.from]
        : job.slots.filter((slot) => slot.id === change.slot).map((slot) => slot.box);
  const old = job.existingCables.filter(
    ({ between: [a, b] }) => a !== PANEL && touched.some((box) => box === a || box === b),
  );
  const kept = change.kind === 'replaceDevice' ? asIs(wanted, circuit) : null;
  const variants: Variant[] = kept
    ? [kept]
    : [wanted, withDevicesFreed(wanted, circuit)].flatMap((one): Variant[] => {
        const without = {
          ...one,
          existingCables: one.existingCables.filter((cable) => !old.includes(cable)),
        };
        const whole = planned(one, circuit, neutrals);
        const less = old.length > 0 ? planned(without, circuit, neutrals) : null;
        return [
          ...(whole ? [{ ...whole, abandoned: [] }] : []),
          ...(less ? [{ ...less, abandoned: old }] : []),
        ];
      });
  const [best] = variants.sort((a, b) => a.weight - b.weight || a.abandoned.length - b.abandoned.length);
  const after = best && reviewJob(best.job);
  const measured = after && measureReview(after, circuit, baselineOf(best.job, circuit));
  if (!best || !measured || !after) return { ok: false, refusal: refusalOf(change) };
  const mine = reviewCircuit(after, circuit);
  const unmeasured = after.wiring.cables.filter(
    ({ id, existing, lengthSource }) =>
      mine.cables.includes(id) && !existing && ['unknown', 'guessed'].includes(lengthSource),
  );
  if (unmeasured.length > 0) return { ok: false, refusal: needsUnmeasured(job, unmeasured) };
  const way = { review: after, change: changeBetween(before, after) };
  return { ok: true, value: told(way, measured, circuit), others: [] };
};

/** One way to make a change, with all that is to be told of it. */
const told = (
  { review: after, change }: Way,
  measured: { measures: Measures; runs: LaidRun[] },
  circuit: Choice['circuit'],
): LeastChange => {
  const mine = reviewCircuit(after, circuit);
  const certainty = existingDocument(after.job)?.certainty;
  return {
    ...change,
    ...{ job: after.job, measures: measured.measures, runs: measured.runs },
    stay: change.stay.filter((id) => mine.cables.includes(id)),
    closed: [...mine.boxes].filter((box) => !change.opened.includes(box)),
    asks: mine.findings.filter((one) => one.severity !== 'waived'),
    lookFirst: change.opened.filter((box) => {
      const sure = ofId(certainty, box);
      return sure !== undefined && sure !== 'seen';
    }),
  };
};

/** The change of a circuit that stands: planned on its wiring as it is there. */
const onWhatStands = (job: Job, change: Change, circuit: Choice['circuit']): LeastChangeOutcome => {
  if (!choiceThere(job, circuit)) return { ok: false, refusal: notUnderstood(job, circuit) };
  const ways = waysOnExisting(job, changedJob(job, change), circuit, {
    replaced: change.kind === 'replaceDevice' ? change.slot : null,
    neutralAt: change.kind === 'bringNeutral' ? [change.slot] : [],
  });
  const values = ways.slice(0, 3).flatMap((way): LeastChange[] => {
    const measured = measureReview(way.review, circuit, baselineOf(way.review.job, circuit));
    return measured ? [told(way, measured, circuit)] : [];
  });
  const [value, ...others] = values;
  return value ? { ok: true, value, others } : { ok: false, refusal: refusalOf(change) };
};

/**
 * The job with the way that a circuit is wired now. Where nobody has chosen one it is made of the cables that lie there and of
 * no other; what they do not carry is not known here, and nothing is invented for it.
 */
const asItStands = (
  job: Job,
  circuit: Choice['circuit'],
): { ok: true; job: Job } | { ok: false; refusal: Refusal } => {
  const feeds = job.feeds.filter((feed) => feed.circuit === circuit);
  const chosen = job.choices.find((one) => one.circuit === circuit);
  const feed = feeds.find((one) => one.id === chosen?.feed) ?? feeds[0];
  if (feed && feed.at !== PANEL && feedingCable(job, feed) === null)
    return { ok: false, refusal: feedNotTold(job, feed.at) };
  if (chosen) return { ok: true, job };
  // Old loops without a neutral lie there lawfully.
  const found = planned(withoutBuying(job), circuit, { neutralAt: [], neutrals: 'none' });
  const choice = found?.job.choices.find((one) => one.circuit === circuit);
  return choice
    ? { ok: true, job: withChoice(job, circuit, choice) }
    : { ok: false, refusal: doesNotStand(job, circuit) };
};

/** The job with no cable to buy. */
const withoutBuying = (job: Job): Job => ({
  ...job,
  stock: job.stock.map((article) => (article.kind === 'cable' ? { ...article, found: true } : article)),
});

/** The changed job by the runs that it has; null where they do not serve any more. */
const asIs = (job: Job, circuit: Choice['circuit']): Variant | null => {
  const outcome = reviewJob(job).plans.find((plan) => plan.circuit.id === circuit)?.outcome;
  return outcome?.ok ? { job, abandoned: [], weight: 0 } : null;
};

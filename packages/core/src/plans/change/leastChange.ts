import { lyingCables, planningWithout } from '../../model/lying.js';
import { findCircuit } from '../../model/lookup.js';
import { PANEL, type BoxId, type CableId } from '../../model/ids.js';
import type { Choice, ExistingCable, Job } from '../../model/job.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { feedingCable } from '../../planning/carriers.js';
import type { Finding } from '../../code/rule.js';
import { reviewCircuit, reviewJob } from '../../review/reviewJob.js';
import { leastCable } from '../../search/prices/weights.js';
import { NO_CONSTRAINTS, type Constraints } from '../../search/orders.js';
import { choiceOf, createSearch } from '../../search/search.js';
import { asStood } from './asStood.js';
import type { Change } from './changes.js';
import { changedJobs, circuitOf, neutralAskedBy, replacedBy, touchedBy, withDevicesFreed } from './kinds.js';
import { changeBetween, lookFirstIn, type WiringChange } from './changeBetween.js';
import type { Keeping } from './keeping.js';
import { MOST_WAYS, waysOnExisting } from './onExisting.js';
import type { Way } from './oneWay.js';
import { withChoice } from '../withChoice.js';
import { baselineOf } from '../baseline.js';
import { measureReview, type LaidRun, type Measures } from '../measures.js';
import type { Refusal } from '../refusal.js';
import {
  doesNotStand,
  feedNotTold,
  needsUnmeasured,
  noWay,
  notUnderstood,
  refusalOf,
  refusedAtOnce,
} from './refusals.js';

/** A change of existing work: what is different, and what follows of it for the circuit. */
export interface LeastChange extends WiringChange {
  /** The job after the change, with its choice of runs. */
  job: Job;
  measures: Measures;
  runs: LaidRun[];
  /** Why old cables of the circuit are given up; told of the least change alone. */
  keeping: Keeping[];
  /** Are there more ways than could be tried? Then it is the least that was found. */
  partial: boolean;
  /** Was a change of the circuit planned already? Then all that is told is both together, from what is there. */
  together: boolean;
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
  /** How many old cables it gives up. */
  given: number;
  weight: number;
}

/** Steps for one way to have a changed job. */
const MOST_STEPS = 3_000_000;

/** The cheapest plan for a changed job, by new cable first; null where there is none, or none for less than is had already. */
const planned = (
  job: Job,
  /** The same without the cables that it gives up, or may not buy. */
  searched: Job,
  circuit: Choice['circuit'],
  wanted: Pick<Constraints, 'neutralAt' | 'neutrals'>,
  givenUp: readonly CableId[],
  /** What is known to do: one for as much is found still. */
  under = Infinity,
): Variant | null => {
  const named = findCircuit(searched, circuit);
  if (!named) return null;
  const search = (mayGuess: boolean) =>
    createSearch(searched, named, {
      weights: leastCable(searched),
      constraints: { ...NO_CONSTRAINTS, ...wanted },
      mayGuess,
    }).least({ mostSteps: MOST_STEPS, under: under + 1 }).best;
  // By a guess only to say which run would have to be measured.
  const best = search(false) ?? (under === Infinity ? search(true) : null);
  if (!best) return null;
  const choice = { ...choiceOf(best), ...(givenUp.length > 0 ? { givenUp: [...givenUp] } : {}) };
  return { job: withChoice(job, circuit, choice), given: givenUp.length, weight: best.weight };
};

/** The ways to have a changed job: with other devices or not, with these old cables or without, each only where it is no dearer than those before. */
const variantsOf = (
  jobs: readonly Job[],
  circuit: Choice['circuit'],
  neutrals: Pick<Constraints, 'neutralAt' | 'neutrals'>,
  old: readonly ExistingCable[],
): Variant[] => {
  const found: Variant[] = [];
  const ids = old.map(({ id }) => id);
  for (const one of jobs.flatMap((job) => [job, withDevicesFreed(job, circuit)])) {
    const before = one.choices.find((choice) => choice.circuit === circuit)?.givenUp ?? [];
    const others = one.choices.filter((choice) => choice.circuit !== circuit);
    const without = { ...one, choices: [...others, planningWithout(circuit, [...before, ...ids])] };
    const tries =
      old.length > 0
        ? ([
            [one, []],
            [without, ids],
          ] as const)
        : ([[one, []]] as const);
    for (const [searched, given] of tries) {
      const under = Math.min(Infinity, ...found.map(({ weight }) => weight));
      const variant = planned(one, searched, circuit, neutrals, given, under);
      if (variant) found.push(variant);
    }
  }
  return found;
};

/**
 * The plan of least change for a change of existing work: what stays, what is opened, what is new, what today's rules
 * ask. Tried in turn: the runs as they are; other runs with the cables that lie there; old devices replaced; old cables to the
 * box in question abandoned. The one with the least new cable, then the least cost, is taken. `most` ways are told of beside each other; of one alone it
 * is not told why it gives old cables up.
 */
export const leastChange = (asked: Job, change: Change, most = MOST_WAYS): LeastChangeOutcome => {
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
  const refused = refusedAtOnce(asked, change);
  if (refused) return { ok: false, refusal: refused };
  const stood = asStood(asked, circuit);
  if (stood) return onWhatStands(stood, asked, change, circuit, most);
  const stands = asItStands(asked, circuit);
  if (!stands.ok) return stands;
  const { job } = stands;
  const before = reviewJob(job);
  const neutrals = { neutralAt: neutralAskedBy(change), neutrals: 'asAsked' as const };
  const touched = new Set<string>(touchedBy(job, change));
  const old = lyingCables(job).filter(
    ({ between: [a, b] }) => a !== PANEL && (touched.has(a) || touched.has(b)),
  );
  const jobs = changedJobs(job, change);
  const kept = change.kind === 'replaceDevice' ? jobs.flatMap((one) => asIs(one, circuit) ?? []) : [];
  const variants = kept.length > 0 ? kept : variantsOf(jobs, circuit, neutrals, old);
  const [best] = variants.sort((a, b) => a.weight - b.weight || a.given - b.given);
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
  return {
    ...change,
    ...{
      job: after.job,
      measures: measured.measures,
      runs: measured.runs,
      keeping: [],
      partial: true,
      together: false,
    },
    stay: change.stay.filter((id) => mine.cables.includes(id)),
    closed: [...mine.boxes].filter((box) => !change.opened.includes(box)),
    asks: mine.findings.filter((one) => one.severity !== 'waived'),
    lookFirst: lookFirstIn(after.job, change.opened),
  };
};

/** The change of a circuit that is told of: planned on its wiring as it is there. */
const onWhatStands = (
  stood: Job,
  /** With all that is planned for the circuit already. */
  job: Job,
  change: Change,
  circuit: Choice['circuit'],
  most: number,
): LeastChangeOutcome => {
  const mending = change.kind === 'mend';
  if (!mending && !choiceThere(stood, circuit)) return { ok: false, refusal: notUnderstood(job, circuit) };
  const wanted = withChoice(job, circuit, null);
  const asked = {
    ...{ replaced: replacedBy(job, change), neutralAt: neutralAskedBy(change), mending },
    touched: touchedBy(job, change),
  };
  const found = waysOnExisting({ stood, wanted }, (one) => changedJobs(one, change), circuit, asked, most);
  if (!found.ok) return { ok: false, refusal: noWay(job, circuit, change, found.why) };
  const values = found.ways.flatMap((way, i): LeastChange[] => {
    const measured = measureReview(way.review, circuit, baselineOf(way.review.job, circuit));
    return measured
      ? [
          {
            ...told(way, measured, circuit),
            ...{
              together: stood !== job,
              partial: found.partial,
              keeping: i === 0 && most > 1 ? found.keeping() : [],
            },
          },
        ]
      : [];
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
  const found = planned(job, withoutBuying(job), circuit, { neutralAt: [], neutrals: 'none' }, []);
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
  return outcome?.ok ? { job, given: 0, weight: 0 } : null;
};

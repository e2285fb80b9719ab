import type { Job } from '../model/job.js';
import { findingKey, type Finding } from '../code/rule.js';
import { plannedRemedies, type Remedy } from '../review/remedies.js';
import { reviewJob, type JobReview } from '../review/reviewJob.js';
import { outcomeOf, type Outcome } from './outcome.js';

/** Something the program can do about a finding, and what that comes to. */
export interface PricedRemedy extends Remedy {
  outcome: Outcome;
}

const UNPRICED: Record<NonNullable<Remedy['unpriced']>, string> = {
  breaker: 'The breaker is not among what is priced here.',
};

/** The remedies of a finding of the planned wiring, each planned, inspected and priced; the cheapest first, those without a price last. */
const priced = (before: JobReview, finding: Finding) => {
  const price = ({ outcome }: PricedRemedy) => outcome.cost ?? Infinity;
  return plannedRemedies(before, finding)
    .map((remedy) => {
      const outcome = outcomeOf(before, remedy.after);
      const unknown = remedy.unpriced === undefined ? null : UNPRICED[remedy.unpriced];
      return { ...remedy, outcome: unknown === null ? outcome : { ...outcome, cost: null, unknown } };
    })
    .sort((a, b) => price(a) - price(b));
};

export const pricedRemedies = (job: Job, finding: Finding): PricedRemedy[] =>
  priced(reviewJob(job), finding).map(({ after: _after, ...remedy }) => remedy);

/** What was done, one after the other. */
export interface TakenTogether {
  job: Job;
  taken: { title: string; words: string; cost: number }[];
  outcome: Outcome;
}

/** Findings of which something can be done here: what is grave, and cautions. */
const isMendable = ({ severity }: Finding): boolean => severity === 'violation' || severity === 'caution';

/** So many are taken in one go. */
const MOST_TAKEN = 100;

/**
 * Takes the cheapest remedy of one finding after the other, as long as it comes to less than `most` (ten-thousandths of a dollar); each on
 * the job as the ones before have left it, since one may settle another or change its price. One whose price is not known is never taken.
 */
export const takeTogether = (
  job: Job,
  most: number,
  { onProgress }: { onProgress?: (taken: readonly TakenTogether['taken'][number][]) => void } = {},
): TakenTogether => {
  const before = reviewJob(job);
  const taken: TakenTogether['taken'] = [];
  const tried = new Set<string>();
  let review = before;
  while (taken.length < MOST_TAKEN) {
    const next = review.findings.find((one) => isMendable(one) && !tried.has(findingKey(one)));
    if (!next) break;
    // A finding is tried once: one that comes back after another remedy is left for somebody to look at.
    tried.add(findingKey(next));
    const [cheapest] = priced(review, next);
    const cost = cheapest?.outcome.cost ?? null;
    if (!cheapest || cost === null || cost >= most) continue;
    taken.push({ title: next.title, words: cheapest.words, cost });
    review = cheapest.after;
    onProgress?.(taken);
  }
  return { job: review.job, taken, outcome: outcomeOf(before, review) };
};

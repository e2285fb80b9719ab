import type { CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { dollars } from '../../model/units.js';
import { listed } from '../../words/lists.js';
import { cheapestOf, type Candidate } from '../candidates.js';
import { compare } from '../compare.js';
import { findPlans, type FindOptions, type PlanSet } from '../findPlans.js';
import { sayPaidFor } from '../paidFor.js';
import { valueBy } from '../profiles.js';
import { laterTable, type LaterRow } from './laterPrices.js';
import { expectedOf } from './laters.js';
import { sayLater } from './laterWords.js';

/** What is expected of a circuit, with its price under the plans that it was worked out for. */
export interface Expecting {
  /** Letters of these plans, in the order of the prices. */
  letters: string[];
  rows: LaterRow[];
  sentence: string;
}

export type FoundPlans = PlanSet & {
  /** Null where nothing is expected; left out as long as it is not worked out. */
  expecting?: Expecting | null;
};

/** So many plans are held against what is expected, and the cheapest. */
const MOST_PLANS = 4;

/** All that is expected under a plan, ten-thousandths of a dollar; Infinity where some of it cannot be had. */
const laterOf = (rows: readonly LaterRow[], at: number): number =>
  rows.reduce((sum, { prices }) => sum + (prices[at]?.ok ? prices[at].cost : Infinity), 0);

const totalOf = ({ measures }: Candidate, later: number): number =>
  (valueBy('mastersChoice', measures) ?? Infinity) + later;

/**
 * The ways to wire a circuit, with what is expected later counted in the order of the first of them. They keep their letters, by which they were
 * proved or not: what comes later is no part of a proof.
 */
export const findPlansExpecting = (job: Job, id: CircuitId, options: FindOptions = {}): FoundPlans => {
  const expected = expectedOf(job, id);
  const { onProgress } = options;
  const isNone = expected.length === 0;
  const set = findPlans(job, id, {
    ...options,
    ...(onProgress
      ? { onProgress: (soFar) => onProgress({ ...soFar, complete: soFar.complete && isNone }) }
      : {}),
  });
  const lawful = set.candidates.filter(({ measures }) => measures.violations === 0);
  const cheapest = cheapestOf(set.candidates);
  const tried = [...new Set([...lawful.slice(0, MOST_PLANS), ...(cheapest ? [cheapest] : [])])];
  if (isNone || tried.length === 0) return { ...set, expecting: null };
  const rows = laterTable(
    job,
    id,
    tried.map(({ choice }) => choice),
    expected,
    undefined,
    options.mayGoOn,
  );
  const totals = new Map(tried.map((plan, at) => [plan, totalOf(plan, laterOf(rows, at))]));
  const inOrder = [...tried].sort((a, b) => (totals.get(a) ?? 0) - (totals.get(b) ?? 0));
  const [first] = inOrder;
  const candidates = [...inOrder, ...set.candidates.filter((one) => !tried.includes(one))];
  const known = first && Number.isFinite(totals.get(first));
  const sentence =
    first && known
      ? `With ${listed(expected.map((one) => sayLater(job, one)))} expected, ${first.letter} comes to least of the ${tried.length} plans looked at: ${dollars(first.measures.cost)} now and about ${dollars(laterOf(rows, tried.indexOf(first)))} then.`
      : `${listed(expected.map((one) => sayLater(job, one)))}: with none of the plans looked at can it all be had later.`;
  const found: FoundPlans = {
    ...set,
    candidates,
    paidFor: first && cheapest ? sayPaidFor(first, cheapest) : null,
    comparisons: first ? candidates.slice(1).map((other) => compare(first, other)) : [],
    expecting: { letters: tried.map(({ letter }) => letter), rows, sentence },
  };
  onProgress?.(found);
  return found;
};

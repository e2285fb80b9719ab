import type { ArticleId } from '../model/ids.js';
import type { Circuit, Job } from '../model/job.js';
import type { Constraints } from '../search/orders.js';
import type { Found, SearchLimits, SearchResult } from '../search/found.js';
import { leastCost } from '../search/prices/weights.js';
import { choiceOf, createSearch } from '../search/search.js';
import { truckShareOf, type InTruck } from './inTruck.js';
import { withChoice } from './withChoice.js';
import type { Baseline } from './baseline.js';
import { count } from './measures.js';

/** So often the price of what the truck holds too little of is tried anew, at most. */
const MOST_TRIED = 7;
/** Ten-thousandths of a dollar: less is no difference. */
const NOTHING = 1;

/** The job where a foot of some cables costs another share of its price. */
const priced = (job: Job, shares: ReadonlyMap<ArticleId, number>): Job => ({
  ...job,
  stock: job.stock.map((article) => {
    const share = shares.get(article.id);
    return share === undefined || article.kind !== 'cable'
      ? article
      : { ...article, price: article.price * share };
  }),
});

/**
 * The least cost where cable in the truck counts a share of its price, as far as it reaches, and the whole price beyond. What is beyond depends on
 * all runs together, so no price of a run says it; but the cost by the foot only ever grows, so every price between the two, with what it
 * leaves out or adds at the amount there is, is a line below the true cost. A search by such a price gives a plan, and a bound for all of
 * them (Lagrangian relaxation of the amount, by bisection).
 */
export const buyLeast = (
  job: Job,
  circuit: Circuit,
  constraints: Constraints,
  limits: SearchLimits,
  baseline: Baseline,
): SearchResult => {
  const share = truckShareOf(job);
  const left: InTruck = baseline.inTruck;
  const priceOf = (id: ArticleId): number => job.stock.find((one) => one.id === id)?.price ?? 0;
  const feetOf = (found: Found): ReadonlyMap<ArticleId, number> =>
    new Map(
      (count(withChoice(job, circuit.id, choiceOf(found)), circuit.id, baseline)?.cable ?? []).map(
        ({ article, feet }) => [article, feet],
      ),
    );
  /** What a foot of each costs in the search, as a share of its price: at first that of the truck, as though it held enough. */
  const shares = new Map([...left].map(([id]) => [id, share]));
  const range = new Map([...left].map(([id]) => [id, { low: share, high: 1 }]));
  let best: Found | null = null;
  let least: SearchResult | null = null;
  let bound = -Infinity;
  let steps = 0;
  for (let times = 0; times < MOST_TRIED; times++) {
    if (least && (steps >= limits.mostSteps || !(limits.mayGoOn?.() ?? true))) break;
    const asked = priced(job, shares);
    const result = createSearch(asked, circuit, { weights: leastCost(asked), constraints }).least({
      ...limits,
      mostSteps: limits.mostSteps - steps,
    });
    steps += result.steps;
    // The line of each price meets the true cost where the truck is just empty.
    const lineAt = [...left].reduce(
      (sum, [id, feet]) => sum + ((shares.get(id) ?? share) - share) * priceOf(id) * feet,
      0,
    );
    if (least === null || result.bound - lineAt > bound) {
      bound = Math.max(bound, result.bound - lineAt);
      least = result;
    }
    if (!result.best) break;
    const used = feetOf(result.best);
    const weight = [...left].reduce((sum, [id, feet]) => {
      const mine = used.get(id) ?? 0;
      const paid = share * Math.min(mine, feet) + Math.max(0, mine - feet);
      return sum + priceOf(id) * (paid - (shares.get(id) ?? share) * mine);
    }, result.best.weight);
    if (best === null || weight < best.weight) best = { ...result.best, weight };
    if (best.weight <= bound + NOTHING) break;
    // A cable that ran out is dearer next time; one that was left over and had been made dearer, cheaper.
    let moved = false;
    for (const [id, feet] of left) {
      const now = shares.get(id) ?? share;
      const between = range.get(id);
      const mine = used.get(id) ?? 0;
      if (!between || (mine <= feet && now === share)) continue;
      if (mine > feet) between.low = now;
      else between.high = now;
      const next = now === share ? 1 : (between.low + between.high) / 2;
      moved ||= next !== now;
      shares.set(id, next);
    }
    if (!moved) break;
  }
  const reached = best !== null && best.weight <= bound + NOTHING;
  return {
    best,
    bound: best ? Math.min(bound, best.weight) : (least?.bound ?? Infinity),
    proved: reached && (least?.proved ?? false),
    notTried: least?.notTried ?? [],
    steps,
  };
};

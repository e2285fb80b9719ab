import type { SlotId } from '../model/ids.js';
import type { Circuit, Job } from '../model/job.js';
import { toPlan } from '../model/toPlan.js';
import { mastersChoice, type PricedApart } from '../search/prices/weights.js';
import { orderSpaceOf, type Constraints } from '../search/orders.js';
import { priceTablesOf } from '../search/prices/priceTables.js';
import { searchBy } from '../search/search.js';
import type { SearchLimits, SearchResult } from '../search/found.js';

/**
 * Up to so many switches each set of them may get a neutral that nobody asks for; of more, none or all. Of so many the sets are tried up to so
 * many places, and where pains are taken up to more.
 */
const MOST_SWITCHES = 4;
const MOST_PLACES = { quickly: 8, thoroughly: 12 };

const everySet = (slots: readonly SlotId[]): SlotId[][] =>
  slots.reduce<SlotId[][]>((sets, slot) => [...sets, ...sets.map((set) => [...set, slot])], [[]]);

/** How far a set is from none and from all of them. */
const mixedness = (set: readonly SlotId[], all: readonly SlotId[]): number =>
  Math.min(set.length, all.length - set.length);

/**
 * The best by a master's choice. A neutral where a control may come is worth paying for, so those that nobody asks for are tried too: a
 * search for each set of switches that get one, the bound the least of theirs.
 */
export const bestWithNeutrals = (
  job: Job,
  circuit: Circuit,
  constraints: Constraints,
  limits: SearchLimits,
  slots: readonly SlotId[],
  pricedApart?: PricedApart,
): SearchResult => {
  // Those that get one in every case are not asked about.
  const space = orderSpaceOf(job, circuit, constraints);
  const open = slots.filter((slot) => !space.neutralAt.includes(slot));
  const places = Math.max(0, ...space.feeds.map((feed) => space.boxesFor(feed).length));
  const most = MOST_PLACES[limits.thorough ? 'thoroughly' : 'quickly'];
  const isMany = open.length > MOST_SWITCHES || (open.length === MOST_SWITCHES && places > most);
  // All of them and none first: what is found there drops most of the others.
  const sets = isMany
    ? [[], [...open]]
    : everySet(open).sort((a, b) => mixedness(a, open) - mixedness(b, open));
  // What a run or a box costs with these neutrals it costs with others that leave it alone.
  const tables = priceTablesOf(toPlan(job), circuit, mastersChoice(job), {}, true, pricedApart);
  let whole: SearchResult | null = null;
  for (const set of sets) {
    if (whole && !(limits.mayGoOn?.() ?? true)) return { ...whole, bound: 0, proved: false };
    const neutralAt = [...constraints.neutralAt, ...set];
    const result = searchBy(tables, { ...constraints, neutralAt }).least({
      ...limits,
      ...(whole
        ? { onBetter: undefined, under: Math.min(limits.under ?? Infinity, whole.best?.weight ?? Infinity) }
        : {}),
    });
    whole = whole ? together(whole, result) : result;
  }
  const found = whole ?? { best: null, bound: Infinity, proved: false, notTried: [], steps: 0 };
  if (!isMany) return found;
  const boxes = [...new Set(open.flatMap((slot) => job.slots.find(({ id }) => id === slot)?.box ?? []))];
  return { ...found, notTried: [...found.notTried, { what: 'someNeutrals', most: 0, boxes }] };
};

/** Of two searches that share nothing: the better of what they found, and what neither is below. */
const together = (a: SearchResult, b: SearchResult): SearchResult => {
  const better = (b.best?.weight ?? Infinity) < (a.best?.weight ?? Infinity) ? b : a;
  const bound = Math.min(a.bound, b.bound);
  const isDone = (one: SearchResult) => one.proved || one.bound >= (better.best?.weight ?? Infinity);
  return {
    best: better.best,
    bound,
    proved: better.best !== null && better.proved && isDone(a) && isDone(b),
    notTried: a.notTried,
    steps: a.steps + b.steps,
  };
};

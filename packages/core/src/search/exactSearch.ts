import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { neutralBoxes, treeProblemOf } from './evaluate.js';
import { cheapestTree, type Tree } from './exact.js';
import type { Found, Search } from './found.js';
import { searchLarge } from './large.js';
import { goodTree } from './localSearch.js';
import { entriesOf, ordersOf, withNeutrals, type OrderCase, type OrderSpace } from './orders.js';
import type { PriceTables } from './priceTables.js';
import { settle, type Settled } from './problem.js';
import { FORCED } from './runPrices.js';
import { weighedOf, type Weighed } from './weighed.js';

/** Trees that are looked at for the first answer, over all orders. */
const FIRST_TREES = 1200;
/** Orders that are tried for a good answer before the exact search, and changes tried on each. */
const FIRST_ANSWERS = 3;
const KICKS = 2;

interface Case {
  order: OrderCase;
  settled: Settled;
  problem: Weighed;
  bound: number;
}

/** No tree of these weighs less: every box, run and net at its least. */
const rootBound = ({ bounds, n, mandatory, masks, multiplicity, ...problem }: Weighed): number => {
  let bound = problem.rootCost + problem.fixed + problem.forced + bounds.join(mandatory);
  for (let node = 0; node < n; node++) bound += bounds.box(node);
  masks.forEach((mask, i) => (bound += (multiplicity[i] ?? 1) * bounds.reach(mask)));
  return bound;
};

const casesOf = (tables: PriceTables, order: OrderCase): Case[] => {
  const settled = settle(tables.job, tables.circuit, order.boxes, order.order, order.fittings);
  return weighedOf(tables, settled).map((problem) => ({
    order,
    settled,
    problem,
    bound: rootBound(problem),
  }));
};

/** Forced runs have been counted below their cost; a weight that is still far off lacks one of them. */
const wholeWeight = (problem: Weighed, cost: number): number => {
  const weight = cost + problem.fixed + problem.forced;
  return problem.forced > 0 && weight > FORCED / 2 ? Infinity : weight;
};

/**
 * Where any one switch of a group is enough for a neutral, the tree brings it to one of them as it is, or it does not:
 * the switches that have it, or null.
 */
const neutralsMet = (job: Job, { order, settled }: Case, tree: Tree): Settled | null => {
  if (order.oneOf.length === 0) return settled;
  const there = neutralBoxes(settled, tree);
  const boxOf = new Map(job.slots.map((slot) => [slot.id, slot.box]));
  const met = order.oneOf.map((slots) => slots.find((slot) => there.has(boxOf.get(slot) ?? '')));
  if (met.some((slot) => slot === undefined)) return null;
  const neutralAt = [...settled.arrangement.neutralAt, ...met.flatMap((slot) => slot ?? [])];
  return {
    ...settled,
    choice: { ...settled.choice, neutralAt },
    arrangement: { ...settled.arrangement, neutralAt },
  };
};

export const exactSearch = (tables: PriceTables, space: OrderSpace): Search => {
  const { job } = tables;
  let made: Case[] | null = null;
  const all = (): Case[] =>
    (made ??= ordersOf(job, space)
      .flatMap((order) => casesOf(tables, order))
      .sort((a, b) => a.bound - b.bound));
  const entryOfCase = ({ settled, problem }: Case) => settled.nodes[problem.root] as BoxId;
  const entries = entriesOf(job, space);
  return {
    entries,
    least: ({ entry = null, mostSteps, onBetter, mayGoOn = () => true }) => {
      const here = (one: Case) => entry === null || entryOfCase(one) === entry;
      let best: Found | null = null;
      let steps = 0;
      let open = Infinity;
      const keep = (found: Found) => {
        if (best && found.weight >= best.weight) return;
        best = found;
        onBetter?.(found);
      };
      /** Takes a tree that is better than the best; false where it lacks a neutral that it ought to bring. */
      const take = (one: Case, tree: Tree | null): boolean => {
        if (!tree) return true;
        const weight = wholeWeight(one.problem, tree.cost);
        if (weight === Infinity || (best && weight >= best.weight)) return true;
        const settled = neutralsMet(job, one, tree);
        if (!settled) return false;
        keep({ settled, tree, weight });
        return true;
      };
      // A good answer first: it is shown at once, and drops most of the search.
      const mayEnter = (box: string) =>
        entries.some((one) => one === box) && (entry === null || box === entry);
      searchLarge(tables, space, mayEnter, FIRST_TREES, mayGoOn, keep);
      const cases = all().filter(here);
      for (const [i, one] of cases.slice(0, FIRST_ANSWERS).entries())
        if (mayGoOn()) take(one, goodTree(treeProblemOf(one.problem), KICKS, i + 1, mayGoOn));
      const look = (one: Case): void => {
        const known = best;
        if (known && one.bound >= known.weight) return;
        if (steps > mostSteps || !mayGoOn()) {
          open = Math.min(open, one.bound);
          return;
        }
        const limit = known ? known.weight - one.problem.fixed - one.problem.forced : Infinity;
        const result = cheapestTree(one.problem, limit, mostSteps - steps);
        steps += result.steps;
        const met = take(one, result.tree);
        if (!result.complete) open = Math.min(open, one.bound);
        else if (!met)
          for (const order of withNeutrals(one.order)) casesOf(tables, order).filter(here).forEach(look);
      };
      cases.forEach(look);
      const found = best as Found | null;
      const bound = Math.min(open, found?.weight ?? Infinity);
      return { best: found, bound, proved: found !== null && bound >= found.weight, steps };
    },
  };
};

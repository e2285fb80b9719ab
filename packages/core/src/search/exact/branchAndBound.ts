import { caseOf, leastBound, settledOf, weightOf, type Case } from '../bounds/cases.js';
import { createTreeSearch } from './treeSearch.js';
import type { Tree } from '../tree.js';
import { tryLikely } from '../descent/incumbents.js';
import type { Found, Search } from '../found.js';
import { searchLarge, STEPS_OF_A_TREE } from '../descent/largeSearch.js';
import { entriesOf, ordersOf, withNeutrals, type OrderCase, type OrderSpace } from '../orders.js';
import { isCutShort, notTriedBy, ofWhatIsTried } from '../notTried.js';
import { PANEL, placeOfNode } from '../../model/ids.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Settled } from '../problem.js';
import { boundingOf, type Bounding } from '../bounds/bounding.js';
import { crowdedBound } from '../bounds/crowded.js';
import { raiseSlopes } from '../bounds/subgradient.js';

/**
 * What is done before orders are searched to their end, from so many places on. Where there are few, the search is over before
 * that pays.
 * - `trees`: looked at for the first answer; so many at least, more with each order, and no more than the most.
 * - `likely`: orders that are tried for a better answer.
 * - `atLast`: trees at most that a descent looks at where the search was cut short.
 * - `turnLines`: the lines under the prices of runs are turned for better bounds.
 * - `raises`: how often a bound is raised first. Of one group the bounds are near enough for once; of several all rise
 *   together, so that what is left open when time is over is little.
 */
const EFFORT_FROM = 10;
const EFFORT = {
  few: {
    trees: { least: 50, each: 2, most: 100 },
    likely: 0,
    atLast: 0,
    turnLines: false,
    raises: { alone: 0, several: 4 },
  },
  many: {
    trees: { least: 200, each: 20, most: 1200 },
    likely: 3,
    atLast: 10_000,
    turnLines: true,
    raises: { alone: 1, several: 4 },
  },
};
/** Orders, beside the best known, that the lines of the bounds are made for. */
const ORDERS_FOR_SLOPES = 8;
/** By how much of the gap a bound is raised, and by how much of the weight at least. */
const RAISE = { share: 0.5, least: 0.003 };
/** So many orders are raised once more all the same: what they hold under it drops most of the others. */
const PROBES = 1;

/** A case that is not settled: no tree of it weighs less than the bound, and it was looked at so many times. */
interface Open {
  one: Case;
  bound: number;
  looks: number;
}

/** Some orders apart from each other, for the lines of the bounds. */
const someOf = (tables: PriceTables, orders: readonly OrderCase[]): Settled[] => {
  const apart = Math.ceil(orders.length / ORDERS_FOR_SLOPES);
  return orders.filter((_, i) => i % apart === 0).map((order) => settledOf(tables, order));
};

/** Orders made ready to be searched, and by which lines each is bounded. */
interface Made {
  cases: Case[];
  bounding: (order: OrderCase) => Bounding;
}

/** What groups stay apart in an order: lines that serve one such way serve another badly. */
const apartIn = ({ order }: OrderCase): string => order.apart.map(({ node }) => node).join(' ');

/** Lines are turned for so many ways to stay apart, each by itself; of more, for all together. */
const MOST_TURNED = 40;

const makeCases = (
  tables: PriceTables,
  orders: readonly OrderCase[],
  best: Found | null,
  { turnLines }: { turnLines: boolean },
): Made => {
  const ways = new Map<string, OrderCase[]>();
  for (const order of orders) {
    const way = ways.size < MOST_TURNED || ways.has(apartIn(order)) ? apartIn(order) : 'others';
    const same = ways.get(way);
    if (same) same.push(order);
    else ways.set(way, [order]);
  }
  const plain = boundingOf(tables);
  const boundings = new Map(
    [...ways].map(([way, some]) => {
      const [first, ...others] = someOf(tables, some);
      const isBest =
        best !== null &&
        best.settled.scope.apart
          .filter((one) => one.groups !== null)
          .map(({ node }) => node)
          .join(' ') === way;
      const from = isBest ? best.settled : first;
      return [
        way,
        best && turnLines && from
          ? boundingOf(tables, raiseSlopes(tables, from, isBest && first ? [first, ...others] : others))
          : plain,
      ] as const;
    }),
  );
  const bounding = (order: OrderCase) => boundings.get(apartIn(order)) ?? boundings.get('others') ?? plain;
  return { cases: orders.map((order) => caseOf(bounding(order), order)), bounding };
};

export const exactSearch = (tables: PriceTables, space: OrderSpace, effortFrom = EFFORT_FROM): Search => {
  const places = Math.max(
    0,
    ...space.feeds.map(
      (feed) =>
        space.boxesFor(feed).length + Math.max(...space.atNodes(feed).map(({ apart }) => apart.length)),
    ),
  );
  const effort = places < effortFrom ? EFFORT.few : EFFORT.many;
  let made: Made | null = null;
  /** Made once, after the first answer. */
  const all = (best: Found | null): Made => (made ??= makeCases(tables, ordersOf(space), best, effort));
  const entries = entriesOf(space);
  const cheapestTree = createTreeSearch();
  const notTried = notTriedBy(tables, space);
  return {
    entries,
    least: ({ entry = null, mostSteps, under = Infinity, seeds = [], onBetter, mayGoOn = () => true }) => {
      /** The same with power entering where it is asked to. */
      const here = (one: Case): Case => ({
        ...one,
        bounds: one.bounds.filter(
          ({ root }) => entry === null || placeOfNode(one.settled.nodes[root] ?? PANEL) === entry,
        ),
      });
      let best: Found | null = null;
      let steps = 0;
      const weight = (): number => best?.weight ?? under;
      const keep = (found: Found) => {
        if (found.weight >= weight()) return;
        best = found;
        onBetter?.(found);
      };
      /** Takes a tree that is better than the best. */
      const take = ({ settled, problem }: Case, tree: Tree): void => {
        const whole = weightOf(problem, tree);
        if (whole < Infinity && !settled.neutralOpen) keep({ settled, tree, weight: whole });
      };
      // A good answer first: it is shown at once, and drops most of the search.
      const mayEnter = (box: string) =>
        entries.some((one) => one === box) && (entry === null || box === entry);
      const { least, each, most } = effort.trees;
      // Where something is known already, the bounds drop most by that.
      const trees = Math.min(most, least + each * space.count);
      if (under === Infinity) searchLarge(tables, space, mayEnter, trees, mayGoOn, keep);
      const { cases: every, bounding } = all(best);
      const cases = every.map(here).sort((a, b) => leastBound(a) - leastBound(b));
      tryLikely(bounding, cases, effort.likely, mayGoOn, take);

      /** Looks for a tree of a case that weighs less than a limit: what stays open of it, or null where it was cut short. */
      const look = ({ one, looks }: Open, limit: number): Open[] | null => {
        const open = new Set(one.bounds.filter((it) => it.bound < limit).map(({ root }) => root));
        const within = one.problem.entries.filter(({ root }) => open.has(root));
        const { fixed, forced } = one.problem;
        const left = mostSteps - steps;
        const problem = { ...one.problem, entries: within };
        const result = cheapestTree(problem, limit - fixed - forced, left, mayGoOn);
        steps += result.steps;
        const { tree } = result;
        if (tree) take(one, tree);
        if (!result.complete) return null;
        if (!tree) return limit < weight() ? [{ one, bound: limit, looks: looks + 1 }] : [];
        if (!one.settled.neutralOpen) return [];
        // So little is not out of the question with some neutrals led on: each way to settle them is looked at for itself.
        const least = weightOf(one.problem, tree);
        return withNeutrals(one.order).map((order) => {
          const solid = here(caseOf(bounding(order), order));
          return { one: solid, bound: Math.max(least, leastBound(solid)), looks: 0 };
        });
      };
      // The least bound last.
      const waiting = cases.map((one): Open => ({ one, bound: leastBound(one), looks: 0 })).reverse();
      const wait = (open: Open): void => {
        let [from, to] = [0, waiting.length];
        while (from < to) {
          const middle = (from + to) >> 1;
          if ((waiting[middle]?.bound ?? 0) > open.bound) from = middle + 1;
          else to = middle;
        }
        waiting.splice(from, 0, open);
      };
      /** Ways to settle the neutrals of an order that was just found good: what is found there drops much of the others. */
      const urgent: Open[] = [];
      const left: Open[] = [];
      let probes = 0;
      const often = space.groups.length === 1 ? effort.raises.alone : effort.raises.several;
      for (;;) {
        const open = urgent.pop() ?? waiting.pop();
        if (!open) break;
        if (open.bound >= weight()) continue;
        // Half of the way costs little, and is enough for most orders once a better answer is known.
        const half = open.looks < often || probes++ < PROBES;
        const more = Math.max(RAISE.share * (weight() - open.bound), RAISE.least * weight());
        const limit = half ? Math.min(open.bound + more, weight()) : weight();
        const rest = steps > mostSteps || !mayGoOn() ? null : look(open, limit);
        if (!rest) left.push(open);
        else if (open.one.settled.neutralOpen && rest.some(({ one }) => one !== open.one))
          urgent.push(...rest.sort((a, b) => b.bound - a.bound));
        else rest.forEach(wait);
      }
      // Where time was short a descent may find more. Last, since a good answer at the start makes for small steps.
      if (left.length > 0) {
        const more = Math.min(effort.atLast, mostSteps / STEPS_OF_A_TREE);
        const from = [...seeds, ...(best ? [best as Found] : [])];
        searchLarge(tables, space, mayEnter, more, mayGoOn, keep, from);
      }
      const found = best as Found | null;
      const bound = Math.min(weight(), ...left.map((one) => one.bound));
      // A box with more runs than are tried is out of the question where the least that it would cost is no less than the best.
      const told = notTried.flatMap((one) => {
        if (one.what !== 'runs' || !found) return [one];
        const boxes = one.boxes.filter((box) =>
          cases.some((each) => crowdedBound(tables, each, box) < found.weight),
        );
        return boxes.length > 0 ? [{ ...one, boxes }] : [];
      });
      const isAtBound = found !== null && bound >= found.weight;
      return {
        ...{ best: found, bound, proved: isAtBound && !isCutShort(told), steps },
        notTried: isAtBound ? told : ofWhatIsTried(told),
      };
    },
  };
};

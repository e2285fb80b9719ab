import { treeProblemOf } from './evaluate.js';
import { cheapestTree, type Tree } from './exact.js';
import type { Found, Search } from './found.js';
import { searchLarge } from './large.js';
import { goodTree } from './localSearch.js';
import { entriesOf, ordersOf, withNeutrals, type OrderCase, type OrderSpace } from './orders.js';
import type { PriceTables } from './priceTables.js';
import { settle, type Settled } from './problem.js';
import { FORCED } from './runPrices.js';
import { weighedOf, type Weighed } from './weighed.js';

/** Trees that are looked at for the first answer: so many at least, more with each order, and no more than the most. */
const FIRST_TREES = { least: 200, each: 20, most: 1200 };
/** Trees that are looked at once more where some orders take long: a better answer drops more of each. */
const MORE_TREES = 15_000;
/** Orders that are tried for a good answer before the exact search, and changes tried on each. */
const FIRST_ANSWERS = 3;
const KICKS = 2;
/**
 * Steps of an order that is settled at once; the others wait. Of one group an order may take most of all steps: with few nets
 * it is mostly settled, and what was begun and left is lost.
 */
const EASY_STEPS = 300_000;
const EASY_SHARE = 0.6;
/** With so many places a better first answer is worth its time. */
const MANY_PLACES = 13;
/** With so many steps left for each of those that wait, they are settled too; else their bounds are raised, lowest first. */
const HARD_STEPS = 1_000_000;
/** The share of the gap by which a bound is raised, and the least of it by the weight of the best. */
const RAISE = { share: 0.3, least: 0.003 };

interface Case {
  order: OrderCase;
  settled: Settled;
  problem: Weighed;
  /** No tree weighs less; by entry, in rising order. */
  bounds: { root: number; bound: number }[];
}

/** No tree of these weighs less: every box, run and net at its least. */
const boundsOf = ({ bounds, n, mandatory, masks, multiplicity, fromPanel, ...problem }: Weighed) =>
  problem.entries
    .map(({ root, cost, box }) => {
      const nodes = mandatory | (1 << root);
      let bound = cost + problem.fixed + problem.forced + bounds.join(nodes) + box;
      for (let node = 0; node < n; node++) if (node !== root) bound += bounds.box(node);
      masks.forEach((mask, i) => {
        bound += (multiplicity[i] ?? 1) * bounds.reach(fromPanel[i] ? mask | (1 << root) : mask);
      });
      return { root, bound };
    })
    .sort((a, b) => a.bound - b.bound);

const caseOf = (tables: PriceTables, order: OrderCase): Case => {
  const settled = settle(tables.job, tables.circuit, order.boxes, order.order, order.fittings);
  const problem = weighedOf(tables, settled);
  return { order, settled, problem, bounds: boundsOf(problem) };
};

/** A case that is not settled: no tree of it weighs less than the bound. */
interface Open {
  one: Case;
  bound: number;
}

const leastBound = ({ bounds }: Case): number => bounds[0]?.bound ?? Infinity;

/** Forced runs have been counted below their cost; a weight that is still far off lacks one of them. */
const wholeWeight = (problem: Weighed, cost: number): number => {
  const weight = cost + problem.fixed + problem.forced;
  return problem.forced > 0 && weight > FORCED / 2 ? Infinity : weight;
};

export const exactSearch = (tables: PriceTables, space: OrderSpace): Search => {
  const { job } = tables;
  let made: Case[] | null = null;
  const all = (): Case[] => (made ??= ordersOf(job, space).map((order) => caseOf(tables, order)));
  const entries = entriesOf(job, space);
  return {
    entries,
    least: ({ entry = null, mostSteps, onBetter, mayGoOn = () => true }) => {
      /** The same with power entering where it is asked to. */
      const here = (one: Case): Case => ({
        ...one,
        bounds: one.bounds.filter(({ root }) => entry === null || one.settled.nodes[root] === entry),
      });
      let best: Found | null = null;
      let steps = 0;
      const keep = (found: Found) => {
        if (best && found.weight >= best.weight) return;
        best = found;
        onBetter?.(found);
      };
      /** Takes a tree that is better than the best. */
      const take = ({ settled, problem }: Case, tree: Tree | null): void => {
        const weight = tree ? wholeWeight(problem, tree.cost) : Infinity;
        if (tree && weight < Infinity && !settled.neutralOpen) keep({ settled, tree, weight });
      };
      // A good answer first: it is shown at once, and drops most of the search.
      const mayEnter = (box: string) =>
        entries.some((one) => one === box) && (entry === null || box === entry);
      const { least, each, most } = FIRST_TREES;
      const many = space.feeds.some((feed) => space.boxesFor(feed).length >= MANY_PLACES);
      const trees = many ? MORE_TREES : Math.min(most, least + each * space.count);
      searchLarge(tables, space, mayEnter, trees, mayGoOn, keep);
      const cases = all()
        .map(here)
        .sort((a, b) => leastBound(a) - leastBound(b));
      const likely = cases
        .flatMap((one) => one.bounds.map(({ root, bound }) => ({ one, root, bound })))
        .sort((a, b) => a.bound - b.bound)
        .slice(0, FIRST_ANSWERS);
      for (const [i, { one, root }] of likely.entries())
        if (mayGoOn()) {
          const [order] = withNeutrals(one.order);
          const solid = one.settled.neutralOpen && order ? caseOf(tables, order) : one;
          take(solid, goodTree(treeProblemOf(solid.problem, root), KICKS, i + 1, mayGoOn));
        }
      const weight = (): number => best?.weight ?? Infinity;
      const isOver = () => steps > mostSteps || !mayGoOn();
      /** Looks for a tree of a case that weighs less than a limit: what stays open of it, or null where it was cut short. */
      const look = ({ one, bound }: Open, limit: number, most: number): Open[] | null => {
        const open = new Set(one.bounds.filter((it) => it.bound < limit).map(({ root }) => root));
        const entries = one.problem.entries.filter(({ root }) => open.has(root));
        const { fixed, forced } = one.problem;
        const result = cheapestTree({ ...one.problem, entries }, limit - fixed - forced, most, mayGoOn);
        steps += result.steps;
        take(one, result.tree);
        if (!result.complete) return null;
        if (!result.tree) return limit < weight() ? [{ one, bound: limit }] : [];
        if (!one.settled.neutralOpen) return [];
        // So little is not out of the question with some neutrals led on: each way to settle them is looked at for itself.
        return withNeutrals(one.order).map((order) => {
          const made = here(caseOf(tables, order));
          return { one: made, bound: Math.max(bound, leastBound(made)) };
        });
      };
      const alone = space.groups.length === 1;
      const easySteps = alone ? EASY_SHARE * mostSteps : mostSteps;
      const easy = cases.map((one): Open => ({ one, bound: leastBound(one) })).reverse();
      const hard: Open[] = [];
      for (let open = easy.pop(); open; open = easy.pop()) {
        if (open.bound >= weight()) continue;
        const left = easySteps - steps;
        const rest =
          isOver() || left < 0 ? null : look(open, weight(), alone ? left : Math.min(EASY_STEPS, left));
        // At once, as what is found there drops much of the others.
        if (rest) easy.push(...rest);
        else hard.push(open);
      }
      if (hard.length > 0 && !many && !isOver())
        searchLarge(tables, space, mayEnter, MORE_TREES, mayGoOn, keep);
      const left: Open[] = [];
      for (;;) {
        hard.sort((a, b) => b.bound - a.bound);
        const open = hard.pop();
        if (!open || open.bound >= weight()) break;
        const gap = weight() - open.bound;
        const enough = mostSteps - steps > HARD_STEPS * (hard.length + 1);
        const raised = enough ? weight() : open.bound + Math.max(RAISE.share * gap, RAISE.least * weight());
        const rest = isOver() ? null : look(open, Math.min(raised, weight()), mostSteps - steps);
        if (rest) hard.push(...rest);
        else left.push(open);
      }
      const found = best as Found | null;
      const bound = Math.min(weight(), ...left.map((one) => one.bound));
      return { best: found, bound, proved: found !== null && bound >= found.weight, steps };
    },
  };
};

import { PANEL, type BoxId } from '../model/ids.js';
import type { Choice, Circuit, Job } from '../model/job.js';
import type { Weights } from './cost.js';
import { neutralBoxes, treeProblemOf } from './evaluate.js';
import { cheapestTree, OUT, TOP, type Tree } from './exact.js';
import { MOST_CLASSES } from './load.js';
import { goodTree } from './localSearch.js';
import { searchLarge } from './large.js';
import { largeBound } from './largeBound.js';
import {
  orderSpaceOf,
  ordersOf,
  withNeutrals,
  type Constraints,
  type OrderCase,
  type OrderSpace,
} from './orders.js';
import { priceTablesOf, type PriceTables } from './priceTables.js';
import { settle, type Settled } from './problem.js';
import { FORCED } from './runPrices.js';
import { weighedOf, type Weighed } from './weighed.js';

/** A tree with the arrangement that it is of. */
export interface Found {
  settled: Settled;
  tree: Tree;
  /** By the weight searched for, with what no tree changes. */
  weight: number;
}

export interface SearchResult {
  best: Found | null;
  /** No arrangement weighs less than this, so far as was shown. */
  bound: number;
  /** The bound is the weight of the best. */
  proved: boolean;
  steps: number;
}

export interface SearchOptions {
  weights: Weights;
  constraints: Constraints;
  /** Boxes that need more are out of the question; ten-thousandths of a cubic inch. */
  volumeLimit: number;
}

export interface SearchLimits {
  /** The box that power has to enter; null or left out for any. */
  entry?: BoxId | null;
  /** Steps of the exact search over all orders; deterministic, unlike a time. */
  mostSteps: number;
  /** Called with each better arrangement. */
  onBetter?: ((found: Found) => void) | undefined;
  mayGoOn?: () => boolean;
}

/** Beyond so many places the tables of the exact search are too large. */
export const MOST_PLACES_EXACT = 16;
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

/** A circuit made ready to be searched, any number of times. */
export interface Search {
  /**
   * The least arrangement: every order of its switches, every feed and return run, every tree. Orders whose bound
   * reaches the best known are passed over; the others are searched to their end as long as steps are left.
   */
  least: (limits: SearchLimits) => SearchResult;
  /** Boxes that power may enter. */
  entries: BoxId[];
}

/** More orders than these are not gone through one by one. */
const MOST_ORDERS = 400;

/** Is every order and tree of a circuit within the reach of the exact search? */
const isExact = ({ groups, feeds, boxesFor, returnsFor, count }: OrderSpace): boolean => {
  const switches = groups.reduce((sum, { slots }) => sum + slots.length, 0);
  // Hot, neutral, and of each group its travelers and its switch leg: one for each switch.
  const classes = 2 + switches;
  const places = Math.max(
    0,
    ...feeds.map((feed) => boxesFor(feed).length + (returnsFor(feed).length > 0 ? 1 : 0)),
  );
  return count <= MOST_ORDERS && classes <= MOST_CLASSES && places <= MOST_PLACES_EXACT;
};

/** Best found without proof, with a bound. */
const largeSearch = (tables: PriceTables, space: OrderSpace): Search => {
  const { job } = tables;
  const homes = job.runFacts.flatMap(({ rule, between: [a, b] }) =>
    rule === 'forced' && (a === PANEL || b === PANEL) ? [a === PANEL ? b : a] : [],
  );
  const all = [
    ...new Set(space.feeds.flatMap((feed) => (feed.at === PANEL ? space.boxesFor(feed) : [feed.at]))),
  ];
  const forced = all.filter((box) => homes.includes(box));
  const entries = forced.length > 0 ? forced : all;
  return {
    entries,
    least: ({ entry = null, mostSteps, onBetter, mayGoOn = () => true }) => {
      const mayEnter = (box: string) =>
        entries.some((one) => one === box) && (entry === null || box === entry);
      const most = Math.min(mostSteps / STEPS_OF_A_TREE, MOST_TREES);
      const { best, steps } = searchLarge(tables, space, mayEnter, most, mayGoOn, (found) =>
        onBetter?.(found),
      );
      const bound = Math.min(largeBound(tables, space), best?.weight ?? Infinity);
      return { best, bound, proved: false, steps };
    },
  };
};

/** A tree that is priced whole takes about so many steps of the exact search. */
const STEPS_OF_A_TREE = 100;
const MOST_TREES = 150_000;

export const createSearch = (job: Job, circuit: Circuit, options: SearchOptions): Search => {
  const tables = priceTablesOf(job, circuit, options.weights, options.volumeLimit);
  const space = orderSpaceOf(job, circuit, options.constraints);
  return isExact(space) ? exactSearch(tables, space) : largeSearch(tables, space);
};

const exactSearch = (tables: PriceTables, space: OrderSpace): Search => {
  const { job } = tables;
  const all = ordersOf(job, space)
    .flatMap((order) => casesOf(tables, order))
    .sort((a, b) => a.bound - b.bound);
  const entryOfCase = ({ settled, problem }: Case) => settled.nodes[problem.root] as BoxId;
  return {
    entries: [...new Set(all.map(entryOfCase))],
    least: ({ entry = null, mostSteps, onBetter, mayGoOn = () => true }) => {
      const here = (one: Case) => entry === null || entryOfCase(one) === entry;
      const cases = all.filter(here);
      let best: Found | null = null;
      let steps = 0;
      let open = Infinity;
      /** Takes a tree that is better than the best; false where it lacks a neutral that it ought to bring. */
      const take = (one: Case, tree: Tree | null): boolean => {
        if (!tree) return true;
        const weight = wholeWeight(one.problem, tree.cost);
        if (weight === Infinity || (best && weight >= best.weight)) return true;
        const settled = neutralsMet(job, one, tree);
        if (!settled) return false;
        best = { settled, tree, weight };
        onBetter?.(best);
        return true;
      };
      // A good answer first: it is shown at once, and drops most of the search.
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

/** The way a circuit is cabled, as the job keeps it. */
export const choiceOf = ({ settled, tree }: Found): Choice => {
  const { nodes, choice, arrangement } = settled;
  const runs = nodes.flatMap((to, i) => {
    const parent = tree.parents[i] ?? OUT;
    if (parent === OUT || (parent === TOP && settled.root !== null)) return [];
    const from = parent === TOP ? PANEL : nodes[parent];
    return from === undefined ? [] : [{ from, to }];
  });
  return { ...choice, runs, chains: arrangement.chains, neutralAt: arrangement.neutralAt };
};

/** The box that power enters. */
export const entryOf = ({ settled, tree }: Found): BoxId | null => {
  const top = tree.parents.indexOf(TOP);
  return (settled.nodes[top] as BoxId | undefined) ?? null;
};

import { PANEL, type BoxId } from '../model/ids.js';
import type { Choice, Circuit, Job } from '../model/job.js';
import { cheapestTree, OUT, TOP, type Tree } from './exact.js';
import { goodTree, treeCost } from './evaluate.js';
import { MOST_CLASSES } from './load.js';
import { ordersOf, type Constraints } from './orders.js';
import type { Cost } from './cost.js';
import { settle, type Settled } from './problem.js';
import { newShared } from './shared.js';
import { weighedOf, type Weighed } from './weighed.js';

/** What is wanted: one number of a candidate's cost, to be as small as can be. */
export type Weigh = (cost: Cost) => number;

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
  weigh: Weigh;
  constraints: Constraints;
  /** Boxes that need more are out of the question; ten-thousandths of a cubic inch. */
  volumeLimit: number;
  /** Steps of the exact search over all orders; deterministic, unlike a time. */
  mostSteps: number;
  /** Called with each better arrangement; false stops the search. */
  onBetter?: (found: Found) => void;
  mayGoOn?: () => boolean;
}

/** Beyond so many places the tables of the exact search are too large. */
export const MOST_PLACES_EXACT = 16;
/** Orders that are tried for a good answer before the exact search, and changes tried on each. */
const FIRST_ANSWERS = 3;
const KICKS = 2;

interface Case {
  settled: Settled;
  problem: Weighed;
  bound: number;
}

/** No tree of these weighs less: every box, run and net at its least. */
const rootBound = (problem: Weighed): number => {
  const { join, reach, boxes } = problem.bounds();
  const { mandatory, masks, multiplicity } = problem;
  let bound = join(mandatory) + (boxes[mandatory] ?? 0);
  masks.forEach((mask, i) => (bound += (multiplicity[i] ?? 1) * reach(mask)));
  return bound + problem.feedToll + problem.fixed + problem.forced;
};

const casesOf = (job: Job, circuit: Circuit, options: SearchOptions): Case[] => {
  const shared = newShared();
  return ordersOf(job, circuit, options.constraints).flatMap(({ order, fittings, boxes }): Case[] => {
    const settled = settle(job, circuit, boxes, order, fittings);
    if (settled.classes.length > MOST_CLASSES || settled.nodes.length > MOST_PLACES_EXACT) return [];
    const wanted = options.constraints.entry;
    const entries = settled.nodes.reduce(
      (mask, node, i) => (wanted === null || node === wanted ? mask | (1 << i) : mask),
      0,
    );
    const problem = weighedOf(job, settled, shared, options.weigh, options.volumeLimit, entries);
    return [{ settled, problem, bound: rootBound(problem) }];
  });
};

/** Forced runs have been counted below their cost; a weight that is still far off lacks one of them. */
const wholeWeight = (problem: Weighed, cost: number): number => {
  const weight = cost + problem.fixed + problem.forced;
  return problem.forced > 0 && weight > 1e11 ? Infinity : weight;
};

/**
 * The least arrangement of a circuit: every order of its switches, every feed and return run, every tree. Orders whose
 * bound reaches the best known are passed over; the others are searched to their end as long as steps are left.
 */
export const searchCircuit = (job: Job, circuit: Circuit, options: SearchOptions): SearchResult => {
  const mayGoOn = options.mayGoOn ?? (() => true);
  const cases = casesOf(job, circuit, options).sort((a, b) => a.bound - b.bound);
  let best: Found | null = null;
  let steps = 0;
  const take = ({ settled, problem }: Case, tree: Tree | null) => {
    if (!tree) return;
    const weight = wholeWeight(problem, tree.cost);
    if (weight === Infinity || (best && weight >= best.weight)) return;
    best = { settled, tree, weight };
    options.onBetter?.(best);
  };
  // A good answer first: it is shown at once, and drops most of the search.
  for (const [i, one] of cases.slice(0, FIRST_ANSWERS).entries())
    if (mayGoOn()) take(one, goodTree(one.problem, KICKS, i + 1, mayGoOn));
  let open = Infinity;
  for (const one of cases) {
    const known = best as Found | null;
    if (known && one.bound >= known.weight) break;
    if (steps > options.mostSteps || !mayGoOn()) {
      open = Math.min(open, one.bound);
      continue;
    }
    const limit = known ? known.weight - one.problem.fixed - one.problem.forced : Infinity;
    const result = cheapestTree(one.problem, limit, options.mostSteps - steps);
    steps += result.steps;
    take(one, result.tree);
    if (!result.complete) open = Math.min(open, one.bound);
  }
  const found = best as Found | null;
  const bound = Math.min(open, found?.weight ?? Infinity);
  return { best: found, bound, proved: found !== null && bound >= found.weight, steps };
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

export { treeCost };

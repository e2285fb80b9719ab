import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { OUT, TOP, type Tree } from '../tree.js';
import type { MovePrice } from './treeMoves.js';

/** What a local search has to know of a problem. */
export interface TreeProblem {
  n: number;
  root: number;
  /** Nodes that every tree has. */
  needed: readonly number[];
  /** May anything hang on a node? */
  mayHold: (node: number) => boolean;
  /** Infinity where the tree is out of the question. */
  cost: (parents: ArrayLike<number>) => number;
  /** The same of the trees that come of one tree, whose cost is known, by hanging one part elsewhere, where that is less work. */
  movesOf?: (parents: ArrayLike<number>, cost: number) => MovePrice;
  /** The least that a run between two nodes costs; Infinity where none may go. */
  nearness: (a: number, b: number) => number;
}

/** Neighbours of every node. */
export const adjacency = (parents: ArrayLike<number>): Set<number>[] => {
  const ties = Array.from({ length: parents.length }, () => new Set<number>());
  for (let node = 0; node < parents.length; node++) {
    const parent = parents[node] ?? OUT;
    if (parent < 0) continue;
    ties[node]?.add(parent);
    ties[parent]?.add(node);
  }
  return ties;
};

export const rooted = (n: number, ties: readonly ReadonlySet<number>[], top: number): Int32Array => {
  const parents = new Int32Array(n).fill(OUT);
  parents[top] = TOP;
  const queue = [top];
  for (const at of queue)
    for (const other of ties[at] ?? [])
      if (parents[other] === OUT) {
        parents[other] = at;
        queue.push(other);
      }
  return parents;
};

/** Random whole numbers from 0 to below a count, the same for the same seed. */
export const pickerOf = (seed: number): ((count: number) => number) => {
  const random = xoroshiro128plus(seed);
  return (count) => uniformInt(random, 0, count - 1);
};

/** Hangs a few nodes elsewhere at random: on any others, or on one of those that are given for each. */
export const kicked = (
  parents: ArrayLike<number>,
  times: number,
  pick: (count: number) => number,
  onto?: readonly (readonly number[])[],
): Int32Array => {
  const changed = Int32Array.from(parents);
  for (let change = 0; change < times; change++) {
    const node = pick(changed.length);
    const others = onto?.[node];
    const parent = others ? (others[pick(others.length)] ?? node) : pick(changed.length);
    if ((changed[node] ?? OUT) >= 0 && changed[parent] !== OUT) changed[node] = parent;
  }
  return changed;
};

/** For each node the others to which runs cost the least, so many of them. */
export const nearestOf = ({ n, nearness }: TreeProblem, most: number): number[][] =>
  Array.from({ length: n }, (_, node) =>
    Array.from({ length: n }, (__, other) => other)
      .filter((other) => other !== node)
      .sort((a, b) => nearness(node, a) - nearness(node, b))
      .slice(0, most),
  );

/** The part below a node, turned so that another node of it is its top, hung on a node outside of it. */
const rehung = (parents: Int32Array, node: number, by: number, other: number): Int32Array => {
  const turned = Int32Array.from(parents);
  for (let at = by, up = other; ;) {
    const next = parents[at] ?? TOP;
    turned[at] = up;
    if (at === node) return turned;
    up = at;
    at = next;
  }
};

/** Hangs each subtree on every other node, by any of its own nodes, as long as that makes the tree cheaper. */
export const descend = (
  problem: TreeProblem,
  start: Tree,
  mayGoOn: () => boolean,
  onBetter?: (tree: Tree) => void,
): Tree => {
  const { n } = problem;
  let best = start;
  const below = new Uint8Array(n);
  /** Cuts the run above a node and tries every other run that joins the two parts; true where one is better. */
  const improve = (node: number): boolean => {
    const parent = best.parents[node] ?? OUT;
    if (parent < 0) return false;
    const { parents: now } = best;
    const priced = problem.movesOf?.(now, best.cost);
    for (let one = 0; one < n; one++) {
      let at = one;
      while (at >= 0 && at !== node) at = now[at] ?? TOP;
      below[one] = at === node ? 1 : 0;
    }
    let better = false;
    for (let other = 0; other < n; other++) {
      if (below[other] === 1 || now[other] === OUT) continue;
      for (let by = 0; by < n; by++) {
        if (below[by] === 0 || (other === parent && by === node)) continue;
        // Below what is thought out of the question a sum of differences may err by a little.
        if (priced && priced(node, by, other) >= best.cost - 1e-6) continue;
        const parents = rehung(now, node, by, other);
        const cost = problem.cost(parents);
        if (cost >= best.cost - 1e-6) continue;
        best = { parents, cost };
        onBetter?.(best);
        better = true;
      }
    }
    return better;
  };
  // Round and round, until a whole round has found nothing.
  for (let node = 0, idle = 0; idle < n && mayGoOn(); node = (node + 1) % n)
    idle = improve(node) ? 0 : idle + 1;
  return best;
};

/** A tree to start from: each node tied where its run is cheapest, nearest first. */
export const firstTree = (problem: TreeProblem): Tree => {
  const parents = new Int32Array(problem.n).fill(OUT);
  parents[problem.root] = TOP;
  const missing = new Set(problem.needed.filter((node) => node !== problem.root));
  while (missing.size > 0) {
    let least = Infinity;
    let pair: [number, number] | null = null;
    for (const node of missing)
      for (let parent = 0; parent < problem.n; parent++) {
        if (parents[parent] === OUT || !problem.mayHold(parent)) continue;
        const near = problem.nearness(parent, node);
        if (near >= least) continue;
        least = near;
        pair = [parent, node];
      }
    if (!pair) break;
    parents[pair[1]] = pair[0];
    missing.delete(pair[1]);
  }
  return { parents, cost: problem.cost(parents) };
};

/** A good tree, found by descent from a near one and from random changes of it. No proof; the same for the same seed. */
export const goodTree = (
  problem: TreeProblem,
  kicks: number,
  seed: number,
  mayGoOn: () => boolean,
): Tree | null => {
  const pick = pickerOf(seed);
  let best = descend(problem, firstTree(problem), mayGoOn);
  for (let kick = 0; kick < kicks && mayGoOn(); kick++) {
    const parents = kicked(best.parents, 2, pick);
    const cost = problem.cost(parents);
    if (cost === Infinity) continue;
    const candidate = descend(problem, { parents, cost }, mayGoOn);
    if (candidate.cost < best.cost) best = candidate;
  }
  return best.cost === Infinity ? null : best;
};

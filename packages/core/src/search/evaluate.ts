import { MOST_RUNS } from './load.js';
import { OUT, TOP, type Tree } from './exact.js';
import type { Weighed } from './weighed.js';

/** What a tree costs, told from its parents alone; Infinity where it is out of the question. */
export const treeCost = (problem: Weighed, parents: ArrayLike<number>): number => {
  const { n, mandatory, leaves, root } = problem;
  const sets = new Int32Array(n);
  const codes = new Float64Array(n);
  const runs = new Int32Array(n);
  let top = -1;
  for (let node = 0; node < n; node++) {
    if (parents[node] === OUT) continue;
    if (parents[node] === TOP) top = node;
    // Everything above a node has it in its set; a loop never comes to the top.
    let at = node;
    for (let steps = 0; at >= 0; steps++) {
      if (steps > n) return Infinity;
      sets[at] = (sets[at] ?? 0) | (1 << node);
      at = parents[at] ?? TOP;
    }
  }
  if (top < 0 || (problem.entries & (1 << top)) === 0) return Infinity;
  const whole = sets[top] ?? 0;
  if ((whole & mandatory) !== mandatory) return Infinity;
  let cost = 0;
  for (let node = 0; node < n; node++) {
    const parent = parents[node] ?? OUT;
    if (parent < 0) continue;
    if ((leaves & (1 << parent)) !== 0) return Infinity;
    const run = problem.run(parent, node, problem.crossing(sets[node] ?? 0));
    if (!run) return Infinity;
    cost += run.cost;
    for (const end of [parent, node]) {
      codes[end] = (codes[end] ?? 0) + run.code;
      runs[end] = (runs[end] ?? 0) + 1;
      if ((runs[end] ?? 0) > MOST_RUNS) return Infinity;
    }
  }
  if (root === null) {
    const run = problem.home(top, problem.crossing(whole));
    if (!run) return Infinity;
    cost += run.cost;
    codes[top] = (codes[top] ?? 0) + run.code;
  } else codes[top] = (codes[top] ?? 0) + problem.feedCode;
  for (let node = 0; node < n; node++)
    if (parents[node] !== OUT) cost += problem.node(node, codes[node] ?? 0);
  return cost;
};

/** Neighbours of every node; the node that the feed enters is told apart. */
const adjacency = (parents: ArrayLike<number>): { ties: Set<number>[]; top: number } => {
  const ties = Array.from({ length: parents.length }, () => new Set<number>());
  let top = 0;
  for (let node = 0; node < parents.length; node++) {
    const parent = parents[node] ?? OUT;
    if (parent === TOP) top = node;
    if (parent < 0) continue;
    ties[node]?.add(parent);
    ties[parent]?.add(node);
  }
  return { ties, top };
};

const rooted = (n: number, ties: readonly ReadonlySet<number>[], top: number): Int32Array => {
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

/** A random number from 0 to below 1 at each call, the same for the same seed (mulberry32). */
export const randomOf = (seed: number): (() => number) => {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
};

/** Hangs each subtree on every other node, and lets power enter elsewhere, as long as that makes the tree cheaper. */
const descend = (problem: Weighed, start: Tree, mayGoOn: () => boolean): Tree => {
  let best = start;
  for (let better = true; better && mayGoOn();) {
    better = false;
    const { ties, top } = adjacency(best.parents);
    const tryTree = (parents: Int32Array) => {
      const cost = treeCost(problem, parents);
      if (cost < best.cost - 1e-6) {
        best = { parents, cost };
        better = true;
      }
    };
    for (let entry = 0; entry < problem.n && !better; entry++)
      if (entry !== top && (problem.entries & (1 << entry)) !== 0 && best.parents[entry] !== OUT)
        tryTree(rooted(problem.n, ties, entry));
    for (let node = 0; node < problem.n && !better; node++) {
      const parent = best.parents[node] ?? OUT;
      if (parent < 0) continue;
      for (let other = 0; other < problem.n && !better; other++) {
        if (other === node || other === parent || best.parents[other] === OUT) continue;
        // Cut the run above a node, and tie its part to the rest by any of its own nodes.
        const cut = ties.map((set) => new Set(set));
        cut[node]?.delete(parent);
        cut[parent]?.delete(node);
        const below = rooted(problem.n, cut, node);
        if (below[other] !== OUT) continue;
        for (let by = 0; by < problem.n && !better; by++) {
          if (below[by] === OUT) continue;
          const tied = cut.map((set) => new Set(set));
          tied[by]?.add(other);
          tied[other]?.add(by);
          tryTree(rooted(problem.n, tied, top));
        }
      }
    }
  }
  return best;
};

/** A tree to start from: each node tied where its run is cheapest, nearest first, power entering at any node allowed. */
const firstTree = (problem: Weighed): Tree | null => {
  let best: Tree | null = null;
  for (let top = 0; top < problem.n; top++) {
    if ((problem.entries & (1 << top)) === 0) continue;
    const parents = new Int32Array(problem.n).fill(OUT);
    parents[top] = TOP;
    for (let missing = problem.mandatory & ~(1 << top); missing !== 0;) {
      let least = Infinity;
      let pair: [number, number] | null = null;
      for (let node = 0; node < problem.n; node++) {
        if ((missing & (1 << node)) === 0) continue;
        for (let parent = 0; parent < problem.n; parent++) {
          if (parents[parent] === OUT || (problem.leaves & (1 << parent)) !== 0) continue;
          const near = problem.nearness(parent, node);
          if (near >= least) continue;
          least = near;
          pair = [parent, node];
        }
      }
      if (!pair) break;
      parents[pair[1]] = pair[0];
      missing &= ~(1 << pair[1]);
    }
    const cost = treeCost(problem, parents);
    if (!best || cost < best.cost) best = { parents, cost };
  }
  return best;
};

/** A good tree, found by descent from a near one and from random changes of it. No proof; the same for the same seed. */
export const goodTree = (
  problem: Weighed,
  kicks: number,
  seed: number,
  mayGoOn: () => boolean,
): Tree | null => {
  const first = firstTree(problem);
  if (!first) return null;
  const random = randomOf(seed);
  let best = descend(problem, first, mayGoOn);
  for (let kick = 0; kick < kicks && mayGoOn(); kick++) {
    const parents = Int32Array.from(best.parents);
    for (let change = 0; change < 2; change++) {
      const node = Math.floor(random() * problem.n);
      const parent = Math.floor(random() * problem.n);
      if ((parents[node] ?? OUT) >= 0 && parents[parent] !== OUT) parents[node] = parent;
    }
    const cost = treeCost(problem, parents);
    if (cost === Infinity) continue;
    const candidate = descend(problem, { parents, cost }, mayGoOn);
    if (candidate.cost < best.cost) best = candidate;
  }
  return best.cost === Infinity ? null : best;
};

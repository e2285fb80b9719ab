import { MOST_RUNS } from './load.js';
import { OUT, TOP, type Tree } from './exact.js';
import type { Settled } from './problem.js';
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
  if (top !== root) return Infinity;
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
      codes[end] = (codes[end] ?? 0) + run.load;
      runs[end] = (runs[end] ?? 0) + 1;
      if ((runs[end] ?? 0) > MOST_RUNS) return Infinity;
    }
  }
  cost += problem.rootCost;
  codes[root] = (codes[root] ?? 0) + problem.rootLoad;
  for (let node = 0; node < n; node++)
    if (parents[node] !== OUT) cost += problem.node(node, codes[node] ?? 0);
  return cost;
};

/** Boxes into which a tree brings the neutral of the circuit. */
export const neutralBoxes = ({ classes, nodes }: Settled, { parents }: Tree): Set<string> => {
  const neutral = classes.find(({ nets }) => nets[0]?.kind === 'neutral');
  const there = new Set<string>();
  // Every way from a terminal up to the node where the ways of all terminals have met carries it.
  const ways = (neutral?.at ?? []).map((node) => {
    const way: number[] = [];
    for (let at = node; at >= 0; at = parents[at] ?? TOP) way.push(at);
    return way;
  });
  const shared = (node: number) => ways.every((way) => way.includes(node));
  const meet = ways[0]?.find(shared);
  for (const way of ways)
    for (const node of way) {
      if (!shared(node) || node === meet || neutral?.fromPanel) there.add(nodes[node] ?? '');
    }
  return there;
};

/** Neighbours of every node. */
const adjacency = (parents: ArrayLike<number>): Set<number>[] => {
  const ties = Array.from({ length: parents.length }, () => new Set<number>());
  for (let node = 0; node < parents.length; node++) {
    const parent = parents[node] ?? OUT;
    if (parent < 0) continue;
    ties[node]?.add(parent);
    ties[parent]?.add(node);
  }
  return ties;
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

/** Hangs each subtree on every other node, by any of its own nodes, as long as that makes the tree cheaper. */
const descend = (problem: Weighed, start: Tree, mayGoOn: () => boolean): Tree => {
  const { n, root } = problem;
  let best = start;
  /** Cuts the run above a node and tries every other run that joins the two parts; true where one is better. */
  const improve = (node: number): boolean => {
    const parent = best.parents[node] ?? OUT;
    if (parent < 0) return false;
    const ties = adjacency(best.parents);
    ties[node]?.delete(parent);
    ties[parent]?.delete(node);
    const below = rooted(n, ties, node);
    let better = false;
    for (let other = 0; other < n; other++) {
      if (below[other] !== OUT || best.parents[other] === OUT) continue;
      for (let by = 0; by < n; by++) {
        if (below[by] === OUT || (other === parent && by === node)) continue;
        ties[by]?.add(other);
        ties[other]?.add(by);
        const parents = rooted(n, ties, root);
        ties[by]?.delete(other);
        ties[other]?.delete(by);
        const cost = treeCost(problem, parents);
        if (cost >= best.cost - 1e-6) continue;
        best = { parents, cost };
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
const firstTree = (problem: Weighed): Tree => {
  const parents = new Int32Array(problem.n).fill(OUT);
  parents[problem.root] = TOP;
  for (let missing = problem.mandatory & ~(1 << problem.root); missing !== 0;) {
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
  return { parents, cost: treeCost(problem, parents) };
};

/** A good tree, found by descent from a near one and from random changes of it. No proof; the same for the same seed. */
export const goodTree = (
  problem: Weighed,
  kicks: number,
  seed: number,
  mayGoOn: () => boolean,
): Tree | null => {
  const random = randomOf(seed);
  let best = descend(problem, firstTree(problem), mayGoOn);
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

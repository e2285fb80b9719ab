import type { Settled } from '../problem.js';

/** Cost of a run by two parts: a share whatever it carries, and one for each net that it carries. Lower bounds both. */
export interface RunLine {
  base: number;
  each: number;
}

/** Lowest costs of joining sets of nodes, and of the length that nets occupy over them, by bit mask. */
export interface Spans {
  join: Float64Array;
  reach: Float64Array;
}

/**
 * Lowest costs over sets of nodes, given as bit masks: lower bounds of what any tree takes. `spans` knows the boxes alone; the
 * far place of a return run (`far`, 0 for none) stands where its box does (`near`), and is joined at the cost of `back`.
 */
export interface Bounds {
  spans: Spans;
  far: number;
  near: number;
  back: number;
  /** Of what stands in one box; 0 where it may be left out. */
  box: (node: number) => number;
  /** Of each conductor of a net that only passes through a node. */
  passing: (node: number) => number;
}

/** Of joining the nodes of a set into one tree. */
export const joinOf = ({ spans, far, back }: Bounds, set: number): number =>
  (spans.join[set & ~far] as number) + (set & far ? back : 0);

/** Of the length, in cost for each net, that a net with these terminals occupies. */
export const reachOf = ({ spans, far, near }: Bounds, set: number): number =>
  spans.reach[set & far ? (set & ~far) | near : set] as number;

/** Minimum spanning tree over every subset (Prim), under one symmetric weight. Infinity where it cannot be joined. */
const spanningTrees = (n: number, weight: (a: number, b: number) => number): Float64Array => {
  const w = Float64Array.from({ length: n * n }, (_, i) => weight(Math.floor(i / n), i % n));
  const all = new Float64Array(1 << n);
  // Nodes that are not in the tree yet, and how near each is to it.
  const rest = new Int32Array(n);
  const near = new Float64Array(n);
  for (let mask = 1; mask < 1 << n; mask++) {
    let node = 31 - Math.clz32(mask & -mask);
    let count = 0;
    for (let left = mask & (mask - 1); left !== 0; left &= left - 1) {
      rest[count] = 31 - Math.clz32(left & -left);
      near[count++] = Infinity;
    }
    let sum = 0;
    while (count > 0) {
      let next = 0;
      let least = Infinity;
      for (let i = 0; i < count; i++) {
        const away = w[node * n + (rest[i] as number)] as number;
        if (away < (near[i] as number)) near[i] = away;
        if ((near[i] as number) < least) {
          least = near[i] as number;
          next = i;
        }
      }
      sum += least;
      node = rest[next] as number;
      count -= 1;
      rest[next] = rest[count] as number;
      near[next] = near[count] as number;
    }
    all[mask] = sum;
  }
  return all;
};

/** The least over all supersets: other nodes may serve as junctions (Steiner points), at a charge for each. */
const leastSuperset = (n: number, of: Float64Array, charge: (node: number) => number): Float64Array => {
  const least = Float64Array.from(of);
  for (let bit = 0; bit < n; bit++) {
    const more = charge(bit);
    for (let mask = (1 << n) - 1; mask >= 0; mask--) {
      if (mask & (1 << bit)) continue;
      const through = (least[mask | (1 << bit)] ?? Infinity) + more;
      if (through < (least[mask] ?? Infinity)) least[mask] = through;
    }
  }
  return least;
};

/** The tables over the runs alone; they serve every order over the same boxes. */
export const spansOf = (
  n: number,
  optional: number,
  {
    line,
    boxOf,
  }: {
    line: (a: number, b: number) => RunLine | null;
    /** No run joins nodes of one box: what is at both has come there by way of another. */
    boxOf: readonly number[];
  },
  /** The least that a net costs in a node that it only passes through. */
  passing: (node: number) => number,
): Spans => {
  const join = spanningTrees(n, (a, b) => line(a, b)?.base ?? Infinity);
  const reach = leastSuperset(
    n,
    spanningTrees(n, (a, b) => (boxOf[a] === boxOf[b] ? Infinity : (line(a, b)?.each ?? Infinity))),
    passing,
  );
  reach[0] = 0;
  // Where nodes may be left out, joining a set may go through any of them.
  return { join: optional === 0 ? join : leastSuperset(n, join, () => 0), reach };
};

/** The sum over the nodes of every set, by bit mask. */
export const overSets = (n: number, of: (node: number) => number): Float64Array => {
  const each = Array.from({ length: n }, (_, node) => of(node));
  const sums = new Float64Array(1 << n);
  for (let mask = 1; mask < 1 << n; mask++)
    sums[mask] = (sums[mask & (mask - 1)] ?? 0) + (each[31 - Math.clz32(mask & -mask)] ?? 0);
  return sums;
};

/** Bit masks of the net classes over the nodes. */
export const classMasks = ({ classes }: Settled): number[] =>
  classes.map(({ at }) => at.reduce((mask, node) => mask | (1 << node), 0));

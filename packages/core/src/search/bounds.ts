import type { Settled } from './problem.js';

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

/** Lowest costs over sets of nodes, given as bit masks. All are lower bounds of what any tree takes. */
export interface Bounds {
  /** Of joining the nodes of a set into one tree. */
  join: (set: number) => number;
  /** Of the length, in cost for each net, that a net with these terminals occupies. */
  reach: (set: number) => number;
  /** Of what stands in one box; 0 where it may be left out. */
  box: (node: number) => number;
}

/** Minimum spanning tree over every subset (Prim), under one symmetric weight. Infinity where it cannot be joined. */
const spanningTrees = (n: number, weight: (a: number, b: number) => number): Float64Array => {
  const w = Array.from({ length: n }, (_, a) => Float64Array.from({ length: n }, (__, b) => weight(a, b)));
  const all = new Float64Array(1 << n);
  const near = new Float64Array(n);
  for (let mask = 1; mask < 1 << n; mask++) {
    const first = 31 - Math.clz32(mask & -mask);
    let left = mask & (mask - 1);
    for (let b = 0; b < n; b++) near[b] = w[first]?.[b] ?? Infinity;
    let sum = 0;
    while (left !== 0 && sum !== Infinity) {
      let best = -1;
      for (let rest = left; rest !== 0; rest &= rest - 1) {
        const b = 31 - Math.clz32(rest & -rest);
        if (best < 0 || (near[b] ?? Infinity) < (near[best] ?? Infinity)) best = b;
      }
      sum += near[best] ?? Infinity;
      left &= ~(1 << best);
      const row = w[best];
      for (let b = 0; b < n; b++) {
        const through = row?.[b] ?? Infinity;
        if (through < (near[b] ?? Infinity)) near[b] = through;
      }
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
  line: (a: number, b: number) => RunLine | null,
  /** The least that a net costs in a node that it only passes through. */
  passing: (node: number) => number,
): Spans => {
  const join = spanningTrees(n, (a, b) => line(a, b)?.base ?? Infinity);
  const reach = leastSuperset(
    n,
    spanningTrees(n, (a, b) => line(a, b)?.each ?? Infinity),
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

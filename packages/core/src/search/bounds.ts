import type { Settled } from './problem.js';
import type { Spans } from './shared.js';

/** Cost of a run by two parts: a share whatever it carries, and one for each net that it carries. Lower bounds both. */
export interface RunLine {
  base: number;
  each: number;
}

/** Lowest costs over sets of nodes, given as bit masks. All are lower bounds of what any tree takes. */
export interface Bounds {
  /** Of joining the nodes of a set into one tree, and with the panel where a home run is planned. */
  join: (set: number) => number;
  /** Of the length, in cost for each net, that a net with these terminals occupies. */
  reach: (set: number) => number;
  /** Of what stands in the boxes of a set. */
  boxes: Float64Array;
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

/** The least over all supersets: other nodes may serve as junctions (Steiner points). */
const leastSuperset = (n: number, of: Float64Array): Float64Array => {
  const least = Float64Array.from(of);
  for (let bit = 0; bit < n; bit++)
    for (let mask = (1 << n) - 1; mask >= 0; mask--) {
      if (mask & (1 << bit)) continue;
      const more = least[mask | (1 << bit)] ?? Infinity;
      if (more < (least[mask] ?? Infinity)) least[mask] = more;
    }
  return least;
};

/**
 * The tables over the runs alone; they serve every order over the same boxes. `home` gives the least of a home run to each
 * of them; then the panel is one more place to join, as the last bit.
 */
export const spansOf = (
  n: number,
  optional: number,
  line: (a: number, b: number) => RunLine | null,
  home: ((node: number) => number) | null,
): Spans => {
  const places = home ? n + 1 : n;
  const join = spanningTrees(places, (a, b) => {
    if (home && (a === n || b === n)) return a === b ? Infinity : home(Math.min(a, b));
    return line(a, b)?.base ?? Infinity;
  });
  const reach = leastSuperset(
    n,
    spanningTrees(n, (a, b) => line(a, b)?.each ?? Infinity),
  );
  reach[0] = 0;
  // Where nodes may be left out, joining a set may go through any of them.
  return { join: optional === 0 ? join : leastSuperset(places, join), reach };
};

/** The least of what stands in the boxes of every set; those that may be left out count nothing. */
export const boxesOfSets = (
  n: number,
  optional: number,
  leastNode: (node: number) => number,
): Float64Array => {
  const each = Array.from({ length: n }, (_, node) =>
    (1 << node) & optional ? Math.min(0, leastNode(node)) : leastNode(node),
  );
  const boxes = new Float64Array(1 << n);
  for (let mask = 1; mask < 1 << n; mask++)
    boxes[mask] = (boxes[mask & (mask - 1)] ?? 0) + (each[31 - Math.clz32(mask & -mask)] ?? 0);
  return boxes;
};

/** Bit masks of the net classes over the nodes. */
export const classMasks = ({ classes }: Settled): number[] =>
  classes.map(({ at }) => at.reduce((mask, node) => mask | (1 << node), 0));

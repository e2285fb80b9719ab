import { dualAscent, groupAscent } from './dualAscent.js';
import { shortest, spanningPairs } from './graphs.js';
import { growTree, type Flat, type Grown } from './growTree.js';
import type { OpenNet } from './openNets.js';

/** What it costs to reach a set of a net by a node. */
export type Reaching = (set: number, node: number) => number;

const rowsOf = (n: number, weights: Flat): Float64Array[] =>
  Array.from({ length: n }, (_, row) => weights.subarray(row * n, (row + 1) * n));

/** A good way for a net, or for the travelers of a group from switch to switch. It steers, and nothing is proved by it. */
export const wayOf = (n: number, weights: Flat, net: OpenNet, reaching: Reaching): Grown => {
  if (net.pairs < 2) return growTree(n, weights, net, reaching);
  const { ways, stops } = shortest(rowsOf(n, weights));
  const { sum, pairs } = spanningPairs(ways, net.at);
  const runs: [number, number][] = [];
  const walk = (a: number, b: number): void => {
    const stop = stops[a]?.[b] ?? -1;
    if (stop < 0) return void runs.push([a, b]);
    walk(a, stop);
    walk(stop, b);
  };
  for (const [a, b] of pairs) walk(a, b);
  return { cost: sum, runs, by: [] };
};

/** No such way costs less than this. */
export const leastWay = (n: number, weights: Flat, net: OpenNet, reaching: Reaching): number => {
  const rows = rowsOf(n, weights);
  // In one order or another, no shorter than the tree that spans the switches.
  if (net.conductors === 2) return spanningPairs(shortest(rows).ways, net.at).sum;
  return net.oneOf.length === 0 ? dualAscent(rows, net.at) : groupAscent(rows, net.at, net.oneOf, reaching);
};

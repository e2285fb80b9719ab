import { dualAscent, groupAscent } from './dualAscent.js';
import { shortest, spanningPairs } from './graphs.js';
import { growTree, type Flat, type Grown } from './growTree.js';
import { leastPath, MOST_ON_PATH } from './leastPath.js';
import type { OpenNet } from './openNets.js';
import { stepsOfTree, steinerTree } from './steinerTree.js';

/** What it costs to reach a set of a net by a node. */
export type Reaching = (set: number, node: number) => number;

/** The least tree of a net is found where that takes no more steps than these: to steer by it, and to prove. */
const MOST_STEPS = { steering: 1_000_000, proving: 4_000_000 };

/** The way of a net, or of the travelers of a group from switch to switch; what is proved is that none costs less than `least`, where that was asked for or is the same. */
export interface NetWay extends Grown {
  least: number;
}

const rowsOf = (n: number, weights: Flat): Float64Array[] =>
  Array.from({ length: n }, (_, row) => weights.subarray(row * n, (row + 1) * n));

/** From switch to switch, in whichever order is the least; of more than are tried no less than the tree that spans them. */
const travelersWay = (n: number, weights: Flat, { at }: OpenNet): NetWay => {
  const { ways, stops } = shortest(rowsOf(n, weights));
  const { sum, pairs } = at.length > MOST_ON_PATH ? spanningPairs(ways, at) : leastPath(ways, at);
  const runs: [number, number][] = [];
  const walk = (a: number, b: number): void => {
    const stop = stops[a]?.[b] ?? -1;
    if (stop < 0) return void runs.push([a, b]);
    walk(a, stop);
    walk(stop, b);
  };
  for (const [a, b] of pairs) walk(a, b);
  return { cost: sum, runs, by: [], least: sum };
};

/** The least way of a net; of one that joins much a good way, which steers and proves nothing, and with `isProved` what no way is below. */
export const wayOf = (
  n: number,
  weights: Flat,
  net: OpenNet,
  reaching: Reaching,
  isProved: boolean,
): NetWay => {
  const { at, oneOf } = net;
  if (net.conductors === 2 && at.length > 2) return travelersWay(n, weights, net);
  const steps = stepsOfTree(n, at.length + oneOf.length);
  if (steps <= (isProved ? MOST_STEPS.proving : MOST_STEPS.steering)) {
    const { cost } = growTree(n, weights, net, reaching);
    const way = steinerTree(n, weights, net, reaching, cost);
    return { ...way, least: way.cost };
  }
  const below = () => {
    const rows = rowsOf(n, weights);
    return oneOf.length === 0 ? dualAscent(rows, at) : groupAscent(rows, at, oneOf, reaching);
  };
  return { ...growTree(n, weights, net, reaching), least: isProved ? below() : -Infinity };
};

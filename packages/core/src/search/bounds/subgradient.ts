import type { BoxId } from '../../model/ids.js';
import { shortest, spanningPairs } from './graphs.js';
import { nodePricesOf } from '../prices/nodePrices.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Settled } from '../problem.js';
import { runPricesOf } from '../prices/runPrices.js';
import type { Offer } from '../prices/prices.js';
import { lineAt, lineUnder, pairOf } from './lines.js';

const ROUNDS = 40;
/** So much above the best bound known a step aims at; what that falls by, and after how many rounds without gain. */
const AIM = { first: 0.08, shrink: 0.75, patience: 4 };

/** One arrangement as its bound sees it: nodes that are joined, and those of each net with its conductors. */
export interface Nets {
  joined: number[];
  nets: { at: number[]; conductors: number }[];
}

const netsOf = (settled: Settled, boxes: number): Nets => {
  const near = settled.returning === null ? 0 : 1 << settled.returning.near;
  const masks = settled.classes.map(({ at }) =>
    at.reduce((mask, node) => mask | (1 << (settled.boxOf[node] ?? node)), 0),
  );
  const within = (mask: number) => Array.from({ length: boxes }, (_, i) => i).filter((i) => (mask >> i) & 1);
  const nodes = settled.classes.reduce(
    (sum, { at }) => at.reduce((mask, node) => mask | (1 << node), sum),
    near,
  );
  return {
    // A box that is several nodes is joined as often, by a run to each.
    joined: settled.boxOf.flatMap((box, node) => ((nodes >> node) & 1 ? [box] : [])),
    nets: masks.map((mask, i) => ({
      at: within(mask),
      conductors: settled.classes[i]?.nets.length ?? 1,
    })),
  };
};

/** The least tree over nodes that stand in these boxes, several in one; no run joins nodes of one box. */
const joinedBy = (base: readonly Float64Array[], joined: readonly number[]) => {
  const between = joined.map((a) =>
    Float64Array.from(joined, (b) => (a === b ? Infinity : (base[a]?.[b] ?? Infinity))),
  );
  const { sum, pairs } = spanningPairs(
    between,
    joined.map((_, i) => i),
  );
  return { sum, pairs: pairs.map(([a, b]) => [joined[a] ?? 0, joined[b] ?? 0] as const) };
};

/** The lines under the prices of all runs. */
type Lines = (ReturnType<typeof lineAt> | null)[][];

/**
 * About the bound of some arrangements together (nets by spanning trees over shortest ways, not by least trees), and for each
 * run how much of the nets goes over it, less what the trees under the bound are priced for there.
 */
const boundUnder = (asked: readonly Nets[], lines: Lines, passing: readonly number[]) => {
  const base = lines.map((row) => Float64Array.from(row, (line) => line?.base ?? Infinity));
  const each = lines.map((row, a) =>
    Float64Array.from(row, (line, b) => (a === b ? 0 : (line?.each ?? Infinity))),
  );
  const pull = lines.map((row) => new Float64Array(row.length));
  const add = (a: number, b: number, much: number) => {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const) {
      const row = pull[from];
      if (row) row[to] = (row[to] ?? 0) + much;
    }
  };
  const { ways, stops } = shortest(each, passing);
  const walk = (a: number, b: number, conductors: number): void => {
    const stop = stops[a]?.[b] ?? -1;
    if (stop < 0) return add(a, b, conductors);
    walk(a, stop, conductors);
    walk(stop, b, conductors);
  };
  let bound = 0;
  for (const { joined, nets } of asked) {
    const tree = joinedBy(base, joined);
    bound += tree.sum;
    for (const [a, b] of tree.pairs) add(a, b, -(lines[a]?.[b]?.touching ?? 0));
    for (const { at, conductors } of nets) {
      const reach = spanningPairs(ways, at);
      bound += conductors * reach.sum;
      for (const [a, b] of reach.pairs) walk(a, b, conductors);
    }
  }
  return { bound, pull };
};

/**
 * How much of the price of each run is laid on the nets that it carries, for each of them, and how little on the run itself:
 * any line under the prices of its cables will do for a bound. The runs are bounded by one tree, the nets by trees of
 * their own, and where these do not go the same way the bound is low. So by subgradient steps (Held and Karp, "The
 * traveling-salesman problem and minimum spanning trees", part II, 1971) the line of a run turns steeper where nets go and
 * the tree does not, and flatter where it carries fewer than it is priced for.
 */
export const turnedSlopes = (
  offers: readonly (readonly (readonly Offer[])[])[],
  passing: readonly number[],
  asked: readonly Nets[],
): Float64Array[] => {
  let slopes = offers.map((row) => Float64Array.from(row, (offered) => lineUnder(offered)?.each ?? 0));
  let best = { bound: -Infinity, slopes };
  let aim = AIM.first;
  let idle = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const lines = offers.map((row, a) => row.map((offered, b) => lineAt(offered, slopes[a]?.[b] ?? 0)));
    const { bound, pull } = boundUnder(asked, lines, passing);
    if (bound > best.bound) {
      best = { bound, slopes };
      idle = 0;
    } else if (++idle > AIM.patience) {
      aim *= AIM.shrink;
      idle = 0;
    }
    const square = pull.reduce((sum, row) => row.reduce((all, one) => all + one * one, sum), 0) / 2;
    // Where runs are forced, or some may not be joined, sums of prices say nothing.
    if (square === 0 || bound <= 0 || bound === Infinity) break;
    const size = ((1 + aim) * best.bound - bound) / square;
    slopes = slopes.map((row, a) => row.map((slope, b) => Math.max(0, slope + size * (pull[a]?.[b] ?? 0))));
  }
  return best.slopes;
};

/**
 * The same for some arrangements, the first and others; they serve all over the same boxes. How good they are decides how long a search takes,
 * and never what it finds.
 */
export const raiseSlopes = (
  tables: PriceTables,
  first: Settled,
  others: readonly Settled[],
): Map<string, number> => {
  const boxesIn = ({ nodes, boxOf }: Settled) => nodes.filter((_, node) => boxOf[node] === node);
  const boxes = boxesIn(first) as BoxId[];
  const same = others.filter((one) => boxesIn(one).join() === boxes.join());
  const runs = runPricesOf(tables, first);
  const offers = boxes.map((_, a) => boxes.map((__, b) => (a === b ? [] : runs.offers(a, b))));
  const passing = nodePricesOf(tables, first)
    .nodes.slice(0, boxes.length)
    .map((one) => one.passing);
  const asked = [first, ...same].map((one) => netsOf(one, boxes.length));
  const slopes = turnedSlopes(offers, passing, asked);
  return new Map(
    boxes.flatMap((from, a) => boxes.map((to, b) => [pairOf(from, to), slopes[a]?.[b] ?? 0] as const)),
  );
};

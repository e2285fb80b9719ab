import type { Bounding } from './bounding.js';
import { joinOf, reachOf } from './spans.js';
import type { Tree } from '../tree.js';
import type { OrderCase } from '../orders.js';
import type { PriceTables } from '../prices/priceTables.js';
import { settle, type Settled } from '../problem.js';
import { FORCED } from '../prices/runPrices.js';
import { weighedOf, type Weighed } from './weighed.js';

/** An order made ready to be searched. */
export interface Case {
  order: OrderCase;
  settled: Settled;
  problem: Weighed;
  /** No tree weighs less; by entry, in rising order. */
  bounds: { root: number; bound: number }[];
}

/** No tree of these weighs less: every box, run and net at its least. */
const boundsOf = ({ bounds, n, mandatory, masks, multiplicity, fromPanel, ...problem }: Weighed) =>
  problem.entries
    .map(({ root, cost, box }) => {
      const nodes = mandatory | (1 << root);
      let bound = cost + problem.fixed + problem.forced + joinOf(bounds, nodes) + box;
      for (let node = 0; node < n; node++) if (node !== root) bound += bounds.box(node);
      masks.forEach((mask, i) => {
        bound += (multiplicity[i] ?? 1) * reachOf(bounds, fromPanel[i] ? mask | (1 << root) : mask);
      });
      return { root, bound };
    })
    .sort((a, b) => a.bound - b.bound);

export const settledOf = ({ job, circuit }: PriceTables, order: OrderCase): Settled =>
  settle(job, circuit, order.boxes, order.order, order.fittings);

export const caseOf = (bounding: Bounding, order: OrderCase): Case => {
  const settled = settledOf(bounding.tables, order);
  const problem = weighedOf(bounding, settled);
  return { order, settled, problem, bounds: boundsOf(problem) };
};

export const leastBound = ({ bounds }: Case): number => bounds[0]?.bound ?? Infinity;

/** What a tree weighs with what no tree changes. Infinity where it lacks a forced run: these count far below their cost. */
export const weightOf = ({ fixed, forced }: Weighed, { cost }: Tree): number => {
  const weight = cost + fixed + forced;
  return forced > 0 && weight > FORCED / 2 ? Infinity : weight;
};

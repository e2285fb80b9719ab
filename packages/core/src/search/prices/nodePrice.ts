import type { LoadCode } from './loadCodes.js';
import type { NodeFacts } from './nodeFacts.js';
import type { NodePrice } from './prices.js';
import type { PriceTables } from './priceTables.js';

export const FREE: NodePrice = {
  cost: () => 0,
  atLeast: () => 0,
  costOf: () => 0,
  least: 0,
  leastEntered: 0,
  passing: 0,
  facts: null,
};

/** Other work, where a feed goes on beyond the plan: it costs us nothing, and no cable is led on from it. */
export const endOf = ({ codes }: PriceTables): NodePrice => {
  const atMostOne = (load: LoadCode): number => (codes.cablesOf(load) > 1 ? Infinity : 0);
  return { ...FREE, cost: atMostOne, atLeast: atMostOne, costOf: atMostOne };
};

/** At any number of ends the least of that and more: where a net may yet be led on to other boxes. */
export const orMore = (costs: Float64Array): Float64Array => {
  const least = Float64Array.from(costs);
  for (let ends = least.length - 2; ends >= 0; ends--)
    least[ends] = Math.min(least[ends] ?? Infinity, least[ends + 1] ?? Infinity);
  return least;
};

/** The least of a table from one number of ends to another. */
const lowest = (costs: Float64Array, from: number, to: number): number => {
  let least = Infinity;
  for (let ends = from; ends <= to; ends++) least = Math.min(least, costs[ends] ?? Infinity);
  return least;
};

/**
 * The cheapest way to serve a node by any number of runs, each net at the number of ends that suits it best; and by as many
 * home runs.
 */
const leastOf = ({ cables, codes }: PriceTables, facts: NodeFacts, homeRuns: 0 | 1): number => {
  const { station, grounds, opening, allNew, classes, fewest } = facts;
  const widths = cables.map((one) => one.insulated.length);
  const narrowest = widths.length === 0 ? 0 : Math.min(...widths);
  const widest = Math.max(0, ...widths);
  const brought = classes.reduce(
    (sum, { lanes, fewest, fed }) => sum + lanes * (fewest - fed),
    fewest.insulated,
  );
  let least = Infinity;
  for (let runs = Math.max(0, fewest.cables - homeRuns); runs + homeRuns <= codes.mostRuns; runs++) {
    if (allNew && brought > runs * widest) continue;
    let cost = opening;
    for (const { costs, fewest, fed, home } of classes) {
      const from = fewest + (home ? homeRuns : 0);
      cost += lowest(costs, from, Math.max(from, runs + fed + (home ? homeRuns : 0)));
    }
    if (station && grounds) {
      const [from, to] = [allNew ? runs + homeRuns : 0, runs + homeRuns];
      const insulated = allNew ? Math.max(brought, runs * narrowest) + homeRuns * narrowest : 0;
      cost += Math.min(lowest(grounds.plain, from, to), lowest(grounds.bonded, from, to));
      if (cost < least) cost += station.atLeast(insulated, from);
    }
    least = Math.min(least, cost);
  }
  return least;
};

/** The price of a node by what decides it. */
export const priceOf = (tables: PriceTables, facts: NodeFacts): NodePrice => {
  const { passing } = tables.splices;
  const { cablesOf, insulatedOf, sparesOf, overEnds, mostRuns } = tables.codes;
  const { station, grounds, opening, spare, judged } = facts;
  const costs = facts.classes.map((one) =>
    one.lanes === 1 ? one.costs : one.costs.map((cost) => cost * one.lanes),
  );
  const summed = {
    ...facts,
    classes: facts.classes.map((one, i) => ({ ...one, costs: costs[i] ?? one.costs })),
  };
  /** Everything but the splices of nets. */
  const around = (trunk: LoadCode): number => {
    const cables = cablesOf(trunk);
    const spares = sparesOf(trunk);
    const cost = opening + (spares > 0 ? spares * spare : 0);
    if (!station || !grounds) return cost;
    if (cables > mostRuns) return Infinity;
    if (facts.open) {
      const ground = Math.min(grounds.plain[cables] ?? Infinity, grounds.bonded[cables] ?? Infinity);
      return cost + judged.cables(cables) + station.atLeast(insulatedOf(trunk), cables) + ground;
    }
    const fit = station.fit(insulatedOf(trunk), cables);
    if (!fit) return Infinity;
    const thought = judged.cables(cables) + (fit.tight ? judged.tight : 0);
    return (
      cost + thought + fit.cost + ((fit.bond === null ? grounds.plain : grounds.bonded)[cables] ?? Infinity)
    );
  };
  // At any load the least of it and of all larger ones.
  const costsOn = costs.map(orMore);
  const groundsOn =
    grounds && orMore(grounds.plain.map((cost, i) => Math.min(cost, grounds.bonded[i] ?? Infinity)));
  return {
    cost: (load) => around(load) + overEnds(load, costs),
    atLeast: (load) => {
      const cables = cablesOf(load);
      const box =
        station && groundsOn ? station.atLeast(insulatedOf(load), cables) + (groundsOn[cables] ?? 0) : 0;
      return opening + box + overEnds(load, costsOn);
    },
    costOf: (trunk, ends, offset) => {
      let sum = around(trunk);
      for (let i = 0; i < costs.length; i++) sum += costs[i]?.[ends[offset + i] ?? 0] ?? Infinity;
      return sum;
    },
    least: leastOf(tables, summed, 0),
    leastEntered: leastOf(tables, summed, 1),
    passing: lowest(passing, 2, passing.length - 1),
    facts,
  };
};

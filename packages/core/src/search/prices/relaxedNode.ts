import type { ClassFacts, NodeFacts } from './nodeFacts.js';
import type { PriceTables } from './priceTables.js';

/** What is paid to a node for each cable that a run brings it, and for each end of each of its net classes. */
export interface PaidAt {
  cable: number;
  /** By class of the facts; never below nothing. */
  end: (of: number) => number;
}

/** The least that a node costs less what it is paid, and the cables and ends (by class of the facts) at which it is that. */
export interface Relaxed {
  cost: number;
  cables: number;
  ends: readonly number[];
}

/** Up to so many runs the box is priced by how many conductors come with them; beyond, by the fewest. */
const COUNTED_RUNS = 6;

/** The same node whatever its splices are: how its nets are made up costs nothing and asks for nothing. */
export const looselySpliced = (facts: NodeFacts, { codes }: PriceTables): NodeFacts => ({
  ...facts,
  classes: facts.classes.map((one): ClassFacts => ({
    ...one,
    costs: new Float64Array(codes.mostRuns + 3),
    ...{ fewest: 0, fed: 0, home: false },
  })),
});

/**
 * The node alone, as if any runs could be led to it and their ends were paid for. Whatever a tree brings to the node, its price less what is paid
 * for that is no lower. `homeRuns` come beside the runs and are not paid.
 */
export const relaxedNode = (
  { codes, cables }: PriceTables,
  { station, grounds, opening, classes, allNew, judged }: NodeFacts,
  paid: PaidAt,
  homeRuns: 0 | 1,
): Relaxed => {
  const widths = cables.map((one) => one.insulated.length);
  const narrowest = Math.min(...widths);
  const widest = Math.max(...widths);
  const fewest = classes.map((one) => Math.max(0, one.fewest - one.fed));
  const paidEnds = classes.map((_, of) => paid.end(of));
  /** What so many ends of a class cost, beside those of the feed and of a home run, which nobody pays for. */
  const costOf = (of: number, ends: number): number => {
    const { costs, lanes, fed, home } = classes[of] as ClassFacts;
    return (costs[ends + fed + (home ? homeRuns : 0)] ?? Infinity) * lanes - ends * (paidEnds[of] ?? 0);
  };
  // A net that has no terminal here and is not paid for stays away.
  const active = classes.flatMap((_, of) =>
    (fewest[of] ?? 0) > 0 || (paidEnds[of] ?? 0) > 0 || costOf(of, 0) !== 0 ? [of] : [],
  );
  /** All but the box and the splices. */
  const around = (runs: number): number => {
    const all = runs + homeRuns;
    let ground = grounds ? Infinity : 0;
    for (let count = allNew ? all : 0; grounds && count <= all; count++)
      ground = Math.min(ground, grounds.plain[count] ?? Infinity, grounds.bonded[count] ?? Infinity);
    return opening + ground + (station && allNew ? judged.cables(all) : 0) - runs * paid.cable;
  };
  const boxFor = (runs: number, conductors: number): number => {
    if (!station) return 0;
    if (!allNew) return station.atLeast(0, 0);
    const insulated = Math.max(conductors, runs * narrowest) + homeRuns * narrowest;
    return station.atLeast(insulated, runs + homeRuns);
  };
  /** For every number of conductors that may come the least that the classes cost, and how many ends each has then. */
  const byConductors = (of: readonly number[], runs: number, most: number) => {
    let costs = new Float64Array(most + 1).fill(Infinity);
    costs[0] = 0;
    const chosen: Int8Array[] = [];
    for (const one of of) {
      const next = new Float64Array(most + 1).fill(Infinity);
      const choice = new Int8Array(most + 1);
      const { lanes } = classes[one] as ClassFacts;
      for (let count = fewest[one] ?? 0; count <= runs; count++) {
        const cost = costOf(one, count);
        if (cost === Infinity) continue;
        const wide = count * lanes;
        for (let before = 0; before + wide <= most; before++) {
          const sum = (costs[before] as number) + cost;
          if (sum >= (next[before + wide] as number)) continue;
          next[before + wide] = sum;
          choice[before + wide] = count;
        }
      }
      costs = next;
      chosen.push(choice);
    }
    return [...costs.keys()].flatMap((conductors) => {
      const cost = costs[conductors] as number;
      if (cost === Infinity) return [];
      const ends = () => {
        let rest = conductors;
        return of
          .map((_, i) => of.length - 1 - i)
          .map((i) => {
            const count = chosen[i]?.[rest] ?? 0;
            rest -= count * (classes[of[i] as number]?.lanes ?? 1);
            return { of: of[i] as number, ends: count };
          });
      };
      return [{ conductors, cost, ends }];
    });
  };
  let best: Relaxed = { cost: Infinity, cables: 0, ends: [] };
  /** Each class at the number of ends that is the least for itself. */
  const leastEnds = active.map((of) => ({ of, ends: -1, cost: Infinity, to: (fewest[of] ?? 0) - 1 }));
  for (let runs = 1; runs <= codes.mostRuns - homeRuns; runs++) {
    let spliced = 0;
    let conductors = 0;
    for (const one of leastEnds) {
      while (one.to < runs) {
        one.to += 1;
        const cost = costOf(one.of, one.to);
        if (one.to <= runs && cost < one.cost) [one.ends, one.cost] = [one.to, cost];
      }
      spliced += one.ends < 0 ? Infinity : one.cost;
      conductors += one.ends * (classes[one.of]?.lanes ?? 1);
    }
    const base = around(runs);
    const below = base + spliced + boxFor(runs, 0);
    if (!(below < best.cost)) continue;
    const endsOf = (chosen: readonly { of: number; ends: number }[]): number[] => {
      const ends = classes.map(() => 0);
      for (const one of chosen) ends[one.of] = one.ends;
      return ends;
    };
    const asIs = conductors <= runs * widest ? base + spliced + boxFor(runs, conductors) : Infinity;
    // Where the box is the same for them all, or is not counted, that is the least.
    if (!allNew || runs > COUNTED_RUNS || asIs === below) {
      best = { cost: below, cables: runs, ends: endsOf(leastEnds) };
      continue;
    }
    const counted = byConductors(active, runs, runs * widest);
    for (const { conductors: many, cost, ends } of counted) {
      const all = base + cost + boxFor(runs, many);
      if (all < best.cost) best = { cost: all, cables: runs, ends: endsOf(ends()) };
    }
  }
  return best;
};

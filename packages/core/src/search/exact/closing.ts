import { NONE, real, small, whole } from './rows.js';
import { settledAt, type Standing } from './standing.js';

/** Hangs a set with one of its nodes at the top on every parent, in the way that is best under the run above it. */
export const closer = (standing: Standing): ((top: number, partial: number) => void) => {
  const { problem, tables, boxes, rest } = standing;
  const { n, all, mandatory, leaves, mostRuns, shared } = problem;
  const { entries, partials, fresh, hungOn } = tables;
  const { costs: runCosts, between } = problem.table;
  const kinds = runCosts.length / (n * n);

  /**
   * What is on the top hangs on the load of the run above it alone, and that is the same for nearly all parents. The best for each thing that
   * boxes of several nodes may hold by then; where none is, there is one.
   */
  let underLoad = NaN;
  let count = 0;
  const under: number[] = [];
  const underCost: number[] = [];
  const underHeld: number[] = [];
  const keep = (entry: number, cost: number, held: number): void => {
    let at = 0;
    while (at < count && underHeld[at] !== held) at += 1;
    if (at < count && cost >= (underCost[at] ?? Infinity)) return;
    if (at === count) count += 1;
    under[at] = entry;
    underCost[at] = cost;
    underHeld[at] = held;
  };
  const bestUnder = (top: number, partial: number, load: number): void => {
    underLoad = load;
    count = 0;
    const set = whole(partials.set, partial);
    for (let entry = whole(partials.first, partial); entry !== NONE; entry = whole(entries.next, entry)) {
      if (small(entries.runs, entry) === mostRuns) continue;
      const code = real(entries.code, entry) + load;
      const cost = real(entries.cost, entry) + problem.node(top, code);
      if (shared === null) {
        if (count === 0 || cost < (underCost[0] ?? Infinity)) keep(entry, cost, 0);
        continue;
      }
      const { held, more } = settledAt(problem, top, set, real(entries.held, entry), code);
      if (cost + more < Infinity) keep(entry, cost + more, held);
    }
    standing.steps += whole(partials.ways, partial);
  };

  /** Two tops may bring different loads (an existing cable brings none): then both are kept. */
  const hang = (parent: number, set: number, load: number, cost: number, top: number, way: number): void => {
    const at = (parent << n) | set;
    const held = underHeld[way] ?? 0;
    const first = whole(hungOn, at);
    let row = first;
    while (row !== NONE && (real(fresh.code, row) !== load || real(fresh.held, row) !== held))
      row = whole(fresh.next, row);
    if (row === NONE) {
      row = fresh.add();
      fresh.next[row] = first;
      hungOn[at] = row;
    } else if (real(fresh.cost, row) <= cost) return;
    fresh.put(row, parent, set, cost, load, held, top, under[way] ?? NONE);
  };

  return (top, partial) => {
    const { best } = standing;
    const set = whole(partials.set, partial);
    const crossing = problem.crossing(set);
    const bought = problem.bought(crossing);
    underLoad = NaN;
    for (let parent = 0; parent < n; parent++) {
      const bit = 1 << parent;
      if (((set | leaves) & bit) !== 0) continue;
      const pair = parent * n + top;
      const lies = (between[pair]?.existing.length ?? 0) > 0;
      const carried = lies ? problem.run(parent, top, crossing) : bought;
      if (!carried) continue;
      const { load } = carried;
      const price =
        'at' in carried ? real(runCosts, pair * kinds + carried.at) + carried.judged : carried.cost;
      if (price === Infinity) continue;
      if (load !== underLoad) bestUnder(top, partial, load);
      for (let way = 0; way < count; way++) {
        const cost = (underCost[way] ?? Infinity) + price;
        const enough = best - cost - real(boxes, parent);
        const bound = rest(set, parent, all & ~set & mandatory & ~bit, enough);
        if (bound >= enough || cost + bound + problem.nodeAtLeast(parent, load) >= best) continue;
        hang(parent, set, load, cost, top, way);
      }
    }
  };
};

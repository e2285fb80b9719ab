import { NONE, real, small, whole } from './rows.js';
import { settledTogether, type Standing } from './standing.js';
import { lowestOf } from './tables.js';

/** Hangs a child on a node with others on it, in every way that is better than those known and may still be the best. */
export const combiner = (standing: Standing): ((top: number, base: number, one: number) => void) => {
  const { problem, tables, boxes, rest } = standing;
  const { all, mandatory, mostRuns, shared } = problem;
  const { entries, partials, hung, seenAt, bound: boundOf, partial: partialOf } = tables;
  return (top, base, one) => {
    const set = whole(partials.set, base) | whole(hung.set, one);
    const { best } = standing;
    const childCost = real(hung.cost, one);
    const boxCost = real(boxes, top);
    const enough = best - real(partials.least, base) - childCost - boxCost;
    const seen = seenAt[set] === tables.turn;
    let bound = seen ? real(boundOf, set) : NaN;
    if (bound >= enough) return;
    let partial = seen ? whole(partialOf, set) : NONE;
    if (partial === NONE) {
      bound = rest(set, top, all & ~set & mandatory, enough);
      seenAt[set] = tables.turn;
      boundOf[set] = bound;
      partialOf[set] = NONE;
      if (bound >= enough) return;
    }
    const childCode = real(hung.code, one);
    const childHeld = real(hung.held, one);
    const settled = whole(partials.set, base) & ~(1 << top);
    const below = whole(hung.set, one);
    const meet =
      shared !== null && shared.nodes.some((nodes) => (nodes & settled) !== 0 && (nodes & below) !== 0);
    for (let before = whole(partials.first, base); before !== NONE; before = whole(entries.next, before)) {
      const runs = small(entries.runs, before);
      if (runs === mostRuns) continue;
      let cost = real(entries.cost, before) + childCost;
      let held = real(entries.held, before) + childHeld;
      if (meet) {
        const together = settledTogether(shared, [settled, real(entries.held, before)], [below, childHeld]);
        cost += together.more;
        held = together.held;
      }
      if (cost + bound + boxCost >= best) continue;
      const code = real(entries.code, before) + childCode;
      let row = partial === NONE ? NONE : whole(partials.first, partial);
      while (row !== NONE && (real(entries.code, row) !== code || real(entries.held, row) !== held))
        row = whole(entries.next, row);
      if (row !== NONE && real(entries.cost, row) <= cost) continue;
      if (cost + bound + problem.nodeAtLeast(top, code) >= best) continue;
      if (partial === NONE) partialOf[set] = partial = partials.add(set, lowestOf(whole(hung.set, one)));
      if (row === NONE) {
        row = entries.add(whole(partials.first, partial));
        partials.first[partial] = row;
        partials.ways[partial] = whole(partials.ways, partial) + 1;
      }
      entries.put(row, code, held, runs + 1, cost, before, one);
      if (cost < real(partials.least, partial)) partials.least[partial] = cost;
    }
  };
};

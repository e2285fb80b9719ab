import { NONE, type Entries, type Hung } from './rows.js';
import { lowestOf, sortHung, tablesOf, type Tables } from './tables.js';
import { OUT, TOP, type Tree } from '../tree.js';
import { restBoundOf } from '../bounds/restBound.js';
import type { Weighed } from '../bounds/weighed.js';

/** Most ways to hang children that are held at once: what bounds the memory, at about sixty bytes each. */
const MOST_HELD = 600_000;

/** So many steps, and it is asked whether to go on. */
const STEPS_BETWEEN_ASKING = 20_000;

export interface ExactResult {
  /** The cheapest tree under the limit, or null where there is none. */
  tree: Tree | null;
  /** The search came to its end. */
  complete: boolean;
  steps: number;
}

/**
 * The cheapest tree of a settled arrangement, if one costs less than `limit`. Dynamic programming over sets of nodes: the
 * conductors on a run hang only on the set behind it, so the best way to hang a set on a parent is one number. What is
 * on a node while children are added is a load code, as box, connectors and splices ask for all of it.
 *
 * Every part is dropped as soon as it, and the least that the rest can cost, reach the limit. The rest is bounded with
 * the node that it hangs on, never without: that node may be its junction.
 */
export type TreeSearch = (
  problem: Weighed,
  limit: number,
  mostSteps: number,
  mayGoOn?: () => boolean,
) => ExactResult;

/** A search that keeps its tables from one arrangement to the next. */
export const createTreeSearch = (): TreeSearch => {
  let tables = tablesOf(0);
  return (problem, limit, mostSteps, mayGoOn = () => true) => {
    if (tables.nodes < problem.n) tables = tablesOf(problem.n);
    for (const rows of [tables.entries, tables.partials, tables.hung, tables.fresh]) rows.count = 0;
    return cheapestTree(tables, problem, limit, mostSteps, mayGoOn);
  };
};

const cheapestTree = (
  tables: Tables,
  problem: Weighed,
  limit: number,
  mostSteps: number,
  mayGoOn: () => boolean,
): ExactResult => {
  const { n, all, mandatory, leaves, mostRuns, entries: entering } = problem;
  const { entries, partials, hung, fresh, seenAt, bound: boundOf, partial: partialOf, hungOn } = tables;
  const boxes = Float64Array.from({ length: n }, (_, node) => problem.bounds.box(node));
  const rest = restBoundOf(problem);
  const { costs: runCosts, between } = problem.table;
  const kinds = runCosts.length / (n * n);
  // Rows of partials by size and node, and of what hangs on a parent by size, parent and lowest node.
  const partialsFrom = new Int32Array((n + 1) * n);
  const partialsTo = new Int32Array((n + 1) * n);
  const hungFrom = new Int32Array((n + 1) * n * (n + 1));
  let best = limit;
  let bestEntry = NONE;
  let bestRoot = NONE;
  let steps = 0;
  let asked = STEPS_BETWEEN_ASKING;

  const finish = (top: number, partial: number): void => {
    const home = entering.find(({ root }) => root === top);
    if (!home || ((partials.set[partial] as number) & mandatory) !== mandatory) return;
    for (
      let entry = partials.first[partial] as number;
      entry !== NONE;
      entry = entries.next[entry] as number
    ) {
      const code = (entries.code[entry] as number) + home.load;
      const cost = (entries.cost[entry] as number) + home.cost + problem.node(top, code);
      if (cost >= best) continue;
      best = cost;
      bestEntry = entry;
      bestRoot = top;
    }
  };

  // What is on the top hangs on the load of the run above it alone, and that is the same for nearly all parents.
  let underLoad = NaN;
  let under = NONE;
  let underCost = Infinity;
  const bestUnder = (top: number, partial: number, load: number): void => {
    underLoad = load;
    under = NONE;
    underCost = Infinity;
    for (
      let entry = partials.first[partial] as number;
      entry !== NONE;
      entry = entries.next[entry] as number
    ) {
      if ((entries.runs[entry] as number) === mostRuns) continue;
      const cost =
        (entries.cost[entry] as number) + problem.node(top, (entries.code[entry] as number) + load);
      if (cost >= underCost) continue;
      underCost = cost;
      under = entry;
    }
    steps += partials.ways[partial] as number;
  };

  const close = (top: number, partial: number): void => {
    const set = partials.set[partial] as number;
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
      const price = 'at' in carried ? (runCosts[pair * kinds + carried.at] as number) : carried.cost;
      if (price === Infinity) continue;
      if (load !== underLoad) bestUnder(top, partial, load);
      if (under === NONE) continue;
      const cost = underCost + price;
      const enough = best - cost - (boxes[parent] as number);
      const bound = rest(set, parent, all & ~set & mandatory & ~bit, enough);
      if (bound >= enough || cost + bound + problem.nodeAtLeast(parent, load) >= best) continue;
      const at = (parent << n) | set;
      const first = hungOn[at] as number;
      // Two tops may bring different loads (an existing cable brings none): then both are kept.
      let row = first;
      while (row !== NONE && (fresh.code[row] as number) !== load) row = fresh.next[row] as number;
      if (row === NONE) {
        row = fresh.add();
        fresh.next[row] = first;
        hungOn[at] = row;
      } else if ((fresh.cost[row] as number) <= cost) continue;
      fresh.put(row, parent, set, cost, load, top, under);
    }
  };

  /** Hangs a child on a node with others on it, in every way that is better than those known and may still be the best. */
  const add = (top: number, base: number, one: number): void => {
    const set = (partials.set[base] as number) | (hung.set[one] as number);
    const childCost = hung.cost[one] as number;
    const enough = best - (partials.least[base] as number) - childCost - (boxes[top] as number);
    const seen = seenAt[set] === tables.turn;
    let bound = seen ? (boundOf[set] as number) : NaN;
    if (bound >= enough) return;
    let partial = seen ? (partialOf[set] as number) : NONE;
    if (partial === NONE) {
      bound = rest(set, top, all & ~set & mandatory, enough);
      seenAt[set] = tables.turn;
      boundOf[set] = bound;
      partialOf[set] = NONE;
      if (bound >= enough) return;
    }
    const childCode = hung.code[one] as number;
    for (
      let before = partials.first[base] as number;
      before !== NONE;
      before = entries.next[before] as number
    ) {
      const runs = entries.runs[before] as number;
      if (runs === mostRuns) continue;
      const cost = (entries.cost[before] as number) + childCost;
      if (cost + bound + (boxes[top] as number) >= best) continue;
      const code = (entries.code[before] as number) + childCode;
      let row = partial === NONE ? NONE : (partials.first[partial] as number);
      while (row !== NONE && (entries.code[row] as number) !== code) row = entries.next[row] as number;
      if (row !== NONE && (entries.cost[row] as number) <= cost) continue;
      if (cost + bound + problem.nodeAtLeast(top, code) >= best) continue;
      if (partial === NONE) partialOf[set] = partial = partials.add(set, lowestOf(hung.set[one] as number));
      if (row === NONE) {
        row = entries.add(partials.first[partial] as number);
        partials.first[partial] = row;
        partials.ways[partial] = (partials.ways[partial] as number) + 1;
      }
      entries.put(row, code, runs + 1, cost, before, one);
      if (cost < (partials.least[partial] as number)) partials.least[partial] = cost;
    }
  };

  /** All ways to hang children of a size on a node with others; false where the steps are used up or it is to stop. */
  const combine = (top: number, size: number, child: number): boolean => {
    const from = (child * n + top) * (n + 1);
    const first = hungFrom[from] as number;
    if (first === (hungFrom[from + n] as number)) return true;
    const to = partialsTo[(size - child) * n + top] as number;
    for (let base = partialsFrom[(size - child) * n + top] as number; base < to; base++) {
      const end = hungFrom[from + (partials.low[base] as number)] as number;
      const set = partials.set[base] as number;
      const count = partials.ways[base] as number;
      for (let one = first; one < end; one++) {
        if (((hung.set[one] as number) & set) !== 0) continue;
        steps += count;
        add(top, base, one);
      }
      if (steps > asked) {
        asked = steps + STEPS_BETWEEN_ASKING;
        if (!mayGoOn()) return false;
      }
      if (steps > mostSteps || entries.count > MOST_HELD) return false;
    }
    return true;
  };

  const result = (complete: boolean): ExactResult => {
    const tree =
      bestEntry === NONE ? null : { parents: parentsOf(n, bestRoot, bestEntry, entries, hung), cost: best };
    return { tree, complete, steps };
  };

  for (let size = 1; size <= n; size++) {
    for (let top = 0; top < n; top++) {
      tables.turn += 1;
      const range = size * n + top;
      partialsFrom[range] = partials.count;
      if (size === 1) {
        const alone = partials.add(1 << top, n);
        partials.first[alone] = entries.add(NONE);
        partials.ways[alone] = 1;
        partials.least[alone] = 0;
        entries.put(entries.count - 1, 0, 0, 0, NONE, NONE);
      } else if ((leaves & (1 << top)) === 0)
        for (let child = 1; child < size; child++) if (!combine(top, size, child)) return result(false);
      partialsTo[range] = partials.count;
    }
    for (let top = 0; top < n; top++)
      for (
        let one = partialsFrom[size * n + top] as number;
        one < (partialsTo[size * n + top] as number);
        one++
      ) {
        finish(top, one);
        close(top, one);
      }
    sortHung(tables, n, hungFrom, size);
  }
  return result(true);
};

/** The tree with an entry of its root. */
const parentsOf = (n: number, root: number, found: number, entries: Entries, hung: Hung): Int32Array => {
  const parents = new Int32Array(n).fill(OUT);
  parents[root] = TOP;
  const hang = (entry: number, at: number): void => {
    const child = entries.child[entry] as number;
    if (child === NONE) return;
    const top = hung.top[child] as number;
    parents[top] = at;
    hang(hung.entry[child] as number, top);
    hang(entries.before[entry] as number, at);
  };
  hang(found, root);
  return parents;
};

import { NONE, small, whole, type Entries, type Hung } from './rows.js';
import { sortHung, tablesOf, type Tables } from './tables.js';
import { OUT, TOP, type Tree } from '../tree.js';
import { closer } from './closing.js';
import { combiner } from './combining.js';
import { finish, standingOf, STEPS_BETWEEN_ASKING } from './standing.js';
import type { Weighed } from '../bounds/weighed.js';

/** Most ways to hang children that are held at once: what bounds the memory, at about sixty bytes each. */
const MOST_HELD = 600_000;

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
  const { n, leaves } = problem;
  const { entries, partials, hung } = tables;
  const standing = standingOf(tables, problem, limit);
  const close = closer(standing);
  const add = combiner(standing);
  // Rows of partials by size and node, and of what hangs on a parent by size, parent and lowest node.
  const partialsFrom = new Int32Array((n + 1) * n);
  const partialsTo = new Int32Array((n + 1) * n);
  const hungFrom = new Int32Array((n + 1) * n * (n + 1));

  /** All ways to hang children of a size on a node with others; false where the steps are used up or it is to stop. */
  const combine = (top: number, size: number, child: number): boolean => {
    const from = (child * n + top) * (n + 1);
    const first = whole(hungFrom, from);
    if (first === whole(hungFrom, from + n)) return true;
    const to = whole(partialsTo, (size - child) * n + top);
    for (let base = whole(partialsFrom, (size - child) * n + top); base < to; base++) {
      const end = whole(hungFrom, from + small(partials.low, base));
      const set = whole(partials.set, base);
      const count = whole(partials.ways, base);
      for (let one = first; one < end; one++) {
        if ((whole(hung.set, one) & set) !== 0) continue;
        standing.steps += count;
        add(top, base, one);
      }
      if (standing.steps > standing.asking) {
        standing.asking = standing.steps + STEPS_BETWEEN_ASKING;
        if (!mayGoOn()) return false;
      }
      if (standing.steps > mostSteps || entries.count > MOST_HELD) return false;
    }
    return true;
  };

  /** A node by itself, with nothing on it yet. */
  const begin = (top: number): void => {
    const alone = partials.add(1 << top, n);
    partials.first[alone] = entries.add(NONE);
    partials.ways[alone] = 1;
    partials.least[alone] = 0;
    entries.put(entries.count - 1, 0, 0, 0, 0, NONE, NONE);
  };

  const result = (complete: boolean): ExactResult => {
    const { best, bestEntry, bestRoot, steps } = standing;
    const tree =
      bestEntry === NONE ? null : { parents: parentsOf(n, bestRoot, bestEntry, entries, hung), cost: best };
    return { tree, complete, steps };
  };

  for (let size = 1; size <= n; size++) {
    for (let top = 0; top < n; top++) {
      tables.turn += 1;
      const range = size * n + top;
      partialsFrom[range] = partials.count;
      if (size === 1) begin(top);
      else if ((leaves & (1 << top)) === 0)
        for (let child = 1; child < size; child++) if (!combine(top, size, child)) return result(false);
      partialsTo[range] = partials.count;
    }
    for (let top = 0; top < n; top++) {
      const to = whole(partialsTo, size * n + top);
      for (let one = whole(partialsFrom, size * n + top); one < to; one++) {
        finish(standing, top, one);
        close(top, one);
      }
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
    const child = whole(entries.child, entry);
    if (child === NONE) return;
    const top = small(hung.top, child);
    parents[top] = at;
    hang(whole(hung.entry, child), top);
    hang(whole(entries.before, entry), at);
  };
  hang(found, root);
  return parents;
};

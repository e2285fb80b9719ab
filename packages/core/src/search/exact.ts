import { overSets } from './bounds.js';
import { MOST_RUNS } from './load.js';
import type { Weighed } from './weighed.js';

/** A cabling tree: the parent of each node; `TOP` at the node that the feed enters, `OUT` for junctions left out. */
export const TOP = -1;
export const OUT = -2;
export interface Tree {
  parents: Int32Array;
  cost: number;
}

/** One way to hang children on a node: the last child added, and what was there before it. */
interface Entry {
  code: number;
  runs: number;
  cost: number;
  before: Entry | null;
  child: Closed | null;
}

/** A set of nodes with one of them at its top, ready to hang on a parent. */
interface Closed {
  set: number;
  top: number;
  entry: Entry;
}

/** A closed set as it hangs on one parent. */
interface Hung {
  set: number;
  low: number;
  cost: number;
  code: number;
  closed: Closed;
}

/** A node with some children on it. */
interface Partial {
  set: number;
  /** Lowest node among the children; children are added in falling order of their lowest node, so each set is made once. */
  low: number;
  /** One for each load; few enough to be looked through. */
  entries: Entry[];
}

const lowest = (set: number) => set & -set;
const sizeOf = (set: number) => {
  let count = 0;
  for (let rest = set; rest !== 0; rest &= rest - 1) count += 1;
  return count;
};

/** Most ways to hang children that are held at once: what bounds the memory, at about a hundred bytes each. */
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
export const cheapestTree = (problem: Weighed, limit: number, mostSteps: number): ExactResult => {
  const { n, all, mandatory, leaves, root, masks, multiplicity } = problem;
  const { join, reach, box } = problem.bounds;
  const boxes = overSets(n, box);
  let best = limit;
  let bestEntry: Entry | null = null;
  let steps = 0;
  let held = 0;

  /** The least of everything outside a set, joined with the node `at`. */
  const rest = (set: number, at: number): number => {
    const out = all & ~set;
    const needed = out & mandatory;
    const anchored = needed | (1 << at);
    let sum = join(anchored) + (boxes[needed] ?? 0);
    for (let i = 0; i < masks.length; i++) {
      const mask = masks[i] ?? 0;
      if ((mask & out) === 0) continue;
      const terminals = (mask & out) | ((mask & set) !== 0 ? 1 << at : 0);
      sum += (multiplicity[i] ?? 1) * reach(terminals);
    }
    return sum + problem.rootCost;
  };

  const partials: Partial[][][] = Array.from({ length: n }, () => Array.from({ length: n + 1 }, () => []));
  const hung: Hung[][][] = Array.from({ length: n }, () => Array.from({ length: n + 1 }, () => []));
  const hungOn: Map<number, Hung[]>[] = Array.from({ length: n }, () => new Map<number, Hung[]>());

  const finish = ({ set, entries }: Partial) => {
    if ((set & mandatory) !== mandatory) return;
    for (const entry of entries) {
      const cost = entry.cost + problem.rootCost + problem.node(root, entry.code + problem.rootLoad);
      if (cost < best) {
        best = cost;
        bestEntry = entry;
      }
    }
  };

  const close = (top: number, { set, entries }: Partial) => {
    const crossing = problem.crossing(set);
    // What is on the top hangs on the load of the run above it alone, and that is the same for nearly all parents.
    const leastUnder = new Map<number, { entry: Entry | null; cost: number }>();
    const bestUnder = (load: number) => {
      const known = leastUnder.get(load);
      if (known) return known;
      const least: { entry: Entry | null; cost: number } = { entry: null, cost: Infinity };
      for (const entry of entries) {
        if (entry.runs + 1 > MOST_RUNS) continue;
        const cost = entry.cost + problem.node(top, entry.code + load);
        if (cost >= least.cost) continue;
        least.cost = cost;
        least.entry = entry;
      }
      steps += entries.length;
      leastUnder.set(load, least);
      return least;
    };
    for (let parent = 0; parent < n; parent++) {
      if ((set & (1 << parent)) !== 0 || (leaves & (1 << parent)) !== 0) continue;
      const run = problem.run(parent, top, crossing);
      if (!run) continue;
      const { entry, cost } = bestUnder(run.load);
      const leastCost = cost + run.cost;
      if (!entry || leastCost + rest(set, parent) >= best) continue;
      const closed = { set, top, entry };
      const record = { set, low: lowest(set), cost: leastCost, code: run.load, closed };
      const alike = hungOn[parent]?.get(set) ?? [];
      // Two tops may bring different loads (an existing cable brings none): then both are kept.
      const known = alike.find((one) => one.code === run.load);
      if (known && known.cost <= leastCost) continue;
      if (known) Object.assign(known, record);
      else {
        hung[parent]?.[sizeOf(set)]?.push(record);
        hungOn[parent]?.set(set, [...alike, record]);
      }
    }
  };

  for (let node = 0; node < n; node++)
    partials[node]?.[1]?.push({
      set: 1 << node,
      low: 1 << 30,
      entries: [{ code: 0, runs: 0, cost: 0, before: null, child: null }],
    });

  for (let size = 1; size <= n; size++) {
    for (let top = 0; top < n; top++) {
      const here = new Map<number, Partial>((partials[top]?.[size] ?? []).map((one) => [one.set, one]));
      if (size > 1 && (leaves & (1 << top)) === 0)
        for (let child = 1; child < size; child++) {
          const children = hung[top]?.[child] ?? [];
          const bases = partials[top]?.[size - child] ?? [];
          if (children.length === 0 || bases.length === 0) continue;
          for (const base of bases)
            for (const one of children) {
              if ((one.set & base.set) !== 0 || one.low >= base.low) continue;
              const set = base.set | one.set;
              steps += base.entries.length;
              if (steps > mostSteps || held > MOST_HELD)
                return { tree: treeOf(n, root, bestEntry, best), complete: false, steps };
              let partial = here.get(set);
              let bound = NaN;
              for (const entry of base.entries) {
                if (entry.runs === MOST_RUNS) continue;
                const cost = entry.cost + one.cost;
                const code = entry.code + one.code;
                const known = partial?.entries.find((other) => other.code === code);
                if (known && known.cost <= cost) continue;
                if (Number.isNaN(bound)) bound = rest(set, top) + (boxes[1 << top] ?? 0);
                if (cost + bound >= best) continue;
                const made = { code, runs: entry.runs + 1, cost, before: entry, child: one.closed };
                if (known) {
                  Object.assign(known, made);
                  continue;
                }
                held += 1;
                if (!partial) {
                  partial = { set, low: one.low, entries: [] };
                  here.set(set, partial);
                }
                partial.entries.push(made);
              }
            }
        }
      const made = [...here.values()];
      const list = partials[top];
      if (list) list[size] = made;
    }
    for (let top = 0; top < n; top++)
      for (const partial of partials[top]?.[size] ?? []) {
        if (top === root) finish(partial);
        else close(top, partial);
      }
  }
  return { tree: treeOf(n, root, bestEntry, best), complete: true, steps };
};

const treeOf = (n: number, root: number, found: Entry | null, cost: number): Tree | null => {
  if (!found) return null;
  const parents = new Int32Array(n).fill(OUT);
  parents[root] = TOP;
  const hang = (entry: Entry, at: number) => {
    for (let one: Entry | null = entry; one?.child; one = one.before) {
      parents[one.child.top] = at;
      hang(one.child.entry, one.child.top);
    }
  };
  hang(found, root);
  return { parents, cost };
};

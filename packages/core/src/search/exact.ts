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
  /** What the runs of the children cost this node at the least. */
  toll: number;
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
  toll: number;
  closed: Closed;
}

/** A node with some children on it. */
interface Partial {
  set: number;
  /** Lowest node among the children; children are added in falling order of their lowest node, so each set is made once. */
  low: number;
  entries: Map<number, Entry>;
}

const lowest = (set: number) => set & -set;
const sizeOf = (set: number) => {
  let count = 0;
  for (let rest = set; rest !== 0; rest &= rest - 1) count += 1;
  return count;
};

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
  const { join, reach, boxes } = problem.bounds();
  let best = limit;
  let bestTree: { entry: Entry; top: number } | null = null;
  let steps = 0;

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
    return sum + problem.feedToll;
  };

  const partials: Partial[][][] = Array.from({ length: n }, () => Array.from({ length: n + 1 }, () => []));
  const hung: Hung[][][] = Array.from({ length: n }, () => Array.from({ length: n + 1 }, () => []));
  const hungOn: Map<number, Hung[]>[] = Array.from({ length: n }, () => new Map());

  const finish = (top: number, { set, entries }: Partial) => {
    if ((set & mandatory) !== mandatory || (problem.entries & (1 << top)) === 0) return;
    for (const entry of entries.values()) {
      let cost = entry.cost;
      let code = entry.code;
      if (root === null) {
        const run = problem.home(top, problem.crossing(set));
        if (!run) continue;
        cost += run.cost;
        code += run.code;
      } else code += problem.feedCode;
      cost += problem.node(top, code);
      if (cost < best) {
        best = cost;
        bestTree = { entry, top };
      }
    }
  };

  const close = (top: number, { set, entries }: Partial) => {
    if (root !== null && (set & (1 << root)) !== 0) return;
    const crossing = problem.crossing(set);
    for (let parent = 0; parent < n; parent++) {
      if ((set & (1 << parent)) !== 0 || (leaves & (1 << parent)) !== 0) continue;
      const run = problem.run(parent, top, crossing);
      if (!run) continue;
      let least: Entry | null = null;
      let leastCost = Infinity;
      for (const entry of entries.values()) {
        if (entry.runs + 1 > MOST_RUNS) continue;
        const cost = entry.cost + run.cost + problem.node(top, entry.code + run.code);
        if (cost >= leastCost) continue;
        leastCost = cost;
        least = entry;
      }
      steps += entries.size;
      if (!least || leastCost + run.toll + rest(set, parent) >= best) continue;
      const closed = { set, top, entry: least };
      const record = { set, low: lowest(set), cost: leastCost, code: run.code, toll: run.toll, closed };
      const alike = hungOn[parent]?.get(set) ?? [];
      // Two tops may bring different loads (an existing cable brings none): then both are kept.
      const known = alike.find((one) => one.code === run.code);
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
      entries: new Map([[0, { code: 0, runs: 0, cost: 0, toll: 0, before: null, child: null }]]),
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
              steps += base.entries.size;
              if (steps > mostSteps) return { tree: treeOf(n, bestTree, best), complete: false, steps };
              let partial = here.get(set);
              let bound = NaN;
              for (const entry of base.entries.values()) {
                if (entry.runs === MOST_RUNS) continue;
                const cost = entry.cost + one.cost;
                const code = entry.code + one.code;
                const known = partial?.entries.get(code);
                if (known && known.cost <= cost) continue;
                if (Number.isNaN(bound)) bound = rest(set, top) + (boxes[1 << top] ?? 0);
                const toll = entry.toll + one.toll;
                if (cost + toll + bound >= best) continue;
                if (!partial) {
                  partial = { set, low: one.low, entries: new Map() };
                  here.set(set, partial);
                }
                partial.entries.set(code, {
                  code,
                  runs: entry.runs + 1,
                  cost,
                  toll,
                  before: entry,
                  child: one.closed,
                });
              }
            }
        }
      const made = [...here.values()];
      const list = partials[top];
      if (list) list[size] = made;
    }
    for (let top = 0; top < n; top++)
      for (const partial of partials[top]?.[size] ?? []) {
        finish(top, partial);
        if (size < n) close(top, partial);
      }
  }
  return { tree: treeOf(n, bestTree, best), complete: true, steps };
};

const treeOf = (n: number, found: { entry: Entry; top: number } | null, cost: number): Tree | null => {
  if (!found) return null;
  const parents = new Int32Array(n).fill(OUT);
  parents[found.top] = TOP;
  const hang = (entry: Entry, at: number) => {
    for (let one: Entry | null = entry; one?.child; one = one.before) {
      parents[one.child.top] = at;
      hang(one.child.entry, one.child.top);
    }
  };
  hang(found.entry, found.top);
  return { parents, cost };
};

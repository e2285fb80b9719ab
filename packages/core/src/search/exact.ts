import { MOST_RUNS } from './load.js';
import { restBoundOf } from './restBound.js';
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
  /** The least of the entries, and of everything that is not in the set. */
  least: number;
  bound: number;
  /** One for each load; few enough to be looked through. */
  entries: Entry[];
}

const lowest = (set: number) => set & -set;
/** The list for a node and a size, made when it is first asked for. */
const bySize = <T>(lists: T[][][], node: number, size: number): T[] => ((lists[node] ??= [])[size] ??= []);

/** Most ways to hang children that are held at once: what bounds the memory, at about a hundred bytes each. */
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
export const cheapestTree = (
  problem: Weighed,
  limit: number,
  mostSteps: number,
  mayGoOn: () => boolean = () => true,
): ExactResult => {
  const { n, all, mandatory, leaves, entries: entering } = problem;
  const { box } = problem.bounds;
  const entryAt = Array.from({ length: n }, (_, node) => entering.find(({ root }) => root === node));
  let best = limit;
  let bestEntry: Entry | null = null;
  let bestRoot = -1;
  let steps = 0;
  let held = 0;
  let asked = STEPS_BETWEEN_ASKING;
  let stopped = false;

  const rest = restBoundOf(problem);

  // By node and size; what is not there is empty.
  const partials: Partial[][][] = Array.from({ length: n }, () => []);
  const hung: Hung[][][] = Array.from({ length: n }, () => []);
  const hungOn = Array.from({ length: n }, () => new Map<number, Hung[]>());

  const finish = (top: number, { set, entries }: Partial) => {
    const home = entryAt[top];
    if (!home || (set & mandatory) !== mandatory) return;
    for (const entry of entries) {
      const cost = entry.cost + home.cost + problem.node(top, entry.code + home.load);
      if (cost < best) {
        best = cost;
        bestEntry = entry;
        bestRoot = top;
      }
    }
  };

  const close = (top: number, size: number, { set, entries }: Partial) => {
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
      const enough = best - leastCost - problem.nodeAtLeast(parent, run.load);
      const others = all & ~set & mandatory & ~(1 << parent);
      if (!entry || rest(set, parent, others, enough) >= enough) continue;
      const closed = { set, top, entry };
      const record = { set, low: lowest(set), cost: leastCost, code: run.load, closed };
      const alike = hungOn[parent]?.get(set) ?? [];
      // Two tops may bring different loads (an existing cable brings none): then both are kept.
      const known = alike.find((one) => one.code === run.load);
      if (known && known.cost <= leastCost) continue;
      if (known) Object.assign(known, record);
      else {
        bySize(hung, parent, size).push(record);
        hungOn[parent]?.set(set, [...alike, record]);
      }
    }
  };

  for (let node = 0; node < n; node++)
    bySize(partials, node, 1).push({
      set: 1 << node,
      low: 1 << 30,
      least: 0,
      bound: 0,
      entries: [{ code: 0, runs: 0, cost: 0, before: null, child: null }],
    });

  /** Hangs a child on a node with others on it, in every way that is better than those known and may still be the best. */
  const add = (
    here: Map<number, Partial>,
    dropped: Map<number, number>,
    top: number,
    base: Partial,
    one: Hung,
  ): void => {
    const set = base.set | one.set;
    let partial = here.get(set);
    const enough = best - base.least - one.cost - box(top);
    let bound = partial?.bound ?? dropped.get(set) ?? NaN;
    if (bound >= enough) return;
    if (!partial) {
      bound = rest(set, top, all & ~set & mandatory, enough);
      dropped.set(set, bound);
      if (bound >= enough) return;
    }
    for (const entry of base.entries) {
      if (entry.runs === MOST_RUNS) continue;
      const cost = entry.cost + one.cost;
      const code = entry.code + one.code;
      const known = partial?.entries.find((other) => other.code === code);
      if (known && known.cost <= cost) continue;
      if (cost + bound + problem.nodeAtLeast(top, code) >= best) continue;
      const made = { code, runs: entry.runs + 1, cost, before: entry, child: one.closed };
      if (partial && cost < partial.least) partial.least = cost;
      if (known) {
        Object.assign(known, made);
        continue;
      }
      held += 1;
      if (!partial) {
        partial = { set, low: one.low, least: cost, bound, entries: [] };
        here.set(set, partial);
      }
      partial.entries.push(made);
    }
  };

  for (let size = 1; size <= n; size++) {
    for (let top = 0; top < n && size > 1; top++) {
      if ((leaves & (1 << top)) !== 0) continue;
      const here = new Map<number, Partial>();
      const dropped = new Map<number, number>();
      for (let child = 1; child < size; child++) {
        const children = bySize(hung, top, child);
        for (const base of children.length === 0 ? [] : bySize(partials, top, size - child))
          for (const one of children) {
            if (one.low >= base.low) break;
            if ((one.set & base.set) !== 0) continue;
            steps += base.entries.length;
            if (steps > asked) {
              asked = steps + STEPS_BETWEEN_ASKING;
              stopped = !mayGoOn();
            }
            if (stopped || steps > mostSteps || held > MOST_HELD)
              return { tree: treeOf(n, bestRoot, bestEntry, best), complete: false, steps };
            add(here, dropped, top, base, one);
          }
      }
      bySize(partials, top, size).push(...here.values());
    }
    for (let top = 0; top < n; top++)
      for (const partial of partials[top]?.[size] ?? []) {
        finish(top, partial);
        close(top, size, partial);
      }
    for (let top = 0; top < n; top++) bySize(hung, top, size).sort((a, b) => a.low - b.low);
  }
  return { tree: treeOf(n, bestRoot, bestEntry, best), complete: true, steps };
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

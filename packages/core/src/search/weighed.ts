import { placeOfNode } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { boxesOfSets, classMasks, spansOf, type Bounds, type RunLine } from './bounds.js';
import { loadCode, MOST_RUNS } from './load.js';
import type { Cost } from './cost.js';
import { fixedCost, nodePricesOf } from './nodePrices.js';
import type { Settled } from './problem.js';
import { runPricesOf } from './runPrices.js';
import type { Shared } from './shared.js';

/** A run as the search sees it: what it costs, and what it brings to both its nodes. */
export interface WeighedRun {
  cost: number;
  code: number;
  /** What its conductors cost each of its nodes at the least. */
  toll: number;
}

/** Taken off for each run that is forced, so that a tree with it is always cheaper than one without; put back at the end. */
const FORCED = 1e12;

/**
 * A settled arrangement with one number for everything: what is searched for is the tree with the least sum. Nodes are
 * bits of a mask. Far places of return runs are leaves, and never hang on their own box.
 */
export interface Weighed {
  n: number;
  all: number;
  /** Nodes that every tree has; the others may serve as junctions. */
  mandatory: number;
  leaves: number;
  /** Nodes that power may enter. */
  entries: number;
  root: number | null;
  /** Classes whose terminals are in a set of nodes and outside of it. */
  crossing: (set: number) => number;
  run: (parent: number, child: number, crossing: number) => WeighedRun | null;
  /** The least that a run between two nodes costs; Infinity where none may go. */
  nearness: (a: number, b: number) => number;
  /** The home run to a node. */
  home: (entry: number, crossing: number) => WeighedRun | null;
  /** What the feed brings to the root where an existing cable is the feed. */
  feedCode: number;
  /** What the feed's ends cost the root at the least. */
  feedToll: number;
  node: (node: number, code: number) => number;
  /** Costs that no tree changes. */
  fixed: number;
  /** What was taken off for all forced runs together; a tree that costs more than a part of it lacks one. */
  forced: number;
  bounds: () => Bounds;
  multiplicity: readonly number[];
  masks: readonly number[];
}

const once = <T>(make: () => T): (() => T) => {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
};

const memo = <K, V>(make: (key: K) => V): ((key: K) => V) => {
  const known = new Map<K, V>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined || known.has(key)) return found as V;
    const value = make(key);
    known.set(key, value);
    return value;
  };
};

export const weighedOf = (
  job: Job,
  settled: Settled,
  shared: Shared,
  weigh: (cost: Cost) => number,
  /** Boxes that need more than this are out of the question; ten-thousandths of a cubic inch. */
  volumeLimit: number,
  /** Nodes that a home run may lead to, as bits. */
  entries: number,
): Weighed => {
  const { classes, nodes, returning } = settled;
  const prices = { ...runPricesOf(job, settled, shared), ...nodePricesOf(job, settled, shared) };
  const n = nodes.length;
  const toll = prices.toll(weigh);
  const masks = classMasks(settled);
  const { ofRun, read } = loadCode(classes.length);
  const outside = classes.map(({ fromPanel }) => fromPanel);
  const reached = masks.reduce((all, mask) => all | mask, settled.root === null ? 0 : 1 << settled.root);
  const all = 2 ** n - 1;
  const mayEnter =
    settled.root !== null
      ? 1 << settled.root
      : returning !== null
        ? entries & (1 << returning.near)
        : entries;

  const isForced = (a: number, b: number): boolean => {
    const [x, y] = [nodes[a], nodes[b]];
    if (x === undefined || y === undefined) return false;
    return job.runFacts.some(
      ({ rule, between }) =>
        rule === 'forced' &&
        between.includes(placeOfNode(x) as never) &&
        between.includes(placeOfNode(y) as never),
    );
  };
  const barred = (a: number, b: number) =>
    returning !== null && [a, b].includes(returning.near) && [a, b].includes(returning.far);
  const weighed = (a: number | 'panel', b: number, crossing: number): WeighedRun | null => {
    const price = prices.run(a, b, crossing);
    if (!price) return null;
    const bonus = a !== 'panel' && isForced(a, b) ? FORCED : 0;
    const nets = classes.reduce((sum, one, i) => ((crossing >> i) & 1 ? sum + one.nets.length : sum), 0);
    return {
      cost: weigh(price.cost) - bonus,
      code: ofRun(crossing, price.insulated, price.cables, price.spares),
      toll: toll.net * nets + toll.ground * price.cables,
    };
  };
  const byPair = Array.from({ length: n * n }, (_, pair) => {
    const [a, b] = [Math.floor(pair / n), pair % n];
    return a === b || barred(a, b) ? () => null : memo((crossing: number) => weighed(a, b, crossing));
  });
  const homes = Array.from({ length: n }, (_, b) =>
    memo((crossing: number) => weighed('panel', b, crossing)),
  );
  const nodeCosts = Array.from({ length: n }, (_, node) =>
    memo((code: number) => {
      const load = read(code);
      if (load.cables > MOST_RUNS) return Infinity;
      const cost = prices.node(node, load);
      return cost === null || cost.volume > volumeLimit ? Infinity : weigh(cost);
    }),
  );

  const feedClasses = classes.reduce((mask, { nets: [net], fromPanel }, i) => {
    const fed = settled.root !== null && (net?.kind === 'hot' || net?.kind === 'neutral');
    return fed || fromPanel ? mask | (1 << i) : mask;
  }, 0);

  /** The line under the prices of all cables that may go there: at two nets, and on to wider ones. */
  const lineOf = (a: number, b: number): RunLine | null => {
    const bonus = isForced(a, b) ? FORCED : 0;
    const costs = prices.offers(a, b).map(({ most, cost }) => ({ most, cost: weigh(cost) - bonus }));
    if (costs.length === 0) return null;
    const from = Math.min(...costs.map((one) => one.cost));
    const widest = Math.max(...costs.map((one) => one.most));
    let each = Infinity;
    for (let nets = 3; nets <= widest; nets++) {
      const least = Math.min(...costs.filter((one) => one.most >= nets).map((one) => one.cost));
      each = Math.min(each, (least - from) / (nets - 2));
    }
    each = Number.isFinite(each) ? each : 0;
    // Both nodes of the run pay for its ends and for its ground.
    const cables = prices.offers(a, b).some((one) => one.cost.cable > 0) ? 1 : 0;
    return { base: from - 2 * each + 2 * toll.ground * cables, each: each + 2 * toll.net };
  };

  const boundsNow = (): Bounds => {
    const optional = all & ~reached;
    // The far place of a return run stands where its box does, and is a leaf.
    const far = returning === null ? 0 : 1 << returning.far;
    const boxes = returning === null ? n : n - 1;
    const fed = classes.reduce((sum, one) => (one.fromPanel ? sum + one.nets.length : sum), 0);
    const home =
      settled.root !== null
        ? null
        : (node: number) =>
            (mayEnter & (1 << node)) === 0
              ? Infinity
              : Math.min(Infinity, ...prices.offers('panel', node).map(({ cost }) => weigh(cost))) +
                fed * toll.net +
                toll.ground;
    const key = [nodes.slice(0, boxes).join(), optional, mayEnter, toll.net, toll.ground].join(' ');
    const spans = shared.spans.get(key) ?? spansOf(boxes, optional, lineOf, home);
    shared.spans.set(key, spans);
    const panel = home ? 1 << boxes : 0;
    const near = returning?.near ?? 0;
    const backs = nodes
      .slice(0, boxes)
      .flatMap((_, node) => (node === near ? [] : [lineOf(node, near)?.base ?? Infinity]));
    const back = returning === null ? 0 : Math.min(Infinity, ...backs);
    return {
      join: (set) => (spans.join[(set & ~far) | panel] ?? Infinity) + (set & far ? back : 0),
      reach: (set) => spans.reach[set & far ? (set & ~far) | (1 << near) : set] ?? 0,
      boxes: boxesOfSets(n, optional, (node) => prices.least(node, weigh, toll)),
    };
  };
  const pairsForced = nodes.reduce(
    (sum, _, a) => sum + nodes.filter((__, b) => b > a && !barred(a, b) && isForced(a, b)).length,
    0,
  );

  return {
    n,
    all,
    mandatory: reached,
    leaves: returning === null ? 0 : 1 << returning.far,
    entries: mayEnter,
    root: settled.root,
    crossing: (set) => {
      let crossing = 0;
      for (let i = 0; i < masks.length; i++) {
        const mask = masks[i] ?? 0;
        if ((mask & set) !== 0 && (outside[i] || (mask & ~set) !== 0)) crossing |= 1 << i;
      }
      return crossing;
    },
    run: (parent, child, crossing) => byPair[parent * n + child]?.(crossing) ?? null,
    nearness: (a, b) =>
      barred(a, b) ? Infinity : Math.min(Infinity, ...prices.offers(a, b).map(({ cost }) => weigh(cost))),
    home: (entry, crossing) => homes[entry]?.(crossing) ?? null,
    feedCode: settled.root === null ? 0 : ofRun(feedClasses, 0, 0, 0),
    feedToll: settled.root === null ? 0 : 2 * toll.net,
    node: (node, code) => nodeCosts[node]?.(code) ?? Infinity,
    fixed: weigh(fixedCost(job, settled)),
    forced: pairsForced * FORCED,
    bounds: once(() => boundsNow()),
    multiplicity: classes.map(({ nets }) => nets.length),
    masks,
  };
};

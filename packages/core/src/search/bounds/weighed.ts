import { isDeviceKept } from '../../model/there.js';
import { placeOfNode, type BoxId } from '../../model/ids.js';
import { sayLying } from '../atNodes.js';
import type { Bounding } from './bounding.js';
import { classMasks, spansOf, type Bounds, type RunLine } from './spans.js';
import type { LoadCode } from '../prices/loadCodes.js';
import { nodePricesOf, restingCost } from '../prices/nodePrices.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Settled } from '../problem.js';
import type { RunTable, WeighedRun } from '../prices/prices.js';
import { lineAt, lineUnder, pairOf } from './lines.js';
import { FORCED, runPricesOf, type Bought } from '../prices/runPrices.js';
import { sharedOf, type SharedBoxes } from '../prices/sharedBoxes.js';

/** A node where power may enter, what its home run costs, what the feed brings it, and the least of what stands there then. */
export interface Entering {
  root: number;
  cost: number;
  load: LoadCode;
  box: number;
}

/**
 * A settled arrangement with one number for everything: what is searched for is the tree with the least sum, and the node
 * where power enters it. Nodes are bits of a mask. Far places of return runs are leaves, and never hang on their own box.
 */
export interface Weighed {
  n: number;
  /** Most runs at a node. */
  mostRuns: number;
  all: number;
  /** Nodes that every tree has; the others may serve as junctions, or as the place where power enters. */
  mandatory: number;
  leaves: number;
  /** The node of a feed at a box, or every node to which a home run may go. */
  entries: readonly Entering[];
  /** Classes whose terminals are in a set of nodes and outside of it. */
  crossing: (set: number) => number;
  run: (parent: number, child: number, crossing: number) => WeighedRun | null;
  /** What decides the same for runs by new cables, found once for all: the search for the cheapest tree asks for each of them. */
  bought: (crossing: number) => Bought | null;
  table: RunTable;
  /** The line under the prices of a run between two nodes; null where none may go. */
  line: (a: number, b: number) => RunLine | null;
  /** The least that a run between two nodes costs; Infinity where none may go. */
  nearness: (a: number, b: number) => number;
  node: (node: number, load: LoadCode) => number;
  /** No less than it costs under this load and any larger one. */
  nodeAtLeast: (node: number, load: LoadCode) => number;
  /** Boxes that are several nodes; null where none is. */
  shared: SharedBoxes | null;
  /** Costs that no tree changes: devices that are bought, with the minutes they take. */
  fixed: number;
  /** What was taken off for all forced runs together; a tree that costs more than a part of it lacks one. */
  forced: number;
  bounds: Bounds;
  /** The nodes of each net class, its number of conductors, and whether it goes on to the panel from where power enters. */
  masks: readonly number[];
  multiplicity: readonly number[];
  fromPanel: readonly boolean[];
}

/**
 * What no tree changes: devices that are bought, boxes apart that others use, and what each box that may be left out costs
 * if it is. `resting` has the last by node; a node costs only what it takes beyond it.
 */
export const fixedOf = (
  tables: PriceTables,
  { fittings, nodes }: Settled,
  isOptional: (node: number) => boolean,
): { fixed: number; resting: number[] } => {
  const { job, weights } = tables;
  const resting = nodes.map((node, i) =>
    isOptional(i) ? restingCost(tables, placeOfNode(node) as BoxId) : 0,
  );
  const within = new Set<string>(nodes);
  const apart = job.boxes.filter((box) => !within.has(box.id)).map((box) => restingCost(tables, box.id));
  const devices = fittings.map(({ slot, article }) =>
    isDeviceKept(job, slot) || !article
      ? 0
      : weights.material * article.price + weights.minute * job.labour.device,
  );
  return { fixed: [...resting, ...apart, ...devices].reduce((sum, cost) => sum + cost, 0), resting };
};

/** The problem of a settled arrangement. */
export const weighedOf = ({ tables, slopes, spans: known }: Bounding, settled: Settled): Weighed => {
  const { classes, nodes, boxOf, returning, forcedAt, lyingAt } = settled;
  const runs = runPricesOf(tables, settled);
  const n = nodes.length;
  const all = 2 ** n - 1;
  const masks = classMasks(settled);
  const { nodes: prices, boxes: boxPrices } = nodePricesOf(tables, settled);
  // The near place of a return run is the one that power enters.
  const far = returning === null ? 0 : 1 << returning.far;
  const near = returning === null ? 0 : 1 << returning.near;
  const mandatory = masks.reduce((sum, mask) => sum | mask, near);
  const optional = all & ~mandatory;
  const multiplicity = classes.map(({ nets }) => nets.length);
  const fromPanel = classes.map((one) => one.fromPanel);
  const { fixed, resting } = fixedOf(tables, settled, (node) => ((optional >> node) & 1) === 1);

  const boxAt = (node: number) => placeOfNode(nodes[node] ?? ('' as BoxId)) as BoxId;
  // The far place of a return run stands where its box does, and is a leaf: the tables of the spans do without it.
  const boxes = returning === null ? n : n - 1;
  const line = (a: number, b: number): RunLine | null => {
    const slope = slopes.get(pairOf(boxAt(a), boxAt(b)));
    return slope === undefined ? lineUnder(runs.offers(a, b)) : lineAt(runs.offers(a, b), slope);
  };
  const spans = known.get([nodes.slice(0, boxes), optional, forcedAt.flat(), sayLying(lyingAt)], () =>
    spansOf(boxes, optional, { line, boxOf }, (node) => prices[node]?.passing ?? 0),
  );
  const backs = nodes.slice(0, boxes).map((_, node) => {
    const back = returning && node !== returning.near ? line(node, returning.far) : null;
    return back?.base ?? Infinity;
  });
  const back = far === 0 ? 0 : Math.min(Infinity, ...backs);
  const leastOf = (node: number, which: 'least' | 'leastEntered') =>
    (prices[node]?.[which] ?? 0) + (boxPrices[node]?.[which] ?? 0) - (resting[node] ?? 0);
  const box = (node: number) => {
    const least = leastOf(node, 'least');
    return optional & (1 << node) ? Math.min(0, least) : least;
  };

  const homeClasses = classes.reduce((mask, one, i) => (one.fromPanel ? mask | (1 << i) : mask), 0);
  const feedClasses = classes.reduce(
    (mask, { nets: [net] }, i) => (net?.kind === 'hot' || net?.kind === 'neutral' ? mask | (1 << i) : mask),
    0,
  );
  const entering = (root: number): Entering[] => {
    if (settled.root !== null) {
      const load = tables.codes.loadOfRun(feedClasses, { insulated: 0, cables: 0, spares: 0 });
      return [{ root, cost: 0, load, box: leastOf(root, 'least') }];
    }
    const home = runs.home(root, homeClasses);
    if (!home) return [];
    return [{ root, cost: home.cost, load: home.load, box: leastOf(root, 'leastEntered') }];
  };
  const mayEnter = (node: number) => {
    const closed = returning !== null && node !== returning.near;
    return !closed && (runs.table.forcedHomes === 0 || (runs.table.forcedHomes & (1 << node)) !== 0);
  };
  return {
    n,
    mostRuns: tables.codes.mostRuns,
    all,
    mandatory,
    leaves: far,
    entries: (settled.root !== null ? [settled.root] : nodes.map((_, i) => i).filter(mayEnter)).flatMap(
      entering,
    ),
    crossing: (set) => {
      let crossing = 0;
      for (let i = 0; i < masks.length; i++) {
        const mask = masks[i] ?? 0;
        if ((mask & set) !== 0 && (fromPanel[i] === true || (mask & ~set) !== 0)) crossing |= 1 << i;
      }
      return crossing;
    },
    run: runs.between,
    bought: runs.bought,
    table: runs.table,
    line,
    nearness: (a, b) => Math.min(Infinity, ...runs.offers(a, b).map(({ cost }) => cost)),
    nodeAtLeast: (node, load) =>
      (prices[node]?.atLeast(load) ?? 0) + (boxPrices[node]?.least ?? 0) - (resting[node] ?? 0),
    shared: sharedOf(tables, boxOf, boxPrices),
    node: (node, load) => (prices[node]?.cost(load) ?? Infinity) - (resting[node] ?? 0),
    fixed,
    forced: runs.table.forced * FORCED,
    bounds: { spans, far, near, back, box, passing: (node) => prices[node]?.passing ?? 0 },
    masks,
    multiplicity,
    fromPanel,
  };
};

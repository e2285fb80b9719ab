import { OUT, TOP } from '../tree.js';
import type { TreeProblem } from './localSearch.js';
import { nodePricesOf } from '../prices/nodePrices.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Settled } from '../problem.js';
import { FORCED, runPricesOf } from '../prices/runPrices.js';
import { fixedOf } from '../bounds/weighed.js';

/**
 * For each thing about a tree that is out of the question, and for each net too many on a run; a search may pass through
 * such trees, and ends in none.
 */
const PENALTY = 1e14;
/** Most net classes that fit the bits of a whole number. */
export const MOST_CLASSES_LARGE = 30;

export interface LargeProblem extends TreeProblem {
  settled: Settled;
  fixed: number;
}

/**
 * A settled arrangement of any number of places: what a tree costs is counted net by net. Every run is priced by the
 * nets with terminals behind it and before it, every box by what ends in it.
 */
export const largeProblem = (tables: PriceTables, settled: Settled, root: number): LargeProblem => {
  const { classes, nodes } = settled;
  const n = nodes.length;
  const count = classes.length;
  const runs = runPricesOf(tables, settled);
  const { nodes: prices, boxes: boxPrices } = nodePricesOf(tables, settled);
  const homeClasses = classes.reduce((bits, one, i) => (one.fromPanel ? bits | (1 << i) : bits), 0);
  const feedClasses = classes.reduce(
    (bits, { nets: [net] }, i) => (net?.kind === 'hot' || net?.kind === 'neutral' ? bits | (1 << i) : bits),
    0,
  );
  const home = settled.root === null ? runs.home(root, homeClasses) : null;
  const optional = nodes.map((_, node) => !classes.some(({ at }) => at.includes(node)));
  const { fixed, resting } = fixedOf(tables, settled, (node) => optional[node] ?? false);
  const lanes = classes.map(({ nets }) => nets.length);
  const far = settled.returning?.far ?? -1;
  const widest = Math.max(...tables.cables.map((one) => one.insulated.length));
  const terminals = classes.map(({ at, fromPanel }) => at.length + (fromPanel ? 1 : 0));
  const nodesOfGroups = Object.keys(settled.arrangement.chains).map(
    (group) =>
      new Set(classes.flatMap(({ nets, at }) => (nets.some((net) => net.group === group) ? at : []))),
  );
  const behind = new Uint8Array(n * count);
  const ends = new Uint8Array(n * count);
  const trunks = new Float64Array(n);
  const degree = new Uint8Array(n);
  const order = new Int32Array(n);
  const entered = settled.root === null ? homeClasses : feedClasses;

  /** Nodes from the root outward; null where a loop or a gap keeps some from it. */
  const outward = (parents: ArrayLike<number>): number | null => {
    let filled = 0;
    let present = 0;
    const children: number[][] = Array.from({ length: n }, () => []);
    for (let node = 0; node < n; node++) {
      const parent = parents[node] ?? OUT;
      if (parent === OUT) continue;
      present += 1;
      if (parent >= 0) children[parent]?.push(node);
    }
    order[filled++] = root;
    for (let i = 0; i < filled; i++)
      for (const child of children[order[i] ?? 0] ?? []) order[filled++] = child;
    return filled === present ? filled : null;
  };

  const cost = (parents: ArrayLike<number>): number => {
    const filled = parents[root] === TOP ? outward(parents) : null;
    if (filled === null || (settled.root === null && !home)) return Infinity;
    behind.fill(0);
    ends.fill(0);
    trunks.fill(0);
    degree.fill(0);
    classes.forEach(({ at }, i) => {
      for (const node of at) behind[node * count + i] = (behind[node * count + i] ?? 0) + 1;
    });
    let sum = home?.cost ?? 0;
    trunks[root] = home?.trunk ?? tables.codes.trunkOf({ insulated: 0, cables: 0, spares: 0 });
    for (let i = 0; i < count; i++) if ((entered >> i) & 1) ends[root * count + i] = 1;
    for (let at = filled - 1; at > 0; at--) {
      const node = order[at] ?? 0;
      const parent = parents[node] ?? 0;
      let crossing = 0;
      let nets = 0;
      for (let i = 0; i < count; i++) {
        const there = behind[node * count + i] ?? 0;
        behind[parent * count + i] = (behind[parent * count + i] ?? 0) + there;
        if (there === 0 || there === terminals[i]) continue;
        crossing |= 1 << i;
        nets += lanes[i] ?? 1;
        ends[node * count + i] = (ends[node * count + i] ?? 0) + 1;
        ends[parent * count + i] = (ends[parent * count + i] ?? 0) + 1;
      }
      const run = parent === far ? null : runs.between(parent, node, crossing);
      sum += run?.cost ?? PENALTY * Math.max(1, nets - widest);
      for (const end of [parent, node]) {
        trunks[end] = (trunks[end] ?? 0) + (run?.trunk ?? 0);
        degree[end] = (degree[end] ?? 0) + 1;
      }
    }
    for (let node = 0; node < n; node++) {
      if (parents[node] === OUT) {
        if (!optional[node]) sum += PENALTY;
        continue;
      }
      const crowded =
        (degree[node] ?? 0) > tables.codes.mostRuns ||
        ends.subarray(node * count, (node + 1) * count).some((one) => one > tables.codes.mostRuns + 1);
      const price = crowded
        ? Infinity
        : (prices[node]?.costOf(trunks[node] ?? 0, ends, node * count) ?? Infinity);
      sum += price === Infinity ? PENALTY : price - (resting[node] ?? 0);
    }
    boxPrices.forEach((box, at) => {
      if (!box) return;
      let trunk = 0;
      for (let node = 0; node < n; node++) if (settled.boxOf[node] === at) trunk += trunks[node] ?? 0;
      const price = box.cost(trunk);
      sum += price === Infinity ? PENALTY : price;
    });
    return sum;
  };
  return {
    settled,
    fixed: fixed + runs.table.forced * FORCED,
    n,
    root,
    needed: nodes.flatMap((_, node) => (optional[node] ? [] : [node])),
    mayHold: (node) => node !== far,
    cost,
    nearness: (a, b) => {
      // Boxes of one group first: between groups a run then carries little more than hot and neutral.
      const together = !nodesOfGroups.every((group) => !group.has(a) || !group.has(b));
      return Math.min(Infinity, ...runs.offers(a, b).map((one) => one.cost)) - (together ? FORCED / 4 : 0);
    },
  };
};

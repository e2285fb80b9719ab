import { OUT, TOP } from '../tree.js';
import type { TreeProblem } from './localSearch.js';
import { nodePricesOf } from '../prices/nodePrices.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Settled } from '../problem.js';
import { FORCED, runPricesOf } from '../prices/runPrices.js';
import { createMoves, outward, type TreeParts } from './treeMoves.js';
import { fixedOf } from '../bounds/weighed.js';

/**
 * For each thing about a tree that is out of the question, and for each net too many on a run; a search may pass through
 * such trees, and ends in none.
 */
const PENALTY = 1e14;
/** Most net classes that fit the bits of a whole number. */
export const MOST_CLASSES_LARGE = 30;

export interface LargeProblem extends Required<TreeProblem> {
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
  const own = new Uint8Array(n * count);
  classes.forEach(({ at }, i) => {
    for (const node of at) own[node * count + i] = (own[node * count + i] ?? 0) + 1;
  });
  const { mostRuns } = tables.codes;
  const parts: TreeParts = {
    ...{ n, count, root, own, terminals },
    entered: settled.root === null ? homeClasses : feedClasses,
    enteredTrunk: home?.trunk ?? tables.codes.trunkOf({ insulated: 0, cables: 0, spares: 0 }),
    run: (parent, child, crossing) => {
      const run = parent === far ? null : runs.between(parent, child, crossing);
      if (run) return run;
      const nets = lanes.reduce((sum, lane, i) => sum + ((crossing >> i) & 1) * lane, 0);
      return { cost: PENALTY * Math.max(1, nets - widest), trunk: 0 };
    },
    node: (node, trunk, degree, ends, offset) => {
      let isCrowded = degree > mostRuns;
      for (let i = 0; i < count; i++) if ((ends[offset + i] as number) > mostRuns + 1) isCrowded = true;
      const price = isCrowded ? Infinity : (prices[node]?.costOf(trunk, ends, offset) ?? Infinity);
      return price === Infinity ? PENALTY : price - (resting[node] ?? 0);
    },
    boxes: boxPrices.flatMap((box, at) => {
      const within = nodes.flatMap((_, node) => (settled.boxOf[node] === at ? [node] : []));
      const cost = (trunk: number) => Math.min(PENALTY, box?.cost(trunk) ?? 0);
      return box ? [{ nodes: within, cost }] : [];
    }),
  };
  const behind = new Uint8Array(n * count);
  const ends = new Uint8Array(n * count);
  const trunks = new Float64Array(n);
  const degree = new Uint8Array(n);

  const cost = (parents: ArrayLike<number>): number => {
    const order = parents[root] === TOP ? outward(parents, root) : null;
    const present = nodes.reduce((sum, _, node) => sum + (parents[node] === OUT ? 0 : 1), 0);
    if (order?.length !== present || (settled.root === null && !home)) return Infinity;
    behind.set(own);
    ends.fill(0);
    trunks.fill(0);
    degree.fill(0);
    let sum = home?.cost ?? 0;
    trunks[root] = parts.enteredTrunk;
    for (let i = 0; i < count; i++) if ((parts.entered >> i) & 1) ends[root * count + i] = 1;
    for (let at = present - 1; at > 0; at--) {
      const node = order[at] ?? 0;
      const parent = parents[node] ?? 0;
      let crossing = 0;
      for (let i = 0; i < count; i++) {
        const there = behind[node * count + i] ?? 0;
        behind[parent * count + i] = (behind[parent * count + i] ?? 0) + there;
        if (there === 0 || there === terminals[i]) continue;
        crossing |= 1 << i;
        ends[node * count + i] = (ends[node * count + i] ?? 0) + 1;
        ends[parent * count + i] = (ends[parent * count + i] ?? 0) + 1;
      }
      const run = parts.run(parent, node, crossing);
      sum += run.cost;
      for (const end of [parent, node]) {
        trunks[end] = (trunks[end] ?? 0) + run.trunk;
        degree[end] = (degree[end] ?? 0) + 1;
      }
    }
    for (let node = 0; node < n; node++)
      if (parents[node] !== OUT)
        sum += parts.node(node, trunks[node] ?? 0, degree[node] ?? 0, ends, node * count);
      else if (!optional[node]) sum += PENALTY;
    for (const box of parts.boxes)
      sum += box.cost(box.nodes.reduce((trunk, node) => trunk + (trunks[node] ?? 0), 0));
    return sum;
  };
  const movesOf = createMoves(parts);
  return {
    settled,
    fixed: fixed + runs.table.forced * FORCED,
    n,
    root,
    needed: nodes.flatMap((_, node) => (optional[node] ? [] : [node])),
    mayHold: (node) => node !== far,
    cost,
    movesOf,
    nearness: (a, b) => {
      // Boxes of one group first: between groups a run then carries little more than hot and neutral.
      const together = !nodesOfGroups.every((group) => !group.has(a) || !group.has(b));
      return Math.min(Infinity, ...runs.offers(a, b).map((one) => one.cost)) - (together ? FORCED / 4 : 0);
    },
  };
};

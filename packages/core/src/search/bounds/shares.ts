import { relaxedNode, type Relaxed } from '../prices/relaxedNode.js';
import type { Offer } from '../prices/prices.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { OpenCircuit, OpenNode } from './openNets.js';
import type { Payments } from './payments.js';
import { runShare } from './runShare.js';

/** What is left of the price of every run, and which nets it then carries. Where nets paid more for a run than it costs they pay less from now on. */
export const shareRuns = (
  { nets }: OpenCircuit,
  offers: readonly (readonly (readonly Offer[])[])[],
  payments: Payments,
) => {
  const { n } = payments;
  const left = offers.map(() => new Float64Array(n).fill(Infinity));
  const carried: number[][] = Array.from({ length: n * n }, () => []);
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++) {
      const here = offers[a]?.[b] ?? [];
      if (here.length === 0) continue;
      const paid = (net: number) => payments.run(net, a, b);
      const share = runShare(nets, here, paid);
      let over = share.left;
      if (over < 0) {
        // Boxes that are several nodes may be joined by several runs, so that none may be left below nothing.
        const least = Math.min(...here.map(({ cost }) => cost));
        payments.lower(a, b, least / (least - over));
        over = Math.max(0, runShare(nets, here, paid).left);
      }
      const all = over + payments.cable(a) + payments.cable(b);
      (left[a] as Float64Array)[b] = all;
      (left[b] as Float64Array)[a] = all;
      carried[a * n + b] = share.carried;
    }
  return { left, carried: (a: number, b: number) => carried[Math.min(a, b) * n + Math.max(a, b)] ?? [] };
};

/** What a net goes by, as one row after another: it pays for the run and at both of its ends. */
export const weightsOf = (
  net: number,
  offers: readonly (readonly (readonly Offer[])[])[],
  { n, run, end }: Payments,
): Float64Array => {
  const weights = new Float64Array(n * n);
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++) {
      const may = (offers[a]?.[b]?.length ?? 0) > 0;
      const weight = may ? run(net, a, b) + end(a, net) + end(b, net) : Infinity;
      weights[a * n + b] = weight;
      weights[b * n + a] = weight;
    }
  return weights;
};

/** A node at the load at which it leaves the least; `net` has the open net of each class of it. */
type LeastNode = Relaxed & { net: readonly number[] };
const NOTHING: LeastNode = { cost: 0, cables: 0, ends: [], net: [] };

export const leastNode = (
  tables: PriceTables,
  { end, cable }: Payments,
  node: number,
  ways: readonly OpenNode[],
  homeRuns: 0 | 1,
): LeastNode => {
  if (ways.length === 0) return NOTHING;
  let best: LeastNode = { ...NOTHING, cost: Infinity };
  for (const { facts, net } of ways) {
    const paid = { cable: cable(node), end: (of: number) => end(node, net[of] ?? 0) };
    const one = relaxedNode(tables, facts, paid, homeRuns);
    if (one.cost < best.cost) best = { ...one, net };
  }
  return best;
};

/** The least that every node leaves; with `homes` (by node) one of them has what comes to it from the panel. A node that may be left out leaves no more than nothing. */
export const shareNodes = (
  tables: PriceTables,
  { nodes, entered }: OpenCircuit,
  payments: Payments,
  isOptional: readonly boolean[],
  homes: readonly number[] | null,
): { all: LeastNode[]; sum: number } => {
  const all = nodes.map((ways, node) => {
    const one = leastNode(tables, payments, node, ways, 0);
    return isOptional[node] && one.cost > 0 ? NOTHING : one;
  });
  const sum = all.reduce((total, { cost }) => total + cost, 0);
  if (homes === null) return { all, sum };
  let root = { more: Infinity, node: -1, at: NOTHING };
  entered.forEach((ways, node) => {
    const at = leastNode(tables, payments, node, ways, 1);
    const more = (homes[node] ?? Infinity) + at.cost - (all[node]?.cost ?? 0);
    if (more < root.more) root = { more, node, at };
  });
  return { all: all.map((one, node) => (node === root.node ? root.at : one)), sum: sum + root.more };
};

import type { Offer } from '../prices/prices.js';
import type { OpenNet } from './openNets.js';

/** A run as it is left when the nets that it may carry have paid for it: what is left of its price, and the nets by which that is least (some of them several times). */
export interface RunShare {
  left: number;
  carried: number[];
}

/** The dearest of the nets that pay for a run. */
interface Payer {
  net: number;
  paid: number;
}

/**
 * What is left of the price of a run, whichever nets it carries: its cables are offered by the most conductors that they carry. `paid` is what each net (by
 * index) pays where it goes over the run. Of travelers so many pairs may go over it as the group has.
 */
export const runShare = (
  nets: readonly OpenNet[],
  offers: readonly Offer[],
  paid: (net: number) => number,
): RunShare => {
  const single: Payer[] = [];
  const pairs: Payer[] = [];
  nets.forEach(({ conductors, pairs: count }, net) => {
    const here = paid(net);
    if (!(here > 0)) return;
    if (conductors === 1) single.push({ net, paid: here });
    else for (let i = 0; i < count; i++) pairs.push({ net, paid: here });
  });
  const dearest = (a: Payer, b: Payer) => b.paid - a.paid;
  single.sort(dearest);
  pairs.sort(dearest);
  let best: { left: number; pairs: number; most: number } = { left: Infinity, pairs: 0, most: 0 };
  for (const { most, cost } of offers) {
    let left = cost;
    for (let count = 0; 2 * count <= most && count <= pairs.length; count++) {
      if (count > 0) left -= pairs[count - 1]?.paid ?? 0;
      let all = left;
      for (let i = 0; i < most - 2 * count; i++) all -= single[i]?.paid ?? 0;
      if (all < best.left) best = { left: all, pairs: count, most };
    }
  }
  return {
    left: best.left,
    carried: [
      ...pairs.slice(0, best.pairs).map(({ net }) => net),
      ...single.slice(0, best.most - 2 * best.pairs).map(({ net }) => net),
    ],
  };
};

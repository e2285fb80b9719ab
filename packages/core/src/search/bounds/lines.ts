import type { BoxId } from '../../model/ids.js';
import type { RunLine } from './spans.js';
import type { Offer } from '../prices/prices.js';
import { FORCED } from '../prices/runPrices.js';

/** The line of a slope that touches the prices of all cables that may go there from below, and at how many nets it does. */
export const lineAt = (offers: readonly Offer[], each: number): (RunLine & { touching: number }) | null => {
  let line: (RunLine & { touching: number }) | null = null;
  for (const { most, cost } of offers) {
    const base = cost - each * most;
    if (line === null || base < line.base) line = { base, each, touching: most };
  }
  return line;
};

/** The line under the prices of all cables that may go there: at two nets, and on to wider ones. */
export const lineUnder = (offers: readonly Offer[]): RunLine | null => {
  if (offers.length === 0) return null;
  const from = Math.min(...offers.map((one) => one.cost));
  const widest = Math.max(...offers.map((one) => one.most));
  let each = Infinity;
  for (let nets = 3; nets <= widest; nets++) {
    const least = Math.min(...offers.filter((one) => one.most >= nets).map((one) => one.cost));
    each = Math.min(each, (least - from) / (nets - 2));
  }
  each = Number.isFinite(each) ? each : 0;
  return { base: from - 2 * each, each };
};

/** The cables that may go somewhere, priced as if no run had to go there: what is taken off for one that is forced is put back. */
export const unforced = (offers: readonly Offer[]): Offer[] => {
  const forced = offers.some(({ cost }) => cost < -FORCED / 2);
  return offers.map((one) => ({ ...one, cost: one.cost + (forced ? FORCED : 0) }));
};

/** The name of a run from one box to another. */
export const pairOf = (a: BoxId, b: BoxId): string => `${a} ${b}`;

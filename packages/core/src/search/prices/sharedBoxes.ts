import type { LoadCode } from './loadCodes.js';
import type { NodePrice } from './prices.js';
import type { PriceTables } from './priceTables.js';
import { MOST_APART } from '../nodes.js';

/**
 * What comes to all boxes that are several nodes, as one number: cables and insulated conductors of each, by its place. What a box costs
 * hangs on what comes to all its nodes together, so it is held until the last of them is settled.
 */
export type Held = number;

/**
 * So much a place holds: insulated conductors, and beyond them cables. A tree of eighteen nodes has no more runs than that at one box, with
 * the one from the panel, and no cable more than twelve conductors.
 */
const INSULATED = 256;
const PLACE = INSULATED * 32;
/** The boxes of a settled arrangement that are several nodes. */
export interface SharedBoxes {
  /** The place of the box of a node; -1 where the node is all of its box. */
  placeOf: Int8Array;
  /** The nodes of each box as bits, and its own. */
  nodes: readonly number[];
  itself: readonly number[];
  /** What a load of a node puts into its box, at its place. */
  held: (place: number, load: LoadCode) => Held;
  /**
   * What has been paid for a box where these nodes are settled and so much of it is held. Once its own node is settled no less than what has
   * come to it by then, at last all of it. Other nodes pay nothing by themselves: two of them may be settled apart, and what they ask
   * for together is not the sum.
   */
  paid: (place: number, held: Held, settled: number) => number;
  /** What is held without this box: nothing hangs on it any more once all its nodes are settled. */
  without: (place: number, held: Held) => Held;
  /** What a box costs by the loads of all its nodes. */
  cost: (place: number, loads: readonly LoadCode[]) => number;
}

export const sharedOf = (
  { codes }: PriceTables,
  boxOf: readonly number[],
  prices: readonly (NodePrice | null)[],
): SharedBoxes | null => {
  const boxes = prices.flatMap((price, box) => (price ? [{ price, box }] : []));
  if (boxes.length === 0) return null;
  if (boxes.length > MOST_APART) throw new RangeError(`${boxes.length} boxes of several nodes are not held.`);
  const placeOf = Int8Array.from(boxOf, (box) => boxes.findIndex((one) => one.box === box));
  const nodes = boxes.map(({ box }) =>
    boxOf.reduce((mask, one, node) => (one === box ? mask | (1 << node) : mask), 0),
  );
  const itself = boxes.map(({ box }) => 1 << box);
  const scale = boxes.map((_, place) => PLACE ** place);
  const partOf = (place: number, held: Held) => Math.floor(held / (scale[place] ?? 1)) % PLACE;
  const trunkOf = (part: number): LoadCode =>
    codes.trunkOf({ insulated: part % INSULATED, cables: Math.floor(part / INSULATED), spares: 0 });
  const known = boxes.map(() => new Map<number, { cost: number; atLeast: number }>());
  const of = (place: number, part: number) => {
    const before = known[place]?.get(part);
    if (before) return before;
    const price = boxes[place]?.price;
    const trunk = trunkOf(part);
    const made = { cost: price?.cost(trunk) ?? 0, atLeast: price?.atLeast(trunk) ?? 0 };
    known[place]?.set(part, made);
    return made;
  };
  return {
    placeOf,
    nodes,
    itself,
    held: (place, load) => (codes.insulatedOf(load) + codes.cablesOf(load) * INSULATED) * (scale[place] ?? 1),
    paid: (place, held, settled) => {
      if ((settled & (itself[place] ?? 0)) === 0) return 0;
      const { cost, atLeast } = of(place, partOf(place, held));
      const all = nodes[place] ?? 0;
      return (settled & all) === all ? cost : Math.max(boxes[place]?.price.least ?? 0, atLeast);
    },
    without: (place, held) => held - partOf(place, held) * (scale[place] ?? 1),
    cost: (place, loads) =>
      of(
        place,
        loads.reduce((sum, load) => sum + codes.insulatedOf(load) + codes.cablesOf(load) * INSULATED, 0),
      ).cost,
  };
};

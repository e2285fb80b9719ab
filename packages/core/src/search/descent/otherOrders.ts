import type { BoxId, GroupId, SlotId } from '../../model/ids.js';
import { permutations } from '../../model/permutations.js';
import { MOST_APART } from '../nodes.js';
import type { OrderSpace } from '../orders.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Order } from '../problem.js';
import { atOtherNodes, otherLying } from './nodeOrders.js';

/** So many boxes are taken for the one that power enters, to start from. */
const MOST_STARTS = 4;

/** Orders that differ from one in a single thing. */
export interface OtherOrders {
  /** Where a search begins, with the box that power enters (by its place in the boxes of the feed): all groups together, or all of them apart but in that box. */
  starts: (order: Order, mayEnter: (box: string) => boolean) => { order: Order; entry: number }[];
  /** Other ways for the groups of a box to stay apart, one box after another; the switch leg led back to the box `entered` by power, or not; what lies there kept for another run. */
  atNodes: (order: Order, entered: string) => Order[];
  /** Every other order of the switches of one group; where they are many, every two of them exchanged. */
  ofChain: (order: Order, group: GroupId) => Order[];
  ofChains: (order: Order) => Order[];
  /** A neutral at another of some switches, of which one has it. */
  ofNeutral: (order: Order, slots: readonly SlotId[]) => Order[];
  ofNeutrals: (order: Order) => Order[];
}

/** Every order of a few things; beyond four, every swap of two. */
const reorders = <T>(items: readonly T[]): T[][] => {
  if (items.length > 4)
    return items.flatMap((_, a) =>
      items.slice(a + 1).map((__, i) => {
        const b = a + 1 + i;
        return items.map((one, at) => (at === a ? (items[b] as T) : at === b ? (items[a] as T) : one));
      }),
    );
  return permutations(items);
};

const mayBe = ({ apart }: Order): boolean => new Set(apart.map(({ box }) => box)).size <= MOST_APART;

/** Which groups stay apart in a box, as text. */
const sayApart = (apart: Order['apart'], box: BoxId): string =>
  apart
    .filter((one) => one.box === box)
    .map(({ node, groups }) => `${node}=${groups?.join('+')}`)
    .join(' ');

export const otherOrdersOf = (tables: PriceTables, space: OrderSpace): OtherOrders => {
  const { chains, oneOf, neutralAt, boxesFor, apartAt, returnsFor } = space;
  const settledAt = (order: Order, before: Order): Order[] =>
    atOtherNodes(tables, boxesFor(order.feed), order, before);
  const ofChain = (order: Order, group: GroupId): Order[] => {
    if (chains.fixed.has(group)) return [];
    const chain = order.chains[group] ?? [];
    return reorders(chain)
      .filter((other) => other.join() !== chain.join())
      .map((other) => ({ ...order, chains: { ...order.chains, [group]: other } }));
  };
  const ofNeutral = (order: Order, slots: readonly SlotId[]): Order[] => {
    const others = order.neutralAt.filter((one) => !slots.includes(one) || neutralAt.includes(one));
    return slots
      .filter((slot) => !order.neutralAt.includes(slot))
      .map((slot) => ({ ...order, neutralAt: [...others, slot] }));
  };
  return {
    starts: (order, mayEnter) => {
      const { feed } = order;
      const boxes = boxesFor(feed);
      const all = boxes.map((box) => apartAt(feed, box).at(-1) ?? []);
      const entries = boxes.flatMap((box, at) => (mayEnter(box) ? [at] : []));
      const several = entries.filter((at) => (all[at]?.length ?? 0) > 0);
      return [
        ...entries.slice(0, 1).map((entry) => ({ order, entry })),
        ...several.slice(0, MOST_STARTS).flatMap((entry) =>
          settledAt({ ...order, apart: all.flatMap((apart, at) => (at === entry ? [] : apart)) }, order)
            .slice(0, 1)
            .map((one) => ({ order: one, entry })),
        ),
      ].filter((one) => mayBe(one.order));
    },
    atNodes: (order, entered) => {
      const { feed, apart, returnAt } = order;
      const boxes = boxesFor(feed);
      const parted = boxes.flatMap((box) =>
        apartAt(feed, box)
          .filter(
            (ways, _, { length }) =>
              length > 1 && box !== returnAt && sayApart(ways, box) !== sayApart(apart, box),
          )
          .map((ways) => ({ ...order, apart: [...apart.filter((one) => one.box !== box), ...ways] })),
      );
      const led =
        returnAt === null
          ? returnsFor(feed).filter((box) => box === entered && !apart.some((one) => one.box === box))
          : [null];
      const changed = [...parted, ...led.map((box) => ({ ...order, returnAt: box }))];
      return [...changed.flatMap((one) => settledAt(one, order)), ...otherLying(tables, boxes, order)].filter(
        mayBe,
      );
    },
    ofChain,
    ofChains: (order) => (Object.keys(order.chains) as GroupId[]).flatMap((group) => ofChain(order, group)),
    ofNeutral,
    ofNeutrals: (order) => oneOf.flatMap((slots) => ofNeutral(order, slots)),
  };
};

import { findSlot, groupIdsOf, slotsInBox } from '../../model/lookup.js';
import { PANEL, type BoxId, type GroupId, type SlotId } from '../../model/ids.js';
import type { Feed } from '../../model/job.js';
import { product } from '../../model/permutations.js';
import type { NodeFacts } from '../prices/nodeFacts.js';
import { nodePricesOf, type Priced } from '../prices/nodePrices.js';
import type { PriceTables } from '../prices/priceTables.js';
import { looselySpliced } from '../prices/relaxedNode.js';
import type { OrderSpace } from '../orders.js';
import { settle, type NetClass, type Order, type Settled } from '../problem.js';

/** A net, or all pairs of travelers of a group, as far as it is the same in every order of the switches. Nodes are boxes. */
export interface OpenNet {
  conductors: 1 | 2;
  /** Nodes that it reaches in every order; and sets of which it reaches one. */
  at: readonly number[];
  oneOf: readonly (readonly number[])[];
  /** For each of these sets the group whose chain begins or ends there; null where it is a switch that may get the neutral. */
  turn: readonly (number | null)[];
  /** Pairs of travelers, each from one switch to the next: so many may share a run. 0 for one net. */
  pairs: number;
}

/** A node as it may be priced: one of several ways, by which switch of a group stands there; with the open net of each of its classes. */
export interface OpenNode {
  facts: NodeFacts;
  net: readonly number[];
}

export interface OpenCircuit {
  boxes: readonly BoxId[];
  nets: readonly OpenNet[];
  /** For each box the ways in which it may be priced; none where nothing hangs on what comes to it. */
  nodes: readonly (readonly OpenNode[])[];
  /** The same where power enters the box from the panel: a return run may then lead to it. */
  entered: readonly (readonly OpenNode[])[];
  /** Of each group, whether its first and its last switch stand in two boxes in every order. */
  turns: readonly boolean[];
  settled: Settled;
}

/** A box whose switches may be turned, and its groups parted, in more ways than these is priced by the least of any splices. */
const MOST_WAYS = 24;

/** Every box one node. */
const TOGETHER = { apart: [], returnAt: null };

const unique = <T>(all: readonly T[]): T[] => [...new Set(all)];

/** A box that is several nodes as one: what comes to any of them comes to the box, and a home run to one of them. */
const asOneBox = (nodes: readonly NodeFacts[], box: NodeFacts, entered: number): NodeFacts => ({
  ...box,
  opening: nodes.reduce((sum, one) => sum + one.opening, box.opening),
  classes: nodes.flatMap(({ classes }, node) =>
    classes.map((one) => ({ ...one, home: one.home && node === entered })),
  ),
});

/** What is the same in every order of the switches of a circuit that power enters by one feed, with its boxes priced in every way in which they may be. */
export const openCircuit = (tables: PriceTables, space: OrderSpace, feed: Feed): OpenCircuit => {
  const { job, circuit } = tables;
  const { groups, chains } = space;
  const boxes = space.boxesFor(feed);
  const nodeOf = (slot: SlotId): number => boxes.indexOf(findSlot(job, slot)?.box as BoxId);
  const netOf = ({ nets: [net] }: NetClass): number => {
    if (net?.kind === 'neutral') return 0;
    if (net?.kind === 'hot') return 1;
    const group = groups.findIndex((one) => one.group.id === net?.group);
    return 2 + 2 * group + (net?.kind === 'traveler' ? 1 : 0);
  };
  /** The chains turned by so much, so that other switches stand at the line end and at the load end, with a neutral at some more. */
  const orderOf = (
    turned: Record<GroupId, number>,
    more: readonly SlotId[],
    { apart, returnAt }: Pick<Order, 'apart' | 'returnAt'>,
  ): Order => ({
    chains: Object.fromEntries(
      groups.map(({ group, slots }) => {
        const chain = chains.first[group.id] ?? slots;
        const by = chains.fixed.has(group.id) ? 0 : (turned[group.id] ?? 0) % chain.length;
        return [group.id, [...chain.slice(by), ...chain.slice(0, by)]];
      }),
    ),
    ...{ neutralAt: [...space.neutralAt, ...more], feed, apart, returnAt, neutralOpen: false },
    ...{ forcedAt: [], lyingAt: [] },
  });
  const known = new Map<string, { settled: Settled; priced: Priced }>();
  const pricedBy = (order: Order) => {
    const key = JSON.stringify([order.chains, order.neutralAt, order.apart, order.returnAt]);
    const before = known.get(key);
    if (before) return before;
    const settled = settle(job, circuit, boxes, order, space.fit(order.chains));
    const made = { settled, priced: nodePricesOf(tables, settled) };
    known.set(key, made);
    return made;
  };
  /** A box as an order has it; several times where a home run may come to any of its nodes. */
  const inOrder = (node: number, order: Order): OpenNode[] => {
    const { settled, priced } = pricedBy(order);
    const within = settled.nodes.flatMap((_, i) => (settled.boxOf[i] === node ? [i] : []));
    const facts = within.flatMap((i) => priced.nodes[i]?.facts ?? []);
    const box = within.length > 1 ? (priced.boxes[node]?.facts ?? null) : null;
    const net = settled.classes.map(netOf);
    if (!box) return facts.map((one) => ({ facts: one, net }));
    // No home run comes to the far end of a return run.
    const enters = feed.at !== PANEL || order.returnAt !== null ? [0] : facts.map((_, i) => i);
    return enters.map((i) => ({ facts: asOneBox(facts, box, i), net: facts.flatMap(() => net) }));
  };
  const mine = groupIdsOf(job, circuit.id);
  const turnsOf = groups.map(({ group, slots }) => (chains.fixed.has(group.id) ? 1 : slots.length));
  /** The groups in a box, and the ways in which their chains may be turned and neutrals led to it. */
  const ordersAt = (box: BoxId, node: number) => {
    const here = unique(slotsInBox(job, box).flatMap(({ group }) => (mine.has(group) ? [group] : [])));
    const led = space.oneOf.filter((slots) => here.length < 2 || slots.some((slot) => nodeOf(slot) === node));
    // A single group is turned together with all others, and has all its neutrals or none, so that most boxes share what is settled.
    if (here.length < 2)
      return {
        here,
        turns: Array.from({ length: Math.max(1, ...turnsOf) }, (_, turn) =>
          Object.fromEntries(groups.map(({ group }) => [group.id, turn])),
        ),
        neutrals: led.length > 0 ? [[], led.flat()] : [[]],
      };
    const each = groups.map(({ group }, i) =>
      here.includes(group.id) ? Array.from({ length: turnsOf[i] ?? 1 }, (_, turn) => turn) : [0],
    );
    return {
      here,
      turns: product(each).map((all) =>
        Object.fromEntries(groups.map(({ group }, i) => [group.id, all[i] ?? 0])),
      ),
      neutrals: product(led.map((slots) => [[], slots])).map((one) => one.flat()),
    };
  };
  /** Do the devices of a box take as many gangs in whatever order? */
  const isAsWide = (box: BoxId, turns: readonly Record<GroupId, number>[]): boolean => {
    const slots = new Set(slotsInBox(job, box).map(({ id }) => id));
    const gangs = turns.map((turned) =>
      space
        .fit(orderOf(turned, [], TOGETHER).chains)
        .reduce((sum, { slot, article }) => sum + (slots.has(slot.id) ? (article?.gangs ?? 0) : 0), 0),
    );
    return new Set(gangs).size < 2;
  };
  /** A box priced in every way in which it may be, its groups apart as is said; where these are too many, whatever its splices are. */
  const waysOf = (box: BoxId, node: number, aparts: readonly Pick<Order, 'apart' | 'returnAt'>[]) => {
    const { here, turns, neutrals } = ordersAt(box, node);
    const isLoose = here.length > 1 && turns.length * neutrals.length * aparts.length > MOST_WAYS;
    if (isLoose && !isAsWide(box, turns)) return [];
    const all = (isLoose ? turns.slice(0, 1) : turns).flatMap((turned) =>
      (isLoose ? neutrals.slice(0, 1) : neutrals).flatMap((more) =>
        (isLoose ? [TOGETHER] : aparts).flatMap((apart) => inOrder(node, orderOf(turned, more, apart))),
      ),
    );
    const each = [...new Map(all.map((one) => [one.facts, one])).values()];
    return isLoose ? each.map((one) => ({ ...one, facts: looselySpliced(one.facts, tables) })) : each;
  };
  const ways = boxes.map((box, node) =>
    waysOf(
      box,
      node,
      space.apartAt(feed, box).map((apart) => ({ apart, returnAt: null })),
    ),
  );
  const returning = (box: BoxId, node: number): OpenNode[] =>
    space.returnsFor(feed).includes(box) ? waysOf(box, node, [{ apart: [], returnAt: box }]) : [];
  const { settled } = pricedBy(orderOf({}, [], TOGETHER));
  const terminals = (kind: 'hot' | 'neutral'): number[] => [
    ...(settled.classes.find(({ nets: [net] }) => net?.kind === kind)?.at ?? []),
  ];
  const places = groups.map(({ slots }) => slots.map(nodeOf));
  return {
    boxes,
    nets: [
      {
        ...{ conductors: 1, at: unique(terminals('neutral')), pairs: 0 },
        oneOf: space.oneOf.map((slots) => unique(slots.map(nodeOf))),
        turn: space.oneOf.map(() => null),
      },
      {
        ...{ conductors: 1, pairs: 0 },
        // What is at the hot in every order: the feed, and what is never switched.
        at: unique(
          groups.reduce((all, { group }) => {
            const [first] = settled.arrangement.chains[group.id] ?? [];
            const begins = first === undefined ? -1 : all.indexOf(nodeOf(first));
            return all.filter((_, i) => i !== begins);
          }, terminals('hot')),
        ),
        oneOf: places.map(unique),
        turn: places.map((_, group) => group),
      },
      ...groups.flatMap(({ group }, i): OpenNet[] => {
        const chain = places[i] ?? [];
        const lamps = job.luminaires.filter((one) => one.group === group.id);
        return [
          {
            ...{ conductors: 1, at: unique(lamps.map((one) => boxes.indexOf(one.box))), pairs: 0 },
            ...{ oneOf: [unique(chain)], turn: [i] },
          },
          {
            ...{
              conductors: 2,
              at: chain.length > 1 ? unique(chain) : [],
              pairs: Math.max(0, chain.length - 1),
            },
            ...{ oneOf: [], turn: [] },
          },
        ];
      }),
    ],
    nodes: boxes.map((box, node) => [
      ...(ways[node] ?? []),
      ...(feed.at === box ? returning(box, node) : []),
    ]),
    entered: boxes.map((box, node) => [...(ways[node] ?? []), ...returning(box, node)]),
    turns: places.map((chain) => chain.length > 1 && unique(chain).length === chain.length),
    settled,
  };
};

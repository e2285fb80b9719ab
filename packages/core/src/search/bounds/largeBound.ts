import { isDeviceKept } from '../../model/there.js';
import { findSlot, groupIdsOf, slotsInBox } from '../../model/lookup.js';
import { PANEL, type BoxId, type SlotId } from '../../model/ids.js';
import type { Feed } from '../../model/job.js';
import { permutations } from '../../model/permutations.js';
import { junctionsOf, type OrderSpace } from '../orders.js';
import type { PriceTables } from '../prices/priceTables.js';
import { settle } from '../problem.js';
import { runPricesOf } from '../prices/runPrices.js';
import { shortest, spanningPairs } from './graphs.js';
import { nodePricesOf } from '../prices/nodePrices.js';
import { decomposedBound } from './decomposition.js';
import { dualAscent, groupAscent } from './dualAscent.js';
import { lineAt, lineUnder, unforced } from './lines.js';
import type { Offer } from '../prices/prices.js';
import type { RunLine } from './spans.js';
import { turnedSlopes } from './subgradient.js';

type Matrix = readonly Float64Array[];

/** No tree that joins these nodes through any others is shorter: the spanning tree is at most 2 (1 - 1/k) times as long. */
const steiner = (ways: Matrix, nodes: readonly number[]): number => {
  const k = new Set(nodes).size;
  return k < 2 ? 0 : (spanningPairs(ways, [...new Set(nodes)]).sum * k) / (2 * (k - 1));
};

/** The least that the devices of a group cost, over the orders of its switches; 0 where there are too many orders to try. */
const devicesOf = ({ job, weights }: PriceTables, { groups, chains, fit }: OrderSpace): number => {
  return groups.reduce((sum, { group, slots }) => {
    if (slots.length > 5) return sum;
    const costs = permutations(slots).map((chain) =>
      fit({ ...chains.first, [group.id]: chain }).reduce(
        (cost, { slot, article }) =>
          slot.group !== group.id || isDeviceKept(job, slot) || !article
            ? cost
            : cost + weights.material * article.price + weights.minute * job.labour.device,
        0,
      ),
    );
    return sum + Math.min(...costs);
  }, 0);
};

/** A weight that no arrangement is below, with power by one feed, less its devices; worked out without trying any order or tree. */
const boundOf = (tables: PriceTables, space: OrderSpace, feed: Feed): number => {
  const { job, circuit } = tables;
  const boxes = space.boxesFor(feed);
  const order = {
    chains: space.chains.first,
    neutralAt: space.neutralAt,
    feed,
    apart: [],
    returnAt: null,
    forcedAt: [],
    lyingAt: [],
    neutralOpen: space.oneOf.length > 0,
  };
  const settled = settle(job, circuit, boxes, order, space.fit(space.chains.first));
  const runs = runPricesOf(tables, settled);
  const offered = boxes.map((_, a) => boxes.map((__, b) => (a === b ? [] : unforced(runs.offers(a, b)))));
  const at = (wanted: readonly BoxId[]) => [
    ...new Set(wanted.map((box) => boxes.indexOf(box)).filter((node) => node >= 0)),
  ];
  const fed = feed.at === PANEL ? [] : at([feed.at]);
  const lamps = job.luminaires.filter((one) => groupIdsOf(job, circuit.id).has(one.group));
  const boxOf = (slot: SlotId) => findSlot(job, slot)?.box;
  const asked = at(space.neutralAt.flatMap((slot) => boxOf(slot) ?? []));
  const lit = [...new Set([...fed, ...at(lamps.map((one) => one.box)), ...asked])];
  const parts = space.groups.map(({ group, slots }) => ({
    chain: at(slots.flatMap((slot) => boxOf(slot) ?? [])),
    leg: at(lamps.filter((one) => one.group === group.id).map((one) => one.box)),
  }));
  const optional = new Set<string>(junctionsOf(job));
  const needed = boxes.flatMap((box, i) => (optional.has(box) ? [] : [i]));
  const priced = nodePricesOf(tables, settled).nodes;
  // Any line under the prices will do: those that are turned by where the nets go are mostly the better.
  const slopes = turnedSlopes(
    offered,
    boxes.map(() => 0),
    [
      {
        joined: needed,
        nets: [
          { at: lit, conductors: 1 },
          ...parts.flatMap(({ chain, leg }) => [
            { at: chain, conductors: 2 },
            { at: [...new Set([...leg, ...chain.slice(-1)])], conductors: 1 },
          ]),
          // By one end of every chain, about as the hot goes.
          { at: [...new Set([...fed, ...parts.flatMap(({ chain }) => chain.slice(0, 1))])], conductors: 1 },
        ],
      },
    ],
  );
  const under = (line: (offers: readonly Offer[], a: number, b: number) => RunLine | null): number => {
    const lines = offered.map((row, a) =>
      row.map((offers, b) => (a === b ? { base: 0, each: 0 } : line(offers, a, b))),
    );
    const base = lines.map((row) => Float64Array.from(row, (one) => one?.base ?? Infinity));
    const direct = lines.map((row) => Float64Array.from(row, (one) => Math.max(0, one?.each ?? Infinity)));
    const each = shortest(direct).ways;
    /** No less than a net occupies that has these terminals. */
    const spread = (nodes: readonly number[]): number =>
      Math.max(steiner(each, nodes), dualAscent(direct, nodes));
    const below = base.some((row) => row.some((cost) => cost < 0));
    const join =
      optional.size === 0
        ? spanningPairs(base, needed).sum
        : below
          ? // Whatever boxes a tree goes through, its runs below nothing are no more than those of the least tree through all.
            spanningPairs(
              base.map((row) => row.map((cost) => Math.min(0, cost))),
              boxes.map((_, i) => i),
            ).sum
          : Math.max(steiner(shortest(base).ways, needed), dualAscent(base, needed));
    const nets =
      spread(lit) +
      parts.reduce(
        // Both travelers go from switch to switch, in one order or another: no shorter than the tree that spans them.
        (sum, { chain, leg }) =>
          sum +
          2 * spanningPairs(each, chain).sum +
          // The switch leg begins at one switch of its group, whichever stands at that end.
          (chain.length > 0 ? Math.max(spread(leg), groupAscent(direct, leg, [chain])) : spread(leg)),
        0,
      ) +
      // And the hot comes to one of each group.
      groupAscent(
        direct,
        fed,
        parts.flatMap(({ chain }) => (chain.length > 0 ? [chain] : [])),
      );
    return join + nets;
  };
  const mayBeSeveral =
    space.returnsFor(feed).length > 0 || boxes.some((box) => space.apartAt(feed, box).length > 1);
  // No line begins below nothing: boxes that are several nodes may be joined by several runs, and where boxes may be left out the least tree is
  // known well only of such. What lies there costs less than nothing, and each such cable may have a run of its own.
  const flattest = (offers: readonly Offer[]) => Math.min(...offers.map(({ most, cost }) => cost / most));
  const turnedBy = (offers: readonly Offer[], slope: number): RunLine | null => {
    const line = lineAt(offers, Math.max(0, Math.min(slope, flattest(offers))));
    const lying = mayBeSeveral ? offers.reduce((sum, { cost }) => sum + Math.min(0, cost), 0) : 0;
    return line && { ...line, base: Math.min(line.base, lying < 0 ? lying : Infinity) };
  };
  const turned = under((offers, a, b) => turnedBy(offers, slopes[a]?.[b] ?? 0));
  const plain = under((offers) => {
    const line = lineUnder(offers);
    return line && mayBeSeveral && line.base < 0 ? turnedBy(offers, Infinity) : line;
  });
  const runsLeast = Math.max(plain, turned === Infinity || Number.isNaN(turned) ? 0 : turned);
  const homes = boxes.map((_, i) => Math.min(Infinity, ...runs.offers('panel', i).map((one) => one.cost)));
  // What a luminaire is joined to is the same in every order of the switches, and a box in which nothing may stay apart is one node in all.
  const isAlike = (box: BoxId) =>
    slotsInBox(job, box).length === 0 && space.apartAt(feed, box).length < 2 && box !== feed.at;
  const narrowest = Math.min(...tables.cables.map((one) => one.insulated.length));
  const stations = needed.reduce((sum, node) => {
    const box = boxes[node] as BoxId;
    if (isAlike(box)) return sum + (priced[node]?.least ?? 0);
    const station = tables.station({ box, fittings: [], fed: false });
    if (!station || station.box.work === 'beyond') return sum;
    // A new cable leads to it at least, where none lies there and no feed is.
    const isNew = tables.background.idle(box) === 0 && box !== feed.at && boxes.length > 1;
    return sum + station.opening + (isNew ? station.atLeast(narrowest, 1) : station.atLeast(0, 0));
  }, 0);
  return runsLeast + stations + (feed.at === PANEL ? Math.min(...homes) : 0);
};

/** The least over the feeds. */
export const largeBound = (tables: PriceTables, space: OrderSpace): number =>
  Math.max(
    0,
    Math.min(...space.feeds.map((feed) => boundOf(tables, space, feed))) + devicesOf(tables, space),
  );

/**
 * The same worked out at length (`decomposition.ts`), so many rounds at most, from the weight of the best that is known; a box with more runs than are
 * tried at one is left out of it.
 */
export const longBound = (tables: PriceTables, space: OrderSpace, best: number, rounds: number): number => {
  const devices = devicesOf(tables, space);
  const each = space.feeds.map((feed) => decomposedBound(tables, space, feed, best - devices, rounds));
  return Math.min(...each) + devices;
};

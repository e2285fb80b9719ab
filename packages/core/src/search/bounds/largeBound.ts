import { isDeviceKept } from '../../model/there.js';
import { findSlot, groupIdsOf } from '../../model/lookup.js';
import { PANEL, type BoxId, type SlotId } from '../../model/ids.js';
import type { Feed } from '../../model/job.js';
import { permutations } from '../../model/permutations.js';
import { junctionsOf, type OrderSpace } from '../orders.js';
import type { PriceTables } from '../prices/priceTables.js';
import { settle } from '../problem.js';
import { FORCED, runPricesOf } from '../prices/runPrices.js';
import { shortest, spanningPairs } from './graphs.js';
import { lineUnder } from './lines.js';

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

/** A weight that no arrangement is below, with power by one feed, worked out without trying any order or tree. */
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
    neutralOpen: space.oneOf.length > 0,
  };
  const settled = settle(job, circuit, boxes, order, space.fit(space.chains.first));
  const runs = runPricesOf(tables, settled);
  const line = (a: number, b: number) => {
    const offers = runs.offers(a, b);
    const forced = offers.some((one) => one.cost < -FORCED / 2);
    return lineUnder(offers.map((one) => ({ ...one, cost: one.cost + (forced ? FORCED : 0) })));
  };
  const lines = boxes.map((_, a) => boxes.map((__, b) => (a === b ? { base: 0, each: 0 } : line(a, b))));
  const base = lines.map((row) => Float64Array.from(row, (one) => one?.base ?? Infinity));
  const each = shortest(
    lines.map((row) => Float64Array.from(row, (one) => Math.max(0, one?.each ?? Infinity))),
  ).ways;
  const optional = new Set<string>(junctionsOf(job));
  const needed = boxes.flatMap((box, i) => (optional.has(box) ? [] : [i]));
  const below = base.some((row) => row.some((cost) => cost < 0));
  const join =
    optional.size === 0 ? spanningPairs(base, needed).sum : below ? 0 : steiner(shortest(base).ways, needed);
  const at = (wanted: readonly BoxId[]) =>
    wanted.map((box) => boxes.indexOf(box)).filter((node) => node >= 0);
  const fed = feed.at === PANEL ? [] : at([feed.at]);
  const groups = groupIdsOf(job, circuit.id);
  const lamps = job.luminaires.filter((one) => groups.has(one.group));
  const nets =
    steiner(each, [...fed, ...at(lamps.map((one) => one.box))]) +
    space.groups.reduce((sum, { group, slots }) => {
      const boxOf = (slot: SlotId) => findSlot(job, slot)?.box;
      const chain = at(slots.flatMap((slot) => boxOf(slot) ?? []));
      const leg = at(lamps.filter((one) => one.group === group.id).map((one) => one.box));
      // Both travelers go from switch to switch, in one order or another: no shorter than the tree that spans them.
      return sum + 2 * spanningPairs(each, [...new Set(chain)]).sum + steiner(each, leg);
    }, 0);
  const homes = boxes.map((_, i) => Math.min(Infinity, ...runs.offers('panel', i).map((one) => one.cost)));
  const stations = needed.reduce((sum, node) => {
    const station = tables.station({ box: boxes[node] as BoxId, fittings: [], fed: false });
    return sum + (station && station.box.work !== 'beyond' ? station.opening + station.atLeast(0, 0) : 0);
  }, 0);
  return join + nets + stations + devicesOf(tables, space) + (feed.at === PANEL ? Math.min(...homes) : 0);
};

/** The least over the feeds. */
export const largeBound = (tables: PriceTables, space: OrderSpace): number =>
  Math.max(0, Math.min(...space.feeds.map((feed) => boundOf(tables, space, feed))));

import { articleOf } from '../model/articles.js';
import type { Wiring } from '../model/wiring.js';
import type { Parts } from '../circuit/parts.js';
import { isLoose, placeItems, type Wanted } from './boxColumn.js';
import type { Item } from './boxItems.js';
import type { ChannelWire } from './channel.js';
import { PADDING, ROW, SHEATH, type DrawnSheath, type Side } from './geometry.js';

export interface Layout {
  items: ReturnType<typeof placeItems>;
  ports: Map<string, number>;
  sheaths: Omit<DrawnSheath, 'x'>[];
  channel: Record<Side, { wanted: Wanted; wire: ChannelWire }[]>;
  bottom: number;
}

export type CableHere = { cable: Wiring['cables'][number]; side: 'from' | 'to' };

/** Stacks the sheaths of one side; conductors leave in the order of the rows they go to, so they do not cross. */
const stackSheaths = (
  side: Side,
  cables: readonly CableHere[],
  wanted: readonly Wanted[],
  rowOf: (wanted: Wanted) => number,
  parts: Parts,
  height: number,
) => {
  const ports = new Map<string, number>();
  const stacks = cables
    .map((here) => {
      const mine = wanted
        .filter(
          ({ wire }) =>
            'end' in wire.from && wire.from.end.cable === here.cable.id && wire.from.end.side === here.side,
        )
        .sort((a, b) => rowOf(a) - rowOf(b));
      const mean = mine.reduce((sum, one) => sum + rowOf(one), 0) / Math.max(1, mine.length);
      return { here, mine, mean };
    })
    .sort((a, b) => a.mean - b.mean);
  const rows = (count: number) => Math.max(count, 2) * ROW;
  const total = stacks.reduce((sum, { mine }) => sum + rows(mine.length) + ROW, -ROW);
  const ideal = stacks.reduce((sum, { mean }) => sum + mean, 0) / Math.max(1, stacks.length);
  let y = Math.max(PADDING, Math.min(ideal - total / 2, height - total));
  y = Math.round(y / ROW) * ROW;
  const sheaths = stacks.map(({ here: { cable, side: end }, mine }): Omit<DrawnSheath, 'x'> => {
    const article = articleOf(parts.stock, 'cable', cable.article);
    mine.forEach(({ wire }, i) => ports.set(wire.id, y + i * ROW));
    const drawn = {
      cable: cable.id,
      side,
      y: y - ROW / 2 - 2,
      width: SHEATH.width,
      height: rows(mine.length) + 4,
      name: article.name,
      awg: article.awg,
      other: end === 'to' ? cable.from : cable.to,
      incoming: end === 'to',
      existing: cable.existing,
    };
    y += rows(mine.length) + ROW;
    return drawn;
  });
  return { ports, sheaths, bottom: y - ROW };
};

export const layOut = (
  items: readonly Item[],
  wanted: readonly Wanted[],
  cables: Record<Side, readonly CableHere[]>,
  parts: Parts,
): Layout => {
  // First the items with pins in cable order, then the sheaths by the rows their conductors go to, then the pins of
  // splices again by the order of the sheaths.
  const cableRank = new Map([...cables.left, ...cables.right].map(({ cable }, i) => [cable.id as string, i]));
  let placed = placeItems(items, wanted, ({ wire }) =>
    'end' in wire.from ? (cableRank.get(wire.from.end.cable) ?? 0) : 99,
  );
  const rowOf = ({ wire }: Wanted) => placed.heights.get(`${wire.to.item} ${wire.to.pin}`) ?? 0;
  /** The row that it leaves its channel at. */
  const exitOf = (one: Wanted) => placed.passing.get(one.wire.id) ?? rowOf(one);
  const stack = (side: Side) => stackSheaths(side, cables[side], wanted, exitOf, parts, placed.bottom);
  const firstPorts = new Map([...stack('left').ports, ...stack('right').ports]);
  placed = placeItems(items, wanted, ({ wire }) => firstPorts.get(wire.id) ?? 1e6);
  const [left, right] = [stack('left'), stack('right')];
  const ports = new Map([...left.ports, ...right.ports]);
  const channelOf = (side: Side) => {
    const entering = wanted
      .filter((one) => one.side === side)
      .map((one) => {
        const to = rowOf(one);
        const from = isLoose(one.wire)
          ? placed.heights.get(`${one.wire.from.item} ${one.wire.from.pin}`)
          : undefined;
        const outer = ports.get(one.wire.id) ?? null;
        const over = placed.passing.get(one.wire.id);
        const wire: ChannelWire = { outer, inner: from === undefined ? [over ?? to] : [from, to] };
        return { wanted: one, wire };
      });
    // What passes over its device comes down to its screw on the other side.
    const passed = wanted
      .filter((one) => one.passes && one.side !== side)
      .map((one) => {
        const wire: ChannelWire = { outer: null, inner: [placed.passing.get(one.wire.id) ?? 0, rowOf(one)] };
        return { wanted: one, wire };
      });
    return [...entering, ...passed];
  };
  return {
    items: placed,
    ports,
    sheaths: [...left.sheaths, ...right.sheaths],
    channel: { left: channelOf('left'), right: channelOf('right') },
    bottom: Math.max(placed.bottom, left.bottom, right.bottom),
  };
};

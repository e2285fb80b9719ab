import { FACE_ROWS } from '../model/face.js';
import type { BoxWire, Item } from './boxItems.js';
import { GAP_ROWS, PADDING, ROW, type Side } from './geometry.js';

export const isLoose = (wire: BoxWire): wire is BoxWire & { from: { item: string; pin: string } } =>
  'item' in wire.from;

/** Wires between neighbours of the column go straight; a device keeps every screw where its face has it. */
export const canLink = (items: readonly Item[], wire: BoxWire): boolean => {
  if (!isLoose(wire)) return false;
  const a = items.findIndex((item) => item.id === wire.from.item);
  const b = items.findIndex((item) => item.id === wire.to.item);
  const kinds = [items[a]?.kind, items[b]?.kind];
  return a >= 0 && b >= 0 && Math.abs(a - b) === 1 && !kinds.includes('device');
};

/** The side of the device on which a screw sits; null where a wire goes to something that has no face. */
export const faceSide = (
  items: readonly Item[],
  { item, pin }: { item: string; pin: string },
): Side | null => {
  const device = items.find((one) => one.id === item);
  if (device?.kind !== 'device') return null;
  return device.face.find((one) => one.terminal === pin)?.side ?? null;
};

export interface Wanted {
  wire: BoxWire;
  /** Side on which it enters a channel; null for a straight link. */
  side: Side | null;
  /** Its screw is on the other side of the device: it passes over the device in a row of its own. */
  passes: boolean;
}

/** Where the pins of an item are, by name: on which edge, and in which row of a device. */
const pinsOf = (item: Item, wanted: readonly Wanted[], order: (wanted: Wanted) => number) => {
  if (item.kind === 'device')
    return item.face.map(({ terminal, side, row }) => ({ pin: terminal, side, at: row }));
  const pins: { pin: string; side: Side | 'link'; at: number }[] = [];
  for (const one of wanted)
    for (const spot of [isLoose(one.wire) ? one.wire.from : null, one.wire.to])
      if (spot?.item === item.id) pins.push({ pin: spot.pin, side: one.side ?? 'link', at: order(one) });
  const rank = (pin: string) => (item.kind === 'luminaire' ? ['hot', 'neutral', 'ground'].indexOf(pin) : 0);
  return pins.sort((a, b) => rank(a.pin) - rank(b.pin) || a.at - b.at);
};

/** Lays out the items in a column, gives every pin its row, and every wire that passes over a device one above it. */
export const placeItems = (
  items: readonly Item[],
  wanted: readonly Wanted[],
  sheathOrder: (wanted: Wanted) => number,
) => {
  let y = PADDING;
  const heights = new Map<string, number>();
  const passing = new Map<string, number>();
  const placed = items.map((item) => {
    const over = wanted
      .filter((one) => one.passes && one.wire.to.item === item.id)
      .sort((a, b) => sheathOrder(a) - sheathOrder(b));
    over.forEach(({ wire }, i) => passing.set(wire.id, Math.ceil(y / ROW) * ROW + i * ROW + ROW / 2));
    y += over.length * ROW;
    const pins = pinsOf(item, wanted, sheathOrder);
    const left = pins.filter((pin) => pin.side === 'left');
    const right = pins.filter((pin) => pin.side === 'right');
    const least = item.kind === 'device' ? FACE_ROWS : item.kind === 'luminaire' ? 3 : 1;
    const rows = Math.max(item.kind === 'device' ? FACE_ROWS : Math.max(left.length, right.length), least);
    const height = rows * ROW + (item.kind === 'joint' ? 8 : 4);
    const top =
      Math.ceil((y + (item.kind === 'joint' ? 4 : 2)) / ROW) * ROW - (item.kind === 'joint' ? 4 : 2);
    const firstRow = top + (item.kind === 'joint' ? 4 : 2) + ROW / 2;
    const sideRows = (of: typeof pins) =>
      of.forEach((pin, i) => {
        const row = item.kind === 'device' ? pin.at : Math.floor((rows - of.length) / 2) + i;
        heights.set(`${item.id} ${pin.pin}`, firstRow + row * ROW);
      });
    sideRows(left);
    sideRows(right);
    y = top + height + GAP_ROWS * ROW;
    return { item, top, height, pins };
  });
  return { placed, heights, passing, bottom: y - GAP_ROWS * ROW };
};

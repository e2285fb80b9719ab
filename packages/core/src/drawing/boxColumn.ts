import type { BoxWire, Item } from './boxItems.js';
import { GAP_ROWS, PADDING, ROW, type Side } from './geometry.js';

export const isLoose = (wire: BoxWire): wire is BoxWire & { from: { item: string; pin: string } } =>
  'item' in wire.from;

/** Wires between neighbours of the column go straight; a switch keeps its screws at the sides but for the ground. */
export const canLink = (items: readonly Item[], wire: BoxWire): boolean => {
  if (!isLoose(wire)) return false;
  const a = items.findIndex((item) => item.id === wire.from.item);
  const b = items.findIndex((item) => item.id === wire.to.item);
  if (a < 0 || b < 0 || Math.abs(a - b) !== 1) return false;
  const upper = a < b ? wire.from : wire.to;
  const lower = a < b ? wire.to : wire.from;
  const kind = (id: string) => items.find((item) => item.id === id)?.kind;
  const fits = (at: { item: string; pin: string }, below: boolean) =>
    kind(at.item) !== 'device' || (below && at.pin === 'ground');
  return fits(upper, true) && fits(lower, false);
};

/** Order of a device's screws down one side. */
const PIN_ORDER = ['load', 'line', 'common', 'in', 'traveler', 'out', 'neutral', 'ground'];

export interface Wanted {
  wire: BoxWire;
  /** Side on which it enters a channel; null for a straight link. */
  side: Side | null;
}

/** The pins of an item: which wire ends there, and on which edge. */
const pinsOf = (item: Item, wanted: readonly Wanted[], order: (wanted: Wanted) => number) => {
  const pins: { pin: string; side: Side | 'link'; at: number }[] = [];
  for (const one of wanted)
    for (const spot of [isLoose(one.wire) ? one.wire.from : null, one.wire.to])
      if (spot?.item === item.id) pins.push({ pin: spot.pin, side: one.side ?? 'link', at: order(one) });
  const rank = (pin: string) => {
    if (item.kind === 'device') {
      const terminal = item.article.terminals.findIndex((one) => one.name === pin);
      const use = item.article.terminals[terminal]?.use ?? 'ground';
      return PIN_ORDER.indexOf(use) * 100 + terminal;
    }
    return item.kind === 'luminaire' ? ['hot', 'neutral', 'ground'].indexOf(pin) : 0;
  };
  return pins.sort((a, b) => rank(a.pin) - rank(b.pin) || a.at - b.at);
};

/** Lays out the items in a column and gives every pin its row. */
export const placeItems = (
  items: readonly Item[],
  wanted: readonly Wanted[],
  sheathOrder: (wanted: Wanted) => number,
) => {
  let y = PADDING;
  const heights = new Map<string, number>();
  const placed = items.map((item) => {
    const pins = pinsOf(item, wanted, sheathOrder);
    const left = pins.filter((pin) => pin.side === 'left');
    const right = pins.filter((pin) => pin.side === 'right');
    const least = item.kind === 'device' ? 4 : item.kind === 'luminaire' ? 3 : 1;
    const rows = Math.max(left.length, right.length, least);
    const height = rows * ROW + (item.kind === 'joint' ? 8 : 4);
    const top =
      Math.ceil((y + (item.kind === 'joint' ? 4 : 2)) / ROW) * ROW - (item.kind === 'joint' ? 4 : 2);
    const firstRow = top + (item.kind === 'joint' ? 4 : 2) + ROW / 2;
    const sideRows = (of: typeof pins) =>
      of.forEach((pin, i) =>
        heights.set(`${item.id} ${pin.pin}`, firstRow + (Math.floor((rows - of.length) / 2) + i) * ROW),
      );
    sideRows(left);
    sideRows(right);
    y = top + height + GAP_ROWS * ROW;
    return { item, top, height, pins };
  });
  return { placed, heights, bottom: y - GAP_ROWS * ROW };
};

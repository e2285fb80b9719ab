import { articleOf, type Colour } from '../model/articles.js';
import type { BoxId, CableId, Place } from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import type { Parts } from '../circuit/parts.js';
import { rolesOf, type Role } from '../circuit/roles.js';
import { readBox, type BoxWire, type Item } from './boxItems.js';
import { routeChannel, type ChannelWire } from './channel.js';

/** All measures are abstract units; at scale 1 one unit is one pixel of a screen. */
const ROW = 20;
const TRACK = 11;
/** Straight wire beside a sheath or a pin, kept clear for its label. */
const STUB = 25;
const SHEATH = { width: 80, inside: 24 } as const;
const PADDING = 20;
const GAP_ROWS = 1;
const ITEM_WIDTH = { joint: 76, device: 100, luminaire: 72, bond: 44 } as const;

type Side = 'left' | 'right';
interface Point {
  x: number;
  y: number;
}

export interface DrawnPin extends Point {
  pin: string;
  side: Side | 'top' | 'bottom';
}
export interface DrawnItem {
  item: Item;
  x: number;
  y: number;
  width: number;
  height: number;
  pins: DrawnPin[];
}
export interface DrawnSheath {
  cable: CableId;
  side: Side;
  x: number;
  y: number;
  width: number;
  height: number;
  name: string;
  awg: number;
  /** The place at the other end, and whether this end is the one away from the feed. */
  other: Place;
  incoming: boolean;
  existing: boolean;
}
export interface DrawnWire {
  id: string;
  key: string;
  colour: Colour;
  mark: Colour | null;
  points: Point[];
  /** Where its colour label goes; clear of every other wire. */
  label: Point & { anchor: 'start' | 'end' };
  fromCable: boolean;
}
export interface BoxDrawing {
  box: BoxId;
  width: number;
  height: number;
  /** The enclosure; sheaths straddle its sides. */
  enclosure: { x: number; y: number; width: number; height: number };
  items: DrawnItem[];
  sheaths: DrawnSheath[];
  wires: DrawnWire[];
  crossings: number;
}

const isLoose = (wire: BoxWire): wire is BoxWire & { from: { item: string; pin: string } } =>
  'item' in wire.from;

/** Wires between neighbours of the column go straight; a switch keeps its screws at the sides but for the ground. */
const canLink = (items: readonly Item[], wire: BoxWire): boolean => {
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

interface Wanted {
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
const placeItems = (
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

/** Every assignment of sides to loose wires, or all left where there are too many to try. */
const MOST_LOOSE = 7;

const sideChoices = (count: number): Side[][] => {
  if (count > MOST_LOOSE) return [Array.from({ length: count }, (_, i) => (i % 2 ? 'right' : 'left'))];
  return Array.from({ length: 2 ** count }, (_, bits) =>
    Array.from({ length: count }, (_, i) => ((bits >> i) & 1 ? 'right' : 'left')),
  );
};

/**
 * Draws one opened box from the wiring alone: cables at the sides, splices, devices and grounds in a column, each wire
 * on a track of its own in the channel between. It does not know what kind of circuit it draws.
 */
export const drawBox = (
  wiring: Wiring,
  parts: Parts,
  box: BoxId,
  compiled = compile(wiring, parts),
): BoxDrawing => {
  const roles = rolesOf(compiled);
  const { items, wires, cables } = readBox(wiring, parts, compiled, roles, box);

  const onLeft = cables.filter(({ side }) => side === 'to');
  const onRight = cables.filter(({ side }) => side === 'from');
  while (onRight.length > onLeft.length + 2) onLeft.push(...onRight.splice(-1));
  while (onLeft.length > onRight.length + 2) onRight.push(...onLeft.splice(-1));
  const sideOf = (cable: CableId): Side => (onLeft.some((one) => one.cable.id === cable) ? 'left' : 'right');

  const solve = (order: readonly Item[]) =>
    bestSides(order, wires, sideOf, { left: onLeft, right: onRight }, parts);
  let best = solve(items);
  // The usual column is neutrals, hots, devices, grounds. Where it makes wires cross, an item is moved to where fewer
  // do; grounds stay at the bottom, where they are folded first.
  for (let better: Solved | null = best; better !== null && best.crossings > 0;) {
    better = moveOne(best, solve, (item) => staysLow(item, compiled, roles));
    best = better ?? best;
  }
  return finish(box, best.layout, best.wanted);
};

const staysLow = (item: Item, compiled: Compiled, roles: readonly Role[]): boolean =>
  item.kind === 'bond' || (item.kind === 'joint' && roles[compiled.netOf(item.key) ?? -1] === 'ground');

/** The first move of one item to another row that makes fewer crossings, or null. */
const moveOne = (
  now: Solved,
  solve: (order: readonly Item[]) => Solved,
  stays: (item: Item) => boolean,
): Solved | null => {
  const movable = now.items.filter((item) => !stays(item));
  const low = now.items.filter(stays);
  for (const item of movable) {
    const rest = movable.filter((one) => one !== item);
    for (let place = 0; place <= rest.length; place++) {
      if (movable[place] === item) continue;
      const tried = solve([...rest.slice(0, place), item, ...rest.slice(place), ...low]);
      if (tried.crossings < now.crossings) return tried;
    }
  }
  return null;
};

interface Solved {
  items: readonly Item[];
  wanted: Wanted[];
  layout: Layout;
  crossings: number;
}

/** The sides for the loose wires that make the fewest crossings, for items in this order. */
const bestSides = (
  items: readonly Item[],
  wires: readonly BoxWire[],
  sideOf: (cable: CableId) => Side,
  cables: Record<Side, readonly CableHere[]>,
  parts: Parts,
): Solved => {
  const loose = wires.filter((wire) => isLoose(wire) && !canLink(items, wire));
  let best: Solved | null = null;
  for (const sides of sideChoices(loose.length)) {
    const wanted = wires.map((wire): Wanted => {
      if (!isLoose(wire)) return { wire, side: 'end' in wire.from ? sideOf(wire.from.end.cable) : 'left' };
      const at = loose.indexOf(wire);
      return { wire, side: at < 0 ? null : (sides[at] ?? 'left') };
    });
    const layout = layOut(items, wanted, cables, parts);
    const crossings = (['left', 'right'] as const).reduce(
      (sum, side) =>
        sum +
        routeChannel(
          layout.channel[side].map((one) => one.wire),
          false,
        ).crossings,
      0,
    );
    if (!best || crossings < best.crossings) best = { items, wanted, layout, crossings };
    if (crossings === 0) break;
  }
  if (!best) throw new Error('A box has at least one way to be drawn.');
  return best;
};

interface Layout {
  items: ReturnType<typeof placeItems>;
  ports: Map<string, number>;
  sheaths: Omit<DrawnSheath, 'x'>[];
  channel: Record<Side, { wanted: Wanted; wire: ChannelWire }[]>;
  bottom: number;
}

type CableHere = { cable: Wiring['cables'][number]; side: 'from' | 'to' };

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

const layOut = (
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
  const stack = (side: Side) => stackSheaths(side, cables[side], wanted, rowOf, parts, placed.bottom);
  const firstPorts = new Map([...stack('left').ports, ...stack('right').ports]);
  placed = placeItems(items, wanted, ({ wire }) => firstPorts.get(wire.id) ?? 1e6);
  const [left, right] = [stack('left'), stack('right')];
  const ports = new Map([...left.ports, ...right.ports]);
  const channelOf = (side: Side) =>
    wanted
      .filter((one) => one.side === side)
      .map((one) => {
        const to = rowOf(one);
        const from = isLoose(one.wire)
          ? placed.heights.get(`${one.wire.from.item} ${one.wire.from.pin}`)
          : undefined;
        const outer = ports.get(one.wire.id) ?? null;
        const wire: ChannelWire = { outer, inner: from === undefined ? [to] : [from, to] };
        return { wanted: one, wire };
      });
  return {
    items: placed,
    ports,
    sheaths: [...left.sheaths, ...right.sheaths],
    channel: { left: channelOf('left'), right: channelOf('right') },
    bottom: Math.max(placed.bottom, left.bottom, right.bottom),
  };
};

/** Turns rows and tracks into points. */
const finish = (box: BoxId, layout: Layout, wanted: readonly Wanted[]): BoxDrawing => {
  const routes = {
    left: routeChannel(layout.channel.left.map((one) => one.wire)),
    right: routeChannel(layout.channel.right.map((one) => one.wire)),
  };
  const outside = SHEATH.width - SHEATH.inside;
  const sheathed = (side: Side) => layout.sheaths.some((sheath) => sheath.side === side);
  const channelWidth = (side: Side) =>
    (sheathed(side) ? SHEATH.inside + STUB : PADDING) + routes[side].trackCount * TRACK + STUB;
  const start = sheathed('left') ? outside : 4;
  const column = Math.max(...layout.items.placed.map(({ item }) => ITEM_WIDTH[item.kind]), 76);
  const columnX = start + channelWidth('left');
  const end = columnX + column + channelWidth('right');
  const width = end + (sheathed('right') ? outside : 4);
  const centre = columnX + column / 2;

  const items = layout.items.placed.map(({ item, top, height, pins }): DrawnItem => {
    const itemWidth = ITEM_WIDTH[item.kind];
    const x = centre - itemWidth / 2;
    const drawn = pins.map(({ pin, side }): DrawnPin => {
      if (side !== 'link')
        return {
          pin,
          side,
          x: side === 'left' ? x : x + itemWidth,
          y: layout.items.heights.get(`${item.id} ${pin}`) ?? top,
        };
      return { pin, side: 'bottom', x: 0, y: 0 };
    });
    return { item, x, y: top, width: itemWidth, height, pins: drawn };
  });
  const itemOf = (id: string) => items.find((one) => one.item.id === id);
  const pinAt = (id: string, pin: string) => itemOf(id)?.pins.find((one) => one.pin === pin);

  const trackX = (side: Side, track: number) =>
    side === 'left'
      ? start +
        SHEATH.inside * Number(sheathed('left')) +
        (sheathed('left') ? STUB : PADDING) +
        (track + 0.5) * TRACK
      : end -
        SHEATH.inside * Number(sheathed('right')) -
        (sheathed('right') ? STUB : PADDING) -
        (track + 0.5) * TRACK;
  const portX = (side: Side) => (side === 'left' ? start + SHEATH.inside : end - SHEATH.inside);

  const wires: DrawnWire[] = [];
  const links = wanted.filter((one) => one.side === null);
  // Straight links between the same two neighbours stand side by side.
  const pairs = new Map<string, Wanted[]>();
  for (const one of links) {
    if (!isLoose(one.wire)) continue;
    const pair = [one.wire.from.item, one.wire.to.item].sort().join(' ');
    pairs.set(pair, [...(pairs.get(pair) ?? []), one]);
  }
  for (const pair of pairs.values())
    pair.forEach((one, i) => {
      if (!isLoose(one.wire)) return;
      const [a, b] = [itemOf(one.wire.from.item), itemOf(one.wire.to.item)];
      if (!a || !b) return;
      const [upper, lower] = a.y < b.y ? [a, b] : [b, a];
      const x = centre + (i - (pair.length - 1) / 2) * ROW;
      const points = [
        { x, y: upper.y + upper.height },
        { x, y: lower.y },
      ];
      for (const [item, pin, edge] of [
        [a, one.wire.from.pin, a === upper ? 'bottom' : 'top'],
        [b, one.wire.to.pin, b === upper ? 'bottom' : 'top'],
      ] as const) {
        const drawn = item.pins.find((candidate) => candidate.pin === pin);
        if (drawn)
          Object.assign(drawn, { side: edge, x, y: edge === 'bottom' ? item.y + item.height : item.y });
      }
      wires.push({
        id: one.wire.id,
        key: one.wire.key,
        colour: one.wire.colour,
        mark: one.wire.mark,
        points,
        label: { x: x + 5, y: (upper.y + upper.height + lower.y) / 2 + 3, anchor: 'start' },
        fromCable: false,
      });
    });

  for (const side of ['left', 'right'] as const)
    layout.channel[side].forEach(({ wanted: { wire } }, i) => {
      const x = trackX(side, routes[side].tracks[i] ?? 0);
      const to = pinAt(wire.to.item, wire.to.pin);
      const from = isLoose(wire)
        ? pinAt(wire.from.item, wire.from.pin)
        : { x: portX(side), y: layout.ports.get(wire.id) ?? 0 };
      if (!to || !from) return;
      const outward = side === 'left' ? 1 : -1;
      const labelAt = isLoose(wire) ? to : from;
      wires.push({
        id: wire.id,
        key: wire.key,
        colour: wire.colour,
        mark: wire.mark,
        points: [
          { x: from.x, y: from.y },
          { x, y: from.y },
          { x, y: to.y },
          { x: to.x, y: to.y },
        ],
        label: isLoose(wire)
          ? { x: labelAt.x - 9 * outward, y: labelAt.y - 5, anchor: side === 'left' ? 'end' : 'start' }
          : { x: labelAt.x + 4 * outward, y: labelAt.y - 5, anchor: side === 'left' ? 'start' : 'end' },
        fromCable: !isLoose(wire),
      });
    });

  const bottom = layout.bottom + PADDING;
  return {
    box,
    width,
    height: bottom + 4,
    enclosure: { x: start, y: 4, width: end - start, height: bottom - 4 },
    items,
    sheaths: layout.sheaths.map((sheath) => ({
      ...sheath,
      x: sheath.side === 'left' ? start - outside : end - SHEATH.inside,
    })),
    wires,
    crossings: routes.left.crossings + routes.right.crossings,
  };
};

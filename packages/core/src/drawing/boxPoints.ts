import type { BoxId } from '../model/ids.js';
import { isLoose, type Wanted } from './boxColumn.js';
import type { Layout } from './boxLayout.js';
import { routeChannel } from './channel.js';
import {
  ITEM_WIDTH,
  PADDING,
  ROW,
  SHEATH,
  STUB,
  TRACK,
  type BoxDrawing,
  type DrawnItem,
  type DrawnPin,
  type DrawnWire,
  type Side,
} from './geometry.js';

/** Turns rows and tracks into points. */
export const drawLayout = (box: BoxId, layout: Layout, wanted: readonly Wanted[]): BoxDrawing => {
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

  // The track on which a wire that passes over its device comes down on the far side.
  const downAt = new Map(
    (['left', 'right'] as const).flatMap((side) =>
      layout.channel[side].flatMap(({ wanted: one }, i) =>
        one.passes && one.side !== side
          ? [[one.wire.id, trackX(side, routes[side].tracks[i] ?? 0)] as const]
          : [],
      ),
    ),
  );
  for (const side of ['left', 'right'] as const)
    layout.channel[side].forEach(({ wanted: { wire, side: enters } }, i) => {
      if (enters !== side) return;
      const x = trackX(side, routes[side].tracks[i] ?? 0);
      const over = layout.items.passing.get(wire.id);
      const down = downAt.get(wire.id);
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
          ...(over === undefined || down === undefined
            ? [{ x, y: to.y }]
            : [
                { x, y: over },
                { x: down, y: over },
                { x: down, y: to.y },
              ]),
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

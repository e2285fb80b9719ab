import type { Across } from './across.js';
import { LABEL_ROOM, TRACK, type DrawnWire, type Point } from './geometry.js';
import { roomAlong } from './roomAlong.js';
import type { Prepared, PreparedWire } from './prepared.js';
import { tracksOf, type ChannelWire } from './tracks.js';

const BODY = { device: 132, luminaire: 104 } as const;
/** Height of a line of words. */
const LINE = 14;
const MARK_ROOM = 12;
/** Two wires on one screw, one above the other. */
const ON_ONE_SCREW = 12;

/** Words that stand on the parts, in lines, before their heights are known. */
export interface Words {
  sheaths: string[][];
  units: string[][];
  titles: string[][];
}

/** Heights of everything, and the tracks of every channel. */
export interface Down {
  sheathTop: number;
  sheathBottom: number;
  rows: { top: number; bottom: number }[];
  fixtureTop: number;
  low: { top: number; bottom: number };
  lowerSheaths: number;
  height: number;
  /** Height at which a wire goes aside after it leaves its sheath or its splice; null where it only slants. */
  turn: (number | null)[];
}

type ChannelName = 'top' | 'low' | 'bottom' | number;

/** The channel in which a wire goes aside; null where it stays within its row. */
const channelOf = ({ units, edges }: Prepared, { way, entry, unit }: PreparedWire): ChannelName | null => {
  if (way === 'air' || way === 'beside') return null;
  if (entry >= 0) return edges[entry] === 'top' ? 'top' : 'bottom';
  return units[unit]?.low ? 'low' : (units[unit]?.row ?? 0);
};

export const placeDown = (prepared: Prepared, across: Across, words: Words): Down => {
  const { wires, units, scene, edges } = prepared;
  const turn: (number | null)[] = wires.map(() => null);
  const channel = (name: ChannelName): { count: number; set: (top: number) => void } => {
    const mine = wires.filter((one) => channelOf(prepared, one) === name);
    const list = mine.map(({ index, bond }): ChannelWire => {
      const [a, b] = [across.start[index] ?? 0, across.line[index] ?? 0];
      // Grounds send their tails upwards, and to the screw of the box up and down again.
      if (name === 'low' && bond >= 0) return { ups: [], downs: [a, b] };
      return name === 'bottom' || name === 'low' ? { ups: [b], downs: [a] } : { ups: [a], downs: [b] };
    });
    const { tracks, count } = tracksOf(list);
    return {
      count,
      set: (top) =>
        mine.forEach(({ index }, i) => {
          const track = tracks[i];
          turn[index] = track === null || track === undefined ? null : top + (track + 0.5) * TRACK;
        }),
    };
  };
  const marked = (edge: string) =>
    scene.wires.some(({ mark }, i) => mark !== null && edges[wires[i]?.entry ?? -1] === edge) ? MARK_ROOM : 0;
  const tallest = (lines: readonly string[][]) => Math.max(0, ...lines.map((one) => one.length)) * LINE;
  const sheathLines = (edge: string) => words.sheaths.filter((_, i) => edges[i] === edge);

  const upper = sheathLines('top');
  const sheathTop = 0;
  const sheathBottom = upper.length > 0 ? tallest(upper) + 18 : 0;
  let y = sheathBottom + (upper.length > 0 ? LABEL_ROOM + marked('top') : 12);
  const top = channel('top');
  top.set(y);
  y += top.count * TRACK;
  const rows = Array.from({ length: prepared.rows }, (_, row) => {
    y += LABEL_ROOM;
    const mine = units.filter((one) => one.row === row);
    const height = Math.max(30, tallest(mine.map((one) => words.units[one.index] ?? [])) + 12);
    const place = { top: y, bottom: y + height };
    y += height;
    const below = channel(row);
    const hangs = mine.some((one) => one.tails.length + one.bottoms.length > 0);
    y += hangs ? LABEL_ROOM : 4;
    below.set(y);
    y += below.count * TRACK;
    return place;
  });
  y += 8 + tallest(words.titles) + 4;
  const fixtureTop = y;
  y += Math.max(0, ...scene.fixtures.map(({ item }) => BODY[item.kind]));
  const hasLow = units.some((one) => one.low);
  const low = channel('low');
  const bottom = channel('bottom');
  if (hasLow || bottom.count > 0) y += 10;
  low.set(y);
  y += low.count * TRACK;
  const lowTop = hasLow ? y + LABEL_ROOM : y;
  const lowHeight = hasLow
    ? Math.max(30, tallest(units.filter((one) => one.low).map((one) => words.units[one.index] ?? [])) + 12)
    : 0;
  y = lowTop + lowHeight;
  const air = wires.some((one) => one.way === 'air' && units[one.unit]?.low);
  const lower = sheathLines('bottom');
  if (lower.length > 0) y += LABEL_ROOM;
  bottom.set(y);
  y += bottom.count * TRACK;
  if (lower.length > 0) y += LABEL_ROOM + marked('bottom');
  else y += air ? 34 : 16;
  const lowerSheaths = y;
  if (lower.length > 0) y += tallest(lower) + 18;
  return {
    ...{ sheathTop, sheathBottom, rows, fixtureTop, lowerSheaths, height: y, turn },
    low: { top: lowTop, bottom: lowTop + lowHeight },
  };
};

/** Height of the screw at which a wire arrives, several wires on one screw one above the other. */
const pinHeights = ({ wires, scene }: Prepared, { fixtureTop }: Down): Map<number, number> => {
  const heights = new Map<number, number>();
  scene.fixtures.forEach(({ item }, f) => {
    const mine = wires.filter((one) => one.fixture === f);
    const pins = new Map<string, PreparedWire[]>();
    for (const one of mine) {
      const key = `${one.side} ${one.height}`;
      pins.set(key, [...(pins.get(key) ?? []), one]);
    }
    for (const on of pins.values()) {
      const first = on[0];
      if (!first) continue;
      const y = fixtureTop + (BODY[item.kind] * first.height) / 100;
      // From above the innermost lies highest, from below lowest.
      const sorted = [
        ...on.filter((one) => one.from === 'top'),
        ...on.filter((one) => one.from === 'bottom').reverse(),
      ];
      sorted.forEach((one, i) => heights.set(one.index, y + (i - (sorted.length - 1) / 2) * ON_ONE_SCREW));
    }
  });
  return heights;
};

const SCREW_LABEL = 20;
/** Between two wires to the screw of the box beside its grounds. */
const BESIDE = 15;

/** A wire as it lies; what is said along it hangs on the others. */
type Laid = Omit<DrawnWire, 'along'>;

/** The wire of an index, with all its corners and where its labels go. */
export const drawWires = (prepared: Prepared, across: Across, down: Down): DrawnWire[] => {
  const { wires, units, edges, scene } = prepared;
  const pins = pinHeights(prepared, down);
  const rowOf = (unit: number) =>
    (units[unit]?.low ? down.low : down.rows[units[unit]?.row ?? 0]) ?? down.low;
  const drawn = wires.map(({ index, way, entry, unit, bond: bonded, fixture, side, from }): Laid => {
    const { id, key, colour, mark, kind, loose } = scene.wires[index] ?? ({} as never);
    const [start, line] = [across.start[index] ?? 0, across.line[index] ?? 0];
    const turn = down.turn[index] ?? null;
    const points: Point[] = [];
    const labels: Point[] = [];
    let band: Point | null = null;
    const aside = (fallback: number) => {
      if (turn !== null) points.push({ x: start, y: turn }, { x: line, y: turn });
      else if (start !== line) points.push({ x: line, y: fallback });
    };
    /** From where it leaves to the line on which it goes on. */
    const leave = (y: number, way: 1 | -1, room: number) => {
      points.push({ x: start, y });
      labels.push({ x: start, y: y + way * (LABEL_ROOM / 2 + 1) });
      aside(y + way * (LABEL_ROOM + room + TRACK));
    };
    const arrive = (y: number, way: 1 | -1) => {
      points.push({ x: line, y });
      labels.push({ x: line, y: y - way * (LABEL_ROOM / 2) });
    };
    const arriveAtScrew = () => {
      const body = across.fixtures[fixture] ?? { x: 0, width: 0 };
      const y = pins.get(index) ?? 0;
      const x = side === 'left' ? body.x : body.x + body.width;
      points.push({ x: line, y }, { x, y });
      labels.push({ x: side === 'left' ? x - SCREW_LABEL : x + SCREW_LABEL, y });
    };
    if (entry >= 0) {
      const isTop = edges[entry] === 'top';
      const way = isTop ? 1 : -1;
      const y = isTop ? down.sheathBottom : down.lowerSheaths;
      if (mark !== null) band = { x: start, y: y + way * (LABEL_ROOM + 5) };
      leave(y, way, mark === null ? 0 : MARK_ROOM);
      if (fixture >= 0) arriveAtScrew();
      else {
        const row = rowOf(unit);
        arrive(isTop ? row.top : row.bottom, way);
      }
    } else if (way === 'tail' || way === 'bond') {
      const isLow = from === 'bottom';
      leave(isLow ? down.low.top : rowOf(unit).bottom, isLow ? -1 : 1, 0);
      if (bonded < 0) arriveAtScrew();
      else arrive(down.low.top, 1);
    } else if (way === 'beside') {
      const [source, bond] = [
        across.units[unit],
        across.units[units.findIndex((one) => one.kind === 'bond')],
      ];
      const fellows = wires.filter((one) => one.way === 'beside');
      const rank = fellows.findIndex((one) => one.index === index) - (fellows.length - 1) / 2;
      const y = (down.low.top + down.low.bottom) / 2 + rank * BESIDE;
      const [a, b] = [source?.x ?? 0, bond?.x ?? 0];
      const isRight = b >= a;
      points.push(
        { x: isRight ? a + (source?.width ?? 0) : a, y },
        { x: isRight ? b : b + (bond?.width ?? 0), y },
      );
      labels.push({ x: ((points[0]?.x ?? 0) + (points[1]?.x ?? 0)) / 2, y });
    } else {
      const y = rowOf(unit).bottom;
      points.push({ x: start, y }, { x: start, y: y + LABEL_ROOM });
      labels.push({ x: start, y: y + LABEL_ROOM / 2 });
    }
    return { id, key, colour, mark, kind, loose, points, labels, band };
  });
  const rooms = roomAlong(drawn);
  return drawn.map((one, i) => ({ ...one, along: rooms[i] ?? null }));
};

export const bodyHeight = (kind: 'device' | 'luminaire'): number => BODY[kind];

import type { Edge, Side } from './geometry.js';
import type { Fixture } from './fixtures.js';
import type { Scene, Unit } from './scene.js';

/** Cells that the body of a device or luminaire takes, with room at either side for the labels of its screws. */
export const FIXTURE_CELLS = { device: 8, luminaire: 10 } as const;
/** Least cells of a connector, of the screw of the box, of a conductor that ends in the air. */
const LEAST_CELLS = { connector: 5, piece: 1, bond: 3, loose: 4 } as const;

/**
 * How a wire goes: from a cable, or from a splice, down to where it ends. `drop` is a cable's conductor to a splice or a loose end;
 * `land` one to a screw; `tail` leads from a splice to a screw, `bond` to that of the box; `beside` to the one of the box that stands
 * beside its grounds; `air` ends nowhere.
 */
export type Way = 'drop' | 'land' | 'tail' | 'bond' | 'beside' | 'air';

export interface PreparedWire {
  index: number;
  way: Way;
  /** Index of its cable, of its splice, of its device; -1 where it has none. */
  entry: number;
  unit: number;
  fixture: number;
  /** Index of the screw of the box, where it leads to that from a splice. */
  bond: number;
  /** Of its screw. */
  side: Side;
  height: number;
  /** Edge from which it comes to its screw: from above or from below. */
  from: Edge;
}

/** Wires in the lanes beside one side of a device, from its body outwards. */
export interface Lanes {
  above: number[];
  below: number[];
  /** Some that come from below pass some that come from above, so those lie further out. */
  apart: boolean;
  /** Crossings that this makes, whatever the rest of the box looks like. */
  crossings: number;
}

export interface PreparedUnit extends Unit {
  index: number;
  /** Row of splices over the devices; -1 for what is below them. */
  row: number;
  /** Wires that come to it from the top, from the bottom, and that leave it. */
  tops: number[];
  bottoms: number[];
  tails: number[];
  /** Cells that it takes in the rows that wires pass on their way to it. */
  columns: number;
}

export interface PreparedGroup {
  id: string;
  units: number[];
  /** It may stand right over a device: nothing comes to it from below. */
  canBeOver: boolean;
  columns: number;
}

/** A scene as numbers, for trying many orders. */
export interface Prepared {
  scene: Scene;
  edges: Edge[];
  /** From which side each cable comes: -1 from the left, 1 from the right, 0 where nobody knows. */
  bearings: readonly number[];
  wires: PreparedWire[];
  units: PreparedUnit[];
  groups: PreparedGroup[];
  rows: number;
  lanes: Record<Side, Lanes>[];
  /** What stands below the devices has its whole width there. */
  spread: boolean;
}

const lanesOf = (wires: readonly PreparedWire[], fixture: number, side: Side): Lanes => {
  const mine = wires.filter((one) => one.fixture === fixture && one.side === side);
  const of = (from: Edge) => mine.filter((one) => one.from === from);
  // From the body outwards: from above the highest screw first, from below the lowest.
  const above = of('top').sort((a, b) => a.height - b.height);
  const below = of('bottom').sort((a, b) => b.height - a.height);
  const passing = below.flatMap((low) => above.filter((high) => high.height > low.height));
  return {
    above: above.map((one) => one.index),
    below: below.map((one) => one.index),
    apart: passing.length > 0,
    crossings: passing.length,
  };
};

export const laneCount = ({ above, below, apart }: Lanes): number =>
  apart ? above.length + below.length : Math.max(above.length, below.length);

/** Cells between two connectors of a chain, for their jumper. */
export const BETWEEN_UNITS = 2;

/** Cells from one port of a connector to the next, so that the labels of its wires have room; grounds have short ones. */
export const portStep = (low: boolean): number => (low ? 1 : 2);

const along = (ports: number, step: number): number => (ports === 0 ? 0 : (ports - 1) * step + 1);

/** Cells of a unit with so many wires from above, from below and to screws. */
const bodyOf = (unit: Unit, tops: number, bottoms: number, tails: number): number => {
  const least = LEAST_CELLS[unit.kind];
  const step = portStep(false);
  if (unit.kind === 'bond') return Math.max(least, along(tops, step), along(bottoms, step));
  if (unit.low) return Math.max(least, tops + tails + (tails > 0 ? 3 : 1), bottoms);
  return Math.max(
    least,
    along(tops, step),
    along(bottoms, step) + step * tails + (bottoms > 0 && tails > 0 ? 1 : 0),
  );
};

const rowOf = ({ role, low }: Unit): number => (low ? -1 : role === 'neutral' ? 0 : 1);

/** Brings a scene into numbers, with the edge by which each of its cables comes in and the side from which. */
export const prepare = (
  scene: Scene,
  edges: Edge[],
  bearings: readonly number[] = edges.map(() => 0),
): Prepared => {
  const indexOf = (list: readonly { id: string }[]) => new Map(list.map((one, i) => [one.id, i]));
  const [entries, units, fixtures] = [indexOf(scene.entries), indexOf(scene.units), indexOf(scene.fixtures)];
  const pinOf = new Map(
    scene.fixtures.flatMap((one: Fixture) => one.pins.map(({ key, part }) => [key, part] as const)),
  );
  const isLowUnit = (id: string) => scene.units[units.get(id) ?? -1]?.low === true;
  // The screw of a box stands beside its grounds, unless something else than these leads to it.
  const bondStandsAlone = scene.wires.some(
    ({ from, to }) => to.at === 'unit' && to.unit === 'bond' && !(from.at === 'unit' && isLowUnit(from.unit)),
  );
  const wires = scene.wires.map(({ from, to }, index): PreparedWire => {
    const entry = from.at === 'entry' ? (entries.get(from.entry) ?? -1) : -1;
    const unitId = from.at === 'unit' ? from.unit : to.at === 'unit' ? to.unit : null;
    const unit = unitId === null ? -1 : (units.get(unitId) ?? -1);
    const part = to.at === 'pin' ? pinOf.get(to.pin) : undefined;
    const isLow = scene.units[unit]?.low === true;
    const fromEntry = from.at === 'entry';
    const way: Way =
      to.at === 'air'
        ? 'air'
        : to.at === 'pin'
          ? fromEntry
            ? 'land'
            : 'tail'
          : fromEntry
            ? 'drop'
            : bondStandsAlone || !isLow
              ? 'bond'
              : 'beside';
    return {
      ...{ index, way, entry, unit, side: part?.side ?? 'left', height: part?.height ?? 0 },
      fixture: to.at === 'pin' ? (fixtures.get(to.fixture) ?? -1) : -1,
      bond: way === 'bond' && to.at === 'unit' ? (units.get(to.unit) ?? -1) : -1,
      from: way === 'land' ? (edges[entry] ?? 'top') : isLow ? 'bottom' : 'top',
    };
  });
  // What stands below the devices needs its whole width where wires pass it, or where there are several splices.
  const lowGroups = new Set(
    scene.units.flatMap((one) => (one.low && one.kind === 'connector' ? [one.group] : [])),
  );
  const spread = edges.includes('bottom') || lowGroups.size + (bondStandsAlone ? 1 : 0) > 1;
  const rowsUsed = [...new Set(scene.units.map(rowOf).filter((row) => row >= 0))].sort();
  const prepared = scene.units.map((unit, index): PreparedUnit => {
    const mine = wires.filter((one) => one.unit === index);
    const bonding = wires.filter((one) => one.bond === index).map((one) => one.index);
    const drops = mine.filter((one) => one.way === 'drop');
    const tops = [...drops.filter((one) => edges[one.entry] === 'top').map((one) => one.index), ...bonding];
    const bottoms = drops.filter((one) => edges[one.entry] !== 'top').map((one) => one.index);
    const tails = mine.filter((one) => one.way !== 'drop').map((one) => one.index);
    const chain = scene.units.filter((one) => one.group === unit.group);
    const isInner = chain.length > 2 && chain[0] !== unit && chain.at(-1) !== unit;
    const isNarrow = unit.low && unit.kind === 'connector' && !spread && !isInner;
    const columns = isNarrow
      ? Math.max(chain.length > 1 ? 1 : 0, tops.length)
      : bodyOf(unit, tops.length, bottoms.length, tails.length);
    return { ...unit, index, row: rowsUsed.indexOf(rowOf(unit)), tops, bottoms, tails, columns };
  });
  const groupIds = [...new Set(prepared.map((one) => one.group))];
  const groups = groupIds.map((id): PreparedGroup => {
    const mine = prepared.filter((one) => one.group === id);
    // Between chained connectors there is room for their jumper.
    const between = (mine.length - 1) * BETWEEN_UNITS;
    return {
      id,
      units: mine.map((one) => one.index),
      canBeOver: mine.every((one) => !one.low && one.bottoms.length === 0),
      columns: mine.reduce((sum, one) => sum + one.columns, 0) + between,
    };
  });
  return {
    ...{ scene, edges, bearings, wires, units: prepared, groups, rows: rowsUsed.length, spread },
    lanes: scene.fixtures.map((_, i) => ({
      left: lanesOf(wires, i, 'left'),
      right: lanesOf(wires, i, 'right'),
    })),
  };
};

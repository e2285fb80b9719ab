import { BETWEEN_UNITS, FIXTURE_CELLS, laneCount, type Prepared } from './prepared.js';

/**
 * Where the groups of splices stand among the devices: the even places are the gaps before, between and after them, the odd ones lie
 * right over a device. Groups are indices; one that is chained may stand turned round.
 */
export interface Arrangement {
  places: readonly (readonly number[])[];
  turned: ReadonlySet<number>;
}

export interface Columns {
  /** First cell of each unit in the rows that its wires pass; -1 of one that has no place yet. */
  unit: Float64Array;
  /** Cell of the lane of each wire that comes to a screw. */
  lane: Int32Array;
  /** First cell between the lanes of each device, and how many cells there are. */
  region: { start: number; cells: number }[];
  width: number;
}

/** Empty cells between two groups. */
const BETWEEN = 1;

export const unitsInOrder = ({ groups }: Prepared, group: number, turned: ReadonlySet<number>): number[] => {
  const units = groups[group]?.units ?? [];
  return turned.has(group) ? [...units].reverse() : units;
};

/** Gives every group and every lane its cells, from left to right. */
export const columnsOf = (prepared: Prepared, { places, turned }: Arrangement): Columns => {
  const { scene, units, groups, lanes, wires } = prepared;
  const unit = new Float64Array(units.length).fill(-1);
  const lane = new Int32Array(wires.length).fill(-1);
  const region: Columns['region'] = [];
  let at = 0;
  const put = (list: readonly number[], start: number): number => {
    let x = start;
    list.forEach((group, i) => {
      if (i > 0) x += BETWEEN;
      unitsInOrder(prepared, group, turned).forEach((index, k) => {
        const one = units[index];
        if (!one) return;
        if (k > 0) x += BETWEEN_UNITS;
        unit[index] = x;
        x += one.columns;
      });
    });
    return x;
  };
  const widthOf = (list: readonly number[]) =>
    list.reduce((sum, group) => sum + (groups[group]?.columns ?? 0), 0) +
    Math.max(0, list.length - 1) * BETWEEN;

  scene.fixtures.forEach((fixture, i) => {
    const before = places[2 * i] ?? [];
    at = put(before, at);
    const mine = lanes[i];
    if (!mine) return;
    const left = laneCount(mine.left);
    const start = at + left;
    const over = places[2 * i + 1] ?? [];
    const wanted = widthOf(over);
    const body = FIXTURE_CELLS[fixture.item.kind];
    const cells = body >= wanted ? body : wanted + ((wanted - body) % 2);
    region.push({ start, cells });
    put(over, start + Math.floor((cells - wanted) / 2));
    const end = start + cells;
    const give = (list: readonly number[], cellOf: (rank: number) => number) =>
      list.forEach((wire, rank) => (lane[wire] = cellOf(rank)));
    const further = (of: typeof mine.left) => (of.apart ? of.above.length : 0);
    give(mine.left.above, (rank) => start - 1 - rank);
    give(mine.left.below, (rank) => start - 1 - further(mine.left) - rank);
    give(mine.right.above, (rank) => end + rank);
    give(mine.right.below, (rank) => end + further(mine.right) + rank);
    at = end + laneCount(mine.right);
  });
  at = put(places[2 * scene.fixtures.length] ?? [], at);
  return { unit, lane, region, width: at };
};

import { findRoom } from '../model/lookup.js';
import { doorsOf } from './doorsOf.js';
import { ceilingOf } from '../model/ceiling.js';
import type { Box, Job } from '../model/job.js';
import type { Door, Room } from '../model/place.js';
import { extentOf, nearestWall, spotOn, toInch, wallsOf, type Spot, type Wall } from './walls.js';

/** What a box on a wall is measured from: a corner of the wall, or the casing of a door. */
export interface Reference {
  kind: 'corner' | 'casing';
  door: Door['id'] | null;
  /** At which end of the wall the corner is, or at which edge of the door the casing. */
  edge: 'start' | 'end';
  /** Along the wall from its start, inches. */
  offset: number;
}

/** Where a box sits on a wall. Inches. */
export interface Hold {
  wall: Wall;
  offset: number;
  reference: Reference;
  /** From the reference to the middle of the box. */
  distance: number;
}

/** A box this near to a wall is on it, inches. */
const ON_WALL = 6;

const referencesOn = (wall: Wall, doors: readonly Door[]): Reference[] => [
  { kind: 'corner', door: null, edge: 'start', offset: 0 },
  { kind: 'corner', door: null, edge: 'end', offset: wall.length },
  ...doors
    .filter((door) => door.wall === wall.index)
    .flatMap((door): Reference[] => [
      { kind: 'casing', door: door.id, edge: 'start', offset: door.offset },
      { kind: 'casing', door: door.id, edge: 'end', offset: door.offset + door.width },
    ]),
];

/** The nearest corner or casing; of two as near, the casing. */
const nearestReference = (wall: Wall, offset: number, doors: readonly Door[]): Reference | null =>
  referencesOn(wall, doors).reduce<Reference | null>((best, one) => {
    const further = best && Math.abs(offset - one.offset) - Math.abs(offset - best.offset);
    return best === null || further === null || further < 0 || (further === 0 && one.kind === 'casing')
      ? one
      : best;
  }, null);

/** Does it stand on a wall? What nobody has said is told by its height: a box at the ceiling does not. */
export const isOnWall = (box: Pick<Box, 'mount' | 'at'>, ceiling: number): boolean =>
  box.mount === null ? box.at !== null && box.at.z < ceiling - ON_WALL : box.mount === 'wall';

/** How a box holds on to a wall of its room; null where it hangs from the ceiling or stands free. */
export const holdOf = (job: Job, box: Box): Hold | null => {
  const room = findRoom(job, box.room);
  if (!room || !box.at || !isOnWall(box, ceilingOf(job, room))) return null;
  const near = nearestWall(room, box.at);
  if (!near || near.away > ON_WALL) return null;
  const reference = nearestReference(near.wall, near.offset, doorsOf(job, room.id));
  if (!reference) return null;
  return {
    wall: near.wall,
    offset: near.offset,
    reference,
    distance: Math.abs(near.offset - reference.offset),
  };
};

/** A coordinate carried along in proportion from one stretch to another. */
const carried = (value: number, [a, b]: readonly [number, number], [c, d]: readonly [number, number]) =>
  b === a ? value + (c - a) : toInch(c + ((value - a) / (b - a)) * (d - c));

/** The spot in a room that another spot has become after the room was changed. */
const carriedWith = (before: Room, after: Room, spot: Spot): Spot => {
  const [from, to] = [extentOf(before.outline ?? []), extentOf(after.outline ?? [])];
  if (!from || !to) return spot;
  return {
    x: carried(spot.x, [from.least.x, from.most.x], [to.least.x, to.most.x]),
    y: carried(spot.y, [from.least.y, from.most.y], [to.least.y, to.most.y]),
  };
};

/**
 * The boxes of a room after its walls or doors were changed. On a wall each keeps its distance from the corner or casing
 * next to it; what hangs from the ceiling keeps its place in proportion.
 */
export const carryBoxes = (before: Job, after: Job, room: Room['id']): Box[] => {
  const [was, is] = [before, after].map((job) => findRoom(job, room));
  if (!was || !is) return after.boxes;
  const walls = new Map(wallsOf(is).map((wall) => [wall.index, wall]));
  return after.boxes.map((box) => {
    if (box.room !== room || !box.at) return box;
    const hold = holdOf(before, box);
    const wall = hold && walls.get(hold.wall.index);
    if (!hold || !wall) return { ...box, at: { ...box.at, ...carriedWith(was, is, box.at) } };
    const reference = referencesOn(wall, doorsOf(after, room)).find(
      (one) => one.door === hold.reference.door && one.edge === hold.reference.edge,
    );
    const base = reference?.offset ?? hold.reference.offset;
    const offset = base + (hold.offset - hold.reference.offset);
    return { ...box, at: { ...box.at, ...spotOn(wall, offset) } };
  });
};

/** A spot set so far from the reference that a box holds on to, on the same side of it. */
export const spotAtDistance = (hold: Hold, distance: number): Spot => {
  const side =
    hold.offset === hold.reference.offset
      ? hold.reference.edge === 'end'
        ? 1
        : -1
      : Math.sign(hold.offset - hold.reference.offset);
  const inwards = hold.reference.kind === 'corner' ? (hold.reference.edge === 'start' ? 1 : -1) : side;
  return spotOn(hold.wall, hold.reference.offset + inwards * distance);
};

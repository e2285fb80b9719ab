import {
  findBox,
  findRoom,
  gangInto,
  moveBox,
  moveDoor,
  movePicture,
  moveRoom,
  pointOn,
  pushWall,
  wallOfDoor,
  wallsOf,
  withoutBox,
  removeDoor,
  removePicture,
  removeRoom,
  type Job,
  type RoomId,
  type Spot,
} from '@amber/core';
import type { Selected } from './selection.js';

/** What is being dragged. */
export type Grip = { kind: 'wall'; room: RoomId; wall: number } | NonNullable<Selected>;

const nameIn = (items: readonly { id: string; name: string }[], id: string) =>
  items.find((one) => one.id === id)?.name ?? '';

export const nameOf = (job: Job, grip: Grip): string =>
  grip.kind === 'room'
    ? nameIn(job.rooms, grip.id)
    : grip.kind === 'wall'
      ? `wall of ${nameIn(job.rooms, grip.room)}`
      : grip.kind === 'door'
        ? nameIn(job.doors, grip.id)
        : grip.kind === 'box'
          ? nameIn(job.boxes, grip.id)
          : grip.kind === 'picture'
            ? nameIn(job.pictures, grip.id)
            : 'panel';

/** A box dropped this near to another is ganged with it, inches. */
const ON_TOP = 6;

/** The switch box under a spot, other than the one that is dragged. */
const boxUnder = (job: Job, id: string, spot: Spot) =>
  job.boxes.find(
    (box) => box.id !== id && box.at && Math.hypot(box.at.x - spot.x, box.at.y - spot.y) < ON_TOP,
  );

/** The edge of a room snaps to that of another within this, inches. */
const SNAP = 8;

/** A shift of a room so that its edges meet those of a neighbour where they are near. */
const snappedShift = (job: Job, id: RoomId, by: Spot): Spot => {
  const outline = findRoom(job, id)?.outline ?? [];
  const others = job.rooms.filter((room) => room.id !== id).flatMap((room) => room.outline ?? []);
  const snap = (axis: 'x' | 'y') => {
    const gaps = outline.flatMap((mine) => others.map((other) => other[axis] - (mine[axis] + by[axis])));
    const least = gaps.reduce((best, gap) => (Math.abs(gap) < Math.abs(best) ? gap : best), Infinity);
    return by[axis] + (Math.abs(least) <= SNAP ? least : 0);
  };
  return { x: snap('x'), y: snap('y') };
};

/** A rectangle of the plan, inches. */
export interface Drawn {
  at: Spot;
  width: number;
  depth: number;
}

/** What a hand draws comes to half a foot, or to the wall of a room that is near. */
const STEP = 6;

/** The rectangle between two spots, its sides on the walls that are there where they are near; null while it is less than a closet. */
export const drawnRoom = (job: Job, from: Spot, to: Spot): Drawn | null => {
  const walls = job.rooms.flatMap((room) => room.outline ?? []);
  const settled = (spot: Spot): Spot => {
    const on = (axis: 'x' | 'y') => {
      const near = walls
        .map((corner) => corner[axis])
        .sort((a, b) => Math.abs(a - spot[axis]) - Math.abs(b - spot[axis]))[0];
      return near !== undefined && Math.abs(near - spot[axis]) <= SNAP
        ? near
        : Math.round(spot[axis] / STEP) * STEP;
    };
    return { x: on('x'), y: on('y') };
  };
  const [a, b] = [settled(from), settled(to)];
  const drawn = {
    at: { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) },
    width: Math.abs(a.x - b.x),
    depth: Math.abs(a.y - b.y),
  };
  return Math.min(drawn.width, drawn.depth) < LEAST_ROOM ? null : drawn;
};
const LEAST_ROOM = 24;

/** The job with what is gripped dragged from one spot to another. Pure, so that it can be shown while the drag goes on. */
export const dragged = (job: Job, grip: Grip, from: Spot, to: Spot): Job => {
  const by = { x: to.x - from.x, y: to.y - from.y };
  if (grip.kind === 'room') return moveRoom(job, grip.id, snappedShift(job, grip.id, by));
  if (grip.kind === 'wall') {
    const room = findRoom(job, grip.room);
    const wall = room && wallsOf(room).find((one) => one.index === grip.wall);
    if (!wall) return job;
    return pushWall(job, grip.room, grip.wall, Math.round(-(by.x * wall.inward.x + by.y * wall.inward.y)));
  }
  if (grip.kind === 'door') return moveDoor(job, grip.id, to);
  if (grip.kind === 'box') return moveBox(job, grip.id, to);
  if (grip.kind === 'picture') return movePicture(job, grip.id, by);
  const { panel } = job.routing;
  if (!panel) return job;
  const at = { ...panel.at, x: Math.round(panel.at.x + by.x), y: Math.round(panel.at.y + by.y) };
  return { ...job, routing: { ...job.routing, panel: { ...panel, at } } };
};

/** The same when the pointer is let go: a switch on top of another is ganged with it. */
export const dropped = (job: Job, grip: Grip, from: Spot, to: Spot): { job: Job; label: string } => {
  const under = grip.kind === 'box' ? boxUnder(job, grip.id, to) : undefined;
  const ganged = under && grip.kind === 'box' ? gangInto(job, grip.id, under.id) : null;
  if (ganged && under) return { job: ganged, label: `gang ${nameOf(job, grip)} into ${under.name}` };
  return { job: dragged(job, grip, from, to), label: `move ${nameOf(job, grip)}` };
};

/** Moved by so many inches with the arrow keys. */
export const nudged = (job: Job, selected: NonNullable<Selected>, by: Spot): Job => {
  const at =
    selected.kind === 'box'
      ? findBox(job, selected.id)?.at
      : selected.kind === 'door'
        ? doorMiddle(job, selected.id)
        : { x: 0, y: 0 };
  if (!at) return job;
  return dragged(job, selected, at, { x: at.x + by.x, y: at.y + by.y });
};

const doorMiddle = (job: Job, id: string): Spot | null => {
  const door = job.doors.find((one) => one.id === id);
  const wall = door && wallOfDoor(job, door);
  return wall ? pointOn(wall, door.offset + door.width / 2) : null;
};

export const removed = (job: Job, selected: NonNullable<Selected>): { job: Job; label: string } => {
  const label = `remove ${nameOf(job, selected)}`;
  if (selected.kind === 'room') return { job: removeRoom(job, selected.id), label };
  if (selected.kind === 'door') return { job: removeDoor(job, selected.id), label };
  if (selected.kind === 'box') return { job: withoutBox(job, selected.id), label };
  if (selected.kind === 'picture') return { job: removePicture(job, selected.id), label };
  return { job: { ...job, routing: { ...job.routing, panel: null } }, label: 'take the panel off the plan' };
};

import { findRoom, slotsInBox } from '../model/lookup.js';
import type { DoorId, RoomId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { newDoor, newRoom } from '../model/newJob.js';
import type { Door, Room, RoomKind, WallFact } from '../model/place.js';
import { carryBoxes } from '../layout/holds.js';
import { doorsOf, roomsOfDoor } from '../layout/doorsOf.js';
import { levelsOf } from './levels.js';
import { withoutBox } from './removals.js';
import { extentOf, nearestWall, spotOn, toInch, wallOfDoor, wallsOf, type Spot } from '../layout/walls.js';

/** Corners of a rectangle: its first wall is the upper one on the plan, then clockwise. */
const rectangle = ({ x, y }: Spot, width: number, depth: number): Spot[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + depth },
  { x, y: y + depth },
];

/**
 * Where the next room of a level goes: beside the one furthest to the right, along its upper edge; wall to wall, or so far from it, inches. What
 * has no level is on the lowest.
 */
export const nextRoomSpot = (job: Job, level: Room['level'], apart = 0): Spot => {
  const lowest = levelsOf(job)[0]?.id ?? null;
  const extents = job.rooms
    .filter((room) => (room.level ?? lowest) === (level ?? lowest))
    .flatMap((room) => extentOf(room.outline ?? []) ?? []);
  return extents.reduce(
    (spot, { least, most }) => (most.x + apart > spot.x ? { x: most.x + apart, y: least.y } : spot),
    { x: 0, y: 0 },
  );
};

export interface RoomAsked {
  id: RoomId;
  name: string;
  kind: RoomKind;
  /** Inches, from wall to wall. */
  width: number;
  depth: number;
  /** Upper left corner; null for beside the others. */
  at: Spot | null;
  level: Room['level'];
}

/** A room of which nobody has measured the walls yet is given them; else a new one is put beside the others. */
export const addRoom = (job: Job, { id, name, kind, width, depth, at, level }: RoomAsked): Job => {
  const outline = rectangle(at ?? nextRoomSpot(job, level), width, depth);
  return job.rooms.some((room) => room.id === id)
    ? changeRoom(job, id, { name, kind, outline, level })
    : {
        ...job,
        rooms: [...job.rooms, newRoom({ id, name, kind, wholeFloorVisible: 'unknown', level, outline })],
      };
};

/** Changes what is told of a room; its boxes go with its walls. */
export const changeRoom = (job: Job, id: RoomId, change: Partial<Room>): Job => {
  const changed = {
    ...job,
    rooms: job.rooms.map((room) => (room.id === id ? { ...room, ...change } : room)),
  };
  return change.outline === undefined ? changed : { ...changed, boxes: carryBoxes(job, changed, id) };
};

/** Says how runs go in one wall of a room; with neither, it is left to the job again. */
export const setWallFact = (job: Job, id: RoomId, fact: WallFact): Job => {
  const room = findRoom(job, id);
  if (!room) return job;
  const others = room.walls.filter((one) => one.wall !== fact.wall);
  const isSaid = fact.route !== null || fact.access !== null;
  return changeRoom(job, id, { walls: isSaid ? [...others, fact] : others });
};

/** Moves a room with all that is in it. Inches. */
export const moveRoom = (job: Job, id: RoomId, by: Spot): Job => {
  const shift = <T extends Spot>(spot: T): T => ({
    ...spot,
    x: toInch(spot.x + by.x),
    y: toInch(spot.y + by.y),
  });
  return {
    ...job,
    rooms: job.rooms.map((room) =>
      room.id === id ? { ...room, outline: room.outline?.map(shift) ?? null } : room,
    ),
    boxes: job.boxes.map((box) => (box.room === id && box.at ? { ...box, at: shift(box.at) } : box)),
  };
};

/** Moves both corners of a wall by so much; the walls beside it grow or shrink. */
const moveWall = (job: Job, id: RoomId, index: number, by: Spot): Job => {
  const outline = findRoom(job, id)?.outline;
  if (!outline) return job;
  const next = (index + 1) % outline.length;
  const moved = outline.map((corner, i) =>
    i === index || i === next ? { x: toInch(corner.x + by.x), y: toInch(corner.y + by.y) } : corner,
  );
  return changeRoom(job, id, { outline: moved });
};

/** Moves a wall straight out of the room (inches; negative into it), as far as its two neighbours leave something. */
export const pushWall = (job: Job, id: RoomId, index: number, out: number): Job => {
  const room = findRoom(job, id);
  const walls = room ? wallsOf(room) : [];
  const wall = walls.find((one) => one.index === index);
  if (!wall) return job;
  const count = room?.outline?.length ?? 0;
  const beside = walls.filter(
    (one) => one.index === (index + 1) % count || (one.index + 1) % count === index,
  );
  const least = Math.min(...beside.map((one) => one.length)) - LEAST_WALL;
  const by = Math.max(out, -Math.max(0, least));
  return moveWall(job, id, index, { x: -wall.inward.x * by, y: -wall.inward.y * by });
};
/** A wall keeps this when another is pushed by hand, inches. */
const LEAST_WALL = 12;

/** Gives a wall a length by moving the wall after it. Inches. */
export const setWallLength = (job: Job, id: RoomId, index: number, length: number): Job => {
  const room = findRoom(job, id);
  const wall = room && wallsOf(room).find((one) => one.index === index);
  const count = room?.outline?.length ?? 0;
  if (!wall || count === 0) return job;
  const by = length - wall.length;
  return moveWall(job, id, (index + 1) % count, { x: wall.along.x * by, y: wall.along.y * by });
};

/**
 * Cuts a rectangle out of a corner, so that the room is an L. Inches along the wall that ends there, and along the one that
 * begins there. Unchanged where either wall is too short.
 */
export const notchCorner = (job: Job, id: RoomId, corner: number, along: number, beyond: number): Job => {
  const room = findRoom(job, id);
  const outline = room?.outline;
  if (!room || !outline) return job;
  const count = outline.length;
  const before = wallsOf(room).find((wall) => (wall.index + 1) % count === corner);
  const after = wallsOf(room).find((wall) => wall.index === corner);
  const at = outline[corner];
  if (!before || !after || !at || before.length <= along || after.length <= beyond) return job;
  const first = { x: at.x - before.along.x * along, y: at.y - before.along.y * along };
  const last = { x: at.x + after.along.x * beyond, y: at.y + after.along.y * beyond };
  const inner = { x: first.x + after.along.x * beyond, y: first.y + after.along.y * beyond };
  const moved = (wall: number) => (wall < corner ? wall : wall + 2);
  const notched = [...outline.slice(0, corner), first, inner, last, ...outline.slice(corner + 1)];
  return {
    ...job,
    rooms: job.rooms.map((one) =>
      one.id === id
        ? { ...one, outline: notched, walls: one.walls.map((it) => ({ ...it, wall: moved(it.wall) })) }
        : one,
    ),
    // Doors on the walls after the corner keep their wall; on the wall that was cut they keep their place on it.
    doors: job.doors.map((door) =>
      door.room !== id || door.wall < corner
        ? door
        : {
            ...door,
            wall: moved(door.wall),
            offset: door.wall === corner ? Math.max(0, door.offset - beyond) : door.offset,
          },
    ),
  };
};

/** Takes a room away with what is in it. Groups of the room that have something elsewhere go to the room of that. */
export const removeRoom = (job: Job, id: RoomId): Job => {
  const emptied = job.boxes
    .filter((box) => box.room === id)
    .reduce((left, box) => withoutBox(left, box.id), job);
  const roomOf = new Map(emptied.boxes.map((box) => [box.id, box.room]));
  const groups = emptied.groups.flatMap((group) => {
    if (group.room !== id) return [group];
    const elsewhere = [...emptied.slots, ...emptied.luminaires]
      .filter((one) => one.group === group.id)
      .map((one) => roomOf.get(one.box) ?? null)
      .find((room) => room !== null);
    return elsewhere ? [{ ...group, room: elsewhere }] : [];
  });
  const left = new Set<string>(groups.map((group) => group.id));
  return {
    ...emptied,
    rooms: emptied.rooms.filter((room) => room.id !== id),
    doors: emptied.doors.filter((door) => door.room !== id),
    groups,
    slots: emptied.slots.filter((slot) => left.has(slot.group)),
    luminaires: emptied.luminaires.filter((one) => left.has(one.group)),
    amendments: emptied.amendments.filter(
      ({ scope }) => scope === 'job' || !('room' in scope) || scope.room !== id,
    ),
  };
};

export interface DoorAsked {
  id: DoorId;
  name: string;
  room: RoomId;
  wall: number;
  /** Middle of the opening along the wall, inches; null for the middle of the wall. */
  middle: number | null;
}

const USUAL_DOOR = 32;

/** A door kept between the corners of its wall. */
const fitted = (job: Job, door: Door): Door => {
  const length = wallOfDoor(job, door)?.length ?? 0;
  return { ...door, offset: toInch(Math.max(0, Math.min(length - door.width, door.offset))) };
};

export const addDoor = (job: Job, { middle, ...asked }: DoorAsked): Job => {
  const wall = wallOfDoor(job, asked);
  if (!wall) return job;
  const width = Math.min(USUAL_DOOR, wall.length);
  const offset = (middle ?? wall.length / 2) - width / 2;
  const door = newDoor({ ...asked, width, offset: toInch(Math.max(0, offset)) });
  return { ...job, doors: [...job.doors, fitted(job, door)] };
};

/** Changes a door; switches that are measured from its casing go with it. */
export const changeDoor = (job: Job, id: DoorId, change: Partial<Door>): Job => {
  const door = job.doors.find((one) => one.id === id);
  if (!door) return job;
  const changed = {
    ...job,
    doors: job.doors.map((one) => (one.id === id ? fitted(job, { ...one, ...change }) : one)),
  };
  // On both sides of its wall what is measured from its casing goes along.
  return roomsOfDoor(job, id).reduce(
    (made, room) => ({ ...made, boxes: carryBoxes(job, made, room) }),
    changed,
  );
};

/** Puts a door with its middle next to a spot, on whichever wall of its room is nearest. */
export const moveDoor = (job: Job, id: DoorId, spot: Spot): Job => {
  const door = job.doors.find((one) => one.id === id);
  const room = findRoom(job, door?.room);
  const near = room && nearestWall(room, spot);
  if (!door || !near) return job;
  const offset = Math.max(0, near.offset - door.width / 2);
  return changeDoor(job, id, { wall: near.wall.index, offset: toInch(offset) });
};

/**
 * The switch boxes that stood at the latch of a door, put where its latch is now: what one does when the hinge turns out to be on the other
 * side. The job as it is where none stood there.
 */
export const switchesToLatch = (before: Job, job: Job, id: DoorId): Job => {
  return roomsOfDoor(job, id).reduce((made, room) => toLatchIn(before, made, id, room), job);
};

const toLatchIn = (before: Job, job: Job, id: DoorId, into: RoomId): Job => {
  const [was, is] = [before, job].map((one) => {
    const door = doorsOf(one, into).find((each) => each.id === id);
    return door ? latchSpot(one, door) : null;
  });
  const room = findRoom(job, into);
  if (!was || !is || !room) return job;
  const stand = job.boxes.filter(
    ({ id: box, at, level, room: stands }) =>
      at !== null &&
      (stands ?? into) === into &&
      level === room.level &&
      Math.hypot(at.x - was.x, at.y - was.y) < AT_LATCH &&
      slotsInBox(job, box).length > 0,
  );
  if (stand.length === 0 || Math.hypot(was.x - is.x, was.y - is.y) < 1) return job;
  const moved = new Set<string>(stand.map((box) => box.id));
  return {
    ...job,
    boxes: job.boxes.map((box) => (moved.has(box.id) && box.at ? { ...box, at: { ...box.at, ...is } } : box)),
  };
};
/** A switch this near to where the latch was stood at it, inches. */
const AT_LATCH = 14;

export const removeDoor = (job: Job, id: DoorId): Job => ({
  ...job,
  doors: job.doors.filter((door) => door.id !== id),
});

/** Where the switch of a door goes: beside its latch, clear of the casing; on the other side where the wall ends. */
export const latchSpot = (job: Job, door: Door): Spot | null => {
  const wall = wallOfDoor(job, door);
  if (!wall) return null;
  const [start, end] = [door.offset - FROM_CASING, door.offset + door.width + FROM_CASING];
  const [first, second] = door.hinge === 'end' ? [start, end] : [end, start];
  const fits = (offset: number) => offset >= 0 && offset <= wall.length;
  return spotOn(wall, fits(first) ? first : fits(second) ? second : wall.length / 2);
};
/** From the edge of the opening to the middle of the switch box, inches. */
const FROM_CASING = 8;

import { findRoom } from '../model/lookup.js';
import type { DoorId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Door, Room } from '../model/place.js';
import { pointOn, toInch, wallOfDoor, wallsOf, type Wall } from './walls.js';

/** Rooms stand this far apart at most where one wall is between them: plan lines are drawn on its faces, or on its middle, inches. */
const THICKEST_WALL = 14;
/** How far past its corner an opening may reach and still be in a wall, inches. */
const SLACK = 2;

type Plan = Pick<Job, 'rooms' | 'doors'>;

/** How far along and how far beyond a wall a spot lies, inches; beyond is away from its room. */
const from = ({ from: start, along, inward }: Wall, { x, y }: { x: number; y: number }) => {
  const [dx, dy] = [x - start.x, y - start.y];
  return { along: dx * along.x + dy * along.y, beyond: -(dx * inward.x + dy * inward.y) };
};

/** A door as the room on the other side of its wall has it; null where none of that room's walls is behind it. */
const fromOtherSide = (door: Door, its: Wall, room: Room): Door | null => {
  for (const wall of wallsOf(room)) {
    const facing = wall.inward.x * its.inward.x + wall.inward.y * its.inward.y;
    if (facing > -0.99) continue;
    const [a, b] = [
      from(wall, pointOn(its, door.offset)),
      from(wall, pointOn(its, door.offset + door.width)),
    ];
    if (a.beyond < -SLACK || a.beyond > THICKEST_WALL) continue;
    const [least, most] = [Math.min(a.along, b.along), Math.max(a.along, b.along)];
    if (least < -SLACK || most > wall.length + SLACK) continue;
    const turned = a.along > b.along;
    const hinge = door.hinge === 'none' || !turned ? door.hinge : door.hinge === 'start' ? 'end' : 'start';
    return {
      ...door,
      ...{ room: room.id, wall: wall.index, offset: Math.max(0, toInch(least)), hinge },
      swings: door.swings === 'in' ? 'out' : 'in',
    };
  }
  return null;
};

/**
 * The ways into a room: its own doors, and those of the rooms beside it that are in a wall between the two, told as this room has them: which
 * of its walls, how far along, hinged and swinging as seen from here. A door belongs to the rooms on both sides of its wall.
 */
export const doorsOf = (job: Plan, id: Room['id']): Door[] => {
  const room = findRoom(job, id);
  return job.doors.flatMap((door) => {
    if (door.room === id) return [door];
    const wall = wallOfDoor(job, door);
    const other = findRoom(job, door.room);
    if (!room?.outline || !wall || other?.level !== room.level) return [];
    return fromOtherSide(door, wall, room) ?? [];
  });
};

/** The rooms that a door leads to and from: its own first. */
export const roomsOfDoor = (job: Plan, id: DoorId): Room['id'][] => {
  const own = job.doors.find((door) => door.id === id)?.room;
  const others = job.rooms.filter(
    (room) => room.id !== own && doorsOf(job, room.id).some((door) => door.id === id),
  );
  return own === undefined ? [] : [own, ...others.map((room) => room.id)];
};

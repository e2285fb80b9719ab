import { findGroup, findRoom, nextGang, slotsInBox } from '../model/lookup.js';
import type { BoxId, GroupId, LuminaireId, SlotId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { ceilingOf } from '../model/ceiling.js';
import { newBox, newLuminaire, newSlot, USUAL_LUMINAIRE } from '../model/newJob.js';
import type { Room } from '../model/place.js';
import { doorsOf } from '../layout/doorsOf.js';
import { holdOf, isOnWall, spotAtDistance } from '../layout/holds.js';
import { numbered } from './levels.js';
import { LOAD_KINDS, type LoadKind } from './loads.js';
import { latchSpot } from './roomEdits.js';
import {
  distance,
  extentOf,
  isWithin,
  nearestWall,
  spotOn,
  toInch,
  wallsOf,
  type Spot,
} from '../layout/walls.js';

/** Heights above the floor, inches. */
export const SWITCH_HEIGHT = 48;
/** A spot this near to a wall is meant to be on it, inches. */
const SNAP = 30;

/** The room around a spot; of two that share a wall, the first. */
const roomAt = (job: Job, spot: Spot): Room | null =>
  job.rooms.find((room) => room.outline !== null && isWithin(room.outline, spot)) ?? null;

/** The wall next to a spot, of any room, if it is near enough. */
const wallNear = (job: Job, spot: Spot): { room: Room; spot: Spot } | null => {
  const inside = roomAt(job, spot);
  const near = job.rooms
    .flatMap((room) => {
      const found = nearestWall(room, spot);
      // Of a wall between two rooms, the side that the spot is on.
      return found ? [{ room, found, away: found.away - (room.id === inside?.id ? 0.5 : 0) }] : [];
    })
    .sort((a, b) => a.away - b.away)[0];
  return near && near.found.away <= SNAP
    ? { room: near.room, spot: spotOn(near.found.wall, near.found.offset) }
    : null;
};

/** Where a box comes to stand when it is put next to a spot: on the wall near to it, or at the ceiling over it. */
const standing = (job: Job, spot: Spot, onWall: boolean): Pick<Box, 'room' | 'level'> & { spot: Spot } => {
  const wall = onWall ? wallNear(job, spot) : null;
  const room = wall?.room ?? roomAt(job, spot);
  const at = wall?.spot ?? { x: toInch(spot.x), y: toInch(spot.y) };
  return { room: room?.id ?? null, level: room?.level ?? null, spot: at };
};

/** Moves a box next to a spot. A box on a wall takes the nearest wall, if one is near; its height stays. */
export const moveBox = (job: Job, id: BoxId, spot: Spot): Job => ({
  ...job,
  boxes: job.boxes.map((box) => {
    if (box.id !== id) return box;
    const room = findRoom(job, box.room);
    const onWall = isOnWall(box, room ? ceilingOf(job, room) : Infinity);
    const { spot: at, ...where } = standing(job, spot, onWall);
    const ceiling = findRoom(job, where.room);
    const z = onWall || !ceiling ? (box.at?.z ?? SWITCH_HEIGHT) : ceilingOf(job, ceiling);
    return { ...box, ...where, at: { ...at, z } };
  }),
});

/** Sets the distance of a box from the corner or casing next to it, inches. */
export const setDistance = (job: Job, id: BoxId, away: number): Job => ({
  ...job,
  boxes: job.boxes.map((box) => {
    const hold = box.id === id ? holdOf(job, box) : null;
    return hold && box.at ? { ...box, at: { ...box.at, ...spotAtDistance(hold, away) } } : box;
  }),
});

export const changeBox = (job: Job, id: BoxId, change: Partial<Box>): Job => ({
  ...job,
  boxes: job.boxes.map((box) => (box.id === id ? { ...box, ...change } : box)),
});

/** Sets the height of a box above the floor, inches. */
export const setHeight = (job: Job, id: BoxId, z: number): Job => ({
  ...job,
  boxes: job.boxes.map((box) => (box.id === id && box.at ? { ...box, at: { ...box.at, z } } : box)),
});

/** The walls of a room at whose middle nothing stands yet come first. */
export const freeWallSpot = (job: Job, room: Room): Spot | null => {
  const spots = wallsOf(room).map((wall) => spotOn(wall, wall.length / 2));
  const taken = (spot: Spot) => job.boxes.some((box) => box.at && distance(box.at, spot) < 12);
  return spots.find((spot) => !taken(spot)) ?? spots[0] ?? null;
};

/** Where the next switch of a group goes: at the latch of the first door of the room that has none of the group. */
export const nextSwitchSpot = (
  job: Job,
  room: Room,
  group: GroupId,
): { spot: Spot; name: string | null } | null => {
  const mine = new Set<string>(job.slots.filter((slot) => slot.group === group).map((slot) => slot.box));
  for (const door of doorsOf(job, room.id)) {
    const spot = latchSpot(job, door);
    const served = job.boxes.some((box) => mine.has(box.id) && box.at && spot && distance(box.at, spot) < 36);
    if (spot && !served) return { spot, name: door.name };
  }
  const spot = freeWallSpot(job, room);
  return spot && { spot, name: null };
};

export interface SwitchAsked {
  box: BoxId;
  slot: SlotId;
  group: GroupId;
  /** Null for where the next switch of the group goes. */
  at: Spot | null;
}

const roomOfGroup = (job: Job, group: GroupId): Room | undefined =>
  findRoom(job, findGroup(job, group)?.room);

/** The door whose latch is next to a spot. */
const doorNear = (job: Job, spot: Spot) =>
  job.doors.find((door) => {
    const latch = latchSpot(job, door);
    return latch !== null && distance(latch, spot) < 24;
  });

/** A box put next to a spot, on the wall near to it or at the ceiling over it, under a name that no other has. */
export const boxAt = (
  job: Job,
  {
    name,
    spot,
    mount,
    ...told
  }: Pick<Box, 'id' | 'name'> & { spot: Spot; mount: 'wall' | 'ceiling' } & Partial<Box>,
): Box => {
  const { spot: at, ...where } = standing(job, spot, mount === 'wall');
  const room = findRoom(job, where.room);
  const z = mount === 'wall' ? SWITCH_HEIGHT : ceilingOf(job, room);
  const called = numbered(
    name,
    job.boxes.map((one) => one.name),
  );
  return newBox({
    article: null,
    accessible: 'unknown',
    at: { ...at, z },
    ...told,
    ...where,
    mount,
    name: called,
  });
};

/** Boxes nearer to each other than this would stand in one another, inches. */
const APART = 8;
/** Gangs that stand side by side in one box. */
const MOST_GANGS = 8;

const standsAt = (job: Job, spot: Spot, level: Box['level']) =>
  job.boxes.filter((box) => box.at && box.level === level && distance(box.at, spot) < APART);

/** The new switch box at a spot, which takes one more gang; one of which the articles are settled stays as it is. */
const gangsAt = (job: Job, spot: Spot, level: Box['level'], group: GroupId): Box | undefined =>
  standsAt(job, spot, level).find((box) => {
    const slots = slotsInBox(job, box.id);
    return (
      (box.work === 'new' || box.work === 'old') &&
      box.article === null &&
      slots.length > 0 &&
      nextGang(job, box.id) < MOST_GANGS &&
      slots.every((slot) => slot.group !== group)
    );
  });

/** A spot on the wall beside one where a box stands already: farther along it, to either side. */
const beside = (job: Job, spot: Spot, level: Box['level']): Spot => {
  if (standsAt(job, spot, level).length === 0) return spot;
  const along = [1, -1, 2, -2, 3, -3].flatMap((steps) => [
    { x: spot.x + steps * APART, y: spot.y },
    { x: spot.x, y: spot.y + steps * APART },
  ]);
  const isFree = (one: Spot) => standsAt(job, one, level).length === 0;
  return along.find((one) => isFree(one) && distance(wallNear(job, one)?.spot ?? spot, one) < 1) ?? spot;
};

/**
 * Adds a switch location to a group. Two make a pair of three-ways, more take four-ways between. Where a new box with switches of others stands
 * already it takes one more gang; beside a box that takes none a new one is set.
 */
export const addSwitch = (job: Job, { box, slot, group, at }: SwitchAsked): Job => {
  const room = roomOfGroup(job, group);
  const next = room ? nextSwitchSpot(job, room, group) : null;
  const door = at && doorNear(job, at);
  const name = (at ? door?.name : next?.name) ?? 'Switch';
  const spot = at ?? next?.spot ?? { x: 0, y: 0 };
  const { spot: on, level } = standing(job, spot, true);
  const there = gangsAt(job, on, level, group);
  if (there)
    return {
      ...job,
      slots: [...job.slots, newSlot({ id: slot, box: there.id, gang: nextGang(job, there.id), group })],
    };
  return {
    ...job,
    boxes: [...job.boxes, boxAt(job, { id: box, name, spot: beside(job, on, level), mount: 'wall' })],
    slots: [...job.slots, newSlot({ id: slot, box, gang: 0, group })],
  };
};

export interface LuminaireAsked {
  box: BoxId;
  luminaire: LuminaireId;
  group: GroupId;
  at: Spot;
  /** What hangs there; a light where it is left out. */
  kind?: CeilingLoad;
}

/** What a box at the ceiling is put in for. */
export type CeilingLoad = Exclude<LoadKind, 'nightLight'>;

/** What hangs at a box of its own is called so until somebody names it. */
const HUNG_NAMES: Record<CeilingLoad, string> = {
  light: 'Luminaire',
  lampholder: 'Luminaire',
  recessed: 'Recessed light',
  fan: 'Fan',
  ventFan: 'Vent fan',
};

/** Hangs a luminaire or a fan on a box of its own at the ceiling over a spot. */
export const addLuminaire = (
  job: Job,
  { box, luminaire, group, at, kind = 'light' }: LuminaireAsked,
): Job => {
  const made = boxAt(job, { id: box, name: HUNG_NAMES[kind], spot: at, mount: 'ceiling' });
  const hung = kind === 'light' ? USUAL_LUMINAIRE : LOAD_KINDS[kind];
  return {
    ...job,
    boxes: [...job.boxes, made],
    luminaires: [...job.luminaires, newLuminaire({ ...hung, id: luminaire, name: made.name, box, group })],
  };
};

/** Spots spread evenly over a room: as far from each other as twice the way to the walls. */
export const evenSpots = (room: Room, columns: number, rows: number): Spot[] => {
  const extent = extentOf(room.outline ?? []);
  if (!extent) return [];
  const { least, most } = extent;
  return Array.from({ length: columns * rows }, (_, i) => ({
    x: toInch(least.x + ((most.x - least.x) * ((i % columns) + 0.5)) / columns),
    y: toInch(least.y + ((most.y - least.y) * (Math.floor(i / columns) + 0.5)) / rows),
  })).filter((spot) => isWithin(room.outline ?? [], spot));
};

/** Adds a box that holds only splices, or one that is there already and may feed a circuit. */
export const addPlainBox = (
  job: Job,
  { box, at, existing }: { box: BoxId; at: Spot; existing: boolean },
): Job => {
  const name = existing ? 'Existing box' : 'Junction';
  const work = existing ? 'existing' : 'new';
  return { ...job, boxes: [...job.boxes, boxAt(job, { id: box, name, spot: at, mount: 'ceiling', work })] };
};

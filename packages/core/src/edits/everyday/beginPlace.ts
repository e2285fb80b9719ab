import { ceilingOf } from '../../model/ceiling.js';
import {
  PANEL,
  type BoxId,
  type CircuitId,
  type DoorId,
  type FeedId,
  type GroupId,
  type LevelId,
  type LuminaireId,
  type RoomId,
  type SlotId,
} from '../../model/ids.js';
import type { Box, Job } from '../../model/job.js';
import { findCircuit, findRoom } from '../../model/lookup.js';
import { newBox, newCircuit, newDoor, newGroup, newLuminaire, USUAL_LUMINAIRE } from '../../model/newJob.js';
import { doorsOf } from '../../layout/doorsOf.js';
import { extentOf, spotOn, toInch, wallOfDoor, wallsOf, type Spot } from '../../layout/walls.js';
import { addLevel, levelsOf, numbered, onLevel } from '../levels.js';
import { LOAD_KINDS } from '../loads.js';
import { addFeed } from '../control.js';
import { addSwitch, freeWallSpot } from '../placeEdits.js';
import { addRoom, changeRoom, latchSpot, nextRoomSpot } from '../roomEdits.js';
import { EVERYDAY, type EverydayId, type EverydayPlace, type EverydayPower } from './places.js';

export interface PlaceAsked {
  place: EverydayId;
  /** Every id begins with it, so that the same question makes the same job. */
  stem: string;
  /** What its first room is called, and with it a circuit that is new. */
  name: string;
  /** Inches, from wall to wall; those of the place where they are left out. */
  width?: number;
  depth?: number;
  /** A room that is measured already: its walls and doors are used. */
  into?: RoomId | null;
  /** Where power comes from; what the place begins with where it is left out. */
  power?: EverydayPower;
  /** It is there already: nothing of it is bought, nothing known of how it is wired. */
  isThere?: boolean;
}

/** What a place of a kind is begun under; the ids that a job of it has. */
const idsOf = (stem: string) => ({
  circuit: `${stem}-circuit` as CircuitId,
  feed: `${stem}-feed` as FeedId,
  source: `${stem}-source` as BoxId,
  level: `${stem}-level` as LevelId,
  ground: `${stem}-ground` as LevelId,
  room: (i: number) => `${stem}-room-${i}` as RoomId,
  door: (i: number) => `${stem}-door-${i}` as DoorId,
  group: (i: number) => `${stem}-group-${i}` as GroupId,
  slot: (group: number, i: number) => `${stem}-slot-${group}-${i}` as SlotId,
  box: (group: number, i: number) => `${stem}-box-${group}-${i}` as BoxId,
  light: (group: number, i: number) => `${stem}-light-${group}-${i}` as LuminaireId,
  lightBox: (group: number, i: number) => `${stem}-lightbox-${group}-${i}` as BoxId,
});

/** The circuit that `beginPlace` makes under a stem. */
export const circuitBegun = (stem: string): CircuitId => idsOf(stem).circuit;

const namesOf = (items: readonly { name: string }[]) => items.map(({ name }) => name);

/** A room of the plan is as far from its neighbours as their walls are thick, inches. */
const WALL = 6;

/** The job with two levels where the place needs them, and the two that it stands on. */
const withLevels = (job: Job, place: EverydayPlace, { stem, into }: PlaceAsked) => {
  const ids = idsOf(stem);
  const lowerOf = (one: Job) => findRoom(one, into ?? undefined)?.level ?? levelsOf(one)[0]?.id ?? null;
  const above = (one: Job) => {
    const levels = levelsOf(one);
    return levels[levels.findIndex(({ id }) => id === lowerOf(one)) + 1];
  };
  const lacksOne = place.rooms.some((one) => one.isUpstairs) && !above(job);
  const made = lacksOne
    ? addLevel(job, ids.level, ids.ground, numbered('Upper floor', namesOf(job.levels)))
    : job;
  return { job: made, lower: lowerOf(made), upper: above(made)?.id ?? null };
};

/** The rooms of the place, beside what is measured; one that is upstairs stands over the first. */
const withRooms = (asked: Job, place: EverydayPlace, question: PlaceAsked): { job: Job; rooms: RoomId[] } => {
  const { job, lower, upper } = withLevels(asked, place, question);
  let made = job;
  const rooms = place.rooms.map((room, i) => {
    if (i === 0 && question.into) return question.into;
    const level = room.isUpstairs ? upper : lower;
    const [first] = made.rooms.filter(({ id }) => id === (question.into ?? idsOf(question.stem).room(0)));
    const at = room.isUpstairs
      ? (extentOf(first?.outline ?? [])?.least ?? { x: 0, y: 0 })
      : nextRoomSpot(made, level, WALL);
    const id = idsOf(question.stem).room(i);
    const name = numbered(i === 0 ? question.name : room.name, namesOf(made.rooms));
    made = addRoom(made, {
      ...{ id, name, kind: room.kind, level, at },
      width: (i === 0 ? question.width : undefined) ?? room.width,
      depth: (i === 0 ? question.depth : undefined) ?? room.depth,
    });
    made = changeRoom(made, id, { rough: true });
    return id;
  });
  return { job: made, rooms };
};

/** The doors of the place; those of a room that was there are taken as they are, in their order. */
const withDoors = (
  job: Job,
  place: EverydayPlace,
  { stem, into }: PlaceAsked,
  rooms: readonly RoomId[],
): { job: Job; doors: (DoorId | null)[] } => {
  const ids = idsOf(stem);
  let made = job;
  const there = into ? doorsOf(job, into).map(({ id }) => id) : [];
  const doors = place.doors.map((door, i): DoorId | null => {
    const room = rooms[door.room];
    if (room === undefined) return null;
    if (room === into) return there.shift() ?? null;
    const id = ids.door(i);
    const asked = { room, wall: door.wall };
    const wall = wallOfDoor(made, asked);
    if (!wall) return null;
    const width = Math.min(door.width ?? 32, wall.length);
    // Beside its latch is room for the switch.
    const beside = Math.min(LATCH_ROOM, wall.length - width);
    const [least, most] =
      door.hinge === 'end' ? [beside, wall.length - width] : [0, wall.length - width - beside];
    const offset = Math.max(least, Math.min(most, door.at * wall.length - width / 2));
    const name = numbered(door.name, namesOf(made.doors));
    made = {
      ...made,
      doors: [
        ...made.doors,
        newDoor({ ...asked, id, name, width, offset: toInch(offset), hinge: door.hinge ?? 'start' }),
      ],
    };
    return id;
  });
  return { job: made, doors };
};

/** What is left of the wall beside the latch of a door, inches. */
const LATCH_ROOM = 14;

/** The spot of a part of a room, kept off its walls. */
const spotIn = (job: Job, room: RoomId, x: number, y: number): Spot => {
  const extent = extentOf(findRoom(job, room)?.outline ?? []);
  if (!extent) return { x: 0, y: 0 };
  const { least, most } = extent;
  return { x: toInch(least.x + (most.x - least.x) * x), y: toInch(least.y + (most.y - least.y) * y) };
};

/** A box at a spot of a room; on the wall at a height, or at the ceiling. */
const boxIn = (
  job: Job,
  {
    id,
    name,
    room,
    spot,
    height,
  }: Pick<Box, 'id' | 'name'> & { room: RoomId; spot: Spot; height: number | null },
): Box => {
  const within = findRoom(job, room);
  return newBox({
    ...{ id, room, article: null, accessible: 'unknown', level: within?.level ?? null },
    name: numbered(name, namesOf(job.boxes)),
    mount: height === null ? 'ceiling' : 'wall',
    at: { ...spot, z: height ?? ceilingOf(job, within) },
  });
};

/** Height of a receptacle above the floor, inches. */
const RECEPTACLE = 16;
const SOURCES: Record<Exclude<EverydayPower, 'panel'>, { name: string; height: number | null }> = {
  receptacle: { name: 'Receptacle', height: RECEPTACLE },
  switch: { name: 'Switch that is there', height: 48 },
  luminaire: { name: 'Luminaire that is there', height: null },
  junction: { name: 'Junction that is there', height: null },
};

/** The wall on which a box that is there stands at first: the one across from the first door. */
const sourceSpot = (job: Job, room: RoomId, height: number | null): Spot => {
  if (height === null) return spotIn(job, room, 0.15, 0.25);
  const walls = wallsOf(findRoom(job, room) ?? { outline: null });
  const [door] = doorsOf(job, room);
  const wall = walls[((door?.wall ?? 2) + 2) % Math.max(1, walls.length)] ?? walls[0];
  return wall ? spotOn(wall, wall.length * 0.2) : { x: 0, y: 0 };
};

interface Begun {
  place: EverydayPlace;
  stem: string;
  rooms: readonly RoomId[];
  doors: readonly (DoorId | null)[];
  main: RoomId;
}

/** The switch locations and luminaires of one group of the place. */
const withGroup = (job: Job, { place, stem, rooms, doors, main }: Begun, g: number): Job => {
  const ids = idsOf(stem);
  const group = place.groups[g];
  let made = job;
  group?.doors.forEach((index, i) => {
    const into = rooms[place.doors[index]?.room ?? 0] ?? main;
    const door = doorsOf(made, into).find(({ id }) => id === doors[index]);
    const latch = door ? latchSpot(made, door) : null;
    const room = findRoom(made, door?.room ?? main);
    made = onLevel(made, room?.level ?? null, (seen) =>
      addSwitch(seen, {
        ...{ box: ids.box(g, i), slot: ids.slot(g, i), group: ids.group(g) },
        // Where the measured room has fewer doors, it takes the middle of a wall that is free.
        at: latch ?? (room ? freeWallSpot(seen, room) : null),
      }),
    );
  });
  group?.lights.forEach((light, i) => {
    const room = rooms[light.room] ?? main;
    const box = ids.lightBox(g, i);
    const spot = spotIn(made, room, light.x, light.y);
    const lit = boxIn(made, { id: box, name: light.name, room, spot, height: light.height ?? null });
    const usual = light.kind === undefined ? USUAL_LUMINAIRE : LOAD_KINDS[light.kind];
    made = {
      ...made,
      boxes: [...made.boxes, lit],
      luminaires: [
        ...made.luminaires,
        newLuminaire({ ...usual, id: ids.light(g, i), name: lit.name, box, group: ids.group(g) }),
      ],
    };
  });
  return made;
};

/** Where power comes from: a home run, or a box that is there. */
const withPower = (job: Job, power: EverydayPower, stem: string, main: RoomId): Job => {
  const ids = idsOf(stem);
  if (power === 'panel') return addFeed(job, { id: ids.feed, circuit: ids.circuit, at: PANEL });
  const { name, height } = SOURCES[power];
  const source = boxIn(job, {
    id: ids.source,
    name,
    room: main,
    spot: sourceSpot(job, main, height),
    height,
  });
  const withSource = { ...job, boxes: [...job.boxes, { ...source, work: 'existing' as const }] };
  return addFeed(withSource, { id: ids.feed, circuit: ids.circuit, at: source.id, tap: power });
};

/**
 * A job with one of the everyday places in it: its rooms, doors, switch locations, luminaires and circuit, all of it a first measure that is
 * corrected on the layout. Nothing is chosen of how it is wired, and nothing answered that only somebody on site can know. The job as it is where
 * one was begun under this stem before.
 */
export const beginPlace = (asked: Job, question: PlaceAsked): Job => {
  const place: EverydayPlace = EVERYDAY[question.place];
  const { stem } = question;
  const ids = idsOf(stem);
  if (findCircuit(asked, ids.circuit)) return asked;
  const { job: withPlan, rooms } = withRooms(asked, place, question);
  const { job: doored, doors } = withDoors(withPlan, place, question, rooms);
  const [main = ids.room(0)] = rooms;
  const power = question.power ?? place.power;
  const isThere = question.isThere === true;
  // The breaker of what is there bears another name than the new room, which nobody has read off the panel yet.
  const called =
    power !== 'panel'
      ? `Existing circuit at a ${power}`
      : isThere
        ? `Existing circuit, ${question.name}`
        : question.name;
  const name = numbered(called, namesOf(asked.circuits));
  const groups = place.groups.map((group, i) =>
    newGroup({
      id: ids.group(i),
      // One group is called as its room is.
      name: numbered(place.groups.length === 1 ? question.name : group.name, namesOf(asked.groups)),
      circuit: ids.circuit,
      room: rooms[group.room] ?? main,
    }),
  );
  // What else hangs on a circuit that is there is for somebody on site to say: not every one may serve lights.
  const purpose = isThere || power !== 'panel' ? 'unknown' : place.circuit.purpose;
  const begun: Job = {
    ...doored,
    circuits: [...doored.circuits, newCircuit({ ...place.circuit, purpose, id: ids.circuit, name })],
    groups: [...doored.groups, ...groups],
  };
  const filled = groups.reduce(
    (made, _, g) => withGroup(made, { place, stem, rooms, doors, main }, g),
    begun,
  );
  const before = new Set<string>(asked.boxes.map(({ id }) => id));
  const standing: Job = {
    ...filled,
    boxes: filled.boxes.map((box) => (before.has(box.id) || !isThere ? box : { ...box, work: 'existing' })),
  };
  return withPower(standing, power, stem, main);
};

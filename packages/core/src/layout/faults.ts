import { findRoom, slotsInBox } from '../model/lookup.js';
import type { BoxId, DoorId, GroupId, LevelId, RoomId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import { ceilingOf } from '../model/ceiling.js';
import type { Door } from '../model/place.js';
import { doorsOf } from './doorsOf.js';
import { alongWall, distance, floorArea, isWithin, wallOfDoor, type Spot } from './walls.js';

/** Something of a layout that cannot be as it is told. Planning goes on with the rest. */
export interface LayoutFault {
  at: { box: BoxId } | { room: RoomId } | { door: DoorId } | { group: GroupId };
  sentence: string;
}

/** Does a box stand on a wall, low enough for a door to matter? Over a door there is room. */
const holdsWall = ({ mount, at }: Box): boolean => mount === 'wall' && at !== null && at.z < DOOR_HEIGHT;
const DOOR_HEIGHT = 80;

/** Boxes nearer than this to one another are in one place, inches. */
const ONE_PLACE = 2;

const ofRooms = (job: Job): LayoutFault[] =>
  job.rooms.flatMap((room): LayoutFault[] =>
    room.outline !== null && floorArea(room.outline) < 1
      ? [
          {
            at: { room: room.id },
            sentence: `${room.name} has no floor: two of its walls stand on each other. Give it a width and a depth.`,
          },
        ]
      : [],
  );

const ofDoors = (job: Job): LayoutFault[] =>
  job.doors.flatMap((door): LayoutFault[] => {
    const wall = wallOfDoor(job, door);
    if (!wall) return [];
    const over = door.offset + door.width - wall.length;
    return over > 0
      ? [
          {
            at: { door: door.id },
            sentence: `${door.name} is ${feetInches(over)} longer than the wall leaves. Move it or make it narrower.`,
          },
        ]
      : [];
  });

/** Is a spot on the wall within the opening of a door? */
const inDoorway = (
  job: Job,
  spot: Spot,
  level: LevelId | null,
  /** As the room it stands in has them; all of the plan for what stands in none. */
  doors: readonly Door[] = job.doors,
): Door | undefined =>
  doors.find((door) => {
    const wall = wallOfDoor(job, door);
    if (!wall || (findRoom(job, door.room)?.level ?? null) !== level) return false;
    const { offset, away } = alongWall(wall, spot);
    return away < ON_WALL && offset > door.offset && offset < door.offset + door.width;
  });

/** The door that hides a box on the wall when it stands open: its leaf lies along that wall, or along the one beside it. */
const behindDoor = (job: Job, { room, at }: Box): Door | undefined =>
  (room === null ? [] : doorsOf(job, room)).find((door) => {
    const wall = wallOfDoor(job, door);
    if (!wall || !at || door.swings !== 'in' || door.hinge === 'none') return false;
    const hinge = door.hinge === 'start' ? door.offset : door.offset + door.width;
    const { offset, away } = alongWall(wall, at);
    const beyond = door.hinge === 'start' ? hinge - offset : offset - hinge;
    if (away < ON_WALL) return beyond > 0 && beyond < door.width;
    // In a corner the leaf opens against the wall beside it.
    const toCorner = door.hinge === 'start' ? hinge : wall.length - hinge;
    const corner = door.hinge === 'start' ? wall.from : wall.to;
    const isBeside = Math.abs((at.x - corner.x) * wall.along.x + (at.y - corner.y) * wall.along.y) < ON_WALL;
    return isBeside && toCorner < IN_CORNER && distance(at, corner) < door.width;
  });
const ON_WALL = 6;
/** A hinge this near to the corner lets the leaf stand against the wall beside it, inches. */
const IN_CORNER = 12;

const ofPanel = (job: Job): LayoutFault[] => {
  const { panel } = job.routing;
  const door = panel && inDoorway(job, panel.at, panel.level);
  return door
    ? [
        {
          at: { door: door.id },
          sentence: `The panel hangs in the doorway of ${door.name}. Move it along the wall, or to another.`,
        },
      ]
    : [];
};

const ofBox = (job: Job, box: Box, before: readonly Box[]): string[] => {
  const { at } = box;
  if (!at || box.work === 'beyond') return [];
  const measured = job.rooms.filter((room) => room.outline !== null && room.level === box.level);
  const room = findRoom(job, box.room);
  const faults: string[] = [];
  if (measured.length > 0 && !measured.some((one) => isWithin(one.outline ?? [], at)))
    faults.push(`${box.name} is outside every room. Move it into one, or draw the room around it.`);
  const ceiling = room ? ceilingOf(job, room) : null;
  if (room && ceiling !== null && at.z > ceiling)
    faults.push(
      `${box.name} is at ${feetInches(at.z)}, above the ceiling of ${room.name} at ${feetInches(ceiling)}.`,
    );
  const isOnWall = room !== undefined && holdsWall(box);
  const doorway = isOnWall ? inDoorway(job, at, room.level, doorsOf(job, room.id)) : undefined;
  if (doorway) faults.push(`${box.name} is in the doorway of ${doorway.name}. Move it beside the casing.`);
  const hiding =
    isOnWall && !doorway && slotsInBox(job, box.id).length > 0 ? behindDoor(job, box) : undefined;
  if (hiding)
    faults.push(
      `${box.name} is behind the open door ${hiding.name}. Move it to the latch side, or say how the door swings.`,
    );
  const there = before.find(
    (one) =>
      one.at &&
      one.level === box.level &&
      distance(one.at, at) < ONE_PLACE &&
      Math.abs(one.at.z - at.z) < ONE_PLACE,
  );
  if (there)
    faults.push(`${box.name} and ${there.name} are in one place. Move one, or gang them in one box.`);
  return faults;
};

const ofGroups = (job: Job): LayoutFault[] =>
  job.groups.flatMap((group): LayoutFault[] => {
    const switches = job.slots.some((slot) => slot.group === group.id && slot.role !== 'receptacle');
    const loads = job.luminaires.some((one) => one.group === group.id);
    if (group.control === 'hot' || switches === loads) return [];
    return [
      {
        at: { group: group.id },
        sentence: switches
          ? `${group.name} has a switch and nothing that it controls. Add a luminaire to it.`
          : `${group.name} has luminaires and no switch. Add a switch location.`,
      },
    ];
  });

/** Everything of a layout that cannot be as it is told, in a sentence each. */
export const layoutFaults = (job: Job): LayoutFault[] => [
  ...ofRooms(job),
  ...ofDoors(job),
  ...ofPanel(job),
  ...job.boxes.flatMap((box, i) =>
    ofBox(job, box, job.boxes.slice(0, i)).map((sentence) => ({ at: { box: box.id }, sentence })),
  ),
  ...ofGroups(job),
];

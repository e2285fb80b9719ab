import { findRoom } from '../model/lookup.js';
import type { BoxId, DoorId, GroupId, RoomId } from '../model/ids.js';
import type { Box, Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import { ceilingOf } from '../model/ceiling.js';
import { distance, floorArea, isWithin, wallOfDoor } from './walls.js';

/** Something of a layout that cannot be as it is told. Planning goes on with the rest. */
export interface LayoutFault {
  at: { box: BoxId } | { room: RoomId } | { door: DoorId } | { group: GroupId };
  sentence: string;
}

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
  ...job.boxes.flatMap((box, i) =>
    ofBox(job, box, job.boxes.slice(0, i)).map((sentence) => ({ at: { box: box.id }, sentence })),
  ),
  ...ofGroups(job),
];

import { doorsOf } from '../layout/doorsOf.js';
import { isOnWall, holdOf } from '../layout/holds.js';
import { sideOf, wallsOf, type Spot, type Wall } from '../layout/walls.js';
import { ceilingOf } from '../model/ceiling.js';
import type { BoxId, CableId, RoomId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findRoom } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { wayOf } from '../materials/lengths.js';
import { runName } from '../words/places.js';

/** A wall as it is seen from its room: x from its left end, y up from the floor, inches. */
export interface WallFace {
  room: RoomId;
  wall: number;
  name: string;
  length: number;
  height: number;
  doors: { from: number; to: number; height: number }[];
  boxes: { id: BoxId; name: string; at: Spot }[];
  /** Each new run as far as it is planned on this wall: nobody has seen that the cable lies so. Where an old one lies nobody knows. */
  runs: { cable: CableId; name: string; points: Spot[] }[];
}

/** A door is drawn so high, inches. */
const DOOR_HEIGHT = 80;

/** Does the start of a wall lie at the left of who looks at it from the room? */
const startsLeft = ({ along, inward }: Wall): boolean => along.x * inward.y - along.y * inward.x > 0;

/** The face of a wall of a measured room; null where there is none. */
export const wallFace = (job: Job, wiring: Wiring, roomId: string, index: number): WallFace | null => {
  const room = findRoom(job, roomId);
  const wall = room && wallsOf(room).find((one) => one.index === index);
  if (!room || !wall) return null;
  const height = ceilingOf(job, room);
  const fromLeft = (offset: number) => (startsLeft(wall) ? offset : wall.length - offset);
  const boxes = job.boxes.flatMap((box): WallFace['boxes'] => {
    if (box.room !== room.id || !box.at || !isOnWall(box, height)) return [];
    const hold = holdOf(job, box);
    return hold?.wall.index === index
      ? [{ id: box.id, name: box.name, at: { x: fromLeft(hold.offset), y: box.at.z } }]
      : [];
  });
  const here = new Map<string, Spot>(boxes.map(({ id, at }) => [id, at]));
  const runs = wiring.cables.flatMap((cable): WallFace['runs'] => {
    if (cable.existing) return [];
    const ends = [cable.from, cable.to].flatMap((end) => here.get(end) ?? []);
    const [a, b] = ends;
    if (!a) return [];
    const { route } = wayOf(job, cable.from, cable.to);
    // Over the ceiling and under the floor it leaves the wall; level through the studs it is seen only from box to box.
    const leaves = route === 'over' ? height : 0;
    const points =
      route === 'through'
        ? b
          ? [a, { x: b.x, y: a.y }, b]
          : []
        : b
          ? [a, { x: a.x, y: leaves }, { x: b.x, y: leaves }, b]
          : [a, { x: a.x, y: leaves }];
    return points.length === 0 ? [] : [{ cable: cable.id, name: runName(job, cable), points }];
  });
  return {
    ...{
      room: room.id,
      wall: index,
      name: `${room.name}, ${sideOf(wall)} wall`,
      length: wall.length,
      height,
      boxes,
      runs,
    },
    doors: doorsOf(job, room.id)
      .filter((door) => door.wall === index)
      .map(({ offset, width }) => {
        const [from, to] = [fromLeft(offset), fromLeft(offset + width)];
        return { from: Math.min(from, to), to: Math.max(from, to), height: Math.min(DOOR_HEIGHT, height) };
      }),
  };
};

/** A distance along a wall, inches, from one spot of it to another at the same height. */
export interface WallDistance {
  from: Spot;
  to: Spot;
  inches: number;
}

/** Distances are drawn so far under the lower of two boxes, inches. */
const UNDER = 5;

/** How far each box is from the one left of it, the first from the left end of the wall: centre to centre, along the wall. */
export const wallDistances = ({ boxes }: Pick<WallFace, 'boxes'>): WallDistance[] => {
  const row = [...boxes].sort((a, b) => a.at.x - b.at.x);
  return row.flatMap(({ at }, i): WallDistance[] => {
    const before = row[i - 1]?.at ?? { x: 0, y: at.y };
    const y = Math.max(0, Math.min(at.y, before.y) - UNDER);
    // Boxes right over one another have nothing between them along the wall.
    return at.x === before.x
      ? []
      : [{ from: { x: before.x, y }, to: { x: at.x, y }, inches: at.x - before.x }];
  });
};

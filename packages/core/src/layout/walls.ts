import { findRoom } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import type { Door, Room } from '../model/place.js';

/** A point of a level, inches; y grows towards the bottom of the plan. */
export interface Spot {
  x: number;
  y: number;
}

/** One wall of a room, from one corner of its outline to the next. */
export interface Wall {
  index: number;
  from: Spot;
  to: Spot;
  /** Inches. */
  length: number;
  /** Unit vectors along the wall and from it into the room. */
  along: Spot;
  inward: Spot;
}

export const distance = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Twice the signed area of an outline; positive where it goes clockwise on the plan. */
const twiceArea = (outline: readonly Spot[]): number =>
  outline.reduce((sum, a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a;
    return sum + a.x * b.y - b.x * a.y;
  }, 0);

/** Square inches of floor. */
export const floorArea = (outline: readonly Spot[]): number => Math.abs(twiceArea(outline)) / 2;

/** The walls of a room in the order of its corners; none while nobody has measured it. A corner given twice makes none. */
export const wallsOf = ({ outline }: Pick<Room, 'outline'>): Wall[] => {
  if (!outline) return [];
  const turn = twiceArea(outline) < 0 ? -1 : 1;
  return outline.flatMap((from, index) => {
    const to = outline[(index + 1) % outline.length] ?? from;
    const length = distance(from, to);
    if (length === 0) return [];
    const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
    return [{ index, from, to, length, along, inward: { x: -along.y * turn, y: along.x * turn } }];
  });
};

/** The wall that a door lies on; none while its room is not measured. */
export const wallOfDoor = (job: Pick<Job, 'rooms'>, door: Pick<Door, 'room' | 'wall'>): Wall | undefined => {
  const room = findRoom(job, door.room);
  return room && wallsOf(room).find((wall) => wall.index === door.wall);
};

/** On which side of its room a wall stands, as the plan is looked at. */
export const sideOf = ({ inward: { x, y } }: Wall): 'left' | 'right' | 'upper' | 'lower' =>
  Math.abs(x) > Math.abs(y) ? (x > 0 ? 'left' : 'right') : y > 0 ? 'upper' : 'lower';

/** Does a wall run up and down on the plan? */
export const isUpright = (wall: Wall): boolean => ['left', 'right'].includes(sideOf(wall));

/** The very point so far along a wall, inches from its start. */
export const pointOn = ({ from, along }: Wall, offset: number): Spot => ({
  x: from.x + along.x * offset,
  y: from.y + along.y * offset,
});

/** Lengths are kept to the inch where a hand has set them. */
export const toInch = (value: number): number => Math.round(value);

/** The point so far along a wall, kept between its corners. */
export const spotOn = (wall: Wall, offset: number): Spot => {
  const at = Math.max(0, Math.min(wall.length, offset));
  const { x, y } = pointOn(wall, at);
  return { x: toInch(x), y: toInch(y) };
};

/** How far along a wall the point next to a spot is, and how far the spot is from it. Inches. */
export const alongWall = (wall: Wall, spot: Spot): { offset: number; away: number } => {
  const raw = (spot.x - wall.from.x) * wall.along.x + (spot.y - wall.from.y) * wall.along.y;
  const offset = Math.max(0, Math.min(wall.length, raw));
  return { offset, away: distance(pointOn(wall, offset), spot) };
};

/** The wall next to a spot. Null where a room has none. */
export const nearestWall = (
  room: Pick<Room, 'outline'>,
  spot: Spot,
): { wall: Wall; offset: number; away: number } | null =>
  wallsOf(room)
    .map((wall) => ({ wall, ...alongWall(wall, spot) }))
    .reduce<{ wall: Wall; offset: number; away: number } | null>(
      (best, one) => (best && best.away <= one.away ? best : one),
      null,
    );

/** Is a spot within an outline, its walls included? By counting the walls that a ray crosses. */
export const isWithin = (outline: readonly Spot[], spot: Spot): boolean => {
  const wall = nearestWall({ outline: [...outline] }, spot);
  if (wall && wall.away < 0.01) return true;
  let inside = false;
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a;
    if (a.y > spot.y !== b.y > spot.y && spot.x < ((b.x - a.x) * (spot.y - a.y)) / (b.y - a.y) + a.x)
      inside = !inside;
  });
  return inside;
};

/** The least rectangle around some spots. */
export const extentOf = (spots: readonly Spot[]): { least: Spot; most: Spot } | null =>
  spots.length === 0
    ? null
    : {
        least: { x: Math.min(...spots.map((one) => one.x)), y: Math.min(...spots.map((one) => one.y)) },
        most: { x: Math.max(...spots.map((one) => one.x)), y: Math.max(...spots.map((one) => one.y)) },
      };

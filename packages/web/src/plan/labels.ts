import {
  doorsOf,
  findRoom,
  alongWall,
  extentOf,
  isUpright,
  isWithin,
  nearestWall,
  pointOn,
  wallOfDoor,
  type Box,
  type Job,
  type Room,
  type Spot,
  type Wall,
} from '@amber/core';

/** Where the name of a box stands beside its mark, pixels from its middle. */
export interface LabelSpot {
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
}

/** On a wall the name stands outside of the room, where neither door nor luminaire is; else below. */
export const labelOf = (job: Job, box: Box, half: number): LabelSpot => {
  const room = findRoom(job, box.room);
  const near = room && box.at ? nearestWall(room, box.at) : null;
  const inward = near && near.away < 6 ? near.wall.inward : null;
  if (!inward) return { x: 0, y: 31, anchor: 'middle' };
  if (Math.abs(inward.y) > Math.abs(inward.x)) return { x: 0, y: inward.y > 0 ? -21 : 31, anchor: 'middle' };
  return inward.x > 0 ? { x: -half - 8, y: 4, anchor: 'end' } : { x: half + 8, y: 4, anchor: 'start' };
};

/** The spot of a floor that is furthest from everything on it, for the name of the room. */
export const freeSpot = (job: Job, room: Room): Spot => {
  const outline = room.outline ?? [];
  const extent = extentOf(outline);
  if (!extent) return { x: 0, y: 0 };
  const { least, most } = extent;
  const things = [
    ...job.boxes.flatMap((box) => (box.at && isWithin(outline, box.at) ? [box.at] : [])),
    ...outline,
    // Where a leaf swings: the middle of what it sweeps, and where it stands open.
    ...doorsOf(job, room.id).flatMap((door) => {
      const wall = door.swings === 'in' ? wallOfDoor(job, door) : undefined;
      if (!wall || door.hinge === 'none') return [];
      return [0.5, 1].map((far) => {
        const along = pointOn(wall, door.offset + door.width / 2);
        return {
          x: along.x + wall.inward.x * door.width * far,
          y: along.y + wall.inward.y * door.width * far,
        };
      });
    }),
  ];
  const shares = [0.5, 0.35, 0.65, 0.22, 0.78];
  const spots = shares.flatMap((y) =>
    shares.map((x) => ({ x: least.x + (most.x - least.x) * x, y: least.y + (most.y - least.y) * y })),
  );
  // A name is wide and low: what is beside it is in the way from further off than what is above it.
  const clear = (spot: Spot) =>
    Math.min(...things.map((one) => Math.hypot((one.x - spot.x) / 2.2, one.y - spot.y)));
  return spots
    .filter((spot) => isWithin(outline, spot))
    .reduce((best, spot) => (clear(spot) > clear(best) + 1 ? spot : best), {
      x: (least.x + most.x) / 2,
      y: (least.y + most.y) / 2,
    });
};

/** Half of what the length of a wall takes along it, with half of a box and its name, pixels. */
const CLEAR = { upright: 40, level: 64 };

/** Where the handle and the length of a wall stand: in its middle, or next to it, where neither boxes nor doors are; inches. */
export const freeOnWall = (job: Job, room: Room, wall: Wall, scale: number): number => {
  const clear = (isUpright(wall) ? CLEAR.upright : CLEAR.level) / scale;
  const taken = [
    ...job.boxes.flatMap((box) => {
      const near = box.at && alongWall(wall, box.at);
      return near && near.away < 12 ? [{ from: near.offset - clear, to: near.offset + clear }] : [];
    }),
    ...job.doors
      .filter((door) => door.room === room.id && door.wall === wall.index)
      .map(({ offset, width }) => ({ from: offset - clear / 3, to: offset + width + clear / 3 })),
  ];
  const free = (at: number) => taken.every(({ from, to }) => at < from || at > to);
  const spots = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82].map((share) => share * wall.length);
  return spots.find(free) ?? wall.length / 2;
};

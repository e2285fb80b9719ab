import { extentOf, isWithin, nearestWall, type Box, type Job, type Room, type Spot } from '@amber/core';

/** Where the name of a box stands beside its mark, pixels from its middle. */
export interface LabelSpot {
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
}

/** On a wall the name stands outside of the room, where neither door nor luminaire is; else below. */
export const labelOf = (job: Job, box: Box, half: number): LabelSpot => {
  const room = job.rooms.find((one) => one.id === box.room);
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

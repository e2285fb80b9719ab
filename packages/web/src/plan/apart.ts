import { distance, type Box, type BoxId } from '@amber/core';

/** Boxes nearer to each other than this on the plan cover each other, whatever their heights, inches. */
const COVERS = 4;
/** Marks that would cover each other are drawn so far apart, pixels. */
export const BESIDE = 32;

/**
 * How far to the side each box is drawn that another covers: a receptacle under a switch, a box over the wall box below it. Pixels; boxes that
 * stand alone are not in it. From left to right in the order of the job.
 */
export const drawnApart = (boxes: readonly Pick<Box, 'id' | 'at'>[]): ReadonlyMap<BoxId, number> => {
  const moved = new Map<BoxId, number>();
  const taken = new Set<BoxId>();
  for (const { id, at } of boxes) {
    if (!at || taken.has(id)) continue;
    const here = boxes.filter((one) => one.at && !taken.has(one.id) && distance(one.at, at) < COVERS);
    for (const one of here) taken.add(one.id);
    if (here.length > 1) here.forEach((one, i) => moved.set(one.id, (i - (here.length - 1) / 2) * BESIDE));
  }
  return moved;
};

import type { StripNode } from '@amber/core';

/** Pixels of the run strip at full size: a column for each step from the feed, a row for each branch. */
export const COLUMN = 132;
export const ROW = 148;
const MIDDLE = 58;
const HALF = 30;
export const SMALL_LAMP = 34;

/** The middle of what is drawn at a place. */
export const centre = (node: StripNode) => ({
  x: node.column * COLUMN + COLUMN / 2,
  y: node.row * ROW + MIDDLE,
});

/** Half the width of what is drawn at a place, so that runs end at its edge. */
export const halfWidth = ({ devices, luminaires }: StripNode) => {
  if (devices.length > 0) return devices.length * 25 - 2;
  return luminaires.length > 1 ? luminaires.length * (SMALL_LAMP / 2 + 1) : HALF;
};

import type { Box } from '../model/job.js';

/** A box from this height on is worked at from a ladder, inches. */
const LADDER_FROM = 78;

export const isHigh = ({ at }: Box): boolean => (at?.z ?? 0) >= LADDER_FROM;

export const LADDER =
  'Ladder: firm footing, the right angle, a helper at its foot. Above what it serves, tie off.';

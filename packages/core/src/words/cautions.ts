import type { Box } from '../model/job.js';

/** A box from this height on is worked at from a ladder, inches. */
const LADDER_FROM = 78;

/** Is a box worked at from a ladder? One in a ceiling whose height nobody has told is. */
export const isHigh = ({ at, mount }: Pick<Box, 'at' | 'mount'>): boolean =>
  at ? at.z >= LADDER_FROM : mount === 'ceiling';

export const LADDER =
  'Ladder: firm footing, the right angle, a helper at its foot. Above what it serves, tie off.';

/** It stands wherever something leads to a breaker's terminal or a bar of the panel. */
export const PANEL_CAUTION =
  'At the panel: the supply terminals stay live with the main off. Who is not qualified stops here and has it done.';

export const NO_GROUND =
  'An open or missing ground proves nothing: test to one that was itself proved good. A non-contact tester is a hint, never a proof.';

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

/** Before a box is opened. */
export const DEAD =
  'Breaker off, locked or tagged. Prove it dead with a two-pole tester that is proved on a live source before and after: hot to neutral, hot to ground, neutral to ground, every handle in both positions.';

/** Before any reading of continuity. */
export const CONTINUITY =
  'Lamps out, loads unplugged. Look for foreign voltage first: the tester lies, or is lost, on what is live. No neutral that may be of a multiwire pair is parted until both hots are off.';

/** Before a reading with power on. */
export const LIVE =
  'Live, by an electrician alone, with a two-pole tester proved before and after. Ends to be read stand in connectors with a test opening, everything else away from them. Off again before anything is moved.';

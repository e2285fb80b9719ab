import { newPlaces } from '../places.js';
import { defineSiteCheck } from '../rule.js';

/** 314.25, 410.22: every box has its cover, canopy, plate or device. */
export const outletCovers = defineSiteCheck({
  id: 'outlet-covers',
  stage: 'final',
  title: 'Every box is covered',
  rests: 'By a cover, a canopy, a plate or a luminaire that closes it.',
  section: () => '314.25, 410.22',
  where: ({ job, wiring }) => newPlaces(job, wiring).map((box) => ({ box })),
  why: 'An open box lets fingers in and sparks out.',
  look: 'See that nothing is left open at the end, a box that waits for its luminaire among them.',
});

import { newPlaces } from '../places.js';
import { defineSiteCheck } from '../rule.js';

/** 300.14: at least 6 in of free conductor, and 3 in past an opening smaller than 8 in. */
export const freeConductor = defineSiteCheck({
  id: 'free-conductor',
  stage: 'roughIn',
  title: 'Free conductor in every box: 6 in from the sheath, and 3 in past the opening',
  rests:
    '6 in from where it leaves the sheath; where the opening is under 8 in in any direction, 3 in outside it.',
  section: () => '300.14',
  where: ({ job, wiring }) => newPlaces(job, wiring).map((box) => ({ box })),
  why: 'Too short a wire cannot be made up without strain, and never again.',
  look: 'Measure before the wall is closed.',
});

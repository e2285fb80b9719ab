import { newPlaces } from '../places.js';
import { defineSiteCheck } from '../rule.js';

/** 314.20: at most 1/4 in behind a noncombustible finish, flush with a combustible one. */
export const boxSetBack = defineSiteCheck({
  id: 'box-set-back',
  stage: 'roughIn',
  title: 'Box flush with the finish',
  rests: 'At most 1/4 in behind noncombustible finish; flush with or in front of combustible.',
  section: () => '314.20',
  where: ({ job, wiring }) => newPlaces(job, wiring).map((box) => ({ box })),
  why: 'A spark in the gap meets the wood.',
  look: 'Set the box to the finish that is to come.',
});

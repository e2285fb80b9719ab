import { wayOf } from '../../materials/lengths.js';
import { defineSiteCheck } from '../rule.js';

/** 334.23, 320.23, 300.4(D): guarded in an accessible attic; 1 1/4 in from the face along a stud, else plated. */
export const cablesAlongFraming = defineSiteCheck({
  id: 'cables-along-framing',
  stage: 'roughIn',
  title: 'Cables along framing and in attics are guarded',
  rests: 'Accessible attic: guard strips where the rule asks; along a stud 1 1/4 in from its face.',
  section: () => '334.23, 300.4(D)',
  where: ({ job, wiring }) =>
    wiring.cables
      .filter(
        (cable) => !cable.existing && ['attic', 'open'].includes(wayOf(job, cable.from, cable.to).access),
      )
      .map(({ id }) => ({ cable: id })),
  why: 'Somebody will kneel on it, or drive a screw.',
  look: 'Look along each run.',
});

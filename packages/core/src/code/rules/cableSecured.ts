import { wayOf } from '../../materials/lengths.js';
import { defineSiteCheck } from '../rule.js';

/** 334.30, 314.17(C): staples near each box and every 4 1/2 ft; none where cable is fished (334.30(B)). */
export const cableSecured = defineSiteCheck({
  id: 'cable-secured',
  stage: 'roughIn',
  title: 'Cable secured near each box and every 4 1/2 ft',
  rests:
    'Within 12 in of a box, 8 in at a single-gang nonmetallic one without clamps, and every 4 1/2 ft; fished cable apart.',
  section: () => '334.30, 314.17(C)',
  where: ({ job, wiring }) =>
    wiring.cables
      .filter((cable) => !cable.existing && wayOf(job, cable.from, cable.to).access !== 'fished')
      .map(({ id }) => ({ cable: id })),
  why: 'A cable that hangs pulls on its splices, and is found by the next nail.',
  look: 'Walk each run.',
});

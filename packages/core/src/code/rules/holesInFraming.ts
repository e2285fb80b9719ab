import { wayOf } from '../../materials/lengths.js';
import { defineSiteCheck } from '../rule.js';

/** 300.4(A): a hole 1 1/4 in or more from the face of the framing, else a steel plate. */
export const holesInFraming = defineSiteCheck({
  id: 'holes-in-framing',
  stage: 'roughIn',
  title: 'Holes 1 1/4 in or more from the face of the framing, else plated',
  rests: 'Edge of the hole 1 1/4 in from the nearest face, else a steel plate 1/16 in thick.',
  section: () => '300.4(A)',
  where: ({ job, wiring }) =>
    wiring.cables
      .filter((cable) => !cable.existing && wayOf(job, cable.from, cable.to).access === 'open')
      .map(({ id }) => ({ cable: id })),
  why: 'Screws and nails of the finish reach so far.',
  look: 'Measure at each stud and plate.',
});

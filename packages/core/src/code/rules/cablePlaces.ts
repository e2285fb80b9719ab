import { articleOf } from '../../model/articles.js';
import { findBox } from '../../model/lookup.js';
import { defineSiteCheck } from '../rule.js';

/** 334.12(B), 334.15: nonmetallic cable stays out of damp and wet places, and is protected where it is exposed. */
export const cablePlaces = defineSiteCheck({
  id: 'cable-places',
  stage: 'roughIn',
  title: 'Nonmetallic cable stays out of damp and wet places',
  rests: 'Its paper and jacket take up water; a box in the wet does not make its cable one for the wet.',
  section: () => '334.12(B), 334.15',
  where: ({ job, wiring }) =>
    wiring.cables
      .filter(
        (cable) =>
          !cable.existing &&
          articleOf(job.stock, 'cable', cable.article).sheath === 'nonmetallic' &&
          [cable.from, cable.to].some((end) => {
            const location = findBox(job, end)?.location;
            return location === 'damp' || location === 'wet';
          }),
      )
      .map(({ id }) => ({ cable: id })),
  why: 'Water runs along under the jacket into the box.',
  look: 'See that no part of it lies outside the dry wall: enter the box from behind, or change to a cable or raceway for the place.',
});

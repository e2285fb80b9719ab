import { findBox } from '../../model/lookup.js';
import { isLuminaireKept } from '../../model/there.js';
import { builtByAt } from '../touched.js';
import { defineSiteCheck } from '../rule.js';

/** 410.68, 410.117: a luminaire that asks for hotter supply wires is not spliced to old insulation for 60 C. */
export const oldInsulation = defineSiteCheck({
  id: 'old-insulation',
  stage: 'final',
  title: 'A new luminaire is not hung on old wires that its heat spoils',
  rests:
    'Insulation of before about 1985 stands 60 C; many luminaires are marked for supply wires of 75 or 90 C.',
  section: () => '410.68, 410.117',
  where: ({ job, wiring }) =>
    job.luminaires
      .filter((one) => {
        const box = findBox(job, one.box);
        const built = box && builtByAt(job, wiring, { box: box.id });
        return (
          box?.work === 'existing' &&
          one.unit !== 'onward' &&
          !isLuminaireKept(job, one) &&
          (built === null || built === undefined || built < 2008)
        );
      })
      .map(({ id, box }) => ({ luminaire: id, box })),
  why: 'Insulation that was baked crumbles at the first touch.',
  look: 'Read what the luminaire asks of its supply wires; look at the old insulation in the box, and bring a new cable where it is brittle.',
});

import { articlesAt } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import { PANEL } from '../../model/ids.js';
import type { Cable } from '../../model/wiring.js';
import { defineRule, type Breach } from '../rule.js';

/** Less than this is the rounding of the simulation, amperes. */
const NOTHING = 0.005;

/**
 * 300.3(B), 300.20(A): all conductors of a circuit run in one cable, so that its currents sum to zero. Nonmetallic
 * cables with nonmetallic boxes have more room (300.3(B)(3)).
 */
export const conductorsTogether = defineRule<{ cable: Cable; amperes: number; ferrous: boolean }>({
  id: 'conductors-together',
  stage: 'roughIn',
  title: 'The currents of each cable sum to zero in every handle position',
  rests: 'Kirchhoff’s current law over the conductors of one cable, computed in every handle position.',
  section: () => '300.3(B), 300.20(A)',
  severities: ['violation', 'caution'],
  check: ({ job, wiring, worstNetCurrents }) => {
    // The panel is a steel box.
    const metal = (place: string) =>
      place === PANEL || articlesAt(wiring, place).some((id) => articleOf(job.stock, 'box', id).metal);
    return wiring.cables.flatMap((cable): Breach<{ cable: Cable; amperes: number; ferrous: boolean }>[] => {
      const amperes = worstNetCurrents().get(cable.id) ?? 0;
      if (amperes < NOTHING) return [];
      const ferrous = metal(cable.from) || metal(cable.to);
      const severity = ferrous ? 'violation' : 'caution';
      return [{ severity, at: { cable: cable.id, box: cable.to }, data: { cable, amperes, ferrous } }];
    });
  },
  say: ({ cable, amperes, ferrous }, { runOf }) => ({
    where: runOf(cable),
    what: `${amperes.toFixed(2)} A do not come back in the same cable`,
    reason: ferrous
      ? 'The steel of the box heats by induction, and the field reaches beyond the cable.'
      : 'With nonmetallic boxes it is not forbidden, but the field reaches beyond the cable, and somewhere a conductor takes a way that nobody expects.',
    remedy:
      'Bring hot and return of the circuit in one cable: look for a neutral or traveler that goes another way.',
  }),
});

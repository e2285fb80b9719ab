import { articlesAt } from '../../model/wiring.js';
import { cubicInches } from '../../model/units.js';
import { fillOf } from '../../materials/boxContents.js';
import { defineRule, type Ask, type Breach } from '../rule.js';

type Found =
  { why: 'full'; name: string; needed: number; available: number } | { why: 'through'; name: string };

/** 410.21, 314.16: a luminaire with its own driver box has wiring space as marked, and passes nothing on unless listed. */
export const driverBox = defineRule<Found>({
  id: 'driver-box',
  stage: 'roughIn',
  title:
    'A luminaire with its own driver box has room for its wires, and passes a circuit on only where listed for it',
  rests: 'The wiring space and the listing marked on the driver box.',
  section: () => '410.21, 314.16',
  severities: ['violation'],
  asks: ['luminaire.throughWiring'],
  check: ({ job, wiring, edition }) =>
    job.luminaires.flatMap((luminaire): (Breach<Found> | Ask)[] => {
      const { id, name, box } = luminaire;
      if (luminaire.driverBox === null || articlesAt(wiring, box).length > 0) return [];
      const at = { luminaire: id, box };
      const found: (Breach<Found> | Ask)[] = [];
      const { needed, available, verdict } = fillOf(job, wiring, box, edition);
      if (verdict === 'over' && available !== null)
        found.push({ severity: 'violation', at, data: { why: 'full', name, needed, available } });
      const cables = wiring.cables.filter((cable) => cable.from === box || cable.to === box).length;
      if (cables < 2) return found;
      if (luminaire.throughWiring === 'no')
        found.push({ severity: 'violation', at, data: { why: 'through', name } });
      if (luminaire.throughWiring === 'unknown') found.push({ ask: 'luminaire.throughWiring', of: id });
      return found;
    }),
  say: (found) =>
    found.why === 'full'
      ? {
          where: found.name,
          what: `${cubicInches(found.needed)} needed, its driver box has ${cubicInches(found.available)}`,
          reason: 'Crowded beside a warm driver, insulation ages fast.',
          remedy: 'Bring one cable only to this luminaire, or splice in a box beside it.',
        }
      : {
          where: found.name,
          what: 'conductors go on from a driver box that is not listed for it',
          reason: 'Only a driver box listed for through wiring may carry what others draw.',
          remedy: 'Make it the end of its run, or splice in a box beside it.',
        },
});

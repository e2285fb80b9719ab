import { articleOf } from '../../model/articles.js';
import type { Cable } from '../../model/wiring.js';
import { conductorKey } from '../../circuit/keys.js';
import { terminalKey } from '../../model/wiring.js';
import { defineRule, type Breach } from '../rule.js';

type Found = { kind: 'switchedNeutral'; box: string } | { kind: 'hotAlong'; cable: Cable };

/** Less than this is the rounding of the simulation, amperes. */
const NOTHING = 0.005;

/** 404.2(A) and 300.3(B): ways of wiring three-ways that were in use, light the luminaire, and are dangerous. */
export const oldPattern = defineRule<Found>({
  id: 'old-pattern',
  stage: 'roughIn',
  title: 'No three-way is wired in one of the dangerous ways of old',
  rests:
    'Hot and neutral on the two travelers of one switch; a hot beside the travelers whose current comes back elsewhere.',
  section: () => '404.2(A), 300.3(B)',
  severities: ['violation'],
  check: ({ job, wiring, compiled, roles, worstNetCurrents }) => {
    const roleOf = (key: string) => roles[compiled.netOf(key) ?? -1];
    const switched = wiring.devices.flatMap((device): Breach<Found>[] => {
      const { terminals } = articleOf(job.stock, 'device', device.article);
      const on = terminals
        .filter(({ use }) => use === 'traveler')
        .map(({ name }) => roleOf(terminalKey({ device: device.id, name })));
      if (!on.includes('hot') || !on.includes('neutral')) return [];
      return [
        {
          ...{ severity: 'violation', at: { box: device.box, device: device.id } },
          data: { kind: 'switchedNeutral', box: device.box },
        },
      ];
    });
    const along = wiring.cables.flatMap((cable): Breach<Found>[] => {
      const on = articleOf(job.stock, 'cable', cable.article).insulated.map((colour) =>
        roleOf(conductorKey(cable.id, colour)),
      );
      const hasTravelers = on.filter((role) => role === 'traveler').length > 1;
      if (!hasTravelers || !on.includes('hot') || on.includes('neutral')) return [];
      if ((worstNetCurrents().get(cable.id) ?? 0) < NOTHING) return [];
      return [
        { severity: 'violation', at: { cable: cable.id, box: cable.to }, data: { kind: 'hotAlong', cable } },
      ];
    });
    return [...switched, ...along];
  },
  say: (data, { place, runOf }) =>
    data.kind === 'switchedNeutral'
      ? {
          where: place(data.box),
          what: 'hot and neutral are switched at the travelers',
          reason:
            'It lights, and it is dangerous: with the lamp dark both its terminals may be hot, its shell too, and one worn contact joins hot and neutral. That it works says nothing for it.',
          remedy:
            'Rewire it: hot on the common of one end, travelers between the switches, the switch leg from the other common, and the neutral past the switches to the luminaire.',
        }
      : {
          where: runOf(data.cable),
          what: 'an always-hot conductor goes along with the travelers, and what it feeds returns elsewhere',
          reason:
            'It works, and the current does not come back in its cable: the neutral goes a way that nobody expects, and stays live with this cable thought dead.',
          remedy: 'Bring hot and neutral of what is fed in one cable; leave the travelers theirs.',
        },
});

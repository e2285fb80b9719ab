import { findCircuit, findGroup, findSlot } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import { MOTOR_SHARE, switchLoad } from '../../nec/switchRating.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  box: string;
  amperes: number;
  rating: number;
  by: 'load' | 'motor' | 'receptacles';
}

/** 404.14: the load of a switch is within its rating. */
export const switchRating = defineRule<Found>({
  id: 'switch-rating',
  stage: 'final',
  title: 'The load of a switch is within its rating, whatever the breaker',
  rests:
    'General-use AC switch: full rating for lighting, 80 % for a fan motor; a switch that controls receptacles, the rating of the breaker.',
  section: () => '404.14',
  severities: ['violation'],
  check: ({ job, wiring }) =>
    wiring.devices.flatMap((device): Breach<Found>[] => {
      const slot = findSlot(job, device.slot);
      const { amperes: rating, letter } = articleOf(job.stock, 'device', device.article);
      if (!slot || letter === null) return [];
      const at = { box: device.box, device: device.id };
      const found = (amperes: number, by: Found['by']): Breach<Found>[] => [
        { severity: 'violation', at, data: { box: device.box, amperes, rating, by } },
      ];
      const { amperes, motors, receptacles } = switchLoad(job, slot.group);
      const breaker = findCircuit(job, findGroup(job, slot.group)?.circuit)?.breaker ?? 0;
      if (receptacles && rating < breaker) return found(breaker, 'receptacles');
      if (motors > rating * MOTOR_SHARE) return found(motors, 'motor');
      return amperes > rating ? found(amperes, 'load') : [];
    }),
  say: ({ box, amperes, rating, by }, { place }) => ({
    where: place(box),
    what:
      by === 'receptacles'
        ? `a switch of ${rating} A controls receptacles on a breaker of ${amperes} A`
        : `${amperes.toFixed(1)} A ${by === 'motor' ? 'of fan ' : ''}on a switch of ${rating} A`,
    reason:
      by === 'motor'
        ? `A motor draws more as it starts: ${rating} A switch at most ${rating * MOTOR_SHARE} A of fan.`
        : by === 'receptacles'
          ? 'Whoever plugs in decides what it carries; only the breaker limits that.'
          : 'Contacts that carry more than their rating burn.',
    remedy:
      by === 'receptacles'
        ? `Use a switch of ${amperes} A.`
        : 'Use a switch of a higher rating, or divide the load between two groups.',
  }),
});

import { findSlot } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import { BRANCH_VOLTS } from '../../model/units.js';
import { defineRule, type Breach } from '../rule.js';

/** A general-use switch takes its full rating of lighting, and so much of it of a motor (404.14(A)). */
const MOTOR_SHARE = 0.8;

interface Found {
  box: string;
  amperes: number;
  rating: number;
  motor: boolean;
}

/** 404.14: the load of a switch is within its rating. */
export const switchRating = defineRule<Found>({
  id: 'switch-rating',
  title: 'The load of a switch is within its rating',
  rests: 'General-use AC switch: full rating for lighting, 80 % for a fan motor.',
  section: () => '404.14',
  severities: ['violation'],
  check: ({ job, wiring }) =>
    wiring.devices.flatMap((device): Breach<Found>[] => {
      const slot = findSlot(job, device.slot);
      const { amperes: rating, letter } = articleOf(job.stock, 'device', device.article);
      if (!slot || letter === null) return [];
      const loads = job.luminaires.filter((one) => one.group === slot.group);
      const amperesOf = (of: typeof loads) => of.reduce((sum, one) => sum + one.va, 0) / BRANCH_VOLTS;
      const at = { box: device.box, device: device.id };
      const found = (amperes: number, motor: boolean): Breach<Found>[] => [
        { severity: 'violation', at, data: { box: device.box, amperes, rating, motor } },
      ];
      const motors = amperesOf(loads.filter((one) => one.unit === 'fan'));
      if (motors > rating * MOTOR_SHARE) return found(motors, true);
      return amperesOf(loads) > rating ? found(amperesOf(loads), false) : [];
    }),
  say: ({ box, amperes, rating, motor }, { place }) => ({
    where: place(box),
    what: `${amperes.toFixed(1)} A ${motor ? 'of fan ' : ''}on a switch of ${rating} A`,
    reason: motor
      ? `A motor draws more as it starts: ${rating} A switch at most ${rating * MOTOR_SHARE} A of fan.`
      : 'Contacts that carry more than their rating burn.',
    remedy: 'Use a switch of a higher rating, or divide the load between two groups.',
  }),
});

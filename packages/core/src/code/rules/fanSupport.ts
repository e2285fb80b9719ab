import { articlesAt } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import type { Joint } from '../../model/wiring.js';
import { jointKey } from '../../circuit/keys.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

type Found = { box: string; why: 'fan' | 'spare' };

/** A capped conductor that a switch of its own feeds, kept for a fan to come. */
const isSpareSwitched = ({ compiled, roles }: Inspected, joint: Joint): boolean => {
  if (joint.members.length > 1) return false;
  const net = compiled.netOf(jointKey(joint.id)) ?? -1;
  return (
    roles[net] === 'traveler' && compiled.devices.filter((one) => one.switched.includes(net)).length === 1
  );
};

/**
 * 314.27(C): a fan hangs on a box listed for it; so does what spare, separately switched conductors at a ceiling box of a
 * dwelling are kept for. Later editions ask more; how much is to be verified.
 */
export const fanSupport = defineRule<Found>({
  id: 'fan-support',
  title: 'A fan, and a ceiling box made ready for one, has a box listed for fans',
  rests: 'Listing of the box; spare separately switched conductors make a ceiling box ready for a fan.',
  section: () => '314.27(C)',
  severities: ['violation'],
  check: (inspected) => {
    const { job, wiring } = inspected;
    return job.boxes.flatMap((box): Breach<Found>[] => {
      const [base] = articlesAt(wiring, box.id).map((id) => articleOf(job.stock, 'box', id));
      if (!base || base.fanRated || base.gangs > 0) return [];
      const fan = job.luminaires.some((one) => one.box === box.id && one.unit === 'fan');
      const spare = wiring.joints.some((one) => one.box === box.id && isSpareSwitched(inspected, one));
      if (!fan && !spare) return [];
      return [
        { severity: 'violation', at: { box: box.id }, data: { box: box.id, why: fan ? 'fan' : 'spare' } },
      ];
    });
  },
  say: ({ box, why }, { place, edition }) => ({
    where: place(box),
    what: why === 'fan' ? 'a fan on a plain box' : 'made ready for a fan, on a plain box',
    reason: `A fan shakes what it hangs on for years.${why === 'spare' ? ' A spare conductor with a switch of its own will be used for one.' : ''}${edition >= 2020 ? ' Later editions widen this to ceiling boxes where a fan could hang: ask the authority.' : ''}`,
    remedy: 'Use a box listed for fans.',
  }),
  fixes: ({ at, data: { why } }): Fix[] =>
    why === 'fan'
      ? [
          {
            words: 'Let the program choose a box listed for fans',
            job: (job) => ({
              ...job,
              boxes: job.boxes.map((box) =>
                box.id === at.box ? { ...box, article: null, sections: [] } : box,
              ),
            }),
          },
        ]
      : [],
});

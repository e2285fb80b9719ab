import { articlesAt } from '../../model/wiring.js';
import { articleOf } from '../../model/articles.js';
import { supportOf } from '../../materials/boxChoice.js';
import { isLuminaireKept } from '../../model/there.js';
import type { Job, Luminaire } from '../../model/job.js';
import type { Joint } from '../../model/wiring.js';
import { jointKey } from '../../circuit/keys.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Ask, type Breach, type Fix } from '../rule.js';

/** A fan heavier than this hangs from the structure, and one heavier than the other only on a box marked with its weight, pounds (314.27(C)). */
const FROM_STRUCTURE = 70;
const MARKED_FROM = 35;

type Found =
  { box: string; why: 'fan' | 'spare' } | { box: string; why: 'weight'; pounds: number; supports: number };

/** A capped conductor that a switch of its own feeds, kept for a fan to come. */
const isSpareSwitched = ({ compiled, roles }: Inspected, joint: Joint): boolean => {
  if (joint.members.length > 1) return false;
  const net = compiled.netOf(jointKey(joint.id)) ?? -1;
  return (
    roles[net] === 'traveler' && compiled.devices.filter((one) => one.switched.includes(net)).length === 1
  );
};

const byWeight = (job: Job, fan: Luminaire, supports: number): (Breach<Found> | Ask)[] => {
  const { id, box, pounds } = fan;
  if (pounds === null) return isLuminaireKept(job, fan) ? [] : [{ ask: 'luminaire.pounds', of: id }];
  const holds = pounds <= MARKED_FROM || (pounds <= FROM_STRUCTURE && pounds <= supports);
  return holds
    ? []
    : [{ severity: 'violation', at: { box, luminaire: id }, data: { box, why: 'weight', pounds, supports } }];
};

/**
 * 314.27(C): a fan hangs on a box listed for it; so does what spare, separately switched conductors at a ceiling box of a
 * dwelling are kept for. Later editions ask more; how much is to be verified.
 */
export const fanSupport = defineRule<Found>({
  id: 'fan-support',
  stage: 'roughIn',
  title: 'A fan, and a ceiling box made ready for one, has a box listed for fans',
  rests:
    'Listing of the box: up to 35 lb, more as marked, 70 lb at most; heavier from the structure. Spare separately switched conductors make a ceiling box ready for a fan.',
  section: (edition) => (edition >= 2011 ? '314.27(C)' : '314.27(D)'),
  severities: ['violation'],
  asks: ['luminaire.pounds'],
  check: (inspected) => {
    const { job, wiring } = inspected;
    return job.boxes.flatMap((box): (Breach<Found> | Ask)[] => {
      const chosen = articlesAt(wiring, box.id).map((id) => articleOf(job.stock, 'box', id));
      const [base] = chosen;
      if (!base || base.gangs > 0) return [];
      const fan = job.luminaires.find((one) => one.box === box.id && one.unit === 'fan');
      if (base.fanRated) return fan ? byWeight(job, fan, supportOf(chosen)) : [];
      const spare = wiring.joints.some((one) => one.box === box.id && isSpareSwitched(inspected, one));
      if (!fan && !spare) return [];
      return [
        { severity: 'violation', at: { box: box.id }, data: { box: box.id, why: fan ? 'fan' : 'spare' } },
      ];
    });
  },
  say: (found, { place, edition }) => {
    const { box, why } = found;
    if (why === 'weight')
      return {
        where: place(box),
        what: `a fan of ${found.pounds} lb on a box marked for ${found.supports} lb`,
        reason: `Above ${MARKED_FROM} lb the box is marked with the weight; above ${FROM_STRUCTURE} lb no box holds a fan.`,
        remedy:
          found.pounds > FROM_STRUCTURE
            ? 'Hang it from the framing by itself.'
            : 'Use a box marked for the weight, or hang the fan from the framing by itself.',
      };
    return {
      where: place(box),
      what: why === 'fan' ? 'a fan on a plain box' : 'made ready for a fan, on a plain box',
      reason: `A fan shakes what it hangs on for years.${why === 'spare' ? ' A spare conductor with a switch of its own will be used for one.' : ''}${edition >= 2020 ? ' Later editions widen this to ceiling boxes where a fan could hang: ask the authority.' : ''}`,
      remedy: 'Use a box listed for fans.',
    };
  },
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

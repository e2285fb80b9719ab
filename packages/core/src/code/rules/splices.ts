import { findCable, leadAwg } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import { isConnectorUntold, isJumper } from '../../model/inBox.js';
import type { Joint, Wiring } from '../../model/wiring.js';
import type { Awg } from '../../model/units.js';
import type { Job } from '../../model/job.js';
import { chooseConnectors, takes } from '../../materials/connectors.js';
import { jointKey } from '../../circuit/keys.js';
import { defineRule, type Breach, type Fix } from '../rule.js';

interface Found {
  joint: Joint;
  why: 'none' | 'untold' | 'tooMany' | 'leftOut';
  sizes: Awg[];
  ground: boolean;
}

/** What each member of a splice is, AWG. */
export const sizesIn = (job: Job, wiring: Wiring, joint: Joint): Awg[] =>
  joint.members.map((member) => {
    if ('pigtail' in member) return member.pigtail.awg;
    if ('lead' in member) return leadAwg(job, wiring, member.lead);
    const cable = findCable(wiring, member.end.cable);
    return cable ? articleOf(job.stock, 'cable', cable.article).awg : 14;
  });

const wrong = (job: Job, wiring: Wiring, joint: Joint, sizes: readonly Awg[]): Found['why'] | null => {
  if (isJumper(joint)) return null;
  if (joint.connectors.length === 0) return isConnectorUntold(wiring, joint) ? 'untold' : 'none';
  const held = new Set(joint.connectors.flatMap((one) => one.members));
  if (held.size < joint.members.length) return 'leftOut';
  const jumper = sizes.reduce((thick, awg) => (awg < thick ? awg : thick), sizes[0] ?? 14);
  const right = joint.connectors.every((one) =>
    takes(articleOf(job.stock, 'connector', one.article), [
      ...one.members.map((i) => sizes[i] ?? jumper),
      ...Array<Awg>(one.jumperEnds).fill(jumper),
    ]),
  );
  return right ? null : 'tooMany';
};

/** 110.14(B), 110.3(B): a connector joins what it is listed for, number and sizes. */
export const splices = defineRule<Found>({
  id: 'splices',
  stage: 'makeUp',
  title: 'Every splice is in a connector listed for its number and sizes',
  rests: 'The listing of the connector; a jumper between two connectors counts in both.',
  section: () => '110.14(B), 110.3(B)',
  severities: ['violation', 'verify'],
  check: ({ job, wiring, compiled, roles }) =>
    wiring.joints.flatMap((joint): Breach<Found>[] => {
      const sizes = sizesIn(job, wiring, joint);
      const why = wrong(job, wiring, joint, sizes);
      const ground = roles[compiled.netOf(jointKey(joint.id)) ?? -1] === 'ground';
      return why === null
        ? []
        : [
            {
              severity: why === 'untold' ? 'verify' : 'violation',
              at: { box: joint.box, joint: joint.id },
              data: { joint, why, sizes, ground },
            },
          ];
    }),
  say: ({ joint, why, sizes }, { place }) => ({
    where: place(joint.box),
    what: {
      untold: `what holds ${sizes.length > 1 ? `${sizes.length} old conductors together` : 'the end of an old conductor'} is not told`,
      none: `${sizes.length > 1 ? `${sizes.length} conductors are joined` : 'a conductor ends'} without a connector`,
      tooMany: `${sizes.length} conductors are more than their connector takes`,
      leftOut: 'a conductor of a splice is in no connector',
    }[why],
    reason: 'A splice outside its listing works loose and heats.',
    remedy:
      why === 'untold'
        ? 'Look at it: a connector listed for this number and these sizes, tight, no tape alone.'
        : 'Use a connector listed for this number and these sizes, or two with a jumper.',
  }),
  mendsWiring: true,
  fixes: ({ data: { joint, sizes, ground, why } }, { job }): Fix[] => {
    if (why === 'untold') return [];
    const connectors = chooseConnectors(job.stock, job.preferences, sizes, ground);
    return connectors
      ? [
          {
            words: 'Use the connectors of the stock that take it',
            wiring: (wiring) => ({
              ...wiring,
              joints: wiring.joints.map((one) => (one.id === joint.id ? { ...one, connectors } : one)),
            }),
          },
        ]
      : [];
  },
});

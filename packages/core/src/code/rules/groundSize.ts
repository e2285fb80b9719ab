import { articleOf, groundOf } from '../../model/articles.js';
import { isGroundColour } from '../../model/colours.js';
import type { BoxId } from '../../model/ids.js';
import type { CircuitId } from '../../model/ids.js';
import { findCircuit } from '../../model/lookup.js';
import type { Awg } from '../../model/units.js';
import { suitsBreaker } from '../../nec/ampacity.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  box: BoxId;
  awg: Awg;
  breaker: number;
}

/** 250.122, 250.148: a tail of the grounds is sized by the largest breaker among the circuits whose grounds are spliced there. */
export const groundSize = defineRule<Found>({
  id: 'ground-size',
  stage: 'makeUp',
  title: 'A ground tail suits the largest breaker among the circuits of its splice',
  rests: 'Copper by Table 250.122: 14 AWG to 15 A, 12 AWG to 20 A.',
  section: () => '250.122, 250.148',
  severities: ['violation'],
  check: ({ job, wiring, circuitsOfCable }) =>
    wiring.joints.flatMap((joint): Breach<Found>[] => {
      const grounds = joint.members.flatMap((member) => {
        if (!('end' in member)) return [];
        const cable = wiring.cables.find(({ id }) => id === member.end.cable);
        const ground = cable && groundOf(articleOf(job.stock, 'cable', cable.article));
        return cable && ground === member.end.colour ? [cable.id] : [];
      });
      const breaker = Math.max(
        0,
        ...grounds
          .flatMap((cable) => circuitsOfCable(cable))
          .map((circuit: CircuitId) => findCircuit(job, circuit)?.breaker ?? 0),
      );
      return joint.members.flatMap((member): Breach<Found>[] => {
        if (!('pigtail' in member) || !isGroundColour(member.pigtail.colour)) return [];
        const { awg } = member.pigtail;
        return suitsBreaker(awg, breaker)
          ? []
          : [
              {
                severity: 'violation',
                at: { box: joint.box, joint: joint.id },
                data: { box: joint.box, awg, breaker },
              },
            ];
      });
    }),
  say: ({ box, awg, breaker }, { place }) => ({
    where: place(box),
    what: `a ground tail of ${awg} AWG in a splice with a ${breaker} A circuit`,
    reason:
      'A fault of the larger circuit may come back by any tail of the splice; a thin one burns before that breaker opens.',
    remedy: `Make every ground tail of this splice ${breaker > 20 ? 10 : 12} AWG.`,
  }),
});

import type { CircuitId } from '../../model/ids.js';
import { findCircuit } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import { isGroundColour } from '../../model/colours.js';
import type { Place } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import type { Awg } from '../../model/units.js';
import { pigtailKey } from '../../circuit/keys.js';
import { LARGEST_BREAKER, suitsBreaker } from '../../nec/ampacity.js';
import { defineRule } from '../rule.js';

interface Found {
  from: Place;
  /** Null for a tail or jumper, which does not leave its box. */
  to: Place | null;
  awg: Awg;
  breaker: number;
}

/** 240.4(D): every conductor of the circuit, travelers and switch legs included, suits its breaker. */
export const conductorToBreaker = defineRule<Found>({
  id: 'conductor-to-breaker',
  stage: 'roughIn',
  title: 'Every conductor of the circuit suits its breaker',
  rests: 'Copper: 14 AWG at most 15 A, 12 AWG 20 A, 10 AWG 30 A; travelers, switch legs and tails included.',
  section: () => '240.4(D)',
  severities: ['violation'],
  check: ({ job, wiring, compiled, circuits, circuitsOfCable }) => {
    /** Circuits whose breaker is too large for a conductor of this size. */
    const tooLarge = (awg: Awg, ids: Iterable<string>) =>
      ([...ids] as CircuitId[]).flatMap((id) => {
        const breaker = findCircuit(job, id)?.breaker ?? 0;
        return suitsBreaker(awg, breaker) ? [] : [{ id, breaker }];
      });
    const cables = wiring.cables.flatMap((cable) => {
      const { awg } = articleOf(job.stock, 'cable', cable.article);
      return tooLarge(awg, circuitsOfCable(cable.id)).map(({ id, breaker }) => ({
        severity: 'violation' as const,
        at: { circuit: id, cable: cable.id, box: cable.to },
        data: { from: cable.from, to: cable.to, awg, breaker },
      }));
    });
    // Tails and jumpers carry what their box takes from the circuit; the own leads of luminaires are another matter.
    const tails = wiring.joints.flatMap((joint) =>
      joint.members.flatMap((member) => {
        if (!('pigtail' in member) || isGroundColour(member.pigtail.colour)) return [];
        const { awg, id: pigtail } = member.pigtail;
        const net = compiled.netOf(pigtailKey(pigtail)) ?? -1;
        return tooLarge(awg, circuits[net] ?? []).map(({ id, breaker }) => ({
          severity: 'violation' as const,
          at: { circuit: id, box: joint.box, joint: joint.id },
          data: { from: joint.box, to: null, awg, breaker },
        }));
      }),
    );
    return [...cables, ...tails];
  },
  say: ({ from, to, awg, breaker }, { place }) => ({
    where: `${place(from)}${to === null ? ', a tail' : ` to ${place(to)}`}`,
    what: `${awg} AWG on a ${breaker} A breaker`,
    reason: `The breaker would let ${awg} AWG copper run hotter than its insulation stands before it opens.`,
    remedy: `Use ${breaker > 15 ? '12 AWG or larger on every run of the circuit' : '14 AWG or larger'}, or a breaker of ${LARGEST_BREAKER[awg] ?? 15} A.`,
  }),
  fixes: ({ at, data: { awg, breaker } }) => [
    ...(awg === 14
      ? [
          {
            words: 'Use a breaker of 15 A',
            unpriced: 'breaker' as const,
            job: (job: Job): Job => ({
              ...job,
              circuits: job.circuits.map((one) => (one.id === at.circuit ? { ...one, breaker: 15 } : one)),
            }),
          },
        ]
      : []),
    {
      words: `Use ${breaker > 15 ? '12 AWG' : '14 AWG'} on the whole circuit`,
      job: (job) => ({
        ...job,
        circuits: job.circuits.map((one) =>
          one.id === at.circuit ? { ...one, awg: breaker > 15 ? 12 : 14 } : one,
        ),
      }),
    },
  ],
});

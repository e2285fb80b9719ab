import { articleOf } from '../../model/articles.js';
import type { Job } from '../../model/job.js';
import type { Awg } from '../../model/units.js';
import { defineRule } from '../rule.js';

/** Largest breaker in amperes for a copper conductor (240.4(D)). */
const LARGEST_BREAKER: Partial<Record<Awg, number>> = { 14: 15, 12: 20, 10: 30 };

/** 240.4(D): every conductor of the circuit, travelers and switch legs included, suits its breaker. */
export const conductorToBreaker = defineRule<{ from: string; to: string; awg: Awg; breaker: number }>({
  id: 'conductor-to-breaker',
  title: 'Every conductor of the circuit suits its breaker',
  rests: 'Copper: 14 AWG at most 15 A, 12 AWG 20 A, 10 AWG 30 A; travelers and switch legs included.',
  section: () => '240.4(D)',
  severities: ['violation'],
  check: ({ job, wiring, circuitsOfCable }) =>
    wiring.cables.flatMap((cable) => {
      const { awg } = articleOf(job.stock, 'cable', cable.article);
      return circuitsOfCable(cable.id).flatMap((id) => {
        const breaker = job.circuits.find((circuit) => circuit.id === id)?.breaker ?? 0;
        if (breaker <= (LARGEST_BREAKER[awg] ?? 0)) return [];
        return [
          {
            severity: 'violation' as const,
            at: { circuit: id, cable: cable.id, box: cable.to },
            data: { from: cable.from, to: cable.to, awg, breaker },
          },
        ];
      });
    }),
  say: ({ from, to, awg, breaker }, { place }) => ({
    title: `${place(from)} to ${place(to)}: ${awg} AWG on a ${breaker} A breaker`,
    reason: `The breaker would let ${awg} AWG copper run hotter than its insulation stands before it opens.`,
    remedy: `Use ${breaker > 15 ? '12 AWG or larger on every run of the circuit' : '14 AWG or larger'}, or a breaker of ${LARGEST_BREAKER[awg] ?? 15} A.`,
  }),
  fixes: ({ at, data: { awg, breaker } }) => [
    ...(awg === 14
      ? [
          {
            words: 'Use a breaker of 15 A',
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

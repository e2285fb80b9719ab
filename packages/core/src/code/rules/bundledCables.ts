import { articleOf } from '../../model/articles.js';
import type { Awg } from '../../model/units.js';
import { conductorKey } from '../../circuit/keys.js';
import { defineRule, type Breach } from '../rule.js';

/** Amperes at 90 C, from which is derated, and the share left by so many current-carrying conductors (310.15). */
const AT_90: Partial<Record<Awg, number>> = { 14: 25, 12: 30, 10: 40 };
const SHARES: readonly [most: number, share: number][] = [
  [3, 1],
  [6, 0.8],
  [9, 0.7],
  [20, 0.5],
];

interface Found {
  box: string;
  cables: number;
  conductors: number;
  share: number;
  awg: Awg;
  left: number;
  breaker: number;
}

/**
 * 334.80, 310.15: more than two cables through one sealed or insulated opening are derated. Taken here as the cables that
 * leave one box together. Of two travelers one at a time carries current, so they count once.
 */
export const bundledCables = defineRule<Found>({
  id: 'bundled-cables',
  stage: 'roughIn',
  title: 'Cables bundled in one opening still carry what the breaker lets through',
  rests:
    'From the 90 C figure (14 AWG 25 A, 12 AWG 30 A): 4 to 6 current-carrying conductors 80 %, 7 to 9 70 %, 10 to 20 50 %.',
  section: () => '334.80, 310.15',
  severities: ['verify'],
  check: ({ job, wiring, compiled, roles, circuitsOfCable }) =>
    job.boxes.flatMap((box): Breach<Found>[] => {
      const here = wiring.cables.filter(({ from, to }) => from === box.id || to === box.id);
      if (here.length < 3) return [];
      const carrying = (cable: (typeof here)[number]) => {
        const nets = articleOf(job.stock, 'cable', cable.article).insulated.map(
          (colour) => roles[compiled.netOf(conductorKey(cable.id, colour)) ?? -1] ?? 'spare',
        );
        const travelers = nets.filter((role) => role === 'traveler').length;
        return nets.filter((role) => !['spare', 'traveler'].includes(role)).length + Math.ceil(travelers / 2);
      };
      const conductors = here.reduce((sum, cable) => sum + carrying(cable), 0);
      const share = SHARES.find(([most]) => conductors <= most)?.[1] ?? 0.45;
      return here
        .flatMap((cable): Breach<Found>[] => {
          const { awg } = articleOf(job.stock, 'cable', cable.article);
          const breaker = Math.max(
            0,
            ...job.circuits
              .filter((one) => circuitsOfCable(cable.id).includes(one.id))
              .map((one) => one.breaker),
          );
          const left = (AT_90[awg] ?? 0) * share;
          const data = { box: box.id, cables: here.length, conductors, share, awg, left, breaker };
          return left < breaker ? [{ severity: 'verify', at: { box: box.id }, data }] : [];
        })
        .slice(0, 1);
    }),
  say: ({ box, cables, conductors, share, awg, left, breaker }, { place }) => ({
    where: place(box),
    what: `${cables} cables through one sealed or insulated opening would be too warm for ${breaker} A`,
    reason: `${conductors} current-carrying conductors leave ${share * 100} % of ${AT_90[awg] ?? 0} A: ${left.toFixed(1)} A for ${awg} AWG.`,
    remedy:
      'See by which holes they come: more than two through one that is sealed or insulated are too many here. Use several holes, or leave it open.',
  }),
});

import { articleOf } from '../../model/articles.js';
import { PANEL } from '../../model/ids.js';
import { circuitName, findDevice, findLuminaire } from '../../model/lookup.js';
import { conductorKey } from '../../circuit/keys.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  /** What hangs between the two circuits. */
  load: string;
  hot: string;
  neutral: string;
}

/**
 * Circuits that come from the panel in one cable over one neutral: a multiwire circuit, whose common neutral is no borrowed one
 * (210.4).
 */
const sharesCable = ({ job, wiring, compiled }: Inspected, a: string, b: string): boolean =>
  wiring.cables
    .filter(({ from }) => from === PANEL)
    .some((cable) => {
      const nets = new Set(
        articleOf(job.stock, 'cable', cable.article).insulated.map((colour) =>
          compiled.netOf(conductorKey(cable.id, colour)),
        ),
      );
      return [a, b].every((id) =>
        compiled.sources.some((source) => source.id === id && nets.has(source.hot)),
      );
    });

/** 200.4(A): the hot of one circuit with the neutral of another, told at every load by comparing the two. */
export const borrowedNeutral = defineRule<Found>({
  id: 'borrowed-neutral',
  stage: 'roughIn',
  title: 'A load hangs on the hot and the neutral of one circuit',
  rests:
    'At every load the circuit of its hot is compared with the circuit of its neutral; the panel joins all neutrals, and is left out.',
  section: (edition) => (edition >= 2014 ? '200.4(A)' : '200.4'),
  severities: ['violation'],
  check: (inspected) => {
    const { job, wiring, compiled, circuits } = inspected;
    const loads = [
      ...compiled.luminaires.map(({ id, hot, neutral }) => {
        const luminaire = findLuminaire(job, id);
        return { name: luminaire?.name ?? id, box: luminaire?.box, hots: [hot], neutral };
      }),
      ...compiled.devices.flatMap(({ id, outlets, neutrals }) => {
        const box = findDevice(wiring, id)?.box;
        return neutrals.map((neutral) => ({ name: 'the receptacle', box, hots: outlets, neutral }));
      }),
    ];
    return loads.flatMap(({ name, box, hots, neutral }): Breach<Found>[] => {
      const [whose] = compiled.sources.filter((source) => source.neutral === neutral);
      const feeding = new Set(hots.flatMap((net) => [...(circuits[net] ?? [])]));
      const [hot] = feeding;
      if (!whose || hot === undefined || feeding.has(whose.id) || sharesCable(inspected, hot, whose.id))
        return [];
      const data = { load: name, hot: circuitName(job, hot), neutral: circuitName(job, whose.id) };
      return [{ severity: 'violation', at: box === undefined ? { circuit: whose.id } : { box }, data }];
    });
  },
  say: ({ load, hot, neutral }) => ({
    what: `The neutral of ${load} is borrowed: its hot is of ${hot}, its neutral of ${neutral}`,
    reason: `It works, and it is dangerous: with the breaker of ${neutral} off, its neutral still carries the current of ${hot}, and whoever parts it stands between the two. Arc-fault and ground-fault devices trip.`,
    remedy: `Bring the neutral of ${hot} to it in the cable of its hot, or its hot from ${neutral}. Turn off both breakers before anything is parted.`,
  }),
});

import { listed } from '../../words/lists.js';
import { breakersOf } from '../../circuit/parts.js';
import type { CircuitId } from '../../model/ids.js';
import { circuitName } from '../../model/lookup.js';
import { defineRule } from '../rule.js';

/**
 * 200.4(B), from 2014: neutrals of different circuits in one box are each identified or grouped with their hot. Under
 * any edition it is the place where a neutral may be live with its neighbour's breaker off.
 */
export const circuitsInBox = defineRule<{ box: string; circuits: CircuitId[] }>({
  id: 'circuits-in-box',
  stage: 'makeUp',
  title: 'Where circuits meet in a box, each neutral is grouped with its hot',
  rests: 'A neutral that carries load is live to whoever opens it, whatever the other breaker does.',
  section: (edition) => (edition >= 2014 ? '200.4(B)' : ''),
  severities: ['verify'],
  check: ({ job, wiring, circuitsOfCable }) =>
    job.boxes.flatMap((box) => {
      const here = wiring.cables.filter(({ from, to }) => from === box.id || to === box.id);
      const there = new Set(here.flatMap((cable) => circuitsOfCable(cable.id)));
      const circuits = breakersOf(wiring, job).filter((id) => there.has(id));
      return circuits.length < 2 || box.work === 'beyond'
        ? []
        : [{ severity: 'verify' as const, at: { box: box.id }, data: { box: box.id, circuits } }];
    }),
  say: ({ box, circuits }, { place, job }) => {
    const names = circuits.map((id) => circuitName(job, id));
    return {
      where: place(box),
      what: `${listed(names)} meet in this box`,
      reason:
        'With one breaker off the other circuit is still live here, its neutral too while it carries load.',
      remedy:
        'Turn all of their breakers off to work here. See on site that each neutral is tied to the hot of its own circuit, or that its cable makes plain which it is; never join them.',
    };
  },
});

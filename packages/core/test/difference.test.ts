import fc from 'fast-check';
import {
  plannedWiring,
  changeBox,
  differenceOf,
  inverted,
  planJob,
  withChanges,
  type Job,
  newWiringDoc,
} from '../src/index.js';
import { anyFullJob } from './support/fullJobs.js';
import { EDITS } from './support/jobEdits.js';
import { forSamples } from './support/samples.js';

/** Some edits after each other, of one job. */
const sequence = (check: (before: Job, after: Job, names: string[]) => void, numRuns = 60) =>
  forSamples(
    fc.tuple(
      anyFullJob,
      fc.array(fc.constantFrom(...Object.keys(EDITS)), { minLength: 1, maxLength: 4 }),
      fc.nat(),
    ),
    { seed: 1414, numRuns },
    ([asked, names, seed]) => {
      const before = planJob(asked).job;
      const after = names.reduce(
        (job, name, i) => EDITS[name]?.(job, (count) => (seed + i) % Math.max(1, count)) ?? job,
        before,
      );
      check(before, planJob(after).job, names);
    },
  );

test('a change made to what it was told of gives what came of it, and taken back what was, to the last field', () => {
  const seen = new Set<string>();
  sequence((before, after, names) => {
    const changes = differenceOf(before, after);
    expect(withChanges(before, changes)).toEqual(after);
    expect(withChanges(after, inverted(changes))).toEqual(before);
    if (changes.length > 0) for (const name of names) seen.add(name);
  });
  expect([...seen].sort()).toEqual(Object.keys(EDITS).sort());
});

test('a job made anew from its text, and one that was only planned again, have not changed', () =>
  sequence((before) => {
    expect(differenceOf(before, before)).toEqual([]);
    expect(differenceOf(before, JSON.parse(JSON.stringify(before)) as Job)).toEqual([]);
    expect(differenceOf(before, planJob(before).job)).toEqual([]);
  }, 20));

test('one field of one box is one change, beside the wiring that follows from it', () => {
  forSamples(anyFullJob, { seed: 8, numRuns: 10 }, (asked) => {
    const before = planJob(asked).job;
    const [box] = before.boxes;
    if (!box) throw new Error('no box');
    const after = planJob(changeBox(before, box.id, { name: 'Loft hatch' })).job;
    expect(differenceOf(before, after).filter((one) => one.entity !== 'wirings')).toEqual([
      { entity: 'boxes', id: box.id, field: 'name', before: box.name, after: 'Loft hatch' },
    ]);
  });
});

test('a wiring that was found and is brought otherwise is a change by itself', () => {
  forSamples(anyFullJob, { seed: 9, numRuns: 5 }, (asked) => {
    const { job } = planJob(asked);
    const planned = plannedWiring(job);
    if (!planned) throw new Error('no wiring');
    const withFound = (landings: typeof planned.landings): Job => ({
      ...job,
      wirings: [...job.wirings, newWiringDoc('found', 'found', { ...planned, landings })],
    });
    const changes = differenceOf(withFound(planned.landings), withFound(planned.landings.slice(1)));
    expect(changes.map(({ entity, id, field }) => [entity, id, field])).toEqual([
      ['wirings', 'found', 'wiring'],
    ]);
  });
});

import fc from 'fast-check';
import { changeBox, merge, planJob, readJob, withoutBox, type BoxId, type Job } from '../src/index.js';
import { anyFullJob } from './support/fullJobs.js';
import { EDITS } from './support/jobEdits.js';
import { forSamples } from './support/samples.js';
import { yardFile } from './support/yard.js';

/** A job without what is planned of it, and with every list in the order of its names: what two people meant by it. */
const meant = (job: Job): unknown => {
  const named = (item: object) =>
    JSON.stringify(
      'id' in item
        ? item.id
        : 'between' in item
          ? [...(item.between as string[])].sort()
          : 'circuit' in item
            ? item.circuit
            : item,
    );
  return Object.fromEntries(
    Object.entries({ ...job, wirings: job.wirings.filter(({ kind }) => kind !== 'planned') }).map(
      ([key, value]) => [
        key,
        Array.isArray(value)
          ? [...(value as object[])].sort((a, b) => (named(a) < named(b) ? -1 : 1))
          : value,
      ],
    ),
  );
};

/** Two people, each with some edits of a job. */
const two = (check: (base: Job, mine: Job, theirs: Job, both: Job) => void, numRuns: number) =>
  forSamples(
    fc.tuple(
      anyFullJob,
      fc.array(fc.constantFrom(...Object.keys(EDITS)), { minLength: 1, maxLength: 2 }),
      fc.array(fc.constantFrom(...Object.keys(EDITS)), { minLength: 1, maxLength: 2 }),
      fc.nat({ max: 1000 }),
    ),
    { seed: 2205, numRuns },
    ([asked, own, others, seed]) => {
      const base = planJob(asked).job;
      const made = (job: Job, names: string[], salt: number) =>
        names.reduce(
          (one, name, i) => EDITS[name]?.(one, (count) => (seed + salt + i) % Math.max(1, count)) ?? one,
          job,
        );
      check(base, made(base, own, 0), made(base, others, 1), made(made(base, others, 1), own, 0));
    },
  );

test('what does not overlap is put together, in either order the same, and nothing of either is lost', () => {
  const kinds = { merged: 0, clash: 0 };
  let asOne = 0;
  two((base, mine, theirs, both) => {
    const [one, other] = [merge(base, mine, theirs), merge(base, theirs, mine)];
    expect(one.kind).toBe(other.kind);
    kinds[one.kind]++;
    if (one.kind === 'clash' || other.kind === 'clash') return;
    expect(meant(one.job)).toEqual(meant(other.job));
    // Put together with the same again, nothing more happens.
    expect(merge(base, mine, one.job)).toMatchObject({ kind: 'merged' });
    expect(merge(theirs, one.job, theirs)).toEqual({ kind: 'merged', job: one.job });
    if (JSON.stringify(meant(one.job)) === JSON.stringify(meant(both))) asOne++;
  }, 80);
  expect(kinds.merged).toBeGreaterThan(25);
  expect(kinds.clash).toBeGreaterThan(3);
  // Where the second edit of one person would have picked another thing after the first, it comes out otherwise for one alone.
  expect(asOne).toBeGreaterThan(kinds.merged * 0.5);
});

const yard = yardFile();
const named = (id: string, name: string): Job => changeBox(yard, id as BoxId, { name });

test('two boxes, two fields of one box, and a thing that only one took away go together', () => {
  const apart = merge(yard, named('yard-end', 'Creek side'), named('creek-end', 'River side'));
  if (apart.kind !== 'merged') throw new Error('they clash');
  expect(apart.job.boxes.filter(({ name }) => ['Creek side', 'River side'].includes(name))).toHaveLength(2);
  const fields = merge(
    yard,
    named('yard-end', 'Creek side'),
    changeBox(yard, 'yard-end' as BoxId, { accessible: 'yes' }),
  );
  if (fields.kind !== 'merged') throw new Error('they clash');
  expect(fields.job.boxes.find(({ id }) => id === 'yard-end')).toMatchObject({
    name: 'Creek side',
    accessible: 'yes',
  });
  const gone = merge(yard, withoutBox(yard, 'pendant-3' as BoxId), named('yard-end', 'Creek side'));
  if (gone.kind !== 'merged') throw new Error('they clash');
  expect(gone.job.boxes.some(({ id }) => id === 'pendant-3')).toBe(false);
  expect(readJob(gone.job).ok).toBe(true);
  // The same made by both is no clash.
  expect(merge(yard, named('yard-end', 'Creek side'), named('yard-end', 'Creek side')).kind).toBe('merged');
});

test('one field told otherwise by both, or a thing that one took away and the other changed, is told in words of each', () => {
  expect(merge(yard, named('yard-end', 'Mine'), named('yard-end', 'Theirs'))).toEqual({
    kind: 'clash',
    clashes: [
      {
        mine: [expect.stringMatching(/^Box .*: name from Yard end to Mine$/)],
        theirs: [expect.stringMatching(/^Box .*: name from Yard end to Theirs$/)],
      },
    ],
  });
  const gone = merge(yard, withoutBox(yard, 'yard-end' as BoxId), named('yard-end', 'Theirs'));
  expect(gone).toMatchObject({
    kind: 'clash',
    clashes: [
      {
        mine: [expect.stringMatching(/^Box .* was taken away$/)],
        theirs: [expect.stringMatching(/to Theirs$/)],
      },
    ],
  });
});

import fc from 'fast-check';
import { planJob, sayDifference, type BoxId, type Job } from '../src/index.js';
import { differenceOf } from '../src/edits/difference.js';
import { anyFullJob } from './support/fullJobs.js';
import { yardFile } from './support/yard.js';

const yard = yardFile();
const withBox = (id: string, change: object): Job => ({
  ...yard,
  boxes: yard.boxes.map((box) => (box.id === id ? { ...box, ...change } : box)),
});

test('what changed between two states is told by name and field, and in both directions', () => {
  expect(sayDifference(yard, yard)).toEqual([]);
  expect(sayDifference(yard, { ...yard, name: 'Heron Yard, as built' })).toEqual([
    'The job: name from Heron Yard to Heron Yard, as built',
  ]);
  expect(sayDifference(yard, withBox('yard-end', { name: 'Creek side', article: null }))).toEqual([
    expect.stringMatching(/^Box (Yard end|Creek side): name from Yard end to Creek side/),
  ]);
  const circuits = yard.circuits.map((one): Job['circuits'][number] =>
    one.id === 'tar-store-light' ? { ...one, breaker: 15 } : one,
  );
  expect(sayDifference(yard, { ...yard, circuits })).toEqual(['Circuit Tar store: breaker from 20 to 15']);
  const without: Job = { ...yard, boxes: yard.boxes.filter(({ id }) => id !== ('yard-end' as BoxId)) };
  expect(sayDifference(yard, without)).toEqual(['Box Yard end was taken away']);
  expect(sayDifference(without, yard)).toEqual(['Box Yard end came']);
  expect(sayDifference(yard, { ...yard, choices: [] })).toContain('Ropewalk: no way is chosen any more');
  // Read from a file again, all that is equal is the same.
  const again = JSON.parse(JSON.stringify({ ...yard, name: 'Other' })) as Job;
  expect(sayDifference(yard, again)).toEqual(['The job: name from Heron Yard to Other']);
  const stock = yard.stock.map((one, i): Job['stock'][number] =>
    i < 3 ? { ...one, price: one.price + 1 } : one,
  );
  expect(sayDifference(yard, { ...yard, stock })).toEqual(['Catalog of the job: 3 changes']);
});

test('whatever differs but the plan made anew is told, and nothing is told where nothing differs', () => {
  fc.assert(
    fc.property(anyFullJob, anyFullJob, (one, other) => {
      const told = sayDifference(one, { ...other, id: one.id });
      const real = differenceOf(one, { ...other, id: one.id }).filter(
        ({ field, entity }) => field !== '(order)' && entity !== 'wirings',
      );
      expect(told.length > 0).toBe(real.length > 0);
      for (const words of told) expect(words).not.toMatch(/undefined|\[object/);
    }),
    { seed: 2201, numRuns: 40 },
  );
  const { job } = planJob(yard);
  expect(
    sayDifference(
      job,
      planJob({ ...job, wirings: job.wirings.filter(({ kind }) => kind !== 'planned') }).job,
    ),
  ).toEqual([]);
});

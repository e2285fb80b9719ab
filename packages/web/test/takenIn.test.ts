import type { TakenIn } from '@amber/core';
import { sayTakenIn } from '../src/screens/jobs/jobActions.js';

const taken = (more: Partial<TakenIn>): TakenIn => ({
  ...{ id: 'heron-yard' as TakenIn['id'], outcome: 'new', clashes: [], records: 0, pictures: 0 },
  ...more,
});

test.each([
  ['new', 'Heron Yard came in.'],
  ['same', 'Heron Yard is here as it came.'],
  ['newer', 'Heron Yard is now as it came: nothing had been changed here since.'],
  ['merged', 'Heron Yard was changed here and there: both are in it.'],
] as const)('what came from a colleague is told in one sentence: %s', (outcome, said) => {
  expect(sayTakenIn('Heron Yard', taken({ outcome }))).toBe(said);
});

test('what came with it is counted, each in its number', () => {
  expect(sayTakenIn('Heron Yard', taken({ outcome: 'merged', records: 1, pictures: 3 }))).toMatch(
    /\nNew with it: 1 record and 3 pictures\.$/,
  );
  expect(sayTakenIn('Heron Yard', taken({ outcome: 'same', records: 2 }))).toMatch(
    /\nNew with it: 2 records\.$/,
  );
});

test('where the same was changed here and there both are told side by side, and that nothing was overwritten', () => {
  const said = sayTakenIn(
    'Heron Yard',
    taken({
      outcome: 'clash',
      clashes: [
        { mine: ['Tar store: breaker 15 A'], theirs: ['Tar store: breaker 20 A'] },
        { mine: ['Galley door: moved', 'its height'], theirs: ['Galley door: taken away'] },
      ],
    }),
  ).split('\n');
  expect(said[0]).toMatch(/^Heron Yard stays as it is: .*What came is in its history/);
  expect(said.slice(1)).toEqual([
    'Here: Tar store: breaker 15 A. There: Tar store: breaker 20 A.',
    'Here: Galley door: moved; its height. There: Galley door: taken away.',
  ]);
});

test('a job of which nothing tells that it ever was the one that is here is a job of its own, and says so', () => {
  expect(sayTakenIn('Heron Yard', taken({ outcome: 'apart' }))).toMatch(
    /what came in is a job of its own\.$/,
  );
});

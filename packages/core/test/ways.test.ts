import { cheapestOf, findPlans, forAndAgainst, nearestWays, type Job, type PlanSet } from '../src/index.js';
import { EVERYDAY, SHARED } from './support/everyday.js';

const plansOf = (job: Job): PlanSet => {
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  return findPlans(job, circuit.id);
};
const living = plansOf(EVERYDAY.living);
const hall = plansOf(SHARED.hall);

test('with three doors every familiar place of power has its way, or why it cannot be wired', () => {
  expect(living.familiar.map(({ id }) => id).sort()).toEqual(
    ['atLast', 'atLight', 'atMiddle', 'atSwitch', 'between', 'hub', 'returnRun'].sort(),
  );
  for (const { letter, problems } of living.familiar)
    expect(letter !== null || problems.length > 0).toBe(true);
});

test('what speaks against power into the middle box is how crowded it is', () => {
  const middle = living.candidates.find(({ familiar }) => familiar.includes('atMiddle'));
  if (!middle) throw new Error('not planned');
  const { con } = forAndAgainst(EVERYDAY.living, middle, cheapestOf(living.candidates));
  expect(con).toContain('power into the crowded box of a four-way');
});

test('of several groups there are two: each on its own cables, which is what comes first, or all on the same, which is too wide', () => {
  const [own, same] = hall.familiar;
  expect(own).toMatchObject({ id: 'sideBySide', letter: 'A' });
  expect(same).toMatchObject({ id: 'oneCable', letter: null });
  expect(same?.problems.join(' ')).toMatch(/conductors/);
  const best = hall.candidates[0];
  expect(best && forAndAgainst(SHARED.hall, best, cheapestOf(hall.candidates)).pro).toMatch(
    /neutral at every switch.*power enters at a switch/,
  );
});

test('the ways nearest to one that is broken have the most of its runs', () => {
  const [first, second, ...others] = living.candidates;
  if (!first || !second) throw new Error('too few plans');
  const broken = { ...first.choice, runs: first.choice.runs.slice(1) };
  expect(nearestWays(living.candidates, broken)[0]).toBe(first);
  const [nearest, next, third, ...more] = nearestWays([...others, second, first], second.choice);
  expect(nearest).toBe(second);
  expect([next, third]).not.toContain(undefined);
  expect(more).toEqual([]);
});

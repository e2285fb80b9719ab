import { inTurns } from '../src/parts/inTurns.js';

const busy = (milliseconds: number) => {
  const begun = performance.now();
  while (performance.now() - begun < milliseconds);
};

const work = function* (steps: number, each: number, told: string[]): Generator<undefined, number> {
  for (let i = 0; i < steps; i++) {
    busy(each);
    told.push('step');
    yield;
  }
  return steps;
};

test('what comes meanwhile is done between two steps, and nothing of the work is left out', async () => {
  const told: string[] = [];
  const done = inTurns(work(6, 15, told));
  setTimeout(() => told.push('tap'));
  expect(await done).toBe(6);
  expect(told.filter((one) => one === 'step')).toHaveLength(6);
  expect(told.indexOf('tap')).toBeGreaterThan(0);
  expect(told.indexOf('tap')).toBeLessThan(6);
});

test('short steps share a turn', async () => {
  const told: string[] = [];
  const done = inTurns(work(3, 0, told));
  expect(told).toHaveLength(3);
  expect(await done).toBe(3);
});

test('what a step throws is thrown to who waits, after a turn as at once', async () => {
  const failing = function* (after: number): Generator<undefined, void> {
    busy(after);
    yield;
    throw new Error('no plan');
  };
  await expect(inTurns(failing(0))).rejects.toThrow('no plan');
  await expect(inTurns(failing(20))).rejects.toThrow('no plan');
});

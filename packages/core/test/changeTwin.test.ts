import { compareWithTwin } from './support/changeTwin.js';

/** `npm run prove` tries more, and circuits of five and six boxes. */
const runs = (name: string, usual: number): number => Number(process.env[name] ?? usual);

test('the least change of three boxes and what comes to them is no dearer than the best of every way', () => {
  const times = runs('CHANGE_TWIN_RUNS', 5);
  expect(compareWithTwin({ least: 3, most: 3 }, times, 2500)).toBeGreaterThan(times / 4);
});

const large = runs('CHANGE_TWIN_LARGE', 0);
if (large > 0)
  test('nor is that of four boxes and more', () => {
    expect(compareWithTwin({ least: 4, most: 5 }, large, 9500)).toBeGreaterThan(large / 4);
  });

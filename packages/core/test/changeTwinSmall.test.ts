import { compareWithTwin } from './support/changeTwin.js';

/** `npm run prove` tries more. */
const RUNS = Number(process.env['CHANGE_TWIN_SMALL'] ?? 38);

test('the least change of a switch and its light, and of up to two boxes that come to them, is no dearer than the best of every set of old cables, tree, order and neutral', () => {
  expect(compareWithTwin({ least: 1, most: 2 }, RUNS, 7500)).toBeGreaterThan(RUNS / 4);
});

import { carriedOn, jobOf, widths, type Shorthand } from './support/jobs.js';

type Case = [name: string, short: Shorthand, widths: Record<string, number>];

const chain2 = ['S1', 'S2'];
const chain3 = ['S1', 'S2', 'S3'];

/** The familiar arrangements, insulated conductors a run, and nothing but the tree, the order and the neutrals given. */
const cases: Case[] = [
  [
    'single-pole, power at the switch',
    { runs: ['F-S1', 'S1-L'], neutralAt: ['S1'] },
    { 'F-S1': 2, 'S1-L': 2 },
  ],
  [
    'single-pole, power at the light, neutral',
    { runs: ['F-L', 'L-S1'], neutralAt: ['S1'] },
    { 'F-L': 2, 'L-S1': 3 },
  ],
  [
    'single-pole, power at the light, none',
    { runs: ['F-L', 'L-S1'], neutralAt: [] },
    { 'F-L': 2, 'L-S1': 2 },
  ],
  [
    'three-way in line',
    { runs: ['F-S1', 'S1-S2', 'S2-L'], chain: chain2, neutralAt: chain2 },
    { 'F-S1': 2, 'S1-S2': 3, 'S2-L': 2 },
  ],
  [
    'three-way, power at the light, no neutral',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: ['S2', 'S1'], neutralAt: [] },
    { 'F-L': 2, 'L-S1': 2, 'S1-S2': 3 },
  ],
  [
    'three-way, power at the light, neutral at the first',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: ['S2', 'S1'], neutralAt: ['S1'] },
    { 'F-L': 2, 'L-S1': 3, 'S1-S2': 3 },
  ],
  [
    'three-way, power at the light, neutral at both, line end far',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: ['S2', 'S1'], neutralAt: chain2 },
    { 'F-L': 2, 'L-S1': 3, 'S1-S2': 4 },
  ],
  [
    'three-way, power at the light, neutral at both, line end near',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: chain2, neutralAt: chain2 },
    { 'F-L': 2, 'L-S1': 3, 'S1-S2': 4 },
  ],
  [
    'three-way, light between, neutral at the first',
    { runs: ['F-S1', 'S1-L', 'L-S2'], chain: chain2, neutralAt: ['S1'] },
    { 'F-S1': 2, 'S1-L': 3, 'L-S2': 3 },
  ],
  [
    'three-way, light between, neutral at both',
    { runs: ['F-S1', 'S1-L', 'L-S2'], chain: chain2, neutralAt: chain2 },
    { 'F-S1': 2, 'S1-L': 3, 'L-S2': 4 },
  ],
  [
    'four-way in line',
    { runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-L'], chain: chain3, neutralAt: chain3 },
    { 'F-S1': 2, 'S1-S2': 3, 'S2-S3': 3, 'S3-L': 2 },
  ],
  [
    'four-way, power at the light, no neutral',
    { runs: ['F-L', 'L-S1', 'S1-S2', 'S2-S3'], chain: ['S3', 'S2', 'S1'], neutralAt: [] },
    { 'F-L': 2, 'L-S1': 2, 'S1-S2': 3, 'S2-S3': 3 },
  ],
  [
    'four-way, power at the last switch, no neutral',
    { runs: ['F-S3', 'S3-L', 'S3-S2', 'S2-S1'], chain: chain3, neutralAt: ['S3'] },
    { 'F-S3': 2, 'S3-L': 2, 'S3-S2': 3, 'S2-S1': 3 },
  ],
  [
    'four-way, power at the last switch, neutral at the second',
    { runs: ['F-S3', 'S3-L', 'S3-S2', 'S2-S1'], chain: chain3, neutralAt: ['S3', 'S2'] },
    { 'F-S3': 2, 'S3-L': 2, 'S3-S2': 4, 'S2-S1': 3 },
  ],
  [
    'four-way, power at the last switch, neutral at all',
    { runs: ['F-S3', 'S3-L', 'S3-S2', 'S2-S1'], chain: chain3, neutralAt: chain3 },
    { 'F-S3': 2, 'S3-L': 2, 'S3-S2': 4, 'S2-S1': 4 },
  ],
  [
    'four-way, power into the middle box',
    { runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'], chain: chain3, neutralAt: ['S2', 'S3'] },
    { 'F-S2': 2, 'S2-S1': 3, 'S2-S3': 3, 'S3-L': 2 },
  ],
  [
    'four-way, power into the middle box, neutral at all',
    { runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'], chain: chain3, neutralAt: chain3 },
    { 'F-S2': 2, 'S2-S1': 4, 'S2-S3': 3, 'S3-L': 2 },
  ],
];

test.each(cases)('%s', (_name, short, expected) => {
  expect(widths(jobOf(short))).toEqual(expected);
});

test('a loop without neutral brings the supply down on the marked white and the switch leg back on black', () => {
  expect(carriedOn(jobOf({ runs: ['F-L', 'L-S1'], neutralAt: [] }))['L-S1']).toEqual({
    white: 'H',
    black: 'SL',
  });
});

test('a loop with neutral carries it on white, the hot on black, the switch leg on red', () => {
  expect(carriedOn(jobOf({ runs: ['F-L', 'L-S1'], neutralAt: ['S1'] }))['L-S1']).toEqual({
    white: 'N',
    black: 'H',
    red: 'SL',
  });
});

test('with the light between, a traveler rides on the white and the return on black', () => {
  const runs = carriedOn(jobOf({ runs: ['F-S1', 'S1-L', 'L-S2'], chain: chain2, neutralAt: ['S1'] }));
  expect(runs['L-S2']).toEqual({ white: 'T0a', black: 'SL', red: 'T0b' });
});

test('left to itself, the planner takes the order that keeps white travelers away', () => {
  // Power at the light, neutral at neither: with the near switch as line end a traveler would ride on the white.
  const runs = carriedOn(jobOf({ runs: ['F-L', 'L-S1', 'S1-S2'], neutralAt: [] }));
  expect(runs['S1-S2']?.['white']).toBe('H');
  expect(runs['L-S1']).toEqual({ white: 'H', black: 'SL' });
});

test('where one neutral will do, it goes to the switch where it asks for the fewest conductors', () => {
  const short = { runs: ['F-L', 'L-S1', 'S1-S2'], edition: 2020, visible: 'yes' } as const;
  expect(widths(jobOf({ ...short, runs: [...short.runs] }))).toEqual({ 'F-L': 2, 'L-S1': 3, 'S1-S2': 3 });
});

test('a run for an existing feed box starts there, and the cable that feeds it is counted as existing', () => {
  expect(widths(jobOf({ runs: ['J1-S1', 'S1-L'], feedAt: 'J1' }))).toEqual({ 'J1-S1': 2, 'S1-L': 2 });
});

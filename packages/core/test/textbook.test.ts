import { compile, proveGroup, type Job } from '../src/index.js';
import { carriedOn, jobOf, planned, widths } from './support/jobs.js';
import { inWords, TEXTBOOK } from './support/textbookCases.js';

const chain2 = ['S1', 'S2'];

test.each(TEXTBOOK)('%s', (_name, short, expected) => {
  expect(inWords(jobOf(short))).toEqual(expected);
});

test('a fan with a light: the hot stays at the switches, both switch legs and the neutral go up on a /3', () => {
  const base = jobOf({ runs: ['F-S1', 'S1-L'], neutralAt: ['S1'] });
  const [slot] = base.slots;
  const [fan] = base.luminaires;
  const [group] = base.groups;
  if (!slot || !fan || !group) throw new Error('no switch or no fan');
  const light = 'g2' as typeof group.id;
  const job: Job = {
    ...base,
    boxes: base.boxes.map((box) => ({ ...box, article: null })),
    groups: [group, { ...group, id: light, name: 'Light' }],
    slots: [slot, { ...slot, id: 'slot:light' as typeof slot.id, gang: 1, group: light }],
    luminaires: [
      { ...fan, unit: 'fan' },
      { ...fan, id: 'light' as typeof fan.id, group: light, partOf: fan.id },
    ],
  };
  expect(inWords(job)).toEqual({ 'F-S1': 'H N', 'S1-L': 'N SL SL' });
  const { job: made, wiring } = planned(job);
  // A fan asks for a box listed for it, and two switches for a box of two gangs.
  expect(wiring.boxes).toEqual({ S1: ['wall-2-32'], L: ['octagon-fan-15.5'] });
  const compiled = compile(wiring, made);
  for (const one of made.groups)
    expect(proveGroup(made, wiring, compiled, one)).toMatchObject({ working: 2 });
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

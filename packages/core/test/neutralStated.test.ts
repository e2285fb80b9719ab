import {
  findPlans,
  neutralVerdict,
  reviewJob,
  stateNeutral,
  type Job,
  type Slot,
  type SlotId,
} from '../src/index.js';
import { EVERYDAY } from './support/everyday.js';
import { jobOf } from './support/jobs.js';
import { inWords } from './support/textbookCases.js';

const saying = (job: Job, said: Record<string, Slot['neutral']>): Job =>
  Object.entries(said).reduce(
    (left, [name, what]) => stateNeutral(left, `slot:${name}` as SlotId, what),
    job,
  );

describe('power at the light: the loop is stated, whatever is answered of the site', () => {
  const loop = jobOf({ runs: ['F-L', 'L-S1'] });
  const easy = jobOf({ runs: ['F-L', 'L-S1'], accessible: 'yes' });
  test.each([
    ['three wires as the rule asks', loop, 'byRule', 'H N SL'],
    ['two wires where it asks for none', easy, 'byRule', 'SL re H'],
    ['two wires by statement', loop, 'none', 'SL re H'],
    ['three wires by statement', easy, 'brought', 'H N SL'],
  ] as const)('%s', (_name, job, what, carried) => {
    expect(inWords(saying(job, { S1: what }))['L-S1']).toBe(carried);
  });
  test('the habit of a neutral at every switch leaves out the one of which it is said', () => {
    const every = jobOf({
      runs: ['F-L', 'L-S1', 'S1-S2'],
      chain: ['S1', 'S2'],
      preferences: { neutral: 'everySwitch' },
    });
    expect(inWords(every)['S1-S2']).toBe('N SL T T');
    expect(inWords(saying(every, { S2: 'none' }))['S1-S2']).toBe('SL T re T');
  });
  test('of several switches of which one is enough, it is at another', () => {
    const pair = jobOf({ runs: ['F-L', 'L-S1', 'L-S2'], visible: 'yes' });
    const at = (job: Job) =>
      Object.entries(inWords(job)).flatMap(([run, nets]) => (nets.includes('N') ? run : []));
    expect(at(saying(pair, { S1: 'none' }))).toEqual(['F-L', 'L-S2']);
    expect(at(saying(pair, { S2: 'none' }))).toEqual(['F-L', 'L-S1']);
  });
});

test('a way that names its neutrals hears what is said of one, and leaves it to the rule again', () => {
  const job = jobOf({ runs: ['F-L', 'L-S1'], neutralAt: ['S1'] });
  const without = saying(job, { S1: 'none' });
  expect(without.choices[0]?.neutralAt).toEqual([]);
  expect(inWords(without)['L-S1']).toBe('SL re H');
  const again = saying(without, { S1: 'byRule' });
  expect(again.choices[0]?.neutralAt).toBeUndefined();
  expect(inWords(again)['L-S1']).toBe('H N SL');
});

test('the verdict beside a statement is that of the inspection', () => {
  for (const accessible of ['yes', 'no', 'unknown'] as const)
    for (const visible of ['yes', 'no', 'unknown'] as const)
      for (const edition of [2011, 2014, 2017, 2023] as const)
        for (const [first, second] of [
          ['none', 'none'],
          ['none', 'byRule'],
          ['byRule', 'none'],
          ['brought', 'none'],
        ] as const) {
          const asked = jobOf({ runs: ['F-L', 'L-S1', 'L-S2'], edition, accessible, visible });
          const job = saying(asked, { S1: first, S2: second });
          const broken = reviewJob(job).findings.some(
            ({ rule, severity }) => rule === 'neutral-at-switch' && severity === 'violation',
          );
          const against = (['S1', 'S2'] as const).some(
            (name) => neutralVerdict(job, `slot:${name}` as SlotId)?.against,
          );
          expect([edition, accessible, visible, first, second, against]).toEqual([
            ...[edition, accessible, visible, first, second, broken],
          ]);
        }
});

test('plans that go against the rule for it are marked, and what would mend it is offered with its price', () => {
  const job: Job = EVERYDAY.bedroom;
  const [circuit] = job.circuits;
  const slot = job.slots.find(({ box }) => box === 'bedroom-door');
  if (!circuit || !slot) throw new Error('no door');
  const entered = {
    ...job,
    runFacts: [],
    slots: job.slots.map((one): Slot => ({ ...one, neutral: 'none' })),
  };
  const set = findPlans(entered, circuit.id);
  expect(set.profiles.map(({ id }) => id)).not.toContain('neutrals');
  for (const { choice, measures } of set.candidates)
    if (measures.neutrals.present === 0) {
      expect(choice.neutralAt ?? []).toEqual([]);
      expect(measures.violations).toBeGreaterThan(0);
    }
  const asked = findPlans(stateNeutral(job, slot.id, 'brought'), circuit.id);
  for (const { measures } of asked.candidates) expect(measures.neutrals.present).toBeGreaterThan(0);
});

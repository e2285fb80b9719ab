import fc from 'fast-check';
import { planJob, wiringOrEmpty, type Job } from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { anyFullJob } from './support/fullJobs.js';
import { LAWS } from './support/laws.js';
import { naming } from './support/samples.js';

/** Random jobs, planned once for all that is asked of them. */
const sample = (jobs: fc.Arbitrary<Job>, seed: number, numRuns: number) => {
  const outcomes = fc.sample(jobs, { seed, numRuns }).map((asked, at) => ({ at, ...planJob(asked) }));
  const planned = outcomes
    .filter(({ circuits }) => circuits.every(({ outcome }) => outcome.ok))
    .map(({ at, job }) => ({ at, job, wiring: wiringOrEmpty(job) }));
  const refusals = outcomes.flatMap(({ circuits }) =>
    circuits.flatMap(({ outcome }) => (outcome.ok ? [] : outcome.problems.map((one) => one.code))),
  );
  return { seed, planned, refusals: new Set(refusals) };
};

const oneGroup = sample(anyJob, 20_261, 160);
const full = sample(anyFullJob, 909, 260);

describe.each([
  ['one group on any tree', oneGroup],
  ['several groups and circuits, old and new', full],
])('%s', (_name, { seed, planned }) => {
  test.each(Object.entries(LAWS))('%s', (_law, check) => {
    for (const { at, job, wiring } of planned) naming(`seed ${seed}, case ${at}`, () => check(job, wiring));
  });
});

test('most random jobs of one group can be planned, and some have a run too wide', () => {
  expect(oneGroup.planned.length).toBeGreaterThan(60);
  expect(oneGroup.refusals).toEqual(new Set(['RunTooWide']));
});

test('the full random jobs hold what they are to hold, and are refused for known reasons only', () => {
  const count = (has: (job: Job) => boolean) => full.planned.filter(({ job }) => has(job)).length;
  const used = (job: Job) => wiringOrEmpty(job);
  const seen = {
    planned: full.planned.length,
    twoCircuits: count((job) => job.circuits.length === 2),
    sharedBox: count((job) => new Set(job.slots.map((slot) => slot.box)).size < job.slots.length),
    returnRun: count((job) => job.choices.some(({ runs }) => runs.some(({ to }) => to.endsWith('~return')))),
    fan: count((job) => job.luminaires.some((one) => one.partOf !== null)),
    onward: count((job) => job.luminaires.some((one) => one.unit === 'onward')),
    receptacle: count((job) => job.slots.some((slot) => slot.role === 'receptacle')),
    electronics: count((job) => job.slots.some((slot) => ['timer', 'occupancySensor'].includes(slot.role))),
    existing: count((job) => used(job).cables.some((cable) => cable.existing)),
    metal: count((job) => used(job).landings.some(({ terminal }) => 'box' in terminal)),
    groundLeftLong: count((job) =>
      used(job).landings.some(
        ({ wire, terminal }) => 'end' in wire && 'device' in terminal && terminal.name === 'ground',
      ),
    ),
  };
  for (const [what, times] of Object.entries(seen)) expect([what, times > 8]).toEqual([what, true]);
  for (const code of full.refusals)
    expect(['RunTooWide', 'FedByAnotherCircuit', 'NoBoxFits', 'DeviceDoesNotSuit']).toContain(code);
});

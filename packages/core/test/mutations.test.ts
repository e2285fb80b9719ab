import fc from 'fast-check';
import {
  addExistingCable,
  findPlans,
  jobSchema,
  newRunFact,
  planJob,
  readJob,
  reviewJob,
  reviewWiring,
  standardStock,
  summariseJob,
  wiringOrEmpty,
  writeJobFile,
  type Job,
  newWiringDoc,
} from '../src/index.js';
import { jobOf } from './support/jobs.js';
import { mutated } from './support/mutations.js';
import { naming } from './support/samples.js';
import { lying } from './support/told.js';

const USED =
  /^(14-[234]|(single-pole|three-way|four-way)-15|wall-1-22\.5|ceiling-22\.5|lever-\d|plate-1|octagon-21\.5)$/;

/** A pair of switches with old work around it, with the little of the stock that it needs. */
const base = (): Job => {
  const job = jobOf({ runs: ['F-S1', 'S1-L', 'L-S2'] });
  const laid = addExistingCable(
    {
      ...job,
      stock: standardStock().filter((article) => USED.test(article.id)),
      boxes: job.boxes.map((box) => (box.id === 'L' ? { ...box, work: 'existing' } : box)),
      runFacts: [newRunFact({ between: ['S1', 'L'], length: 120 })],
    },
    {
      id: 'old' as never,
      article: '14-3' as never,
      circuit: 'c1' as never,
      from: 'S1' as never,
      to: 'L' as never,
    },
  );
  const planned = planJob(laid).job;
  const found = wiringOrEmpty(planned);
  return {
    ...planned,
    wirings: [...planned.wirings, newWiringDoc('found', 'found', found)],
  };
};

/** What is accepted can be planned, kept, and opened again as it is. */
const isSound = (job: Job): void => {
  const planned = planJob(job).job;
  const again = readJob(JSON.parse(writeJobFile(planned)));
  expect(again.ok ? [] : again.faults).toEqual([]);
};

/** The long run that is no part of the usual tests asks for more: of twenty times, fifty thousand. */
const FILES = 2500 * Number(process.env['TWIN_TIMES'] ?? 0.2);
/** To inspect takes longer than the rest; every so many files are. */
const INSPECTED = 25;

test('whatever is wrong with a file, it is refused with a path and a sentence, or it can be planned, kept and opened', () => {
  const document = JSON.parse(writeJobFile(base())) as never;
  const numbers = fc.sample(fc.array(fc.nat({ max: 1_000_000 }), { minLength: 24, maxLength: 24 }), {
    seed: 171,
    numRuns: FILES,
  });
  let accepted = 0;
  let refused = 0;
  numbers.forEach((decisions, at) =>
    naming(`file ${at}`, () => {
      let next = 0;
      const file = mutated(document, (count) => (decisions[next++ % decisions.length] ?? 0) % count);
      const read = readJob(file);
      if (!read.ok) {
        refused += 1;
        for (const { path, message } of read.faults) {
          expect(path).not.toBe('');
          expect(message).not.toBe('');
        }
        return;
      }
      accepted += 1;
      isSound(read.job);
      if (accepted % INSPECTED !== 0) return;
      expect(summariseJob(read.job).circuits).toHaveLength(read.job.circuits.length);
      for (const { id } of read.job.wirings) reviewWiring(read.job, id);
    }),
  );
  expect(accepted).toBeGreaterThan(FILES / 20);
  expect(refused).toBeGreaterThan(FILES / 3);
});

/** The job with an id of it changed wherever it stands. */
const withId = (job: Job, from: string, to: string): unknown =>
  JSON.parse(writeJobFile({ ...job, wirings: [], runFacts: [] }).replaceAll(`"${from}"`, `"${to}"`));

describe('ids that every object knows, or that are long', () => {
  test.each(['constructor', 'hasOwnProperty', 'toString', 'x'.repeat(200)])('%s', (id) => {
    for (const from of ['S1', 'g1', 'slot:S1', 'c1', 'lamp:L']) {
      const read = readJob(withId(base(), from, id));
      if (!read.ok) throw new Error(`${from}: ${read.faults[0]?.message}`);
      isSound(read.job);
      const { plans, proofs } = reviewJob(read.job);
      expect([from, plans.every((plan) => plan.outcome.ok)]).toEqual([from, true]);
      for (const proof of proofs) expect(proof.working).toBe(proof.positions);
      expect(
        findPlans(read.job, read.job.circuits[0]?.id as never, { mostSteps: 20_000 }).candidates.length,
      ).toBeGreaterThan(0);
    }
  });
  test('__proto__ is refused, with its place', () => {
    const read = readJob(withId(base(), 'S1', '__proto__'));
    expect(read.ok ? [] : read.faults[0]).toMatchObject({
      path: 'boxes.0.id',
      message: expect.stringContaining('__proto__') as string,
    });
  });
});

test('a stock without the size of the circuit is told, and nothing breaks', () => {
  const job = jobOf({ runs: ['F-S1', 'S1-L'] });
  const without = { ...job, stock: job.stock.filter((one) => one.kind !== 'cable' || one.awg !== 14) };
  const { refusals, candidates } = findPlans(without, 'c1' as never);
  expect(candidates).toEqual([]);
  expect(refusals.map((one) => one.title)).toEqual(['The stock has no 14 AWG cable']);
});

test('an existing cable written box first, a run over 1000 ft, a found wiring called as the planned one: kept and opened', () => {
  const job = jobOf({ runs: ['F-L', 'L-S1'] });
  isSound(lying(job, [{ id: 'old', article: '14-2', circuit: 'c1', between: ['L', 'panel'] }]));
  const far = job.boxes.map((box, i) => ({ ...box, at: { x: i * 11_000, y: 9000, z: 48 } }));
  isSound({
    ...job,
    boxes: far,
    routing: { ...job.routing, panel: { level: null, at: { x: -9000, y: 0, z: 60 } } },
  });
  const wiring = wiringOrEmpty(planJob(job).job);
  isSound({ ...job, wirings: [newWiringDoc('wiring:planned', 'found', wiring)] });
});

test('a group of 22 switches is proved by a sample of its positions, and says so', () => {
  const names = Array.from({ length: 22 }, (_, i) => `S${i + 1}`);
  const runs = names.map((name, i) => (i === 0 ? `F-${name}` : `${names[i - 1]}-${name}`));
  const { circuits } = summariseJob(jobOf({ runs: [...runs, 'S22-L'] }));
  expect(circuits[0]).toMatchObject({ positions: 1024, working: 1024, of: 2 ** 22 });
  // One wrong landing is found by it.
  const job = planJob(jobOf({ runs: [...runs, 'S22-L'] })).job;
  const wiring = wiringOrEmpty(job);
  const four = wiring.devices.find((device) => device.article.startsWith('four-way'));
  const crossed = wiring.landings.map((landing) => {
    const { terminal } = landing;
    if (!('device' in terminal) || terminal.device !== four?.id) return landing;
    const swap: Record<string, string> = { 'in 2': 'out 1', 'out 1': 'in 2' };
    return { ...landing, terminal: { ...terminal, name: swap[terminal.name] ?? terminal.name } };
  });
  const found = newWiringDoc('found', 'found', { ...wiring, landings: crossed });
  const [proof] = reviewWiring({ ...job, wirings: [found] }, 'found')?.proofs ?? [];
  expect(proof?.working).toBeLessThan(proof?.positions ?? 0);
});

test('a wiring of more devices than the format takes is refused with its path', () => {
  const job = jobOf({ runs: ['F-S1', 'S1-L'] });
  const wiring = wiringOrEmpty(planJob(job).job);
  const [device] = wiring.devices;
  if (!device) throw new Error('no device');
  const devices = Array.from({ length: 5000 }, (_, i) => ({ ...device, id: `d${i}`, slot: null }));
  const issues = jobSchema.safeParse({
    ...job,
    wirings: [{ id: 'w', kind: 'found', wiring: { ...wiring, devices } }],
  }).error?.issues;
  expect(issues?.[0]?.path.join('.')).toBe('wirings.0.wiring.devices');
});

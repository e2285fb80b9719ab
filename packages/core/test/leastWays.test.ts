import fc from 'fast-check';
import type { Change, Choice, Job } from '../src/index.js';
import { findCircuit } from '../src/model/lookup.js';
import { choiceThere } from '../src/planning/choiceThere.js';
import { boxesJoinedToUnknown } from '../src/planning/unknownCables.js';
import { asStood } from '../src/plans/change/asStood.js';
import { byItself } from '../src/plans/change/byItself.js';
import { batchesFor, choiceKey } from '../src/plans/change/choices.js';
import {
  changedJobs,
  circuitOf,
  neutralAskedBy,
  replacedBy,
  touchedBy,
  withDevicesFreed,
} from '../src/plans/change/kinds.js';
import { leastNewOf } from '../src/plans/change/leastNew.js';
import { waysByCost } from '../src/plans/change/leastWays.js';
import { oneWay } from '../src/plans/change/oneWay.js';
import { reviewJob } from '../src/review/reviewJob.js';
import { anyChange, anyOldWork } from './support/oldJobs.js';
import { picking } from './support/picks.js';
import { naming } from './support/samples.js';
import { TEXTBOOK } from './support/textbookCases.js';

/** `npm run prove` tries more. */
const RUNS = Number(process.env['LEAST_WAYS_RUNS'] ?? 7);

/** Every way, each planned; and by what it was thought to come to at least. */
const everyWay = (job: Job, change: Change) => {
  const circuit = circuitOf(job, change);
  const stood = circuit && asStood(job, circuit);
  if (!stood) return null;
  const touched = touchedBy(job, change);
  const before = reviewJob(byItself(stood, circuit, touched));
  const there = choiceThere(before.job, circuit);
  const changed = changedJobs(
    byItself({ ...job, choices: job.choices.filter((one) => one.circuit !== circuit) }, circuit, touched),
    change,
  );
  const asked = {
    replaced: replacedBy(job, change),
    neutralAt: neutralAskedBy(change),
    mending: change.kind === 'mend',
  };
  const strange = boxesJoinedToUnknown(before.job);
  const every = changed.flatMap((one) => {
    const bare = withDevicesFreed(one, circuit);
    const named = findCircuit(bare, circuit);
    if (!named) return [];
    const least = leastNewOf(before.job, bare, named, asked.replaced);
    const [met, tried] = [new Set<string>(), new Set<string>()];
    return batchesFor(bare, named, there, asked, least, () => undefined).flatMap((batch) =>
      [...batch.choices()].flatMap((choice) => {
        const key = choiceKey(choice);
        if (tried.has(key)) return [];
        tried.add(key);
        const way = oneWay(before, bare, choice, asked.replaced, met);
        if (!way || way.change.opened.some((box) => strange.has(box))) return [];
        const { cost } = way.change.cost;
        return [{ choice, cost, opened: way.change.opened, bounds: [batch.least, least.ofChoice(choice)] }];
      }),
    );
  });
  return { every, inOrder: waysByCost(before, changed, circuit, asked) };
};

const NOTHING: Job['labour'] = {
  ...{ rate: 700_000, run: 0, opening: 0, device: 0, luminaire: 0, high: 0 },
  foot: { open: 0, attic: 0, basement: 0, fished: 0 },
  box: { new: 0, old: 0, existing: 0 },
  splice: { lever: 0, pushIn: 0, twistOn: 0, groundingTwistOn: 0, crimp: 0 },
};

/** Prices under which hardly anything else counts than what a bound is made of, so that it has to be near. */
const PRICED: Record<string, (job: Job) => Job> = {
  cables: (job) => ({
    ...job,
    stock: job.stock.map((one) => (one.kind === 'cable' ? one : { ...one, price: 0 })),
    labour: { ...NOTHING, run: job.labour.run, foot: job.labour.foot },
  }),
  'boxes and devices': (job) => ({
    ...job,
    stock: job.stock.map((one) => (one.kind === 'device' ? one : { ...one, price: 0 })),
    labour: { ...NOTHING, box: job.labour.box, device: job.labour.device },
  }),
};

const SEED = 8_114;
const small = TEXTBOOK.filter(([, { runs }]) => runs.length < 5);
const cases = fc.sample(fc.constantFrom(...small), { seed: SEED, numRuns: RUNS });

test('no way comes to less than what it is put off by, and all of them come as if each had been planned and sorted', () => {
  let [ways, putOff] = [0, 0];
  cases.forEach(([name, short], at) => {
    const pick = picking(SEED + at);
    const old = anyOldWork(short, pick);
    const change = anyChange(old, pick);
    for (const [what, priced] of Object.entries(PRICED))
      naming(`${name}, seed ${SEED + at}, ${change.kind}, ${what}`, () => {
        const found = everyWay(priced(old), change);
        if (!found) return;
        const { every, inOrder } = found;
        for (const { choice, cost, bounds } of every)
          for (const bound of bounds)
            expect({ choice, bound, holds: bound <= cost }).toMatchObject({ holds: true });
        const sorted = [...every].sort((a, b) => a.cost - b.cost || a.opened.length - b.opened.length);
        const told = (one: { choice: Choice; cost: number }) => [one.cost, choiceKey(one.choice)];
        expect(
          [...inOrder.ways()].map(({ choice, change: { cost } }) => told({ choice, cost: cost.cost })),
        ).toEqual(sorted.map(told));
        ways += every.length;
        const [first] = sorted;
        putOff += every.filter(({ bounds }) => Math.max(...bounds) > (first?.cost ?? Infinity)).length;
      });
  });
  expect(ways).toBeGreaterThan(RUNS * 4);
  expect(putOff).toBeGreaterThan(ways / 4);
});

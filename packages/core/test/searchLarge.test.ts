import fc from 'fast-check';
import { findPlans, newBox, newGroup, newLuminaire, newSlot, reviewJob, type Job } from '../src/index.js';
import { leastCost } from '../src/search/prices/weights.js';
import { largeBound } from '../src/search/bounds/largeBound.js';
import type { Found } from '../src/search/found.js';
import { searchLarge } from '../src/search/descent/largeSearch.js';
import { NO_CONSTRAINTS, orderSpaceOf } from '../src/search/orders.js';
import { priceTablesOf } from '../src/search/prices/priceTables.js';
import { choiceOf, createSearch } from '../src/search/search.js';
import { withChoice } from '../src/plans/withChoice.js';
import { objectiveOf } from '../src/plans/together/worth.js';
import { naming } from './support/samples.js';
import { anySearchJob } from './support/searchJobs.js';

const options = (job: Job) => ({
  weights: leastCost(job),
  constraints: { ...NO_CONSTRAINTS, returnRuns: false },
});

const jobs = [
  { places: 5, groups: 1, switches: 3 },
  { places: 5, groups: 2, switches: 2 },
  { places: 7, groups: 2, switches: 2 },
].flatMap((size, i) => fc.sample(anySearchJob(size), { seed: 800 + i, numRuns: 11 }));

const both = jobs.map((job, at) => {
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  const { weights, constraints } = options(job);
  const exact = createSearch(job, circuit, options(job)).least({ mostSteps: 1e9 });
  const tables = priceTablesOf(job, circuit, weights);
  const space = orderSpaceOf(job, circuit, constraints);
  const homes = job.runFacts.flatMap(({ rule, between }) =>
    rule === 'forced' && between.includes('panel') ? between : [],
  );
  const mayEnter = (box: string) => homes.length === 0 || homes.includes(box as never);
  const met: Found[] = [];
  const { best } = searchLarge(
    tables,
    space,
    mayEnter,
    12_000,
    () => true,
    (one) => met.push(one),
  );
  return { at, job, exact, best, met, bound: largeBound(tables, space) };
});

test('without proof nothing is found below the least, and mostly the least itself', () => {
  let same = 0;
  let found = 0;
  for (const { at, exact, best, bound } of both)
    naming(`case ${at}`, () => {
      if (!exact.best) {
        expect(best).toBeNull();
        return;
      }
      const least = exact.best.weight;
      expect(bound).toBeLessThanOrEqual(least + 0.01);
      if (!best) return;
      found += 1;
      expect(best.weight).toBeGreaterThan(least - 0.01);
      if (best.weight < least + 0.01) same += 1;
    });
  expect(found).toBeGreaterThan(22);
  expect(same / found).toBeGreaterThan(0.8);
});

test('each way that is found on the way weighs less than the one before, and what its wiring is estimated at', () => {
  let compared = 0;
  for (const { at, job, met } of both)
    naming(`case ${at}`, () => {
      const weights = met.map((one) => one.weight);
      expect(weights).toEqual([...weights].sort((a, b) => b - a));
      const real = met.map((one) => {
        const chosen = withChoice(job, one.settled.circuit.id, choiceOf(one));
        const plan = reviewJob(chosen).plans.find(({ circuit }) => circuit.id === one.settled.circuit.id);
        expect(plan?.outcome.ok).toBe(true);
        return objectiveOf(chosen);
      });
      for (let i = 1; i < real.length; i++) {
        compared += 1;
        expect((real[i] ?? 0) - (real[0] ?? 0)).toBeCloseTo((weights[i] ?? 0) - (weights[0] ?? 0), -1);
      }
    });
  expect(compared).toBeGreaterThan(6);
});

/** Many rooms on one circuit: more places than can be proved. */
const manyRooms = (rooms: number): Job => {
  const [base] = fc.sample(anySearchJob({ places: 4, groups: 1, switches: 2 }), { seed: 5, numRuns: 1 });
  if (!base) throw new Error('no job');
  const ids = Array.from({ length: rooms }, (_, i) => i);
  const place = (id: string, x: number, z: number) =>
    newBox({ id, name: id, article: null, accessible: 'no', at: { x, y: (x * 7) % 240, z } });
  const boxes = ids.flatMap((i) => [
    place(`A${i}`, i * 60, 48),
    place(`B${i}`, i * 60 + 36, 48),
    place(`L${i}`, i * 60 + 18, 96),
  ]);
  return {
    ...base,
    preferences: { ...base.preferences, neutral: 'byEdition', wideCable: 'any' },
    circuits: base.circuits.slice(0, 1),
    feeds: base.feeds.slice(0, 1).map((feed) => ({ ...feed, at: 'panel' })),
    boxes,
    groups: ids.map((i) => newGroup({ id: `g${i}`, name: `Room ${i}`, circuit: 'c0', room: 'room' })),
    slots: ids.flatMap((i) =>
      ['A', 'B'].map((wall) => newSlot({ id: `s${wall}${i}`, box: `${wall}${i}`, gang: 0, group: `g${i}` })),
    ),
    luminaires: ids.map((i) =>
      newLuminaire({
        ...{ id: `l${i}`, name: `Luminaire ${i}`, box: `L${i}`, group: `g${i}`, va: 20 },
        ...{ terminals: 'leads' as const, leadAwg: 18 as const, metal: true },
      }),
    ),
    runFacts: [],
    choices: [],
  };
};

test('a circuit of 24 places in 8 rooms is planned with a bound, the same every time, and stops when told', () => {
  const job = manyRooms(8);
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit');
  const search = createSearch(job, circuit, options(job));
  const first = search.least({ mostSteps: 300_000 });
  if (!first.best) throw new Error('nothing was found');
  expect(first).toMatchObject({ proved: false });
  expect(first.bound).toBeGreaterThan(first.best.weight / 3);
  expect(first.bound).toBeLessThan(first.best.weight);
  expect(search.least({ mostSteps: 300_000 }).best?.weight).toBe(first.best.weight);
  const { plans, proofs } = reviewJob(withChoice(job, circuit.id, choiceOf(first.best)));
  expect(plans[0]?.outcome.ok).toBe(true);
  for (const proof of proofs) expect(proof.working).toBe(proof.positions);
  expect(search.least({ mostSteps: 300_000, mayGoOn: () => false }).steps).toBeLessThan(200);
});

test('28 switches on one circuit are planned, and with more it says how many there may be', () => {
  const most = manyRooms(14);
  const [circuit] = most.circuits;
  if (!circuit) throw new Error('no circuit');
  // The first is enough here.
  let first: number | null = null;
  findPlans(most, circuit.id, {
    mostSteps: 30_000,
    onProgress: ({ candidates }) => (first ??= candidates.length || null),
    mayGoOn: () => first === null,
  });
  expect(first).toBeGreaterThan(0);
  const more = findPlans(manyRooms(15), circuit.id, { mostSteps: 30_000 });
  expect(more.candidates).toEqual([]);
  expect(more.refusals).toEqual([
    expect.objectContaining({
      title: `${circuit.name} has more switches than are planned together`,
      reason: expect.stringContaining('It has 30; up to 28'),
    }),
  ]);
});

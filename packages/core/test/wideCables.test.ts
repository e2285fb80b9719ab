import fc from 'fast-check';
import { standardStock, type Article, type Job } from '../src/index.js';
import { withChoice } from '../src/plans/withChoice.js';
import { backgroundOf } from '../src/search/prices/background.js';
import { stationOf } from '../src/search/prices/stations.js';
import { leastCost } from '../src/search/prices/weights.js';
import type { Found } from '../src/search/found.js';
import { NO_CONSTRAINTS } from '../src/search/orders.js';
import { choiceOf, createSearch } from '../src/search/search.js';
import { objectiveOf } from '../src/plans/together/worth.js';
import { naming } from './support/samples.js';
import { anySearchJob } from './support/searchJobs.js';
import { leastByTrying } from './support/searchTwin.js';

const TWELVE = [
  ...(['black', 'white', 'red', 'blue', 'yellow', 'orange', 'brown', 'purple'] as const),
  ...(['pink', 'black-2', 'red-2', 'blue-2'] as const),
];

/** A stock whose only new cable has twelve conductors, with boxes that take several of them. */
const wideStock = (stock: readonly Article[]): Article[] => {
  const widened = standardStock().flatMap((article) =>
    article.kind === 'cable' && article.awg === 14 && article.insulated.length === 2
      ? [
          {
            ...article,
            id: 'wide' as typeof article.id,
            name: '14/12',
            insulated: TWELVE,
          },
        ]
      : [],
  );
  const roomy = (id: string, gangs: number) => ({
    ...{ kind: 'box', part: 'box', id, name: id, price: 100_000, family: id, volume: 6_000_000, gangs },
    ...{
      metal: false,
      internalClamps: false,
      work: 'new',
      supports: 50,
      shape: gangs === 0 ? 'round' : 'gang',
    },
  });
  return [
    ...stock.filter((article) => article.kind !== 'cable' || article.awg !== 14 || article.found),
    ...widened.slice(0, 1),
    ...[0, 1, 2, 3, 4].map((gangs) => roomy(`roomy-${gangs}`, gangs) as unknown as Article),
  ];
};

const jobs = fc
  .sample(anySearchJob({ places: 5, groups: 1, switches: 3 }), { seed: 1212, numRuns: 40 })
  .map((job): Job => ({
    ...job,
    preferences: { ...job.preferences, wideCable: 'any' },
    stock: wideStock(job.stock),
  }));

test('with cables of twelve conductors alone, what is proved is the least, and what its wiring comes to', () => {
  let proofs = 0;
  let compared = 0;
  for (const [at, job] of jobs.entries())
    naming(`case ${at}`, () => {
      const [circuit] = job.circuits;
      if (!circuit) throw new Error('no circuit');
      const met: Found[] = [];
      const { best, proved } = createSearch(job, circuit, {
        weights: leastCost(job),
        constraints: { ...NO_CONSTRAINTS, returnRuns: false },
      }).least({ mostSteps: 1e8, onBetter: (found) => met.push(found) });
      const { least } = leastByTrying(job, {
        weights: leastCost(job),
        returnRuns: false,
      });
      if (!best) {
        expect(least).toBe(Infinity);
        return;
      }
      expect(proved).toBe(true);
      expect(best.weight).toBeCloseTo(least, 1);
      proofs += 1;
      // The twin reads the same prices; the estimate of the planned job does not.
      const real = met.map((found) => objectiveOf(withChoice(job, circuit.id, choiceOf(found))));
      for (let i = 1; i < real.length; i++) {
        compared += 1;
        expect((real[i] ?? 0) - (real[0] ?? 0)).toBeCloseTo(
          (met[i]?.weight ?? 0) - (met[0]?.weight ?? 0),
          -1,
        );
      }
    });
  expect(proofs).toBeGreaterThan(20);
  expect(compared).toBeGreaterThan(20);
});

test('what a box needs is the same whatever was asked of it before, up to sixteen cables of twelve conductors', () => {
  const [job] = jobs;
  const [circuit] = job?.circuits ?? [];
  const [box] = job?.boxes ?? [];
  if (!job || !circuit || !box) throw new Error('no job');
  const background = backgroundOf(job, circuit);
  const station = () =>
    stationOf(
      job,
      circuit,
      background,
      leastCost(job),
      {},
      {
        ...{ box: box.id, fittings: [], fed: false, returned: 0 },
      },
    );
  const used = station();
  fc.assert(
    fc.property(fc.nat({ max: 192 }), fc.nat({ max: 16 }), (insulated, cables) => {
      expect(used?.fit(insulated, cables)).toEqual(station()?.fit(insulated, cables));
      expect(used?.atLeast(insulated, cables)).toBe(station()?.atLeast(insulated, cables));
    }),
    { seed: 816, numRuns: 500 },
  );
});

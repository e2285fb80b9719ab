import fc from 'fast-check';
import { planJob, wiringOrEmpty, type Job } from '../src/index.js';
import { judgedPlan, priceOfPlan } from '../src/plans/judgedPlan.js';
import { mastersChoice } from '../src/search/prices/weights.js';
import { NO_CONSTRAINTS } from '../src/search/orders.js';
import type { Found } from '../src/search/found.js';
import { choiceOf, createSearch } from '../src/search/search.js';
import { withChoice } from '../src/plans/withChoice.js';
import { objectiveOf } from '../src/plans/together/worth.js';
import { anySearchJob } from './support/searchJobs.js';
import { leastByTrying } from './support/searchTwin.js';

/** How often the number of cases is tried; the long run that is no part of the usual tests asks for more. */
const TIMES = Number(process.env['TWIN_TIMES'] ?? 0.15);

/** What is thought of the planned job, read off its wiring. */
const thoughtOf = (asked: Job): number => {
  const { job, circuits } = planJob(asked);
  const [circuit] = job.circuits;
  const outcome = circuits.find((one) => one.circuit.id === circuit?.id)?.outcome;
  if (!circuit || !outcome?.ok) throw new Error('not planned');
  return priceOfPlan(judgedPlan(job, wiringOrEmpty(job), circuit, outcome.value));
};

test('what a search by a master’s choice weighs is the cost of the planned job and what is read off it', () => {
  let compared = 0;
  const wrong: unknown[] = [];
  fc.sample(anySearchJob({ places: 5, groups: 2, switches: 3 }), { seed: 1801, numRuns: 40 }).forEach(
    (job, at) => {
      const [circuit] = job.circuits;
      if (!circuit) return;
      const weights = mastersChoice(job);
      const search = createSearch(job, circuit, {
        weights,
        constraints: NO_CONSTRAINTS,
      });
      const met: Found[] = [];
      search.least({ mostSteps: 1e8, onBetter: (found) => met.push(found) });
      // What no way changes is the same in all of them.
      const apart = met.map((found) => {
        const chosen = withChoice(job, circuit.id, choiceOf(found));
        return found.weight - objectiveOf(chosen) - thoughtOf(chosen);
      });
      const [first = 0, ...others] = apart;
      compared += others.length;
      others.forEach((other, i) => {
        if (Math.abs(other - first) > 5) wrong.push([at, i, other - first]);
      });
    },
  );
  expect(wrong).toEqual([]);
  expect(compared).toBeGreaterThan(25);
});

test(
  'the search by a master’s choice finds the least that trying everything finds',
  () => {
    let possible = 0;
    const wrong = [
      { places: 4, groups: 1, switches: 3, cases: 120, seed: 1802 },
      { places: 4, groups: 2, switches: 2, cases: 80, seed: 1803 },
      { places: 5, groups: 1, switches: 3, cases: 50, seed: 1804 },
    ].flatMap(({ cases, seed, ...size }) =>
      fc
        .sample(anySearchJob(size), { seed, numRuns: Math.round(cases * TIMES) })
        .flatMap((job, at): unknown[] => {
          const [circuit] = job.circuits;
          if (!circuit) return [];
          const weights = mastersChoice(job);
          const options = {
            weights,
            constraints: NO_CONSTRAINTS,
            effortFrom: at % 2 ? 0 : undefined,
          };
          const { best, proved } = createSearch(job, circuit, options).least({ mostSteps: 1e9 });
          const { least } = leastByTrying(job, { weights, returnRuns: true });
          if (least === Infinity) return best ? [[seed, at, 'found']] : [];
          possible += 1;
          return proved && Math.abs((best?.weight ?? Infinity) - least) < 0.01 + 1e-6 * least
            ? []
            : [[seed, at, proved, best?.weight, least]];
        }),
    );
    expect(wrong).toEqual([]);
    expect(possible).toBeGreaterThan(25);
  },
  400_000 * TIMES,
);

import fc from 'fast-check';
import { leastChange, reviewJob } from '../src/index.js';
import { choiceThere } from '../src/planning/choiceThere.js';
import { circuitOf } from '../src/plans/change/kinds.js';
import { wrongIn } from '../src/plans/change/oneWay.js';
import { leastByTrying } from './support/changeTwin.js';
import { anyChange, anyOldWork } from './support/oldJobs.js';
import { picking } from './support/picks.js';
import { TEXTBOOK } from './support/textbookCases.js';

/** `npm run prove` tries more. */
const RUNS = Number(process.env['CHANGE_TWIN_RUNS'] ?? 12);

test('the least change is no dearer than the best of every set of old cables, tree, order and neutral', () => {
  const small = TEXTBOOK.filter(([, short]) => short.runs.length < 4);
  const cases = fc.sample(fc.constantFrom(...small), { seed: 2525, numRuns: RUNS });
  let compared = 0;
  cases.forEach(([name, short], i) => {
    const seed = 2500 + i;
    const pick = picking(seed);
    const job = anyOldWork(short, pick);
    const change = anyChange(job, pick);
    const outcome = leastChange(job, change);
    const best = leastByTrying(job, change);
    const said = `${name}, seed ${seed}, ${change.kind}`;
    if (!outcome.ok) {
      // What is refused at once is not looked for.
      if (!/only switch/.test(outcome.refusal.title)) expect([said, best]).toEqual([said, null]);
      return;
    }
    compared += 1;
    const circuit = circuitOf(job, change);
    if (circuit === null) throw new Error(`${said}: of no circuit`);
    if (!best) {
      // The old switches in another order, as for a device that stands at one end alone: the twin leaves that out.
      const chains = outcome.value.job.choices.find((one) => one.circuit === circuit)?.chains ?? {};
      const old = choiceThere(job, circuit)?.chains ?? {};
      const turned = Object.entries(chains).some(([id, chain]) => {
        const before = old[id as keyof typeof old] ?? [];
        const kept = chain.filter((slot) => before.includes(slot));
        return kept.join() !== before.filter((slot) => kept.includes(slot)).join();
      });
      expect([said, turned]).toEqual([said, true]);
      return;
    }
    const found = {
      wrong: wrongIn(
        reviewJob(job),
        { review: reviewJob(outcome.value.job), change: outcome.value },
        circuit,
        false,
      ),
      cost: outcome.value.cost.cost,
    };
    const isNoWorse = found.wrong < best.wrong || (found.wrong === best.wrong && found.cost <= best.cost + 1);
    expect([said, found, best, isNoWorse]).toEqual([said, found, best, true]);
  });
  expect(compared).toBeGreaterThan(RUNS / 4);
});

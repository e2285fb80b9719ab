import fc from 'fast-check';
import { planJob, setRunFact, type BoxId, type Job } from '../src/index.js';
import { cablesThere } from '../src/model/lying.js';
import { withChoice } from '../src/plans/withChoice.js';
import { anyFullJob } from './support/fullJobs.js';
import { EDITS, type Edit } from './support/jobEdits.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const at = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];

/** What is done to a job between two plannings; some of it the plan of another circuit has to notice. */
const STEPS: Record<string, Edit> = {
  ...EDITS,
  unchosen: (job, pick) => {
    const one = at(job.choices, pick(9));
    return one ? withChoice(job, one.circuit, null) : job;
  },
  givenUp: (job, pick) => {
    const [one, cable] = [at(job.choices, pick(9)), at(cablesThere(job), pick(9))];
    return one && cable ? withChoice(job, one.circuit, { ...one, givenUp: [cable.id] }) : job;
  },
  forced: (job, pick) => {
    const [a, b] = [at(job.boxes, pick(30)), at(job.boxes, pick(30))];
    return a && b && a !== b ? setRunFact(job, a.id, b.id, { rule: 'forced' }) : job;
  },
  largerBreaker: (job, pick) => ({
    ...job,
    circuits: job.circuits.map((one, i) =>
      i === pick(job.circuits.length) ? { ...one, breaker: 20, awg: 12 } : one,
    ),
  }),
  notLookedAt: (job) => ({
    ...job,
    wirings: job.wirings.map((one) => (one.kind === 'existing' ? { ...one, carries: {} } : one)),
  }),
};

/** The plans of a job, and the same of a copy of which no part was ever planned. */
const bothWays = (job: Job) => [planJob(job), planJob(structuredClone(job))] as const;

test('what is kept of plans is what planning anew gives, whatever was done to the job meanwhile', () => {
  let refused = 0;
  const begun = [yard(), ...fc.sample(anyFullJob, { seed: 512, numRuns: 4 })];
  const walks = fc.sample(
    fc.array(fc.tuple(fc.constantFrom(...Object.keys(STEPS)), fc.nat(1000)), {
      minLength: 7,
      maxLength: 7,
    }),
    { seed: 513, numRuns: begun.length },
  );
  begun.forEach((first, nth) =>
    naming(`job ${nth}: ${walks[nth]?.map(([what]) => what).join(', ')}`, () => {
      const states = [first];
      for (const [what, seed] of walks[nth] ?? []) {
        const [last = first] = states.slice(-1);
        states.push(STEPS[what]?.(last, (count) => seed % Math.max(1, count)) ?? last);
      }
      // There and back, as with undo: what was kept of a choice is of another state each time.
      for (const job of [...states, ...[...states].reverse()]) {
        const [kept, anew] = bothWays(job);
        expect(kept).toEqual(anew);
        refused += kept.circuits.filter(({ outcome }) => !outcome.ok).length;
      }
    }),
  );
  // Edits that break a plan are among them.
  expect(refused).toBeGreaterThan(20);
});

/** Circuits of which something that is said elsewhere changes the plan, though their own choice stays. */
const noticed = (before: Job, after: Job): string[] => {
  const was = structuredClone(planJob(before).circuits);
  const [kept, anew] = bothWays(after);
  expect(kept).toEqual(anew);
  return anew.circuits
    .filter(({ circuit, outcome }) => {
      const same = was.find((one) => one.circuit.id === circuit.id)?.outcome;
      const chosen = (job: Job) => job.choices.find((one) => one.circuit === circuit.id);
      return chosen(before) === chosen(after) && JSON.stringify(same) !== JSON.stringify(outcome);
    })
    .map(({ circuit }) => circuit.id);
};

test('what is told of old cables, forced runs that another takes, prices and devices are noticed', () => {
  const job = yard();
  const there = cablesThere(job);
  const [other] = job.choices;
  if (!other) throw new Error('The yard has choices.');
  const withGivenUp = there.map(({ id }) => withChoice(job, other.circuit, { ...other, givenUp: [id] }));
  expect(withGivenUp.flatMap((after) => noticed(job, after)).length).toBeGreaterThan(0);
  expect(noticed(job, STEPS['notLookedAt']?.(job, () => 0) ?? job).length).toBeGreaterThan(0);
  expect(noticed(job, STEPS['price']?.(job, () => 0) ?? job).length).toBeGreaterThan(0);
  const fitted = { ...job, slots: job.slots.map((slot) => ({ ...slot, role: 'dimmer' as const })) };
  expect(noticed(job, fitted).length).toBeGreaterThan(0);

  // Two boxes of one circuit between which no cable of it runs.
  const [missed] = job.choices.flatMap(({ circuit, runs }) => {
    const ends = runs.map(({ to }) => to as BoxId);
    return ends.flatMap((from) =>
      ends.flatMap((to) =>
        from === to ||
        circuit === other.circuit ||
        runs.some((run) => [run.from, run.to].every((end) => end === from || end === to))
          ? []
          : [{ circuit, from, to }],
      ),
    );
  });
  if (!missed) throw new Error('Some circuit has two runs.');
  const forced = setRunFact(job, missed.from, missed.to, { rule: 'forced' });
  const taken = withChoice(forced, other.circuit, {
    ...other,
    runs: [...other.runs, { from: missed.from, to: missed.to }],
  });
  expect(noticed(forced, taken)).toContain(missed.circuit);
});

test('of circuits that nobody changes the plan is kept while another is planned otherwise', () => {
  const job = yard();
  const [one] = job.choices;
  if (!one) throw new Error('The yard has choices.');
  const before = planJob(job);
  const after = planJob(withChoice(job, one.circuit, null));
  const kept = after.circuits.filter(({ circuit, outcome }) =>
    before.circuits.some((other) => other.circuit === circuit && other.outcome === outcome),
  );
  expect(kept.map(({ circuit }) => circuit.id)).toEqual(
    after.circuits.map(({ circuit }) => circuit.id).filter((id) => id !== one.circuit),
  );
});

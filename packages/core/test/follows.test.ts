import fc from 'fast-check';
import {
  compile,
  faultsOf,
  findingKey,
  inspect,
  planJob,
  proveGroup,
  wiringOrEmpty,
  withFault,
  type Finding,
} from '../src/index.js';
import { anyFullJob } from './support/fullJobs.js';
import { anyFault, withFault as anyWithFault } from './support/faults.js';
import { joinSplices, twoCircuits } from './support/ruleCases/builders.js';
import { jobOf, planned } from './support/jobs.js';
import { forSamples } from './support/samples.js';

const followers = (findings: readonly Finding[]): Finding[] => findings.filter((one) => one.follows !== null);
const rootOf = (findings: readonly Finding[], one: Finding): Finding | undefined =>
  findings.find((other) => findingKey(other) === one.follows);

test('where a ground is parted from its splice, what is cut off behind it goes with that box', () => {
  const { job, wiring } = planned(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] }));
  const ground = wiring.joints.find(({ id }) => id.startsWith('S1/') && id.endsWith('G'));
  const leaves = faultsOf(wiring, 'open').find(
    (one) => one.kind === 'open' && one.joint === ground?.id && one.member === 1,
  );
  const parted = leaves && withFault(wiring, leaves);
  if (!parted?.ok) throw new Error('no ground to part');
  const findings = inspect(job, parted.value);
  const cut = followers(findings);
  expect(cut.map(({ rule }) => rule)).toEqual(['yoke-grounded', 'luminaire-grounded']);
  for (const one of cut)
    expect(rootOf(findings, one)).toMatchObject({ rule: 'grounds-joined', at: { box: 'S1' } });
  // What is bound to no cause stands for itself.
  expect(followers(inspect(job, wiring))).toEqual([]);
});

test('a short opens the breaker of its circuit, and the lights of another work on', () => {
  const one = twoCircuits();
  const shorted = joinSplices(one, 'L/g1/SL', 'L/c1/N');
  const { job, wiring } = shorted;
  const proofs = job.groups.map((group) => proveGroup(job, wiring, compile(wiring, job), group));
  expect(proofs.map(({ working, positions }) => working === positions)).toEqual([false, true]);
  const failing = inspect(job, wiring).filter(({ rule }) => rule === 'group-works');
  expect(failing.map(({ at }) => at.group)).toEqual(['g1']);
});

test('what follows is named once, under a finding that is there, stands for itself and is no milder', () => {
  let seen = 0;
  const cases = fc.record({ job: anyFullJob, faults: fc.tuple(anyFault, anyFault) });
  forSamples(cases, { seed: 1717, numRuns: 40 }, ({ job: asked, faults }) => {
    const { job } = planJob(asked);
    const wiring = wiringOrEmpty(job);
    const findings = inspect(job, faults.reduce(anyWithFault, wiring));
    for (const one of followers(findings)) {
      seen += 1;
      expect(['violation', 'caution']).toContain(one.severity);
      expect(rootOf(findings, one)).toMatchObject({ severity: 'violation', follows: null });
    }
  });
  expect(seen).toBeGreaterThan(20);
});

test('most of what goes with a finding is gone once that one is mended, though something else is wrong too', () => {
  const gone = { with: 0, of: 0 };
  const cases = fc.record({ job: anyFullJob, first: anyFault, second: anyFault });
  forSamples(cases, { seed: 1718, numRuns: 100 }, ({ job: asked, first, second }) => {
    const { job } = planJob(asked);
    const wiring = wiringOrEmpty(job);
    const one = anyWithFault(wiring, second);
    const before = inspect(job, one);
    const alone = new Set(before.map(findingKey));
    const named = new Set(before.map(({ rule }) => rule));
    const findings = inspect(job, anyWithFault(one, first));
    for (const follower of followers(findings)) {
      // A group fails as a whole, whatever else is wrong in it.
      if (follower.rule === 'group-works') continue;
      // A cause that is there twice is not mended by mending one.
      if (named.has(rootOf(findings, follower)?.rule ?? '')) continue;
      gone.of += 1;
      if (!alone.has(findingKey(follower))) gone.with += 1;
    }
  });
  expect(gone.of).toBeGreaterThan(25);
  expect(gone.with / gone.of).toBeGreaterThan(0.7);
});

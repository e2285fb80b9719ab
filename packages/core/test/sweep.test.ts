import fc from 'fast-check';
import {
  compile,
  createSweep,
  evaluate,
  everyPosition,
  grayWalk,
  planJob,
  wiringOrEmpty,
  type DeviceId,
} from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { anyFullJob } from './support/fullJobs.js';
import { anyFault, withFault } from './support/faults.js';
import { forSamples } from './support/samples.js';
import { jobOf, planned } from './support/jobs.js';

test('a sweep says what evaluating says, on sound and faulty wirings, or that it cannot say', () => {
  const told = { settled: 0, shorted: 0, notSettled: 0 };
  const cases = fc.tuple(fc.oneof(anyJob, anyFullJob), fc.array(anyFault, { maxLength: 3 }));
  forSamples(cases, { seed: 611, numRuns: 210 }, ([asked, faults]) => {
    const { job } = planJob(asked);
    const wiring = wiringOrEmpty(job);
    if (wiring.landings.length === 0) return;
    const faulty = faults.reduce(withFault, wiring);
    const compiled = compile(faulty, job);
    const sweep = createSweep(compiled);
    const lights = new Uint8Array(compiled.luminaires.length);
    for (const positions of everyPosition(
      compiled,
      compiled.devices.map((device) => device.id),
    ).slice(0, 64)) {
      const verdict = sweep(
        compiled.devices.map((device) => positions[device.id] ?? 0),
        lights,
      );
      const state = evaluate(compiled, positions);
      told[verdict] += 1;
      const tripped = state.shorts.some((short) => short.to !== 'otherHot');
      // Where something of the wiring is not known it is left to the other, be it tripped or not.
      if (verdict === 'notSettled') continue;
      expect(verdict === 'shorted').toBe(tripped);
      if (verdict === 'shorted') continue;
      expect([...lights]).toEqual(
        state.luminaires.map((one) =>
          one.shellLive ? 2 : one.light === 'lit' ? 1 : one.light === 'dim' ? -1 : 0,
        ),
      );
    }
  });
  expect(told.settled).toBeGreaterThan(500);
  expect(told.shorted).toBeGreaterThan(20);
  // Rarely enough that the slow way hardly matters, and often enough to be seen here.
  expect(told.notSettled).toBeGreaterThan(0);
  expect(told.notSettled).toBeLessThan(told.settled / 3);
});

test('the walk visits every position once and moves one handle at a time', () => {
  for (const runs of [
    ['F-S1', 'S1-L'],
    ['F-S1', 'S1-S2', 'S2-L'],
    ['F-S1', 'S1-S2', 'S2-S3', 'S3-S4', 'S4-L'],
  ]) {
    const { job, wiring } = planned(jobOf({ runs }));
    const compiled = compile(wiring, job);
    const devices = compiled.devices.map((device) => device.id);
    const walk = grayWalk(compiled, devices).map((positions) =>
      devices.map((id: DeviceId) => positions[id] ?? 0),
    );
    expect(new Set(walk.map(String)).size).toBe(2 ** devices.length);
    walk.slice(1).forEach((now, i) => {
      expect(now.filter((position, d) => position !== walk[i]?.[d])).toHaveLength(1);
    });
    // On a sound wiring each step of the walk changes the light.
    const light = walk.map(
      (now) =>
        evaluate(compiled, Object.fromEntries(devices.map((id, d) => [id, now[d] ?? 0]))).luminaires[0]
          ?.light,
    );
    light.slice(1).forEach((now, i) => expect(now).not.toBe(light[i]));
  }
});

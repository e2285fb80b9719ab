import fc from 'fast-check';
import {
  compile,
  createCableCurrents,
  evaluate,
  everyPosition,
  planJob,
  solveCurrents,
  wiringOrEmpty,
  type Job,
  type Wiring,
} from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { anyFullJob } from './support/fullJobs.js';
import { anyFault, withFault } from './support/faults.js';
import { forSamples } from './support/samples.js';

const forEveryFault = (check: (job: Job, wiring: Wiring) => void) =>
  forSamples(
    fc.tuple(fc.oneof(anyJob, anyFullJob), fc.array(anyFault, { minLength: 1, maxLength: 3 })),
    { seed: 404, numRuns: 250 },
    ([asked, faults]) => {
      const { job, circuits } = planJob(asked);
      if (circuits.every(({ outcome }) => outcome.ok))
        check(job, faults.reduce(withFault, wiringOrEmpty(job)));
    },
  );

test('whatever is wrong with a wiring, the simulator agrees with nodal analysis wherever no breaker trips', () => {
  let compared = 0;
  let tripped = 0;
  let dim = 0;
  forEveryFault((job, wiring) => {
    const compiled = compile(wiring, job);
    const currentsIn = createCableCurrents(wiring, job);
    for (const positions of everyPosition(
      compiled,
      wiring.devices.map((device) => device.id),
    )) {
      const state = evaluate(compiled, positions);
      if (state.shorts.length > 0) {
        tripped += 1;
        for (const short of state.shorts.filter(({ to }) => to !== 'otherHot'))
          expect(state.nets[compiled.sources.find((one) => one.id === short.circuit)?.hot ?? -1]).not.toBe(
            'live',
          );
        continue;
      }
      const { luminaireVolts, amperes } = solveCurrents(wiring, job, positions);
      for (const [cable, currents] of currentsIn(positions, state))
        for (const [colour, fast] of currents) {
          const theirs = amperes.get(cable)?.get(colour) ?? NaN;
          expect([cable, colour, Math.abs(theirs - fast) < 0.02 * Math.max(0.5, Math.abs(fast))]).toEqual([
            cable,
            colour,
            true,
          ]);
        }
      for (const { id, volts, light } of state.luminaires) {
        const slow = luminaireVolts.get(id) ?? 0;
        expect({ id, volts, slow, agree: Math.abs(slow - volts) < 1.5 }).toEqual({
          id,
          volts,
          slow,
          agree: true,
        });
        compared += 1;
        if (light === 'dim') dim += 1;
      }
    }
  });
  // The faults must reach every kind of behaviour, else this proves little.
  expect(compared).toBeGreaterThan(1000);
  expect(tripped).toBeGreaterThan(20);
  expect(dim).toBeGreaterThan(0);
});

test('a tripped breaker shows in nodal analysis as a current no lighting load draws', () =>
  forEveryFault((job, wiring) => {
    const compiled = compile(wiring, job);
    const { shorts } = evaluate(compiled, {});
    // A hot and neutral joined on the panel's own terminals has no conductor to carry the current.
    const behind = compiled.sources.filter(
      ({ id, hot, neutral, ground }) =>
        hot !== neutral &&
        hot !== ground &&
        shorts.some((short) => short.circuit === id && short.to !== 'otherHot'),
    );
    if (behind.length === 0) return;
    const { amperes } = solveCurrents(wiring, job, {});
    const most = Math.max(
      0,
      ...[...amperes.values()].flatMap((currents) => [...currents.values()].map(Math.abs)),
    );
    expect(most).toBeGreaterThan(100);
  }));

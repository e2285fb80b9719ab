import fc from 'fast-check';
import {
  compile,
  createCableCurrents,
  evaluate,
  everyPosition,
  planJob,
  solveCurrents,
  faultsOf,
  wiringOrEmpty,
  withFault as withOneFault,
  type Fault,
  type Job,
  type Wiring,
} from '../src/index.js';
import { anyJob } from './support/arbitrary.js';
import { anyFullJob } from './support/fullJobs.js';
import { jobOf } from './support/jobs.js';
import { anyFault, withFault } from './support/faults.js';
import { forSamples } from './support/samples.js';

const forEveryFault = (check: (job: Job, wiring: Wiring) => void) =>
  forSamples(
    fc.tuple(fc.oneof(anyJob, anyFullJob), fc.array(anyFault, { minLength: 1, maxLength: 3 })),
    { seed: 404, numRuns: 430 },
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
    const otherwise: string[] = [];
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
          if (!(Math.abs(theirs - fast) < 0.02 * Math.max(0.5, Math.abs(fast))))
            otherwise.push(`${cable} ${colour}: ${fast} A, by nodal analysis ${theirs} A`);
        }
      for (const { id, volts, light } of state.luminaires) {
        const slow = luminaireVolts.get(id) ?? 0;
        if (!(Math.abs(slow - volts) < 1.5)) otherwise.push(`${id}: ${volts} V, by nodal analysis ${slow} V`);
        compared += 1;
        if (light === 'dim') dim += 1;
      }
    }
    expect(otherwise).toEqual([]);
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

describe('a fault', () => {
  const sample = () => wiringOrEmpty(planJob(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] })).job);
  const kinds = ['exchanged', 'loose', 'open', 'joined', 'mixed'] as const;

  test.each(kinds)('that is %s changes the wiring and nothing that it does not name', (kind) => {
    const wiring = sample();
    const all = faultsOf(wiring, kind);
    expect(all.length).toBeGreaterThan(3);
    const before = JSON.stringify(wiring);
    for (const fault of all) {
      const result = withOneFault(wiring, fault);
      if (!result.ok) throw new Error(result.problems.join());
      expect(result.value).not.toEqual(wiring);
      const { boxes, devices, cables, marks } = result.value;
      expect({ boxes, devices, cables, marks }).toEqual({
        ...{ boxes: wiring.boxes, devices: wiring.devices, cables: wiring.cables, marks: wiring.marks },
      });
      // Whatever is wrong, it can be compiled and judged.
      compile(result.value, planJob(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] })).job);
    }
    expect(JSON.stringify(wiring)).toBe(before);
  });

  test('that names what is not there, one thing twice, or the only wire of a cap is refused', () => {
    const wiring = sample();
    const [landing] = wiring.landings;
    const cap = wiring.joints.find((one) => one.members.length === 1);
    const [joint] = wiring.joints;
    if (!landing || !joint) throw new Error('no wiring');
    const problems = (fault: Fault) => {
      const result = withOneFault(wiring, fault);
      return result.ok ? [] : result.problems;
    };
    expect(problems({ kind: 'exchanged', a: landing.wire, b: landing.wire })).toEqual(['sameTwice']);
    expect(problems({ kind: 'loose', wire: { pigtail: 'nowhere' as never } })).toEqual(['notThere']);
    expect(problems({ kind: 'open', joint: 'nowhere' as never, member: 0 })).toEqual(['notThere']);
    expect(problems({ kind: 'open', joint: joint.id, member: 99 })).toEqual(['notThere']);
    expect(problems({ kind: 'joined', a: joint.id, b: joint.id })).toEqual(['sameTwice']);
    expect(cap ? problems({ kind: 'open', joint: cap.id, member: 0 }) : ['alone']).toEqual(['alone']);
  });
});

import fc from 'fast-check';
import {
  compile,
  evaluate,
  everyPosition,
  planJob,
  solveCurrents,
  wiringOrEmpty,
  type Job,
  type Wiring,
} from '../src/index.js';
import { anyJob } from './support/arbitrary.js';

/** One thing gone wrong in a wiring. */
type Fault =
  | { kind: 'exchange'; a: number; b: number }
  | { kind: 'open'; joint: number; member: number }
  | { kind: 'loose'; landing: number }
  | { kind: 'join'; a: number; b: number }
  | { kind: 'mix'; a: number; b: number; member: number; other: number };

const anyFault: fc.Arbitrary<Fault> = fc.oneof(
  fc.record({ kind: fc.constant('exchange' as const), a: fc.nat(), b: fc.nat() }),
  fc.record({ kind: fc.constant('open' as const), joint: fc.nat(), member: fc.nat() }),
  fc.record({ kind: fc.constant('loose' as const), landing: fc.nat() }),
  fc.record({ kind: fc.constant('join' as const), a: fc.nat(), b: fc.nat() }),
  fc.record({
    kind: fc.constant('mix' as const),
    a: fc.nat(),
    b: fc.nat(),
    member: fc.nat(),
    other: fc.nat(),
  }),
);

const withFault = (wiring: Wiring, fault: Fault): Wiring => {
  const { landings, joints } = wiring;
  switch (fault.kind) {
    case 'exchange': {
      const [i, j] = [fault.a % landings.length, fault.b % landings.length];
      const [a, b] = [landings[i], landings[j]];
      if (!a || !b) return wiring;
      return {
        ...wiring,
        landings: landings.map((one, k) =>
          k === i ? { ...a, terminal: b.terminal } : k === j ? { ...b, terminal: a.terminal } : one,
        ),
      };
    }
    case 'loose':
      return { ...wiring, landings: landings.filter((_, i) => i !== fault.landing % landings.length) };
    case 'open':
      return {
        ...wiring,
        joints: joints.map((joint, i) =>
          i === fault.joint % Math.max(1, joints.length) && joint.members.length > 1
            ? {
                ...joint,
                members: joint.members.filter((_, m) => m !== fault.member % joint.members.length),
                connectors: [],
              }
            : joint,
        ),
      };
    case 'mix': {
      // Tags were lost: a wire of one splice and a wire of another have changed places.
      const [i, j] = [fault.a % Math.max(1, joints.length), fault.b % Math.max(1, joints.length)];
      const [a, b] = [joints[i], joints[j]];
      const mine = a?.members[fault.member % a.members.length];
      const other = b?.members[fault.other % b.members.length];
      if (!a || !b || !mine || !other || i === j) return wiring;
      const put = (joint: typeof a, out: typeof mine, into: typeof mine) => ({
        ...joint,
        members: joint.members.map((one) => (one === out ? into : one)),
      });
      return {
        ...wiring,
        joints: joints.map((one) =>
          one === a ? put(a, mine, other) : one === b ? put(b, other, mine) : one,
        ),
      };
    }
    case 'join': {
      const [a, b] = [
        joints[fault.a % Math.max(1, joints.length)],
        joints[fault.b % Math.max(1, joints.length)],
      ];
      if (!a || !b || a === b) return wiring;
      return {
        ...wiring,
        joints: joints
          .filter((one) => one !== b)
          .map((one) => (one === a ? { ...a, members: [...a.members, ...b.members], connectors: [] } : one)),
      };
    }
  }
};

const forEveryFault = (check: (job: Job, wiring: Wiring) => void) =>
  fc.assert(
    fc.property(anyJob, fc.array(anyFault, { minLength: 1, maxLength: 3 }), (asked, faults) => {
      const { job, circuits } = planJob(asked);
      if (circuits[0]?.outcome.ok) check(job, faults.reduce(withFault, wiringOrEmpty(job)));
    }),
    { seed: 404, numRuns: 250 },
  );

test('whatever is wrong with a wiring, the simulator agrees with nodal analysis wherever no breaker trips', () => {
  let compared = 0;
  let tripped = 0;
  let dim = 0;
  forEveryFault((job, wiring) => {
    const compiled = compile(wiring, job);
    for (const positions of everyPosition(
      compiled,
      wiring.devices.map((device) => device.id),
    )) {
      const state = evaluate(compiled, positions);
      if (state.shorts.length > 0) {
        tripped += 1;
        expect(state.nets).not.toContain('live');
        continue;
      }
      const { luminaireVolts } = solveCurrents(wiring, job, positions);
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
    const [{ id } = { id: '' }] = job.circuits;
    const source = compiled.sources.find((one) => one.id === id);
    if (shorts.length === 0 || !source || source.hot === source.neutral || source.hot === source.ground)
      return;
    const { amperes } = solveCurrents(wiring, job, {});
    const most = Math.max(
      0,
      ...[...amperes.values()].flatMap((currents) => [...currents.values()].map(Math.abs)),
    );
    expect(most).toBeGreaterThan(100);
  }));

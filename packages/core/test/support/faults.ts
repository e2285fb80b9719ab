import fc from 'fast-check';
import type { Wiring } from '../../src/index.js';

/** One thing gone wrong in a wiring. */
export type Fault =
  | { kind: 'exchange'; a: number; b: number }
  | { kind: 'open'; joint: number; member: number }
  | { kind: 'loose'; landing: number }
  | { kind: 'join'; a: number; b: number }
  | { kind: 'mix'; a: number; b: number; member: number; other: number };

export const anyFault: fc.Arbitrary<Fault> = fc.oneof(
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

/** The wiring with the fault in it. */
export const withFault = (wiring: Wiring, fault: Fault): Wiring => {
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

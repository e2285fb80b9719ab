import type { JointId } from '../model/ids.js';
import { failure, success, type Result } from '../model/result.js';
import { endKey, type Joint, type Landing, type Member, type Wiring } from '../model/wiring.js';

export type Wire = Landing['wire'];

/**
 * One thing gone wrong in a wiring, as a patch of it. `member` counts the members of a splice from 0.
 * - exchanged: two wires are each under the other's screw.
 * - loose: a wire is off its screw.
 * - open: a conductor has slipped out of its splice.
 * - joined: two splices that are to stay apart are one.
 * - mixed: tags were lost, and a wire of one splice and a wire of another have changed places.
 */
export type Fault =
  | { kind: 'exchanged'; a: Wire; b: Wire }
  | { kind: 'loose'; wire: Wire }
  | { kind: 'open'; joint: JointId; member: number }
  | { kind: 'joined'; a: JointId; b: JointId }
  | { kind: 'mixed'; a: JointId; member: number; b: JointId; other: number };

/** Why a wiring cannot have a fault: it holds nothing that the fault names, or what it names is one and the same. */
export type FaultProblem = 'notThere' | 'sameTwice' | 'alone';

const wireKey = (wire: Wire): string => ('end' in wire ? endKey(wire.end) : `tail|${wire.pigtail}`);

/** A splice with other members than it was made up for has no connectors that are known. */
const remade = (joint: Joint, members: readonly Member[]): Joint => ({
  ...joint,
  members: [...members],
  connectors: [],
});

type Of<K extends Fault['kind']> = Extract<Fault, { kind: K }>;
type Patch<K extends Fault['kind']> = (wiring: Wiring, fault: Of<K>) => Result<Wiring, FaultProblem>;

const landingOf = ({ landings }: Wiring, wire: Wire): Landing | undefined => {
  const key = wireKey(wire);
  return landings.find((one) => wireKey(one.wire) === key);
};
const jointOf = ({ joints }: Wiring, id: JointId): Joint | undefined => joints.find((one) => one.id === id);

const PATCHES: { [K in Fault['kind']]: Patch<K> } = {
  exchanged: (wiring, fault) => {
    const [a, b] = [landingOf(wiring, fault.a), landingOf(wiring, fault.b)];
    if (!a || !b) return failure('notThere');
    if (a === b) return failure('sameTwice');
    const landings = wiring.landings.map((one) =>
      one === a ? { ...a, terminal: b.terminal } : one === b ? { ...b, terminal: a.terminal } : one,
    );
    return success({ ...wiring, landings });
  },
  loose: (wiring, { wire }) => {
    const landing = landingOf(wiring, wire);
    if (!landing) return failure('notThere');
    return success({ ...wiring, landings: wiring.landings.filter((one) => one !== landing) });
  },
  open: (wiring, { joint: id, member }) => {
    const joint = jointOf(wiring, id);
    if (!joint || joint.members[member] === undefined) return failure('notThere');
    if (joint.members.length < 2) return failure('alone');
    const left = remade(
      joint,
      joint.members.filter((_, i) => i !== member),
    );
    return success({ ...wiring, joints: wiring.joints.map((one) => (one === joint ? left : one)) });
  },
  joined: (wiring, fault) => {
    const [a, b] = [jointOf(wiring, fault.a), jointOf(wiring, fault.b)];
    if (!a || !b) return failure('notThere');
    if (a === b) return failure('sameTwice');
    const both = remade(a, [...a.members, ...b.members]);
    return success({
      ...wiring,
      joints: wiring.joints.flatMap((one) => (one === b ? [] : one === a ? [both] : [one])),
    });
  },
  mixed: (wiring, fault) => {
    const [a, b] = [jointOf(wiring, fault.a), jointOf(wiring, fault.b)];
    const [mine, other] = [a?.members[fault.member], b?.members[fault.other]];
    if (!a || !b || !mine || !other) return failure('notThere');
    if (a === b) return failure('sameTwice');
    const put = (joint: Joint, out: Member, into: Member): Joint => ({
      ...joint,
      members: joint.members.map((one) => (one === out ? into : one)),
    });
    return success({
      ...wiring,
      joints: wiring.joints.map((one) =>
        one === a ? put(a, mine, other) : one === b ? put(b, other, mine) : one,
      ),
    });
  },
};

/** The wiring with the fault in it, or why it cannot have it. */
export const withFault = (wiring: Wiring, fault: Fault): Result<Wiring, FaultProblem> =>
  (PATCHES[fault.kind] as Patch<Fault['kind']>)(wiring, fault);

/** Every single fault of a kind that a wiring can have; those of two places come once for each pair. */
export const faultsOf = (wiring: Wiring, kind: Fault['kind']): Fault[] => {
  const { landings, joints } = wiring;
  const pairs = <T>(items: readonly T[]): [T, T][] =>
    items.flatMap((a, i) => items.slice(i + 1).map((b): [T, T] => [a, b]));
  const members = (joint: Joint) => joint.members.map((_, member) => member);
  switch (kind) {
    case 'exchanged':
      return pairs(landings).map(([a, b]) => ({ kind, a: a.wire, b: b.wire }));
    case 'loose':
      return landings.map(({ wire }) => ({ kind, wire }));
    case 'open':
      return joints
        .filter((joint) => joint.members.length > 1)
        .flatMap((joint) => members(joint).map((member): Fault => ({ kind, joint: joint.id, member })));
    case 'joined':
      return pairs(joints).map(([a, b]) => ({ kind, a: a.id, b: b.id }));
    case 'mixed':
      return pairs(joints).flatMap(([a, b]) =>
        members(a).flatMap((member) =>
          members(b).map((other): Fault => ({ kind, a: a.id, member, b: b.id, other })),
        ),
      );
  }
};

import type { JointId, PigtailId } from '../model/ids.js';
import { failure, success, type Result } from '../model/result.js';
import {
  endKey,
  terminalKey,
  type Joint,
  type Landing,
  type Member,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';

export type Wire = Landing['wire'];

/**
 * One thing gone wrong in a wiring, as a patch of it. `member` counts the members of a splice from 0.
 * - exchanged: two wires are each under the other's screw.
 * - loose: a wire is off its screw.
 * - open: a conductor has slipped out of its splice.
 * - joined: two splices that are to stay apart are one.
 * - mixed: tags were lost, and a wire of one splice and a wire of another have changed places.
 * - swapped: a wire under a screw and a wire of a splice have changed places.
 * - strayed: a wire is in another splice than its own, as a white taken for a neutral.
 * - landed: a wire is off its screw, and in a splice.
 * - touching: a splice, as that of the bare grounds, touches a screw.
 * - series: a wire of each of two splices are joined with each other alone, so that what hangs on them is in series.
 */
export type Fault =
  | { kind: 'exchanged'; a: Wire; b: Wire }
  | { kind: 'loose'; wire: Wire }
  | { kind: 'open'; joint: JointId; member: number }
  | { kind: 'joined'; a: JointId; b: JointId }
  | { kind: 'mixed'; a: JointId; member: number; b: JointId; other: number }
  | { kind: 'swapped'; wire: Wire; joint: JointId; member: number }
  | { kind: 'strayed'; joint: JointId; member: number; to: JointId }
  | { kind: 'landed'; wire: Wire; to: JointId }
  | { kind: 'touching'; joint: JointId; terminal: Terminal }
  | { kind: 'series'; a: JointId; member: number; b: JointId; other: number };

/** Why a wiring cannot have a fault: it holds nothing that the fault names, or what it names is one and the same. */
export type FaultProblem = 'notThere' | 'sameTwice' | 'alone';

/** Is it the same wire: one end of one conductor, or one tail? */
export const isSameWire = (a: Wire, b: Wire): boolean => wireKey(a) === wireKey(b);

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
  swapped: (wiring, { wire, joint: id, member }) => {
    const [landing, joint] = [landingOf(wiring, wire), jointOf(wiring, id)];
    const out = joint?.members[member];
    // A lead is never landed, and a tail stays where it is cut for.
    if (!landing || !joint || !out || !('end' in out) || !('end' in landing.wire)) return failure('notThere');
    const into: Member = landing.wire;
    return success({
      ...wiring,
      landings: wiring.landings.map((one) => (one === landing ? { ...one, wire: { end: out.end } } : one)),
      joints: wiring.joints.map((one) =>
        one === joint
          ? {
              ...joint,
              members: joint.members.map((each) => (each === out ? into : each)),
            }
          : one,
      ),
    });
  },
  strayed: (wiring, { joint: id, member, to }) => {
    const [from, into] = [jointOf(wiring, id), jointOf(wiring, to)];
    const strays = from?.members[member];
    if (!from || !into || !strays) return failure('notThere');
    if (from === into) return failure('sameTwice');
    if (from.members.length < 2) return failure('alone');
    return success({
      ...wiring,
      joints: wiring.joints.map((one) =>
        one === from
          ? remade(
              from,
              from.members.filter((each) => each !== strays),
            )
          : one === into
            ? remade(into, [...into.members, strays])
            : one,
      ),
    });
  },
  landed: (wiring, { wire, to }) => {
    const [landing, into] = [landingOf(wiring, wire), jointOf(wiring, to)];
    if (!landing || !into || !('end' in landing.wire)) return failure('notThere');
    const { end } = landing.wire;
    return success({
      ...wiring,
      landings: wiring.landings.filter((one) => one !== landing),
      joints: wiring.joints.map((one) => (one === into ? remade(into, [...into.members, { end }]) : one)),
    });
  },
  touching: (wiring, { joint: id, terminal }) => {
    const joint = jointOf(wiring, id);
    if (!joint) return failure('notThere');
    const pigtail = {
      id: `touch|${id}|${terminalKey(terminal)}` as PigtailId,
      ...({ colour: 'bare', awg: 14 } as const),
    };
    return success({
      ...wiring,
      joints: wiring.joints.map((one) =>
        one === joint ? remade(joint, [...joint.members, { pigtail }]) : one,
      ),
      landings: [...wiring.landings, { wire: { pigtail: pigtail.id }, terminal }],
    });
  },
  series: (wiring, fault) => {
    const [a, b] = [jointOf(wiring, fault.a), jointOf(wiring, fault.b)];
    const [mine, other] = [a?.members[fault.member], b?.members[fault.other]];
    if (!a || !b || !mine || !other) return failure('notThere');
    if (a === b) return failure('sameTwice');
    if (a.members.length < 2 || b.members.length < 2) return failure('alone');
    const without = (joint: Joint, out: Member) =>
      remade(
        joint,
        joint.members.filter((one) => one !== out),
      );
    return success({
      ...wiring,
      joints: [
        ...wiring.joints.map((one) => (one === a ? without(a, mine) : one === b ? without(b, other) : one)),
        {
          id: `series|${a.id}|${fault.member}|${b.id}|${fault.other}` as JointId,
          ...{ box: a.box, members: [mine, other], connectors: [] },
        },
      ],
    });
  },
};

/** The wiring with the fault in it, or why it cannot have it. */
export const withFault = (wiring: Wiring, fault: Fault): Result<Wiring, FaultProblem> =>
  (PATCHES[fault.kind] as Patch<Fault['kind']>)(wiring, fault);

/** The kinds of which a wiring is told every fault that it can have, wherever its two places are. */
export type AnywhereKind = 'exchanged' | 'loose' | 'open' | 'joined' | 'mixed';

/** Every single fault of a kind that a wiring can have; those of two places come once for each pair. */
export const faultsOf = (wiring: Wiring, kind: AnywhereKind): Fault[] => {
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

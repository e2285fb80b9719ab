import type { BoxId, JointId } from '../model/ids.js';
import {
  placeOfEnd,
  terminalKey,
  type Joint,
  type Landing,
  type Member,
  type Wiring,
} from '../model/wiring.js';
import { conductorKey, memberKey, pigtailKey } from '../circuit/keys.js';
import { isSameWire, type Fault } from './fault.js';

const pairs = <T>(items: readonly T[]): [T, T][] =>
  items.flatMap((a, i) => items.slice(i + 1).map((b): [T, T] => [a, b]));

/** Landings in one box: on its devices, on its luminaires, on its own screw. */
const landingsIn = (wiring: Wiring, box: BoxId): Landing[] => {
  const devices = new Set<string>(wiring.devices.filter((one) => one.box === box).map(({ id }) => id));
  const cables = new Map(wiring.cables.map((one) => [one.id, one]));
  return wiring.landings.filter(({ wire, terminal }) => {
    if ('device' in terminal) return devices.has(terminal.device);
    if ('box' in terminal) return terminal.box === box;
    const cable = 'end' in wire ? cables.get(wire.end.cable) : undefined;
    return (
      cable !== undefined &&
      'end' in wire &&
      'luminaire' in terminal &&
      placeOfEnd(cable, wire.end.side) === box
    );
  });
};

const holderOf = ({ terminal }: Landing): string =>
  'device' in terminal
    ? terminal.device
    : 'luminaire' in terminal
      ? terminal.luminaire
      : 'circuit' in terminal
        ? terminal.circuit
        : 'box';

const exchangedIn = (landings: readonly Landing[]): Fault[] =>
  pairs(landings)
    .filter(([a, b]) => holderOf(a) === holderOf(b) && !isSameWire(a.wire, b.wire))
    .map(([a, b]): Fault => ({ kind: 'exchanged', a: a.wire, b: b.wire }));

const openIn = (joints: readonly Joint[]): Fault[] =>
  joints.flatMap((joint) =>
    joint.members.map((_, member): Fault => ({ kind: 'open', joint: joint.id, member })),
  );

const mixedIn = (joints: readonly Joint[]): Fault[] =>
  pairs(joints).flatMap(([a, b]) =>
    a.members.flatMap((_, member) =>
      b.members.map((__, other): Fault => ({ kind: 'mixed', a: a.id, member, b: b.id, other })),
    ),
  );

/** Splices in a box that are more than a cap. */
const jointsIn = (wiring: Wiring, box: BoxId): Joint[] =>
  wiring.joints.filter((one) => one.box === box && one.members.length > 1);

/**
 * The plain mistakes of making up one box: two wires of one device exchanged, a wire off its screw or out of its splice, splices joined,
 * wires of two splices exchanged.
 */
export const mistakesIn = (wiring: Wiring, box: BoxId): Fault[] => {
  const landings = landingsIn(wiring, box);
  const joints = jointsIn(wiring, box);
  return [
    ...exchangedIn(landings),
    ...landings.map(({ wire }): Fault => ({ kind: 'loose', wire })),
    ...openIn(joints),
    ...pairs(joints).map(([a, b]): Fault => ({ kind: 'joined', a: a.id, b: b.id })),
    ...mixedIn(joints),
  ];
};

const isGround = (member: Member): boolean =>
  ('end' in member && ['bare', 'green'].includes(member.end.colour)) ||
  ('pigtail' in member && ['bare', 'green'].includes(member.pigtail.colour)) ||
  ('lead' in member && member.lead.name === 'ground');

const endsOf = (joint: Joint): { joint: JointId; member: number }[] =>
  joint.members.flatMap((member, i) => ('end' in member ? [{ joint: joint.id, member: i }] : []));

/** A luminaire whose neutral lead is joined with the wire that goes on to the next one, so that both are in series. */
const seriesIn = (joints: readonly Joint[]): Fault[] => {
  const withLead = (name: 'hot' | 'neutral') =>
    joints.flatMap((joint) =>
      joint.members.flatMap((one, member) =>
        'lead' in one && 'luminaire' in one.lead && one.lead.name === name
          ? [{ joint, member, of: one.lead.luminaire }]
          : [],
      ),
    );
  return withLead('neutral').flatMap((neutral) =>
    withLead('hot')
      .filter((hot) => hot.of === neutral.of && hot.joint !== neutral.joint)
      .flatMap((hot) =>
        endsOf(hot.joint).map(({ member: other }): Fault => ({
          ...{ kind: 'series', a: neutral.joint.id, member: neutral.member },
          ...{ b: hot.joint.id, other },
        })),
      ),
  );
};

/** All that can be wrong with the wires of one box: plain mistakes, and wires that are where another belongs. */
export const faultsIn = (wiring: Wiring, box: BoxId): Fault[] => {
  const landings = landingsIn(wiring, box);
  const joints = jointsIn(wiring, box);
  const byEnd = landings.filter(({ wire }) => 'end' in wire);
  const grounds = joints.filter((one) => one.members.some(isGround));
  return [
    ...mistakesIn(wiring, box),
    ...byEnd.flatMap(({ wire }) =>
      joints.flatMap(endsOf).map((one): Fault => ({ kind: 'swapped', wire, ...one })),
    ),
    ...joints.flatMap((from) =>
      endsOf(from).flatMap((one) =>
        joints.flatMap((to): Fault[] => (to === from ? [] : [{ kind: 'strayed', ...one, to: to.id }])),
      ),
    ),
    ...byEnd.flatMap(({ wire }) => joints.map((to): Fault => ({ kind: 'landed', wire, to: to.id }))),
    ...grounds.flatMap((joint) =>
      landings
        .filter(({ terminal }) => terminal.name !== 'ground')
        .map(({ terminal }): Fault => ({ kind: 'touching', joint: joint.id, terminal })),
    ),
    ...seriesIn(joints),
  ];
};

/** What can be wrong with the wires of one circuit at the panel: two of them exchanged, or one off. */
export const faultsAtPanel = (wiring: Wiring, circuit: string): Fault[] => {
  const mine = wiring.landings.filter(
    ({ terminal }) => 'circuit' in terminal && terminal.circuit === circuit,
  );
  return [...exchangedIn(mine), ...mine.map(({ wire }): Fault => ({ kind: 'loose', wire }))];
};

/** Text key of a fault; equal for equal ones. */
export const faultKey = (fault: Fault): string =>
  JSON.stringify(fault, (key, value: unknown) =>
    key === 'terminal' ? terminalKey(value as Parameters<typeof terminalKey>[0]) : value,
  );

/** Keys of the wires that a fault is about, by which they are found in a drawing. */
export const wiresOfFault = (wiring: Wiring, fault: Fault): string[] => {
  const ofWire = (wire: Landing['wire']): string =>
    'end' in wire ? conductorKey(wire.end.cable, wire.end.colour) : pigtailKey(wire.pigtail);
  const ofMember = (joint: JointId, at: number): string[] => {
    const member = wiring.joints.find(({ id }) => id === joint)?.members[at];
    return member ? [memberKey(member)] : [];
  };
  const all = (joint: JointId): string[] =>
    wiring.joints.find(({ id }) => id === joint)?.members.map(memberKey) ?? [];
  switch (fault.kind) {
    case 'exchanged':
      return [ofWire(fault.a), ofWire(fault.b)];
    case 'loose':
      return [ofWire(fault.wire)];
    case 'open':
    case 'strayed':
      return ofMember(fault.joint, fault.member);
    case 'joined':
      return [...all(fault.a), ...all(fault.b)];
    case 'mixed':
    case 'series':
      return [...ofMember(fault.a, fault.member), ...ofMember(fault.b, fault.other)];
    case 'swapped':
      return [ofWire(fault.wire), ...ofMember(fault.joint, fault.member)];
    case 'landed':
      return [ofWire(fault.wire)];
    case 'touching':
      return all(fault.joint);
  }
};

import type { BoxId, CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { existingDocument } from '../model/existing.js';
import { circuitName, findBox, findLuminaire } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { placeOfEnd, type Joint, type Landing, type Member, type Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { evaluate, type State } from '../circuit/evaluate.js';
import { ungroundedParts, type MetalPart } from '../circuit/groundContinuity.js';
import type { Positions } from '../circuit/parts.js';
import { withFault, type Fault } from '../faults/fault.js';
import { grayWalk } from '../proving/positions.js';
import { devicesOfGroup } from '../proving/works.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { deviceWord, endWord, leadWord, screwOf } from '../words/wires.js';

/** How a mistake endangers though every handle does what it should. */
export const BITE_KINDS = [
  'ungrounded',
  'shellLive',
  'hotWhenOff',
  'neutralsJoined',
  'neutralGrounded',
] as const;
export type BiteKind = (typeof BITE_KINDS)[number];

/** A danger that the everyday on-and-off try does not show, single mistakes in one box that bring it, and what does show it. */
export interface Bite {
  kind: BiteKind;
  /** What would be dangerous then. */
  what: string;
  /** How many single mistakes of those that were tried bring it, and one of them in words. */
  mistakes: number;
  example: string;
  /** The least reading that shows it, and whether something is live for it. */
  reading: string;
  live: boolean;
}

/** More positions of a group than these are not tried. */
const MOST_POSITIONS = 32;

const keyOfWire = (wire: Landing['wire']): string => JSON.stringify(wire);

/** The single mistakes of making up one box: two wires of one device exchanged, a wire off its screw or out of its splice, splices joined, wires of two splices exchanged. */
const mistakesIn = (wiring: Wiring, box: BoxId): Fault[] => {
  const devices = new Set<string>(wiring.devices.filter((one) => one.box === box).map(({ id }) => id));
  const cables = new Map(wiring.cables.map((one) => [one.id, one]));
  const isHere = ({ wire, terminal }: Landing): boolean => {
    if ('device' in terminal) return devices.has(terminal.device);
    if ('box' in terminal) return terminal.box === box;
    const cable = 'end' in wire ? cables.get(wire.end.cable) : undefined;
    return (
      cable !== undefined &&
      'end' in wire &&
      'luminaire' in terminal &&
      placeOfEnd(cable, wire.end.side) === box
    );
  };
  const landings = wiring.landings.filter(isHere);
  const holder = ({ terminal }: Landing): string =>
    'device' in terminal ? terminal.device : 'luminaire' in terminal ? terminal.luminaire : 'box';
  const joints = wiring.joints.filter((one) => one.box === box && one.members.length > 1);
  const pairs = <T>(items: readonly T[]): [T, T][] =>
    items.flatMap((a, i) => items.slice(i + 1).map((b): [T, T] => [a, b]));
  return [
    ...pairs(landings)
      .filter(([a, b]) => holder(a) === holder(b) && keyOfWire(a.wire) !== keyOfWire(b.wire))
      .map(([a, b]): Fault => ({ kind: 'exchanged', a: a.wire, b: b.wire })),
    ...landings.map(({ wire }): Fault => ({ kind: 'loose', wire })),
    ...joints.flatMap((joint) =>
      joint.members.map((_, member): Fault => ({ kind: 'open', joint: joint.id, member })),
    ),
    ...pairs(joints).map(([a, b]): Fault => ({ kind: 'joined', a: a.id, b: b.id })),
    ...pairs(joints).flatMap(([a, b]) =>
      a.members.flatMap((_, member) =>
        b.members.map((__, other): Fault => ({ kind: 'mixed', a: a.id, member, b: b.id, other })),
      ),
    ),
  ];
};

const sayMember = (job: Job, wiring: Wiring, member: Member | undefined): string =>
  member === undefined
    ? 'a wire'
    : 'end' in member
      ? `the ${endWord(job, wiring, member.end)}`
      : 'lead' in member
        ? `the ${leadWord(job, wiring, member.lead)}`
        : 'a tail';

const sayWire = (job: Job, wiring: Wiring, wire: Landing['wire']): string =>
  'end' in wire ? `the ${endWord(job, wiring, wire.end)}` : 'a tail';

const sayFault = (job: Job, wiring: Wiring, fault: Fault): string => {
  const jointOf = (id: Joint['id']) => wiring.joints.find((one) => one.id === id);
  const member = (id: Joint['id'], at: number) => sayMember(job, wiring, jointOf(id)?.members[at]);
  const landed = (wire: Landing['wire']) =>
    wiring.landings.find((one) => keyOfWire(one.wire) === keyOfWire(wire))?.terminal;
  switch (fault.kind) {
    case 'exchanged':
      return `${sayWire(job, wiring, fault.a)} and ${sayWire(job, wiring, fault.b)} are each under the other’s screw`;
    case 'loose': {
      const terminal = landed(fault.wire);
      return `${sayWire(job, wiring, fault.wire)} is off ${terminal ? `the ${screwOf(job, wiring, terminal)}` : 'its screw'}`;
    }
    case 'open':
      return `${member(fault.joint, fault.member)} has slipped out of its splice`;
    case 'joined':
      return `the splice of ${member(fault.a, 0)} and that of ${member(fault.b, 0)} are one`;
    case 'mixed':
      return `${member(fault.a, fault.member)} and ${member(fault.b, fault.other)} have changed places`;
  }
};

const partName = (job: Job, part: MetalPart, wiring: Wiring): string => {
  if ('box' in part) return `the box at ${findBox(job, part.box)?.name ?? part.box}`;
  if ('luminaire' in part)
    return `the metal of ${findLuminaire(job, part.luminaire)?.name ?? part.luminaire}`;
  const at = wiring.devices.find((one) => one.id === part.device)?.box;
  return `the ${deviceWord(job, wiring, part.device)} at ${findBox(job, at ?? '')?.name ?? part.device}`;
};

/** What a wiring does that somebody sees who flips every handle, and what he does not see. */
interface Looked {
  seen: string;
  hidden: Map<string, { kind: BiteKind; what: string }>;
}

const look = (job: Job, wiring: Wiring, compiled: Compiled, walks: readonly Positions[][]): Looked => {
  const hidden: Looked['hidden'] = new Map();
  const tell = (kind: BiteKind, what: string) => hidden.set(`${kind} ${what}`, { kind, what });
  for (const part of ungroundedParts(wiring, job, compiled))
    tell('ungrounded', `${partName(job, part, wiring)} would not be grounded`);
  const nameOf = (id: State['luminaires'][number]['id']) => findLuminaire(job, id)?.name ?? id;
  const seen = walks.map((walk) =>
    walk.map((positions) => {
      const state = evaluate(compiled, positions);
      for (const { id, shellLive, light } of state.luminaires) {
        if (shellLive) tell('shellLive', `the neutral side of ${nameOf(id)} would be live`);
        const hot = compiled.luminaires.find((one) => one.id === id)?.hot;
        if (light === 'dark' && hot !== undefined && state.nets[hot] === 'live')
          tell('hotWhenOff', `${nameOf(id)} would stay hot while it is dark`);
      }
      for (const [a, b] of state.neutralsJoined)
        tell(
          'neutralsJoined',
          `the neutrals of ${circuitName(job, a)} and ${circuitName(job, b)} would be joined`,
        );
      for (const circuit of state.neutralsGrounded)
        tell('neutralGrounded', `the neutral of ${circuitName(job, circuit)} would be joined to ground`);
      const outlets = compiled.devices.flatMap((one) => one.outlets.map((net) => state.nets[net]));
      return [state.luminaires.map(({ light }) => light), outlets, state.shorts.length];
    }),
  );
  return { seen: JSON.stringify(seen), hidden };
};

const READINGS: Record<BiteKind, { reading: string; live: boolean }> = {
  ungrounded: {
    reading:
      'Dead: there must be continuity from that metal to a ground that is proved good and does not come through this box, such as that of another circuit.',
    live: false,
  },
  shellLive: {
    reading:
      'Live, by an electrician: neutral side to a proved ground must read about 0 V in every position.',
    live: true,
  },
  hotWhenOff: {
    reading: 'Live, by an electrician, with the handle off: hot side to a proved ground must read about 0 V.',
    live: true,
  },
  neutralsJoined: {
    reading:
      'Dead, both breakers off, both neutrals lifted at the panel by an electrician: no continuity between them.',
    live: false,
  },
  neutralGrounded: {
    reading: 'Dead, its neutral lifted at the panel by an electrician: no continuity from it to ground.',
    live: false,
  },
};

/** Handle positions that are tried of every circuit that comes into a box, group by group. */
const walksAt = ({ job, wiring, drawn }: ReviewedWiring, circuits: ReadonlySet<CircuitId>): Positions[][] =>
  job.groups
    .filter(({ circuit, control }) => control === 'switched' && circuits.has(circuit))
    .map((group) => grayWalk(drawn, devicesOfGroup(job, wiring, group.id)).slice(0, MOST_POSITIONS));

/** Is there anything in a box of a circuit that nobody has looked at? */
const isUnknown = (review: ReviewedWiring, circuit: CircuitId): boolean => {
  const { job, wiring } = review;
  const certainty = existingDocument(job)?.certainty;
  const { boxes } = reviewCircuit(review, circuit);
  return (
    [...boxes].some((box) => ['assumed', 'partlySeen'].includes(ofId(certainty, box) ?? '')) ||
    wiring.unseen.some((end) => {
      const cable = wiring.cables.find(({ id }) => id === end.cable);
      return cable === undefined || boxes.has(placeOfEnd(cable, end.side) as BoxId);
    })
  );
};

/**
 * Where a box bites: dangers that a single mistake in it brings while every handle does what it should, so that the everyday try does not show
 * them; each with the least reading that does. Null where something of its
 * circuits is not known: then nothing is told of it.
 */
export const bitesOf = (review: ReviewedWiring, box: BoxId): Bite[] | null => {
  // Elsewhere something may be assumed: before and after it is taken as it is drawn, so that only the mistake makes a difference.
  const { job, wiring, drawn } = review;
  const circuits = new Set(
    job.circuits.filter(({ id }) => reviewCircuit(review, id).boxes.has(box)).map(({ id }) => id),
  );
  if ([...circuits].some((id) => isUnknown(review, id))) return null;
  const walks = walksAt(review, circuits);
  const before = look(job, wiring, drawn, walks);
  const found = new Map<string, Bite>();
  for (const fault of mistakesIn(wiring, box)) {
    const made = withFault(wiring, fault);
    if (!made.ok) continue;
    const after = look(job, made.value, compile(made.value, job), walks);
    if (after.seen !== before.seen) continue;
    for (const [key, { kind, what }] of after.hidden) {
      if (before.hidden.has(key)) continue;
      const known = found.get(key);
      if (known) known.mistakes += 1;
      else
        found.set(key, { kind, what, mistakes: 1, example: sayFault(job, wiring, fault), ...READINGS[kind] });
    }
  }
  return [...found.values()].sort((a, b) => BITE_KINDS.indexOf(a.kind) - BITE_KINDS.indexOf(b.kind));
};

import type { BoxId, CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { existingDocument } from '../model/existing.js';
import { circuitName, findBox, findLuminaire } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { placeOfEnd, type Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { evaluate, type State } from '../circuit/evaluate.js';
import { ungroundedParts, type MetalPart } from '../circuit/groundContinuity.js';
import type { Positions } from '../circuit/parts.js';
import { scopeOf } from '../diagnosis/scope.js';
import { withFault } from '../faults/fault.js';
import { mistakesIn } from '../faults/inBox.js';
import { sayFault } from '../faults/say.js';
import { grayWalk } from '../proving/positions.js';
import { devicesOfGroup } from '../proving/works.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { deviceWord } from '../words/wires.js';

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
  for (const { part } of ungroundedParts(wiring, job, compiled))
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
  const { job, wiring } = review;
  const circuits = new Set(
    job.circuits.filter(({ id }) => reviewCircuit(review, id).boxes.has(box)).map(({ id }) => id),
  );
  if ([...circuits].some((id) => isUnknown(review, id))) return null;
  const walks = walksAt(review, circuits);
  const [circuit] = circuits;
  if (circuit === undefined) return [];
  // What is in no box with it has no say in it.
  const { near, parts } = scopeOf(review, circuit);
  const before = look(job, near, compile(near, parts), walks);
  const found = new Map<string, Bite>();
  for (const fault of mistakesIn(near, box)) {
    const made = withFault(near, fault);
    if (!made.ok) continue;
    const after = look(job, made.value, compile(made.value, parts), walks);
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

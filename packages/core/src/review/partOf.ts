import { Numbering } from '../circuit/numbering.js';
import { UnionFind } from '../circuit/unionFind.js';
import { heldBy, prunedWiring } from '../edits/wiring/pruned.js';
import { existingDocument } from '../model/existing.js';
import { PANEL, UNKNOWN_PLACE, placeOfNode, type CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findGroup } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Wiring } from '../model/wiring.js';

const box = (id: string) => `box ${id}`;
const circuit = (id: string) => `circuit ${id}`;
const room = (id: string) => `room ${id}`;

/** Boxes, circuits and rooms that hang together, by twos: by cables, by what stands in a box, by the room of a group or a box. */
const tiesOf = (job: Job, wiring: Wiring): [string, string][] => {
  const isBox = (place: string) => place !== PANEL && place !== UNKNOWN_PLACE;
  const there = existingDocument(job);
  const cables = [...wiring.cables, ...(there?.wiring.cables ?? [])];
  return [
    ...job.groups.map((one): [string, string] => [circuit(one.circuit), room(one.room)]),
    ...[...job.slots, ...job.luminaires].flatMap((one): [string, string][] => {
      const of = findGroup(job, one.group)?.circuit;
      return of === undefined ? [] : [[circuit(of), box(one.box)]];
    }),
    ...job.boxes.flatMap((one): [string, string][] =>
      one.room === null ? [] : [[box(one.id), room(one.room)]],
    ),
    ...job.feeds.flatMap(({ circuit: of, at }): [string, string][] =>
      isBox(at) ? [[circuit(of), box(at)]] : [],
    ),
    ...job.choices.flatMap(({ circuit: of, runs }) =>
      runs
        .flatMap(({ from, to }) => [placeOfNode(from), placeOfNode(to)])
        .filter(isBox)
        .map((at): [string, string] => [circuit(of), box(at)]),
    ),
    ...cables.flatMap(({ id, from, to, via }): [string, string][] => {
      const [first, ...others] = [from, to, ...via.map((one) => one.box)].filter(isBox).map(box);
      const carried = ofId(there?.carries, id);
      return first === undefined
        ? []
        : [...others, ...(carried === undefined ? [] : [circuit(carried)])].map((other) => [first, other]);
    }),
  ];
};

/**
 * The part of a job and its wiring that hangs together with a circuit, with all rooms, circuits by name, and all that the job itself says; null
 * where that is all of it. No cable leads out of the part but to the panel, and no rule looks from one part into another: of the circuit the same
 * is found in it.
 */
export const partOf = (job: Job, wiring: Wiring, of: CircuitId): { job: Job; wiring: Wiring } | null => {
  const names = new Numbering();
  const boxes = [...job.boxes.map(({ id }) => id), ...Object.keys(wiring.boxes)];
  for (const name of [...boxes.map(box), ...job.circuits.map(({ id }) => circuit(id))]) names.of(name);
  const ties = tiesOf(job, wiring).map(([a, b]) => [names.of(a), names.of(b)] as const);
  const sets = new UnionFind(names.size);
  for (const [a, b] of ties) sets.join(a, b);
  const root = sets.find(names.of(circuit(of)));
  const isIn = (name: string) => sets.find(names.of(name)) === root;
  const held = new Set<string>(boxes.filter((id) => isIn(box(id))));
  const circuits = new Set<string>(job.circuits.map(({ id }) => id).filter((id) => isIn(circuit(id))));
  if (job.boxes.every(({ id }) => held.has(id)) && circuits.size === job.circuits.length) return null;
  const stands = (one: { box: string }) => held.has(one.box);
  const isOf = (one: { circuit: string }) => circuits.has(one.circuit);
  const part: Job = {
    ...job,
    groups: job.groups.filter(isOf),
    feeds: job.feeds.filter(isOf),
    choices: job.choices.filter(isOf),
    boxes: job.boxes.filter(({ id }) => held.has(id)),
    slots: job.slots.filter(stands),
    luminaires: job.luminaires.filter(stands),
  };
  return { job: part, wiring: prunedWiring(wiring, { ...heldBy(part), cable: () => true }) };
};

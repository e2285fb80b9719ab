import { existingDocument } from '../model/existing.js';
import { PANEL, UNKNOWN_PLACE, placeOfNode, type CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { tailsOf } from '../model/inBox.js';
import type { Wiring } from '../model/wiring.js';

/** What hangs together, by name. */
const createTies = () => {
  const up = new Map<string, string>();
  const rootOf = (name: string): string => {
    let at = name;
    for (let next = up.get(at); next !== undefined; next = up.get(at)) at = next;
    return at;
  };
  return {
    tie: (a: string, b: string): void => {
      const [from, to] = [rootOf(a), rootOf(b)];
      if (from !== to) up.set(from, to);
    },
    rootOf,
  };
};

const boxKey = (id: string) => `box ${id}`;
const circuitKey = (id: string) => `circuit ${id}`;
const roomKey = (id: string) => `room ${id}`;

/** Which boxes, circuits and rooms of a job hang together: by cables, by what stands in a box, by the room of a group or a box. */
const tiesOf = (job: Job, wiring: Wiring) => {
  const { tie, rootOf } = createTies();
  const isBox = (place: string) => place !== PANEL && place !== UNKNOWN_PLACE;
  const tieBoxes = (places: readonly string[]) => {
    const [first, ...others] = places.filter(isBox);
    for (const other of others) if (first !== undefined) tie(boxKey(first), boxKey(other));
  };
  for (const { id, circuit, room } of job.groups) {
    tie(circuitKey(circuit), roomKey(room));
    for (const { box } of [...job.slots, ...job.luminaires].filter((one) => one.group === id))
      tie(circuitKey(circuit), boxKey(box));
  }
  for (const { id, room } of job.boxes) if (room !== null) tie(boxKey(id), roomKey(room));
  for (const { circuit, at } of job.feeds) if (isBox(at)) tie(circuitKey(circuit), boxKey(at));
  for (const { circuit, runs } of job.choices)
    for (const node of runs.flatMap(({ from, to }) => [placeOfNode(from), placeOfNode(to)]))
      if (isBox(node)) tie(circuitKey(circuit), boxKey(node));
  const there = existingDocument(job);
  for (const { id, from, to, via } of [...wiring.cables, ...(there?.wiring.cables ?? [])]) {
    const places = [from, to, ...via.map(({ box }) => box)];
    tieBoxes(places);
    const carried = there?.carries[id];
    const box = places.find(isBox);
    if (carried !== undefined && box !== undefined) tie(circuitKey(carried), boxKey(box));
  }
  return { rootOf };
};

/**
 * The part of a job and its wiring that hangs together with a circuit, with all rooms, circuits by name, and all that the job itself says; null where that is all of
 * it. No cable leads out of the part but to the panel, and no rule looks from one part into another: of the circuit the same is found in it.
 */
export const partOf = (job: Job, wiring: Wiring, circuit: CircuitId): { job: Job; wiring: Wiring } | null => {
  const { rootOf } = tiesOf(job, wiring);
  const root = rootOf(circuitKey(circuit));
  const boxes = new Set<string>(
    [...job.boxes.map(({ id }) => id), ...Object.keys(wiring.boxes)].filter(
      (id) => rootOf(boxKey(id)) === root,
    ),
  );
  const circuits = new Set<string>(
    job.circuits.map(({ id }) => id).filter((id) => rootOf(circuitKey(id)) === root),
  );
  if (job.boxes.every(({ id }) => boxes.has(id)) && circuits.size === job.circuits.length) return null;
  const inPart = ({ box }: { box: string }) => boxes.has(box);
  const ofCircuit = (one: { circuit: string }) => circuits.has(one.circuit);
  const cables = wiring.cables.filter(({ from, to }) => [from, to].some((place) => boxes.has(place)));
  const lying = new Set<string>(cables.map(({ id }) => id));
  const joints = wiring.joints.filter(inPart);
  const tails = new Set<string>(joints.flatMap((joint) => tailsOf(joint).map(({ id }) => id)));
  const luminaires = job.luminaires.filter(inPart);
  const hanging = new Set<string>(luminaires.map(({ id }) => id));
  return {
    job: {
      ...job,
      groups: job.groups.filter(ofCircuit),
      feeds: job.feeds.filter(ofCircuit),
      choices: job.choices.filter(ofCircuit),
      boxes: job.boxes.filter(({ id }) => boxes.has(id)),
      slots: job.slots.filter(inPart),
      luminaires,
    },
    wiring: {
      boxes: Object.fromEntries(Object.entries(wiring.boxes).filter(([box]) => boxes.has(box))),
      cables,
      devices: wiring.devices.filter(inPart),
      joints,
      landings: wiring.landings.filter(({ wire }) =>
        'end' in wire ? lying.has(wire.end.cable) : tails.has(wire.pigtail),
      ),
      marks: wiring.marks.filter(({ end }) => lying.has(end.cable)),
      unseen: wiring.unseen.filter((end) => lying.has(end.cable)),
      luminaires: wiring.luminaires.filter(({ id }) => hanging.has(id)),
    },
  };
};

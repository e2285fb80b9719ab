import { assumedOf, existingDocument } from '../model/existing.js';
import type { BoxId, CircuitId, DeviceId, LuminaireId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import { evaluate } from '../circuit/evaluate.js';
import type { Parts, Positions } from '../circuit/parts.js';
import { grayWalk } from '../proving/positions.js';
import { devicesOfGroup } from '../proving/works.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';

/** What of a job has a say in what one circuit does: itself, and circuits that share a box with it. */
export interface Scope {
  job: Job;
  /** The whole wiring, by which all is named, and the part of it in which the fault is looked for. */
  wiring: Wiring;
  near: Wiring;
  parts: Parts;
  circuit: CircuitId;
  /** Does its breaker watch for arcs or for what does not come back by its neutral? Then neutrals that stray open it. */
  watches: boolean;
  boxes: BoxId[];
  luminaires: LuminaireId[];
  /** The handles of each group of the circuit. */
  groups: { name: string; devices: DeviceId[] }[];
  /** Boxes that nobody has looked into. */
  assumed: ReadonlySet<string>;
  /** Handles so that a load should be fed; as they come where it never is. */
  litAt: (luminaire: LuminaireId) => Positions;
}

/** The part of a wiring that is in some boxes, and at the panel for some circuits. */
const within = (
  wiring: Wiring,
  boxes: ReadonlySet<string>,
  circuits: ReadonlySet<string>,
  luminaires: ReadonlySet<string>,
): Wiring => {
  const devices = wiring.devices.filter(({ box }) => boxes.has(box));
  const ids = new Set<string>(devices.map(({ id }) => id));
  const cables = wiring.cables.filter(({ from, to }) => boxes.has(from) || boxes.has(to));
  const here = new Set<string>(cables.map(({ id }) => id));
  return {
    ...wiring,
    devices,
    cables,
    joints: wiring.joints.filter(({ box }) => boxes.has(box)),
    landings: wiring.landings.filter(({ wire, terminal }) => {
      if ('end' in wire && !here.has(wire.end.cable)) return false;
      if ('device' in terminal) return ids.has(terminal.device);
      if ('luminaire' in terminal) return luminaires.has(terminal.luminaire);
      return 'box' in terminal ? boxes.has(terminal.box) : circuits.has(terminal.circuit);
    }),
    marks: wiring.marks.filter(({ end }) => here.has(end.cable)),
    unseen: wiring.unseen.filter((end) => here.has(end.cable)),
  };
};

export const scopeOf = (review: ReviewedWiring, circuit: CircuitId): Scope => {
  const { job, wiring, id } = review;
  const own = reviewCircuit(review, circuit).boxes;
  const shares = (boxes: ReadonlySet<string>) => [...own].some((box) => boxes.has(box));
  const near = job.circuits
    .map((one) => ({ one, boxes: reviewCircuit(review, one.id).boxes }))
    .filter(({ one, boxes }) => one.id === circuit || shares(boxes));
  const boxes = new Set<string>(near.flatMap((each) => [...each.boxes]));
  const luminaires = job.luminaires.filter((one) => boxes.has(one.box));
  const groups = job.groups.filter((one) => one.circuit === circuit);
  const mine = new Set<string>(groups.map((one) => one.id));
  const document = job.wirings.find((one) => one.id === id);
  const circuits = near.map(({ one }) => one);
  const litAt = (luminaire: LuminaireId): Positions => {
    const group = job.luminaires.find((one) => one.id === luminaire)?.group;
    const walk = group === undefined ? [] : grayWalk(review.drawn, devicesOfGroup(job, wiring, group));
    const isLit = (positions: Positions) =>
      evaluate(review.drawn, positions).luminaires.some((one) => one.id === luminaire && one.light === 'lit');
    return walk.find(isLit) ?? {};
  };
  // What is planned stands on what is there: of a box that nobody has looked into it is no surer than that.
  const assumed = new Set<string>(
    [document, existingDocument(job)].flatMap((one) => (one ? [...assumedOf(one)] : [])),
  );
  return {
    ...{ job, wiring, circuit, assumed, litAt },
    watches: circuits.some((one) => one.id === circuit && (one.afci === 'yes' || one.gfci === 'yes')),
    near: within(
      wiring,
      boxes,
      new Set<string>(circuits.map((one) => one.id)),
      new Set<string>(luminaires.map((one) => one.id)),
    ),
    parts: { stock: job.stock, luminaires, circuits },
    boxes: [...own].filter((box) => findBox(job, box)?.work !== 'beyond'),
    luminaires: luminaires.filter((one) => mine.has(one.group) && one.unit !== 'onward').map((one) => one.id),
    groups: groups
      .filter((one) => one.control === 'switched')
      .map((one) => ({ name: one.name, devices: devicesOfGroup(job, wiring, one.id) }))
      .filter(({ devices }) => devices.length > 0),
  };
};

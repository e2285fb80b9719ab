import { isGroundColour } from '../model/colours.js';
import { existingDocument } from '../model/existing.js';
import { PANEL, UNKNOWN_PLACE, type CableId, type CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { boxesOfCircuit } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import {
  articlesAt,
  emptyWiring,
  type End,
  type Joint,
  type Member,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';
import { chooseConnectors } from '../materials/connectors.js';
import { createSizeOf } from '../materials/jumpers.js';

/** What circuits that are planned make up by themselves: the old cables that they use, and the slots and luminaires of theirs. */
export interface PlannedAnew {
  cables: ReadonlySet<string>;
  slots: ReadonlySet<string>;
  luminaires: ReadonlySet<string>;
}

const isGround = (member: Member): boolean => 'end' in member && isGroundColour(member.end.colour);

/** What holds these together once a splice is made up again. */
const connectorsFor = (job: Job, wiring: Wiring, members: readonly Member[]): Joint['connectors'] =>
  chooseConnectors(
    job.stock,
    job.preferences,
    members.map(createSizeOf(job, wiring)),
    members.some(isGround),
  ) ?? [];

/**
 * A wiring without these cables, devices and luminaires, and without what of its splices and landings is of them alone. A splice of which some
 * wires go is made up again.
 */
const without = (job: Job, wiring: Wiring, { cables, slots, luminaires }: PlannedAnew): Wiring => {
  if (cables.size + slots.size + luminaires.size === 0) return wiring;
  const gone = new Set<string>(
    wiring.devices.filter(({ slot }) => slot !== null && slots.has(slot)).map(({ id }) => id),
  );
  const isGone = (terminal: Terminal): boolean =>
    ('device' in terminal && gone.has(terminal.device)) ||
    ('luminaire' in terminal && luminaires.has(terminal.luminaire));
  const lost = new Set<string>(
    wiring.landings.flatMap(({ wire, terminal }) =>
      'pigtail' in wire && isGone(terminal) ? [wire.pigtail] : [],
    ),
  );
  const stays = (member: Member): boolean =>
    'end' in member
      ? !cables.has(member.end.cable)
      : 'lead' in member
        ? !isGone(member.lead)
        : !lost.has(member.pigtail.id);
  const joints = wiring.joints.flatMap((joint): Joint[] => {
    const members = joint.members.filter(stays);
    if (members.length === joint.members.length) return [joint];
    // A tail alone is of what is planned.
    return members.some((one) => !('pigtail' in one))
      ? [{ ...joint, members, connectors: connectorsFor(job, wiring, members) }]
      : [];
  });
  const tails = new Set<string>(
    joints.flatMap(({ members }) => members.flatMap((one) => ('pigtail' in one ? [one.pigtail.id] : []))),
  );
  return {
    ...wiring,
    devices: wiring.devices.filter(({ id }) => !gone.has(id)),
    cables: wiring.cables.filter(({ id }) => !cables.has(id)),
    joints,
    landings: wiring.landings.filter(
      ({ wire, terminal }) =>
        !isGone(terminal) && ('end' in wire ? !cables.has(wire.end.cable) : tails.has(wire.pigtail)),
    ),
    marks: wiring.marks.filter(({ end }) => !cables.has(end.cable)),
    unseen: wiring.unseen.filter(({ cable }) => !cables.has(cable)),
  };
};

/**
 * The existing wiring of circuits that are kept as they are: their boxes that are told of with all that is in them, and the cables of these. What
 * circuits that are planned have in the same boxes is theirs to make up, and is not in it.
 */
export const standingPart = (job: Job, kept: ReadonlySet<CircuitId>, planned: PlannedAnew): Wiring => {
  const document = existingDocument(job);
  if (!document) return emptyWiring();
  const wiring = without(job, document.wiring, planned);
  const isTold = (box: string) => ofId(document.certainty, box) !== undefined;
  const boxes = new Set<string>([...kept].flatMap((id) => boxesOfCircuit(job, id)).filter(isTold));
  // A box in which cables of these end and nothing stands, as one with splices only, is a part of them.
  for (let grew = true; grew;) {
    grew = false;
    for (const { from, to } of wiring.cables)
      for (const [a, b] of [
        [from, to],
        [to, from],
      ] as const)
        if (boxes.has(a) && isPlainBox(job, b) && !boxes.has(b)) {
          boxes.add(b);
          grew = true;
        }
  }
  const isHere = (place: string) => boxes.has(place) || place === PANEL || place === UNKNOWN_PLACE;
  // A cable may lead on to where nobody has told anything.
  const leadsOn = (id: string) => {
    const circuit = ofId(document.carries, id);
    return circuit !== undefined && circuit !== null && kept.has(circuit);
  };
  const cables = wiring.cables.filter(
    ({ id, from, to }) => (boxes.has(from) || boxes.has(to)) && ((isHere(from) && isHere(to)) || leadsOn(id)),
  );
  const ids = new Set<string>(cables.map(({ id }) => id));
  const mine = (end: End) => ids.has(end.cable);
  const joints = wiring.joints.filter(({ box }) => boxes.has(box));
  const tails = new Set<string>(
    joints.flatMap(({ members }) =>
      members.flatMap((one) => ('pigtail' in one ? [one.pigtail.id as string] : [])),
    ),
  );
  return {
    boxes: Object.fromEntries(Object.entries(wiring.boxes).filter(([box]) => boxes.has(box))),
    devices: wiring.devices.filter(({ box }) => boxes.has(box)),
    cables,
    joints,
    landings: wiring.landings.filter(({ wire }) =>
      'end' in wire ? mine(wire.end) : tails.has(wire.pigtail),
    ),
    marks: wiring.marks.filter(({ end }) => mine(end)),
    unseen: wiring.unseen.filter(mine),
    luminaires: wiring.luminaires,
  };
};

/** Does nothing of any circuit stand or hang there? */
const isPlainBox = (job: Job, place: string): boolean =>
  job.boxes.some(({ id }) => id === place) &&
  job.slots.every(({ box }) => box !== place) &&
  job.luminaires.every(({ box }) => box !== place);

/** Everything that is on a ground, in one splice: what is planned joins what stands there, under the name that it has. */
const groundsJoined = (job: Job, standing: Wiring, planned: Wiring, box: string): Joint[] => {
  const isOf = (joint: Joint) => joint.box === box && joint.members.some(isGround);
  const [old, fresh] = [standing.joints.filter(isOf), planned.joints.filter(isOf)];
  const [first] = old;
  if (!first || fresh.length === 0) return [...old, ...fresh];
  const members = [...old, ...fresh].flatMap((joint) => joint.members);
  const whole: Wiring = {
    ...planned,
    cables: [...standing.cables, ...planned.cables],
    devices: [...standing.devices, ...planned.devices],
  };
  return [{ ...first, members, connectors: connectorsFor(job, whole, members) }];
};

/** What stands, copied into what is planned. Of a box that both come to the grounds are one; all else stays apart as it is. */
export const withStanding = (job: Job, planned: Wiring, standing: Wiring): Wiring => {
  if (standing.cables.length === 0 && standing.devices.length === 0) return planned;
  const shared = new Set(
    planned.joints.map(({ box }) => box).filter((box) => standing.joints.some((joint) => joint.box === box)),
  );
  const apart = (joints: readonly Joint[]) =>
    joints.filter(({ box, members }) => !shared.has(box) || !members.some(isGround));
  const ids = new Set<CableId>(standing.cables.map(({ id }) => id));
  const isCopied = (end: End) => ids.has(end.cable);
  const others = planned.landings.filter(({ wire }) => !('end' in wire) || !isCopied(wire.end));
  const boxes = { ...planned.boxes };
  for (const box of Object.keys(standing.boxes))
    if (articlesAt(planned, box).length === 0) boxes[box as never] = [...articlesAt(standing, box)] as never;
  return {
    boxes,
    devices: [...planned.devices, ...standing.devices],
    cables: [...planned.cables.filter(({ id }) => !ids.has(id)), ...standing.cables],
    joints: [
      ...apart(planned.joints),
      ...apart(standing.joints),
      ...[...shared].flatMap((box) => groundsJoined(job, standing, planned, box)),
    ],
    landings: [...others, ...standing.landings],
    marks: [...planned.marks.filter(({ end }) => !isCopied(end)), ...standing.marks],
    unseen: [...planned.unseen, ...standing.unseen],
    luminaires: standing.luminaires,
  };
};

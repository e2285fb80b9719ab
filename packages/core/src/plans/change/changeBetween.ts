import { isSameIn } from '../../model/boxState.js';
import { existingDocument } from '../../model/existing.js';
import type { BoxId, CableId, CircuitId, GroupId, SlotId } from '../../model/ids.js';
import type { Job, Luminaire } from '../../model/job.js';
import { findBox, findLuminaire, findSlot, groupsOfCircuit } from '../../model/lookup.js';
import { ofId } from '../../model/records.js';
import { isSame } from '../../model/same.js';
import { isDeviceKept, isEmptied, isLuminaireKept } from '../../model/there.js';
import { boxesReached, type Cable, type Device } from '../../model/wiring.js';
import { cappedIn, leftLive, type LeftLive } from '../../circuit/leftLive.js';
import { conductorKey } from '../../circuit/keys.js';
import { circuitsByCable } from '../../circuit/roles.js';
import { articleOf } from '../../model/articles.js';
import { lazily } from '../../model/lazily.js';
import type { JobReview } from '../../review/reviewJob.js';
import { changeCost, type ChangeCost } from './cost.js';
import { makeUpIn, wiresMoved, type Moved } from './handwork.js';

/** A job as it stands or as it is planned, with its wiring. */
export type ChangeSide = Pick<JobReview, 'job' | 'wiring' | 'drawn' | 'compiled'>;

/** What is different between a job as it stands and as it is to be. All that is told of a change is read off this. */
export interface WiringChange {
  /** Boxes in which a wire moves or something is fitted or taken out, those that come new among them. */
  opened: BoxId[];
  /** Of these, the ones that come new: they are not there, and no cable was to come to them before. */
  newBoxes: BoxId[];
  /** Devices that come new, and those that are taken out. */
  devices: Device[];
  devicesOut: Device[];
  /** Boxes that everything comes out of: each is closed with a blank. */
  emptied: BoxId[];
  luminaires: Luminaire[];
  luminairesOut: Luminaire[];
  /** Wires of opened boxes by their old place and their new. */
  readonly moved: Moved[];
  /** Old cables that stay in use; cables that come new; old ones that nothing uses any more, and that are taken out of their boxes. */
  stay: CableId[];
  fresh: Cable[];
  idle: CableId[];
  drawnOut: Cable[];
  /** Conductors from the panel that nothing uses any more and that stay live: to be taken off their breaker. */
  offBreaker: LeftLive[];
  /** Groups to be tried again in every position: all on circuits that pass through an opened box. */
  retest: GroupId[];
  cost: ChangeCost;
}

const isKept = (job: Job, id: string | null): boolean => {
  const slot = findSlot(job, id);
  return slot !== undefined && isDeviceKept(job, slot);
};

/** Does a device stay what and where it was? One that a slot calls new is bought, be it of the same kind. */
const isFitted = ({ job, wiring }: ChangeSide, { slot, box, article }: Device): boolean =>
  !isKept(job, slot) &&
  wiring.devices.some((one) => one.slot === slot && one.box === box && one.article === article);

const newDevices = (before: ChangeSide, after: ChangeSide): Device[] =>
  after.wiring.devices.filter((device) => {
    const slot = findSlot(after.job, device.slot);
    return slot !== undefined && !isDeviceKept(after.job, slot) && !isFitted(before, device);
  });

/** What of a luminaire is bought and hung: its name and its group are no part of it. */
const thingOf = ({ name: _n, group: _g, comesNew: _c, ...thing }: Luminaire) => thing;

/** Luminaires that are fitted new, and those that are taken down. A part of another comes and goes with it. */
const luminairesOf = (before: ChangeSide, after: ChangeSide) => {
  const isNew = (one: Luminaire): boolean => {
    const was = findLuminaire(before.job, one.id);
    return (
      was === undefined ||
      !isSame(thingOf(was), thingOf(one)) ||
      (isLuminaireKept(before.job, was) && !isLuminaireKept(after.job, one))
    );
  };
  const hangs = ({ unit }: Luminaire) => unit !== 'onward';
  const luminaires = after.job.luminaires.filter((one) => hangs(one) && isNew(one));
  const luminairesOut = before.job.luminaires.filter((one) => {
    const now = findLuminaire(after.job, one.id);
    return hangs(one) && (now === undefined || luminaires.includes(now));
  });
  return { luminaires, luminairesOut };
};

/** Is anything joined, landed or fitted otherwise in a box that both have? */
const isTouched = (before: ChangeSide, after: ChangeSide, box: BoxId): boolean => {
  const told = ofId(existingDocument(after.job)?.certainty, box) !== undefined;
  return told
    ? !isSameIn(before.wiring, after.wiring, box)
    : makeUpIn(before.wiring, box) !== makeUpIn(after.wiring, box);
};

/** Does every insulated conductor of an old cable end under a connector alone? Then nothing uses it. */
const isCappedOff = ({ job, wiring }: ChangeSide, { id, article }: Cable): boolean => {
  const capped = cappedIn(wiring);
  return articleOf(job.stock, 'cable', article).insulated.every((colour) =>
    capped.has(conductorKey(id, colour)),
  );
};

const circuitsIn = ({ job, wiring, drawn }: ChangeSide, boxes: ReadonlySet<string>): Set<CircuitId> => {
  const byCable = circuitsByCable(wiring, job, drawn);
  return new Set(
    wiring.cables
      .filter(({ from, to }) => boxes.has(from) || boxes.has(to))
      .flatMap(({ id }) => [...(byCable.get(id) ?? [])] as CircuitId[]),
  );
};

/** Was the same cable to come before the change already? */
const isPlanned = ({ wiring }: ChangeSide, { id, article, existing }: Cable): boolean =>
  wiring.cables.some((one) => one.id === id && one.article === article && one.existing === existing);

/**
 * The difference of a job as it stands and as it is to be: the one source of what a change opens, buys, moves, leaves and costs.
 * Lengths are inches, money ten-thousandths of a dollar.
 */
export const changeBetween = (before: ChangeSide, after: ChangeSide): WiringChange => {
  const devices = newDevices(before, after);
  const devicesOut = before.wiring.devices.filter(
    (device) =>
      devices.some(({ slot, box }) => slot === device.slot && box === device.box) ||
      !after.wiring.devices.some((one) => one.slot === device.slot && one.box === device.box),
  );
  const { luminaires, luminairesOut } = luminairesOf(before, after);
  const worked = new Set<string>(
    [...devices, ...devicesOut, ...luminaires, ...luminairesOut].map(({ box }) => box),
  );
  const opened = after.job.boxes
    .map(({ id }) => id)
    .filter((box) => worked.has(box) || isTouched(before, after, box));
  const reached = boxesReached(before.wiring);
  const newBoxes = opened.filter((box) => findBox(after.job, box)?.work !== 'existing' && !reached.has(box));
  const open = new Set<string>(opened);
  const slotsAt = (box: BoxId): SlotId[] => [
    ...new Set(
      [...devicesOut, ...devices].flatMap((one) => (one.box === box && one.slot !== null ? [one.slot] : [])),
    ),
  ];
  const lay = before.wiring.cables.filter(({ existing }) => existing);
  const used = after.wiring.cables.filter(({ existing }) => existing);
  const idle = used.filter((cable) => isCappedOff(after, cable));
  const wasLive = new Set(leftLive(before.wiring, before.job, before.compiled).map(({ cable }) => cable.id));
  const circuits = circuitsIn(after, open);
  // Of many ways that are weighed, the wires of a few are told.
  const moved = lazily(() =>
    opened
      .filter((box) => !newBoxes.includes(box))
      .flatMap((box) => wiresMoved(before, after, box, slotsAt(box))),
  );
  return {
    opened,
    newBoxes,
    emptied: opened.filter((box) => isEmptied(after.job, after.wiring, box)),
    ...{ devices, devicesOut, luminaires, luminairesOut },
    get moved() {
      return moved();
    },
    stay: used.filter((cable) => !idle.includes(cable)).map(({ id }) => id),
    fresh: after.wiring.cables.filter((cable) => !cable.existing && !isPlanned(before, cable)),
    idle: idle.filter((cable) => !isCappedOff(before, cable)).map(({ id }) => id),
    drawnOut: lay.filter(({ id }) => !after.wiring.cables.some((one) => one.id === id)),
    offBreaker: leftLive(after.wiring, after.job, after.compiled).filter(
      ({ cable, whole }) => whole && !wasLive.has(cable.id),
    ),
    retest: [...circuits].flatMap((circuit) => groupsOfCircuit(after.job, circuit).map(({ id }) => id)),
    cost: changeCost(before, after, {
      opened,
      closed: after.job.boxes.map(({ id }) => id).filter((box) => !open.has(box)),
    }),
  };
};

/** Of opened boxes those that nobody has looked into, or not all of. */
export const lookFirstIn = (job: Job, opened: readonly BoxId[]): BoxId[] => {
  const certainty = existingDocument(job)?.certainty;
  return opened.filter((box) => {
    const sure = ofId(certainty, box);
    return sure !== undefined && sure !== 'seen';
  });
};

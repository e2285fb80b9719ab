import { existingDocument } from './existing.js';
import type { BoxId, CircuitId } from './ids.js';
import type { Circuit, Job, Luminaire, Slot } from './job.js';
import { boxesOfCircuit, findSlot, groupsOfCircuit, luminairesInBox, slotsInBox } from './lookup.js';
import { ofId } from './records.js';
import type { Joint, Wiring } from './wiring.js';
import { isSame } from './same.js';

/** The article of the device that is on a slot, as the existing wiring has it; undefined where it tells of none. */
const toldOn = (job: There, slot: string | null): string | undefined =>
  slot === null ? undefined : existingDocument(job)?.wiring.devices.find((one) => one.slot === slot)?.article;

type There = Pick<Job, 'wirings'>;

/** Is a device on a slot already, be its kind told or not? */
export const hasDevice = (job: There, slot: string): boolean =>
  toldOn(job, slot) !== undefined || existingDocument(job)?.stands.slots.some((id) => id === slot) === true;

/** Does the device that is on a slot stay there, so that none is bought? */
export const isDeviceKept = (job: There, { id, comesNew }: Pick<Slot, 'id' | 'comesNew'>): boolean =>
  !comesNew && hasDevice(job, id);

/**
 * Is a device there already, so that it is neither bought nor fitted? The slot says whether what is on it gives way; where the existing wiring
 * tells another device, it does.
 */
export const isDeviceThere = (job: Job, slot: string | null, article: string): boolean => {
  const known = findSlot(job, slot);
  if (!known || !isDeviceKept(job, known)) return false;
  const told = toldOn(job, slot);
  return told === undefined || told === article;
};

/** Does a device that is told of give way to another one, be it of the same kind? */
export const isReplaced = (job: Job, { id, comesNew }: Slot): boolean =>
  comesNew && toldOn(job, id) !== undefined;

/** The luminaires of which a wiring has a lead or a screw on a wire. */
export const wiredLuminaires = ({ landings, joints }: Wiring): ReadonlySet<string> =>
  new Set<string>([
    ...landings.flatMap(({ terminal }) => ('luminaire' in terminal ? [terminal.luminaire] : [])),
    ...joints.flatMap(({ members }) =>
      members.flatMap((one) => ('lead' in one && 'luminaire' in one.lead ? [one.lead.luminaire] : [])),
    ),
  ]);

const toldLuminaires = new WeakMap<Wiring, ReadonlySet<string>>();

/** The luminaires that a wiring has on a wire, or names an article of. */
export const luminairesIn = (wiring: Wiring): ReadonlySet<string> => {
  const known = toldLuminaires.get(wiring);
  if (known) return known;
  const found = new Set<string>([
    ...wiring.luminaires.map(({ id }) => id as string),
    ...wiredLuminaires(wiring),
  ]);
  toldLuminaires.set(wiring, found);
  return found;
};

/** Does a luminaire hang there already? */
export const hasLuminaire = (job: There, id: string): boolean => {
  const document = existingDocument(job);
  return (
    document !== undefined &&
    (luminairesIn(document.wiring).has(id) || document.stands.luminaires.some((one) => one === id))
  );
};

/** Does the luminaire that hangs there stay? */
export const isLuminaireKept = (job: There, { id, comesNew }: Pick<Luminaire, 'id' | 'comesNew'>): boolean =>
  !comesNew && hasLuminaire(job, id);

/** Does a luminaire that is told of give way to another one? */
export const isLuminaireReplaced = (job: Job, { id, comesNew }: Luminaire): boolean => {
  const there = existingDocument(job)?.wiring;
  return comesNew && there !== undefined && luminairesIn(there).has(id);
};

/** Is no way chosen for a circuit, and does nothing that is told of it go or give way? */
const isKeptAsTold = (job: Job, id: CircuitId): boolean => {
  const groups = new Set<string>(groupsOfCircuit(job, id).map((group) => group.id));
  const isMine = (one: { group: string }) => groups.has(one.group);
  return (
    job.choices.every((choice) => choice.circuit !== id) &&
    job.slots.every((one) => !isMine(one) || (!one.leaves && isDeviceKept(job, one))) &&
    job.luminaires.every((one) => !isMine(one) || isLuminaireKept(job, one))
  );
};

const toldBoxes = (job: Job): ((box: string) => boolean) => {
  const certainty = existingDocument(job)?.certainty;
  return (box) => ofId(certainty, box) !== undefined;
};

/**
 * Circuits that stand as they are: nobody has chosen another way for them, each of their boxes is told of in the existing wiring, and each switch
 * and luminaire is there and stays. They are copied into what is planned and never made again.
 */
export const standingCircuits = (job: Job): ReadonlySet<CircuitId> => {
  const isTold = toldBoxes(job);
  return new Set(
    job.circuits
      .map(({ id }) => id)
      .filter((id) => {
        const boxes = boxesOfCircuit(job, id);
        return boxes.length > 0 && boxes.every(isTold) && isKeptAsTold(job, id);
      }),
  );
};

/** The circuits of which the existing wiring tells some box: where they are not planned, what is told of them is copied too. */
export const toldCircuits = (job: Job): ReadonlySet<CircuitId> => {
  const isTold = toldBoxes(job);
  return new Set(job.circuits.map(({ id }) => id).filter((id) => boxesOfCircuit(job, id).some(isTold)));
};

/** Circuits with something in a box that is told of, for which no way is chosen and that do not stand: nothing is done with their wires there yet. */
export const waitingIn = (job: Job, box: BoxId): Circuit[] => {
  if (!toldBoxes(job)(box)) return [];
  const here = new Set<string>(
    [...slotsInBox(job, box), ...luminairesInBox(job, box)].map(({ group }) => group),
  );
  const standing = standingCircuits(job);
  return job.circuits.filter(
    ({ id }) =>
      !standing.has(id) &&
      job.choices.every(({ circuit }) => circuit !== id) &&
      groupsOfCircuit(job, id).some((group) => here.has(group.id)),
  );
};

const waited = new WeakMap<Job, Job>();

/**
 * The job as its planned wiring has it: of a circuit for which no way is chosen, nothing that is there comes out or gives way yet. To be asked of
 * what was planned, never before it.
 */
export const whileItWaits = (job: Job): Job => {
  const before = waited.get(job);
  if (before) return before;
  const planned = new Set<string>(job.choices.map(({ circuit }) => circuit));
  const waits = new Set<string>(
    job.groups.filter(({ circuit }) => !planned.has(circuit)).map(({ id }) => id),
  );
  const isSlot = (one: Slot) =>
    (one.comesNew || one.leaves) && waits.has(one.group) && hasDevice(job, one.id);
  const isLuminaire = (one: Luminaire) => one.comesNew && waits.has(one.group) && hasLuminaire(job, one.id);
  const made: Job =
    job.slots.some(isSlot) || job.luminaires.some(isLuminaire)
      ? {
          ...job,
          slots: job.slots.map((one) => (isSlot(one) ? { ...one, comesNew: false, leaves: false } : one)),
          luminaires: job.luminaires.map((one) => (isLuminaire(one) ? { ...one, comesNew: false } : one)),
        }
      : job;
  waited.set(job, made);
  return made;
};

/** Does every device come out of a box, and nothing hang on it? Then it is closed with a blank (314.25). */
export const isEmptied = (job: Job, wiring: Wiring, box: BoxId): boolean =>
  slotsInBox(job, box).some(({ leaves }) => leaves) &&
  wiring.devices.every((one) => one.box !== box) &&
  luminairesInBox(job, box).length === 0;

/** Is a splice as it was found? Then nobody makes it. */
export const wasThere = (job: Job, joint: Joint): boolean => {
  const told = existingDocument(job)?.wiring.joints.find((one) => one.id === joint.id);
  return told !== undefined && isSame(told, joint);
};

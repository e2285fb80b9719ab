import { isDeviceKept, isLuminaireKept } from '../model/there.js';
import { findBox, findCable, findGroup, findRoom, groupsOfCircuit } from '../model/lookup.js';
import type { Job, JudgedEdition } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { At } from './rule.js';

/**
 * Is a place existing work that this wiring leaves alone? A box is, where nothing new ends, hangs or is fitted in it; a
 * cable, where both its boxes are; a circuit or group, where all of it is.
 */
export const createUntouched = (job: Job, wiring: Wiring): ((at: At) => boolean) => {
  const newSlot = new Set<string>(
    job.slots.filter((slot) => !isDeviceKept(job, slot)).map((slot) => slot.id),
  );
  const opened = new Set<string>([
    ...wiring.cables.filter((cable) => !cable.existing).flatMap(({ from, to }) => [from, to]),
    ...wiring.devices.filter(({ slot }) => slot !== null && newSlot.has(slot)).map((device) => device.box),
    ...job.luminaires.filter((one) => !isLuminaireKept(job, one)).map((one) => one.box),
    ...job.boxes.filter((box) => box.work !== 'existing').map((box) => box.id),
  ]);
  const boxOf = (id: string | undefined) => id === undefined || !opened.has(id);
  const cableOf = (id: string) => {
    const cable = findCable(wiring, id);
    return cable?.existing === true && boxOf(cable.from) && boxOf(cable.to);
  };
  const groupOf = (id: string) =>
    [...job.slots, ...job.luminaires].filter((one) => one.group === id).every((one) => boxOf(one.box));
  return (at) => {
    if (at.cable !== undefined) return cableOf(at.cable);
    if (at.box !== undefined) return boxOf(at.box);
    if (at.group !== undefined) return groupOf(at.group);
    if (at.circuit === undefined) return false;
    return groupsOfCircuit(job, at.circuit).every((group) => groupOf(group.id));
  };
};

/** The edition that the existing work of a place was built by: that of its room, else that of the job; null while nobody knows. */
export const builtByAt = (job: Job, wiring: Wiring, at: At): JudgedEdition | null => {
  const box = at.box ?? findCable(wiring, at.cable)?.to;
  const [group] = at.circuit === undefined ? [] : groupsOfCircuit(job, at.circuit);
  const room = findBox(job, box)?.room ?? at.room ?? findGroup(job, at.group)?.room ?? group?.room;
  return findRoom(job, room)?.builtBy ?? job.existingEdition;
};

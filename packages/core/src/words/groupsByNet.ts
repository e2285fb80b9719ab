import { findDevice, findLuminaire } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';

/** Names of the control groups whose switches or switched loads touch each net; none for what a source feeds straight. */
export const groupsByNet = (job: Job, wiring: Wiring, compiled: Compiled): Set<string>[] => {
  const touched = Array.from({ length: compiled.netCount }, () => new Set<string>());
  const nameOf = new Map(job.groups.map((group) => [group.id, group.name]));
  const touch = (net: number, group: string | undefined) => {
    if (group !== undefined) touched[net]?.add(group);
  };
  for (const { id, hot } of compiled.luminaires) {
    const luminaire = findLuminaire(job, id);
    if (luminaire) touch(hot, nameOf.get(luminaire.group));
  }
  const slots = new Map(job.slots.map((slot) => [slot.id, slot]));
  for (const { id, switched, outlets } of compiled.devices) {
    const on = findDevice(wiring, id)?.slot;
    const slot = on ? slots.get(on) : undefined;
    for (const net of [...switched, ...outlets]) if (slot) touch(net, nameOf.get(slot.group));
  }
  for (const { hot, neutral, ground } of compiled.sources)
    for (const net of [hot, neutral, ground]) touched[net]?.clear();
  return touched;
};

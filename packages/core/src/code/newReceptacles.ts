import { articleOf, hasReceptacle } from '../model/articles.js';
import type { Slot } from '../model/job.js';
import { findSlot } from '../model/lookup.js';
import { isDeviceKept } from '../model/there.js';
import type { Device } from '../model/wiring.js';
import type { Inspected } from './inspected.js';

/** Receptacles that are added or replaced, alone on a yoke or with a switch: today's rules ask of these. */
export const newReceptacles = ({ job, wiring }: Inspected): { device: Device; slot: Slot }[] =>
  wiring.devices.flatMap((device) => {
    const slot = findSlot(job, device.slot);
    const { role } = articleOf(job.stock, 'device', device.article);
    return slot && hasReceptacle(role) && !isDeviceKept(job, slot) ? [{ device, slot }] : [];
  });

import { digestOf } from './digest.js';
import { existingDocument } from './existing.js';
import type { Job } from './job.js';
import { findSlot } from './lookup.js';
import type { Joint } from './wiring.js';

/**
 * Is a device there already, so that it is neither bought nor fitted? Where the existing wiring tells what is on its slot, that decides;
 * else what the slot says.
 */
export const isDeviceThere = (job: Job, slot: string | null, article: string): boolean => {
  const told = existingDocument(job)?.wiring.devices.find((one) => one.slot === slot && slot !== null);
  return told ? told.article === article : findSlot(job, slot)?.existing === true;
};

/** Is a splice as it was found? Then nobody makes it. */
export const wasThere = (job: Job, joint: Joint): boolean => {
  const told = existingDocument(job)?.wiring.joints.find((one) => one.id === joint.id);
  return told !== undefined && digestOf(told) === digestOf(joint);
};

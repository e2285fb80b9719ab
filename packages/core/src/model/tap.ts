import { articleOf } from './articles.js';
import { existingDocument } from './existing.js';
import { PANEL } from './ids.js';
import type { Feed, Job } from './job.js';
import { findLuminaire } from './lookup.js';
import { ofId } from './records.js';
import { luminairesIn } from './there.js';

/**
 * What is tapped where a feed enters, as the existing wiring has it: a receptacle before any other device, a device before a luminaire,
 * splices where there is none of these. Null at the panel, and in a box that nobody has told of.
 */
export const tapTold = (job: Job, { at }: Pick<Feed, 'at'>): Feed['tap'] | null => {
  const document = existingDocument(job);
  if (at === PANEL || !document || ofId(document.certainty, at) === undefined) return null;
  const roles = document.wiring.devices
    .filter(({ box }) => box === at)
    .map(({ article }) => articleOf(job.stock, 'device', article)?.role);
  if (roles.includes('receptacle')) return 'receptacle';
  if (roles.length > 0) return 'switch';
  const hangs = [...luminairesIn(document.wiring)].some((id) => findLuminaire(job, id)?.box === at);
  return hangs ? 'luminaire' : 'junction';
};

/** What is tapped where a feed enters: what the existing wiring tells, else what the feed says. */
export const tapOf = (job: Job, feed: Pick<Feed, 'at' | 'tap'>): Feed['tap'] =>
  tapTold(job, feed) ?? feed.tap;

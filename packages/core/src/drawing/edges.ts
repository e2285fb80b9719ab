import type { Job } from '../model/job.js';
import type { Cable } from '../model/wiring.js';
import { wayOf } from '../materials/lengths.js';
import type { Edge } from './geometry.js';

/** The edge of a box at which a cable comes in: below where its run goes under the floor, else on top. */
export const edgeOf = (job: Job, cable: Cable): Edge =>
  wayOf(job, cable.from, cable.to).route === 'under' ? 'bottom' : 'top';

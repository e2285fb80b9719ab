import { findLevel } from './lookup.js';
import type { Job } from './job.js';
import type { Room } from './place.js';

/** Taken where neither room nor level says, inches. */
const USUAL_CEILING = 96;

/** Height of a ceiling above its floor, inches: that of the room, of its level, or a usual one where nobody has said. */
export const ceilingOf = (
  job: Pick<Job, 'levels'>,
  at: Pick<Room, 'ceiling' | 'level'> = { ceiling: null, level: null },
): number => at.ceiling ?? findLevel(job, at.level)?.ceiling ?? USUAL_CEILING;

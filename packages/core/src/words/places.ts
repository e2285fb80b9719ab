import { PANEL, type Place } from '../model/ids.js';
import type { Job } from '../model/job.js';

/** A place within a sentence. */
export const nameOf = (job: Job, place: Place): string =>
  place === PANEL ? 'the panel' : (job.boxes.find((one) => one.id === place)?.name ?? place);

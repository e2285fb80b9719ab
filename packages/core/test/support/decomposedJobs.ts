import fc from 'fast-check';
import { anySearchJob } from './searchJobs.js';

const TIMES = Number(process.env['TWIN_TIMES'] ?? 1);

const sizes = [
  { places: 5, groups: 1, switches: 3 },
  { places: 5, groups: 2, switches: 2 },
  { places: 6, groups: 3, switches: 1 },
  { places: 6, groups: 1, switches: 4 },
  { places: 7, groups: 2, switches: 2 },
];
/** Jobs that are searched to their end, against which the shares of the decomposition are held. */
export const jobs = sizes.flatMap((size, i) =>
  fc.sample(anySearchJob(size), { seed: 9100 + i, numRuns: Math.ceil(9 * TIMES) }),
);

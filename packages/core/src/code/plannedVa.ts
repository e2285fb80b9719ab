import type { CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { groupIdsOf } from '../model/lookup.js';

/** What the luminaires of a circuit in this job come to, volt-amperes. */
export const plannedVa = (job: Job, circuit: CircuitId): number => {
  const groups = groupIdsOf(job, circuit);
  return job.luminaires.filter(({ group }) => groups.has(group)).reduce((sum, { va }) => sum + va, 0);
};

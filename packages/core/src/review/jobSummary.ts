import { groupsOfCircuit } from '../model/lookup.js';
import type { Job } from '../model/job.js';
import { sketchRun, type RunSketch } from '../drawing/sketchRun.js';
import { reviewCircuit, reviewJob } from './reviewJob.js';

/** What a list shows of one circuit. */
export interface CircuitSummary {
  id: string;
  name: string;
  breaker: number;
  switches: number;
  luminaires: number;
  /** Handle positions of its groups, and those that work. */
  positions: number;
  working: number;
  /** How many positions there are, where only some were tried. */
  of: number;
  violations: number;
  unfinished: number;
  /** Null where the circuit cannot be planned. */
  run: RunSketch | null;
}

/** What a list shows of a job without opening it. */
export interface JobSummary {
  edition: number;
  circuits: CircuitSummary[];
}

/** Plans and inspects the job once. */
export const summariseJob = (asked: Job): JobSummary => {
  const review = reviewJob(asked);
  const { job } = review;
  return {
    edition: job.edition,
    circuits: job.circuits.map(({ id, name, breaker }) => {
      const groups = new Set<string>(groupsOfCircuit(job, id).map((group) => group.id));
      const switches = job.slots.filter((slot) => groups.has(slot.group));
      const luminaires = job.luminaires.filter((one) => groups.has(one.group));
      const { cables, findings, proofs } = reviewCircuit(review, id);
      return {
        id,
        name,
        breaker,
        switches: switches.length,
        luminaires: luminaires.length,
        positions: proofs.reduce((sum, proof) => sum + proof.positions, 0),
        working: proofs.reduce((sum, proof) => sum + proof.working, 0),
        of: proofs.reduce((sum, proof) => sum + proof.of, 0),
        violations: findings.filter((one) => one.severity === 'violation').length,
        unfinished: findings.filter((one) => one.severity === 'unfinished').length,
        run: sketchRun(job, cables),
      };
    }),
  };
};

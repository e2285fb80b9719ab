import { existingDocument } from '../model/existing.js';
import { boxesOfCircuit, groupIdsOf } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Job } from '../model/job.js';
import { sketchRun } from '../drawing/sketchRun.js';
import { sketchPlace } from './placeSketch.js';
import { reviewCircuit, reviewJob } from './reviewJob.js';
import { SUMMARY_VERSION, type JobSummary } from './summarySchema.js';

/** Plans and inspects the job once. */
export const summariseJob = (asked: Job): JobSummary => {
  const review = reviewJob(asked);
  const { job } = review;
  const certainty = existingDocument(job)?.certainty;
  return {
    version: SUMMARY_VERSION,
    edition: job.edition,
    place: sketchPlace(job),
    circuits: job.circuits.map(({ id, name, breaker }) => {
      const groups = groupIdsOf(job, id);
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
        violations: findings.filter((one) => one.severity === 'violation' && one.follows === null).length,
        unfinished: findings.filter((one) => one.severity === 'unfinished').length,
        unseenBoxes: review.standing.includes(id)
          ? boxesOfCircuit(job, id).filter((box) => ofId(certainty, box) !== 'seen').length
          : null,
        run: sketchRun(job, cables),
      };
    }),
  };
};

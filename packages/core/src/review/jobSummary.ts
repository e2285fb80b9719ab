import * as z from 'zod';
import { circuitIdSchema } from '../model/ids.js';
import { existingDocument } from '../model/existing.js';
import { boxesOfCircuit, groupIdsOf } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import type { Job } from '../model/job.js';
import { runSketchSchema, sketchRun } from '../drawing/sketchRun.js';
import { placeSketchSchema, sketchPlace } from './placeSketch.js';
import { reviewCircuit, reviewJob } from './reviewJob.js';

/** Raised whenever a summary says something else of the same job; those of before are made anew. */
export const SUMMARY_VERSION = 4;

const count = z.int().min(0);

/** What a list shows of one circuit. */
export const circuitSummarySchema = z.object({
  id: circuitIdSchema,
  name: z.string(),
  breaker: z.int(),
  switches: count,
  luminaires: count,
  /** Handle positions of its groups, and those that work. */
  positions: count,
  working: count,
  /** How many positions there are, where only some were tried; a number of any size. */
  of: z.number(),
  violations: count,
  unfinished: count,
  /** Of a circuit that stands as it is: boxes that nobody has seen all of. Null where it is planned. */
  unseenBoxes: count.nullable(),
  /** Null where the circuit cannot be planned. */
  run: runSketchSchema.nullable(),
});
export type CircuitSummary = z.infer<typeof circuitSummarySchema>;

/** What a list shows of a job without opening it. */
export const jobSummarySchema = z.object({
  version: z.literal(SUMMARY_VERSION),
  edition: z.int(),
  circuits: z.array(circuitSummarySchema),
  /** Null where nothing is measured. */
  place: placeSketchSchema.nullable(),
});
export type JobSummary = z.infer<typeof jobSummarySchema>;

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

import * as z from 'zod';
import { circuitIdSchema } from '../model/ids.js';
import { runSketchSchema } from '../drawing/sketchRun.js';
import { placeSketchSchema } from './placeSketch.js';

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

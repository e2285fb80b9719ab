import { withoutPlanned } from './withoutPlanned.js';
import type { CircuitId, Job } from '@amber/core';
import { useAsked, type Asked } from './useWork.js';
import type { PlannerWorker } from './workers.js';

/** Null where the circuit cannot be wired under that brief. */
export type Price = Asked<number | null>;

const ask = (planner: PlannerWorker['planner'], question: string) => {
  const { job, circuit } = JSON.parse(question) as { job: Job; circuit: CircuitId };
  return planner.leastCost(job, circuit);
};

/** The least that a circuit would cost under another brief; what a demand costs is seen before it is made. */
export const useLeastCost = (job: Job | null, circuit: CircuitId): Price | null =>
  useAsked(job && JSON.stringify({ job: withoutPlanned(job), circuit }), ask);

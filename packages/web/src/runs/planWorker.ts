import { expose } from 'comlink';
import { findPlans, leastCostOf, type CircuitId, type Job, type PlanSet } from '@amber/core';

/** Searching takes the processor for seconds; the page stays free meanwhile. It is stopped by ending the worker. */
const planner = {
  find: (job: Job, circuit: CircuitId, onProgress: (soFar: PlanSet) => void): PlanSet =>
    findPlans(job, circuit, { onProgress }),
  leastCost: (job: Job, circuit: CircuitId): number | null => leastCostOf(job, circuit),
};
export type Planner = typeof planner;

expose(planner);

import { expose } from 'comlink';
import {
  findPlans,
  leastChange,
  leastCostOf,
  newDraft,
  newJob,
  standardStock,
  withDraft,
  type BoxId,
  type Change,
  type CircuitId,
  type Job,
  type JobId,
  type PlanSet,
} from '@amber/core';

/** A pair of three-ways in nowhere. */
const practice = (): Job => {
  let count = 0;
  const freshBox = () => `box-${++count}` as BoxId;
  const asked = {
    circuit: 'practice' as CircuitId,
    name: 'Practice',
    switches: 2,
    powerAt: 'switch',
  } as const;
  return withDraft(
    newJob('practice' as JobId, 'Practice', standardStock()),
    newDraft({ ...asked, freshBox }),
  );
};

/** Searching takes the processor for seconds; the page stays free meanwhile. It is stopped by ending the worker. */
const planner = {
  find: (job: Job, circuit: CircuitId, onProgress: (soFar: PlanSet) => void): PlanSet =>
    findPlans(job, circuit, { onProgress }),
  /** A search of something small, so that the code is compiled when a real one is asked for. */
  warmUp: (): void => void findPlans(practice(), 'practice' as CircuitId, { mostSteps: 2_000 }),
  leastCost: (job: Job, circuit: CircuitId): number | null => leastCostOf(job, circuit),
  leastChange: (job: Job, change: Change): ReturnType<typeof leastChange> => leastChange(job, change),
};
export type Planner = typeof planner;

expose(planner);

import type { Change, Job, leastChange } from '@amber/core';
import { withoutPlanned } from './withoutPlanned.js';
import { useAsked, type Asked } from './useWork.js';
import type { PlannerWorker } from './workers.js';

export type ChangeAnswer = Asked<ReturnType<typeof leastChange>>;

const ask = async (
  planner: PlannerWorker['planner'],
  question: string,
): Promise<ReturnType<typeof leastChange>> => {
  const { job, change } = JSON.parse(question) as { job: Job; change: Change };
  return await planner.leastChange(job, change);
};

/** The plan of least change for a change of what is there, worked out beside the page. */
export const useLeastChange = (job: Job, change: Change | null): ChangeAnswer | null =>
  useAsked(change && JSON.stringify({ job: withoutPlanned(job), change }), ask);

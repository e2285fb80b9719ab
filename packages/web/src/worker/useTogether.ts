import { proxy } from 'comlink';
import type { CircuitId, Job, PlannedAll } from '@amber/core';
import { useWork, type Ask, type Work } from './useWork.js';
import { withoutPlanned } from './withoutPlanned.js';

const ask: Ask<PlannedAll> = (planner, question, tell) => {
  const { job, circuits } = JSON.parse(question) as { job: Job; circuits: CircuitId[] };
  return planner.together(job, circuits, proxy(tell));
};

/** Circuits planned together beside the page; null as long as none are asked for. */
export const useTogether = (
  job: Job,
  circuits: readonly CircuitId[],
): { work: Work<PlannedAll> | null; stop: () => void } =>
  useWork(circuits.length > 0 ? JSON.stringify({ job: withoutPlanned(job), circuits }) : null, ask);

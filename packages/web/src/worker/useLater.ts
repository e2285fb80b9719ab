import { proxy } from 'comlink';
import type { Choice, CircuitId, Job, Later, LaterRow } from '@amber/core';
import { useWork, type Ask } from './useWork.js';
import { withoutPlanned } from './withoutPlanned.js';

interface Question {
  job: Job;
  circuit: CircuitId;
  choices: Choice[];
  laters: Later[];
}

const ask: Ask<LaterRow[]> = (planner, question, tell) => {
  const { job, circuit, choices, laters } = JSON.parse(question) as Question;
  return planner.later(job, circuit, choices, laters, proxy(tell));
};

/** What may come later under several ways of a circuit, price by price as they are worked out beside the page; null before the first. */
export const useLater = (
  job: Job,
  circuit: CircuitId,
  choices: Choice[],
  laters: Later[],
): { rows: LaterRow[] | null; failed: string | null; done: boolean } => {
  const question =
    choices.length > 0 && laters.length > 0
      ? JSON.stringify({ job: withoutPlanned(job), circuit, choices, laters } satisfies Question)
      : null;
  const { work } = useWork(question, ask);
  if (work?.kind === 'failed') return { rows: null, failed: work.message, done: true };
  if (work?.kind === 'done') return { rows: work.answer, failed: null, done: true };
  return { rows: work?.soFar ?? null, failed: null, done: false };
};

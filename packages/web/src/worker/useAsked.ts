import { useEffect, useState } from 'react';
import { takeWorker, type PlannerWorker } from './workers.js';

export type Asked<T> =
  { kind: 'asking' } | { kind: 'known'; answer: T } | { kind: 'failed'; message: string };

/**
 * The planner's answer to a question (JSON), from a worker that is ended as soon as something else is asked; null for none.
 * `ask` is the same function every time.
 */
export const useAsked = <T>(
  question: string | null,
  ask: (planner: PlannerWorker['planner'], question: string) => Promise<T>,
): Asked<T> | null => {
  const [known, setKnown] = useState<{ question: string; answered: Asked<T> } | null>(null);
  useEffect(() => {
    if (question === null) return;
    const { worker, planner } = takeWorker();
    let current = true;
    void ask(planner, question)
      .then(
        (answer): Asked<T> => ({ kind: 'known', answer }),
        (error: unknown): Asked<T> => ({
          kind: 'failed',
          message: error instanceof Error ? error.message : String(error),
        }),
      )
      .then((answered) => {
        if (current) setKnown({ question, answered });
        worker.terminate();
      });
    return () => {
      current = false;
      worker.terminate();
    };
  }, [question, ask]);
  if (question === null) return null;
  return known?.question === question ? known.answered : { kind: 'asking' };
};

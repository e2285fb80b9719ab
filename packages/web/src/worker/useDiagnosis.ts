import { useEffect, useRef, useState } from 'react';
import type { DiagnosisTold } from '@amber/core';
import type { AskedDiagnosis } from './planner.js';
import type { Asked } from './useWork.js';
import { takeWorker, type PlannerWorker } from './workers.js';

/**
 * How it stands with a fault, worked out beside the page. One worker serves the whole search, since what it reckoned out for one question serves the
 * next; it ends with the search. Null while nothing is looked for.
 */
export const useDiagnosis = (asked: AskedDiagnosis | null): Asked<DiagnosisTold> | null => {
  const question = asked === null ? null : JSON.stringify(asked);
  const worker = useRef<PlannerWorker | null>(null);
  const [known, setKnown] = useState<{ question: string; answer: Asked<DiagnosisTold> } | null>(null);
  useEffect(
    () => () => {
      worker.current?.worker.terminate();
      worker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (question === null) return;
    let current = true;
    const settle = (answer: Asked<DiagnosisTold>) => {
      if (current) setKnown({ question, answer });
    };
    worker.current ??= takeWorker();
    const failed = (error: unknown) =>
      settle({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
    worker.current.planner
      .diagnose(JSON.parse(question) as AskedDiagnosis)
      .then(
        (answer) =>
          settle(
            answer === null
              ? { kind: 'failed', message: 'That wiring is not there any more.' }
              : { kind: 'known', answer },
          ),
        failed,
      );
    return () => {
      current = false;
    };
  }, [question]);
  if (question === null) return null;
  return known?.question === question ? known.answer : { kind: 'asking' };
};

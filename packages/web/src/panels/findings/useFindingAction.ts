import { useCallback } from 'react';
import type { FindingAction, Job } from '@amber/core';
import { useEdit } from '../../store/review.js';

/** Does what a finding itself offers. */
export const useFindingAction = (job: Job): ((action: FindingAction) => void) => {
  const edit = useEdit();
  return useCallback(
    ({ circuit, run }: FindingAction) =>
      edit(
        {
          ...job,
          choices: job.choices.map((choice) =>
            choice.circuit === circuit
              ? { ...choice, runs: choice.runs.filter((one) => one.from !== run.from || one.to !== run.to) }
              : choice,
          ),
        },
        'take out a run',
      ),
    [edit, job],
  );
};

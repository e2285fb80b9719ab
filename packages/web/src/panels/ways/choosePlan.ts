import { useCallback } from 'react';
import { dollars, leastSaid, withChoice, type Candidate, type Circuit, type Job } from '@amber/core';
import { aboutWord } from '../../parts/format.js';
import { noticed } from '../../store/noticeSlice.js';
import { useEdit } from '../../store/review.js';
import { useAppDispatch } from '../../store/store.js';

/** What a plan costs; only about that where it rests on lengths that are a guess. */
export const priceOf = ({ measures }: Candidate): string => `${aboutWord(measures)}${dollars(measures.cost)}`;

/** Wires a circuit by a plan, and says how that is taken back. */
export const useChoosePlan = (job: Job, circuit: Circuit): ((plan: Candidate) => void) => {
  const edit = useEdit();
  const dispatch = useAppDispatch();
  return useCallback(
    (plan) => {
      edit(
        withChoice(job, circuit.id, leastSaid(job, circuit.id, plan.choice)),
        `wire ${circuit.name} by plan ${plan.letter}`,
      );
      dispatch(noticed(`${circuit.name} is wired by plan ${plan.letter}. Undo brings back what was there.`));
    },
    [job, circuit, edit, dispatch],
  );
};

import { useCallback } from 'react';
import { ofId, withNumbers, type Job } from '@amber/core';
import { numbered } from '../../store/jobSlice.js';
import { reviewOf } from '../../store/review.js';
import { useAppDispatch } from '../../store/store.js';
import { noticed } from '../../store/noticeSlice.js';
import { FIELD_VIEW, useFieldView } from '../../store/useFieldView.js';
import type { OrderView } from './useOrder.js';

/**
 * The job with the numbers that leave the program on paper or in a file: they are given for good when they first do. Null on a device that gives
 * none, which is told.
 */
export const useNumbered = ({ job, cuts, numbers }: OrderView): (() => Job | null) => {
  const dispatch = useAppDispatch();
  const isField = useFieldView();
  return useCallback(() => {
    // Numbers that are not kept would be given to others later: a device that keeps nothing gives none.
    if (isField) {
      dispatch(noticed(FIELD_VIEW));
      return null;
    }
    if (cuts.every(({ cable }) => ofId(job.order.numbers, cable) !== undefined)) return job;
    const mine = new Map(cuts.flatMap(({ cable }) => [[cable, numbers.get(cable) ?? 0] as const]));
    const made = reviewOf(withNumbers(job, mine)).job;
    dispatch(numbered(made));
    return made;
  }, [dispatch, isField, job, cuts, numbers]);
};

import { useEffect, useRef } from 'react';
import type { Job } from '@amber/core';
import { reviewOf } from '../store/review.js';
import { SCREENS } from './screens.js';

/** A piece is not begun with less than this before something else is due, milliseconds. */
const LEAST_LEFT = 8;
/** So long after a job was opened nothing is done beside what was asked for, milliseconds. */
const SETTLED = 1000;

/**
 * Once for each job that is opened, when nobody does anything: its screens are loaded, and it is inspected, which takes the longest of all that a
 * screen waits for. One that does not load is told of where it is to be shown.
 */
export const useReadied = (job: Job | null): void => {
  const id = job?.id;
  const latest = useRef(job);
  useEffect(() => {
    latest.current = job;
  }, [job]);
  useEffect(() => {
    if (id === undefined) return;
    let idle = 0;
    const timer = setTimeout(() => {
      if (typeof requestIdleCallback !== 'function') return;
      // A piece at a time, as long as nothing else is to be done: the whole of it would hold up a tap.
      const further = (deadline: IdleDeadline) => {
        const review = latest.current && reviewOf(latest.current);
        let isLeft = review !== null;
        while (isLeft && deadline.timeRemaining() > LEAST_LEFT) isLeft = review?.inspectFurther() ?? false;
        if (isLeft) idle = requestIdleCallback(further);
        else void Promise.all(SCREENS.map(({ load }) => load().catch(() => undefined)));
      };
      idle = requestIdleCallback(further);
    }, SETTLED);
    return () => {
      clearTimeout(timer);
      if (idle !== 0) cancelIdleCallback(idle);
    };
  }, [id]);
};

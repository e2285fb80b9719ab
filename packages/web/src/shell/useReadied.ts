import { useEffect, useRef } from 'react';
import type { Job } from '@amber/core';
import { whileIdle } from '../parts/whileIdle.js';
import { reviewOf } from '../store/review.js';
import { SCREENS } from './screens.js';

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
    let leave: () => void = () => undefined;
    const timer = setTimeout(() => {
      if (typeof requestIdleCallback !== 'function') return;
      leave = whileIdle(
        () => (latest.current ? reviewOf(latest.current).inspectFurther() : false),
        () => void Promise.all(SCREENS.map(({ load }) => load().catch(() => undefined))),
      );
    }, SETTLED);
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, [id]);
};

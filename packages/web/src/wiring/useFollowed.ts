import { useMemo } from 'react';
import { createTracer, sayTrace, type Positions, type SaidTrace } from '@amber/core';
import { useAppSelector } from '../store/store.js';
import type { Subject } from './useSubject.js';

/** The conductor that is followed, in words; null where none is. */
export const useFollowed = (subject: Subject, positions: Positions): SaidTrace | null => {
  const key = useAppSelector((state) => state.wiring.followed);
  const { wiring, job, compiled, roles, state } = subject;
  const tracer = useMemo(
    () => (key === null ? null : createTracer(wiring, job, positions)),
    [key, wiring, job, positions],
  );
  return useMemo(
    () => (key === null || !tracer ? null : sayTrace(job, wiring, compiled, roles, state, key, tracer(key))),
    [key, tracer, job, wiring, compiled, roles, state],
  );
};

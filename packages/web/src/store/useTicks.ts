import { isOf, liveRecords, tickStates, type Step, type TickState } from '@amber/core';
import { useMemo } from 'react';
import { recorded, retracted } from './recordSlice.js';
import { useAppDispatch, useAppSelector } from './store.js';
import { useRecords } from './useRecords.js';

/** Ticks of the steps of one wiring, as the records have them, and the way to make or take back one. */
export const useTicks = (job: string, id: string, planned: boolean) => {
  const dispatch = useAppDispatch();
  const { records, waiting } = useRecords(job);
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const stateOf: (step: Step) => TickState = useMemo(
    () => tickStates(records, { id, planned }),
    [records, id, planned],
  );
  const set = ({ id: fact, hash }: Step, done: boolean): void => {
    if (done) {
      dispatch(recorded(job, 'tick', { kind: 'fact', id: fact, wiring: id as never, revision, hash }));
      return;
    }
    for (const { id: record, kind, about } of liveRecords(records))
      if (kind === 'tick' && about.id === fact && isOf(about, { id, planned }))
        dispatch(retracted(job, record));
  };
  return { stateOf, set, waiting };
};

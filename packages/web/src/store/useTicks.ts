import { liveRecords, tickStates, type Step, type TickState } from '@amber/core';
import { useMemo } from 'react';
import { useRecordsQuery } from '../server/api.js';
import { recorded, recordsHere, retracted } from './recordSlice.js';
import { useAppDispatch, useAppSelector } from './store.js';

/** Ticks of the steps of one wiring, as the records have them, and the way to make or take back one. */
export const useTicks = (job: string, wiring: string) => {
  const dispatch = useAppDispatch();
  const { data: known } = useRecordsQuery(job);
  const { pending, waiting } = useAppSelector((state) => state.records);
  const revision = useAppSelector((state) => state.job.open?.parent ?? null);
  const records = useMemo(() => recordsHere(known ?? [], pending, job), [known, pending, job]);
  const stateOf: (step: Step) => TickState = useMemo(() => tickStates(records, wiring), [records, wiring]);
  const set = ({ id, hash }: Step, done: boolean): void => {
    if (done) {
      dispatch(recorded(job, 'tick', { kind: 'fact', id, wiring: wiring as never, revision, hash }));
      return;
    }
    for (const { id: record, kind, about } of liveRecords(records))
      if (kind === 'tick' && about.id === id && (about.wiring ?? wiring) === wiring)
        dispatch(retracted(job, record));
  };
  return { stateOf, set, waiting };
};

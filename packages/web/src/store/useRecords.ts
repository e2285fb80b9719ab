import type { SiteRecord } from '@amber/core';
import { useMemo } from 'react';
import { useRecordsQuery } from '../server/api.js';
import { recordsHere } from './recordSlice.js';
import { useAppSelector } from './store.js';

/** What is on record of a job, as it stands here: what the server knows and what is on its way. */
export const useRecords = (job: string): { records: SiteRecord[]; waiting: boolean } => {
  const { data: known } = useRecordsQuery(job);
  const { pending, waiting } = useAppSelector((state) => state.records);
  const records = useMemo(() => recordsHere(known ?? [], pending, job), [known, pending, job]);
  return { records, waiting };
};

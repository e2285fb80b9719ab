import { nanoid } from '@reduxjs/toolkit';
import { useMemo, useState } from 'react';
import { isOf, liveRecords, siteRecordSchema, tickStates, type SiteRecord, type Step } from '@amber/core';
import type { Pocket } from './pocket.js';

const keyOf = ({ job, circuit }: Pocket) => `pocket ${job.id} ${circuit}`;

/** What this browser kept of it; a browser may keep nothing for a page that is a file. */
const keptOf = (pocket: Pocket): SiteRecord[] => {
  try {
    const kept = siteRecordSchema.array().safeParse(JSON.parse(localStorage.getItem(keyOf(pocket)) ?? '[]'));
    return kept.success ? kept.data : [];
  } catch {
    return [];
  }
};

const keep = (pocket: Pocket, records: readonly SiteRecord[]): boolean => {
  try {
    localStorage.setItem(keyOf(pocket), JSON.stringify(records));
    return true;
  } catch {
    return false;
  }
};

/** Ticks that are made here, kept in this browser where it keeps anything, until they are saved as a file. */
export const usePocketTicks = (pocket: Pocket, wiring: string) => {
  const [made, setMade] = useState<readonly SiteRecord[]>(() => keptOf(pocket));
  const [kept, setKept] = useState(true);
  const all = useMemo(() => {
    const known = new Set(pocket.records.map(({ id }) => id));
    return [...pocket.records, ...made.filter(({ id }) => !known.has(id))];
  }, [pocket, made]);
  const stateOf = useMemo(() => tickStates(all, { id: wiring, planned: true }), [all, wiring]);
  const add = (...records: SiteRecord[]) => {
    const next = [...made, ...records];
    setMade(next);
    setKept(keep(pocket, next));
  };
  const about = (step: Step) => ({
    kind: 'fact' as const,
    id: step.id,
    wiring: wiring as never,
    revision: null,
    hash: step.hash,
  });
  const base = () => ({ id: nanoid(), version: 1, at: new Date().toISOString() });
  const set = (step: Step, done: boolean, by: string): void => {
    if (done) {
      add({ ...base(), kind: 'tick', about: about(step), body: {}, retracts: null, by });
      return;
    }
    const job = { kind: 'job' as const, id: pocket.job.id, wiring: null, revision: null, hash: null };
    add(
      ...liveRecords(all)
        .filter((one) => one.kind === 'tick' && one.about.id === step.id)
        .filter((one) => isOf(one.about, { id: wiring, planned: true }))
        .map(({ id }) => ({
          ...base(),
          kind: 'retraction' as const,
          about: job,
          body: {},
          retracts: id,
          by,
        })),
    );
  };
  return { stateOf, set, made, kept };
};

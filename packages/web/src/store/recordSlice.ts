import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';
import type { About, SiteRecord } from '@amber/core';

/** A record that was made here, and that the server has not acknowledged yet. */
export interface PendingRecord {
  job: string;
  record: SiteRecord;
}

export interface RecordState {
  pending: PendingRecord[];
  /** The server does not answer; they are kept in this browser and sent again. */
  waiting: boolean;
}

const initialState: RecordState = { pending: [], waiting: false };

/** Nobody has said yet who works at this screen. */
const NOBODY = '';

const made = (record: Pick<SiteRecord, 'kind' | 'about' | 'body' | 'retracts'>, by = NOBODY): SiteRecord => ({
  ...record,
  id: nanoid(),
  version: 1,
  by,
  at: new Date().toISOString(),
});

export const recordSlice = createSlice({
  name: 'records',
  initialState,
  reducers: {
    recorded: {
      reducer: (state, { payload }: PayloadAction<PendingRecord>) => {
        state.pending.push(payload);
      },
      prepare: (
        job: string,
        kind: SiteRecord['kind'],
        about: About,
        body: SiteRecord['body'] = {},
        by: string = NOBODY,
      ) => ({
        payload: { job, record: made({ kind, about, body, retracts: null }, by) },
      }),
    },
    /** Another record does not hold any more. */
    retracted: {
      reducer: (state, { payload }: PayloadAction<PendingRecord>) => {
        state.pending.push(payload);
      },
      prepare: (job: string, retracts: string) => {
        const about: About = { kind: 'job', id: job, wiring: null, revision: null, hash: null };
        return { payload: { job, record: made({ kind: 'retraction', about, body: {}, retracts }) } };
      },
    },
    /** Those that this tab, or one that is gone, had left behind. */
    recordsFound: (state, { payload }: PayloadAction<PendingRecord[]>) => {
      const known = new Set(state.pending.map((one) => one.record.id));
      state.pending = [...payload.filter((one) => !known.has(one.record.id)), ...state.pending];
    },
    /** The server has it, or refuses it for good. */
    recordSettled: (state, { payload }: PayloadAction<string>) => {
      state.pending = state.pending.filter((one) => one.record.id !== payload);
      state.waiting = false;
    },
    recordsWait: (state) => {
      state.waiting = true;
    },
  },
});

export const { recorded, retracted, recordsFound, recordSettled, recordsWait } = recordSlice.actions;

/** The records of a job as they stand here: what the server knows, and what is on its way. */
export const recordsHere = (
  known: readonly SiteRecord[],
  pending: readonly PendingRecord[],
  job: string,
): SiteRecord[] => {
  const ids = new Set(known.map((one) => one.id));
  return [
    ...known,
    ...pending.flatMap((one) => (one.job === job && !ids.has(one.record.id) ? [one.record] : [])),
  ];
};

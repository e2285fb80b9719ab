import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { CONTRACT, drawsOf, siteRecordSchema } from '@amber/core';
import { jobsApi } from '../server/api.js';
import { ask, mayComeBack, sayFailed } from '../server/client.js';
import { forget, keep, keptByGone, keptHere } from '../server/kept.js';
import { picturesGone } from './picturesGone.js';
import { opened, type JobState } from './jobSlice.js';
import { noticed } from './noticeSlice.js';
import { recordsOfOldTicks } from './oldTicks.js';
import {
  recorded,
  recordSettled,
  recordsFound,
  recordsWait,
  retracted,
  type PendingRecord,
} from './recordSlice.js';

const KIND = 'records';
/** What pages of before kept. */
const OLD_KIND = 'ticks';
/** The waits between tries while the server is away. */
const RETRY = [2000, 4000, 8000, 15_000, 30_000];

const recordsOf = (job: string, value: unknown): PendingRecord[] =>
  (Array.isArray(value) ? value : []).flatMap((one) => {
    const record = siteRecordSchema.safeParse(one);
    return record.success ? [{ job, record: record.data }] : [];
  });

/** Sends records one after the other, as they were made, and keeps what is not acknowledged in the browser. */
export const createRecordQueue = () => {
  const queue = createListenerMiddleware<{ records: { pending: PendingRecord[] }; job: JobState }>();
  let sending = false;

  /** What is pending of a job is kept at once, and forgotten when it is settled. */
  queue.startListening({
    matcher: isAnyOf(recorded, retracted, recordsFound, recordSettled),
    effect: (_action, api) => {
      const { pending } = api.getState().records;
      const before = api.getOriginalState().records.pending;
      for (const job of new Set([...before, ...pending].map((one) => one.job))) {
        const mine = pending.filter((one) => one.job === job).map((one) => one.record);
        if (mine.length > 0) keep(KIND, job, mine);
        else forget(KIND, job);
      }
    },
  });

  queue.startListening({
    matcher: isAnyOf(recorded, retracted, recordsFound),
    effect: async (_action, api) => {
      if (sending) return;
      sending = true;
      for (let tries = 0; ;) {
        const [next] = api.getState().records.pending;
        if (!next) break;
        const { job, record } = next;
        // A picture goes before the record that shows it.
        const answer = (await picturesGone(api.dispatch))
          ? await ask(CONTRACT.addRecord, { ids: { id: job }, body: record })
          : ({ kind: 'unreachable' } as const);
        if (answer.kind !== 'ok' && mayComeBack(answer)) {
          api.dispatch(recordsWait());
          const back = new Promise<void>((resolve) =>
            addEventListener('online', () => resolve(), { once: true }),
          );
          await Promise.race([back, api.delay(RETRY[Math.min(tries, RETRY.length - 1)] ?? 2000)]);
          tries += 1;
          continue;
        }
        tries = 0;
        if (answer.kind === 'ok') {
          if (drawsOf(record) !== null || record.retracts !== null)
            api.dispatch(jobsApi.util.invalidateTags(['Truck']) as never);
          api.dispatch(
            jobsApi.util.updateQueryData('records', job, (known) => {
              if (!known.some((one) => one.id === record.id)) known.push(record);
            }) as never,
          );
        } else
          api.dispatch(
            noticed(`What you put on record was not kept. ${sayFailed(answer)} Do it again.`, {
              tone: 'problem',
            }),
          );
        api.dispatch(recordSettled(record.id));
      }
      sending = false;
    },
  });

  /** A job that is opened brings what was left of its records, by this tab or by one that is gone. */
  queue.startListening({
    actionCreator: opened,
    effect: async ({ payload }, api) => {
      const job = payload.stored.document.id;
      const gone = await keptByGone(KIND, job);
      const left = [
        ...gone.flatMap(({ value }) => recordsOf(job, value)),
        ...recordsOf(job, keptHere(KIND, job)),
      ];
      if (left.length > 0) api.dispatch(recordsFound(left));
      for (const { take } of gone) take();
    },
  });

  /** Ticks of before become records as soon as the server says what is on record; until then they stay where they are. */
  queue.startListening({
    actionCreator: opened,
    effect: async ({ payload }, api) => {
      const job = payload.stored.document.id;
      const gone = await keptByGone(OLD_KIND, job);
      const here = keptHere(OLD_KIND, job);
      if (gone.length === 0 && here === null) return;
      const known = await ask(CONTRACT.records, { ids: { id: job } });
      if (known.kind !== 'ok') return;
      const old = [...gone.map((one) => one.value), here].flatMap((one) =>
        Array.isArray(one) ? (one as unknown[]) : [],
      );
      const records = recordsOfOldTicks(job, old, known.value.records);
      if (records.length > 0) api.dispatch(recordsFound(records.map((record) => ({ job, record }))));
      for (const { take } of gone) take();
      forget(OLD_KIND, job);
    },
  });

  return queue.middleware;
};

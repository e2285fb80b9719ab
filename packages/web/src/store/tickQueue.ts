import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { jobsApi, jobPath, askJson } from '../server/api.js';
import { noticed } from './noticeSlice.js';
import { forget, keep, keptByGone, keptHere } from '../server/kept.js';
import { opened, type JobState } from './jobSlice.js';
import { tickSettled, ticked, ticksFound, tickWaits, type PendingTick } from './tickSlice.js';

const KIND = 'ticks';
/** The waits between tries while the server is away. */
const RETRY = [2000, 4000, 8000, 15_000, 30_000];

const isTick = (value: unknown): value is PendingTick => {
  if (typeof value !== 'object' || value === null) return false;
  const { id, job, step, done } = value as Record<string, unknown>;
  return [id, job, step].every((one) => typeof one === 'string') && typeof done === 'boolean';
};
const ticksOf = (value: unknown): PendingTick[] => (Array.isArray(value) ? value.filter(isTick) : []);

/** Sends ticks one after the other, as they were made, and keeps what is not acknowledged in the browser. */
export const createTickQueue = () => {
  const queue = createListenerMiddleware<{ ticks: { pending: PendingTick[] }; job: JobState }>();
  let sending = false;

  /** What is pending of a job is kept at once, and forgotten when it is settled. */
  queue.startListening({
    matcher: isAnyOf(ticked, ticksFound, tickSettled),
    effect: (_action, api) => {
      const { pending } = api.getState().ticks;
      const before = api.getOriginalState().ticks.pending;
      for (const job of new Set([...before, ...pending].map((one) => one.job))) {
        const mine = pending.filter((one) => one.job === job);
        if (mine.length > 0) keep(KIND, job, mine);
        else forget(KIND, job);
      }
    },
  });

  queue.startListening({
    matcher: isAnyOf(ticked, ticksFound),
    effect: async (_action, api) => {
      if (sending) return;
      sending = true;
      for (let tries = 0; ;) {
        const [next] = api.getState().ticks.pending;
        if (!next) break;
        const { job, ...tick } = next;
        const answer = await askJson<unknown>('POST', `${jobPath(job)}/ticks`, tick);
        if (answer.kind === 'ok' || (answer.kind === 'refused' && answer.status < 500)) {
          tries = 0;
          if (answer.kind === 'ok')
            api.dispatch(
              jobsApi.util.updateQueryData('ticks', job, (steps) =>
                tick.done ? [...new Set([...steps, tick.step])] : steps.filter((one) => one !== tick.step),
              ) as never,
            );
          else
            api.dispatch(
              noticed(`A tick was not kept: ${answer.problem.message} Tick again.`, { tone: 'problem' }),
            );
          api.dispatch(tickSettled(next.id));
          continue;
        }
        api.dispatch(tickWaits());
        const back = new Promise<void>((resolve) =>
          addEventListener('online', () => resolve(), { once: true }),
        );
        await Promise.race([back, api.delay(RETRY[Math.min(tries, RETRY.length - 1)] ?? 2000)]);
        tries += 1;
      }
      sending = false;
    },
  });

  /** A job that is opened brings what was left of its ticks, by this tab or by one that is gone. */
  queue.startListening({
    actionCreator: opened,
    effect: async ({ payload }, api) => {
      const job = payload.stored.document.id;
      const gone = await keptByGone(KIND, job);
      const left = [...gone.flatMap(({ value }) => ticksOf(value)), ...ticksOf(keptHere(KIND, job))];
      if (left.length === 0) return;
      api.dispatch(ticksFound(left));
      for (const { take } of gone) take();
    },
  });

  return queue.middleware;
};

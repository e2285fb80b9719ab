import { createListenerMiddleware } from '@reduxjs/toolkit';
import { jobsApi } from '../server/api.js';
import { newsHeard } from './jobSlice.js';

/**
 * Asks for the records of a job when the server tells of others than were last asked for. What is told while an answer is on its way is asked for when that
 * answer is there: it may have been made before.
 */
export const createRecordNews = () => {
  const news = createListenerMiddleware();
  /** How many the server told of, and of how many it had told when they were last asked for. */
  const told = new Map<string, number>();
  const askedAt = new Map<string, number>();
  const asking = new Set<string>();
  news.startListening({
    actionCreator: newsHeard,
    effect: async ({ payload: { id, news: heard } }, { dispatch }) => {
      told.set(id, heard.records);
      if (asking.has(id)) return;
      asking.add(id);
      try {
        for (let count; (count = told.get(id) ?? 0) !== (askedAt.get(id) ?? 0);) {
          // The page's own question may have been answered before the news.
          await dispatch(jobsApi.util.getRunningQueryThunk('records', id));
          const answer = await dispatch(
            jobsApi.endpoints.records.initiate(id, { forceRefetch: true, subscribe: false }),
          );
          // The line to the server is opened anew when it is back, and tells again.
          if (answer.isError) return;
          askedAt.set(id, count);
        }
      } finally {
        asking.delete(id);
      }
    },
  });
  return news.middleware;
};

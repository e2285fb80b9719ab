import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, type TypedUseSelectorHook } from 'react-redux';
import { createAutosave } from './autosave.js';
import { jobReducer } from './jobSlice.js';
import { createRecordNews } from './recordNews.js';
import { createRecordQueue } from './recordQueue.js';
import { createHistoryKeeper } from './keptHistory.js';
import { createNewer } from './newer.js';
import { recordSlice } from './recordSlice.js';
import { wiringSlice } from './wiringSlice.js';
import { jobsApi } from '../server/api.js';
import { noticeSlice } from './noticeSlice.js';

/** `kept` is false for a store whose job belongs to the page alone, as an exercise does: nothing of it is saved, sent or heard of. */
export const createStore = ({ kept = true }: { kept?: boolean } = {}) =>
  configureStore({
    reducer: {
      job: jobReducer,
      wiring: wiringSlice.reducer,
      notice: noticeSlice.reducer,
      records: recordSlice.reducer,
      [jobsApi.reducerPath]: jobsApi.reducer,
    },
    middleware: (defaults) => {
      // Jobs are large and never mutated; checking each one after every action would cost more than it finds.
      const plain = defaults({ immutableCheck: false, serializableCheck: false }).concat(jobsApi.middleware);
      const keepers = [
        createAutosave(),
        createRecordQueue(),
        createRecordNews(),
        createNewer(),
        createHistoryKeeper(),
      ] as const;
      return kept ? (plain.prepend(...keepers) as unknown as typeof plain) : plain;
    },
  });

export type Store = ReturnType<typeof createStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch: () => Store['dispatch'] = useDispatch;
export const useAppSelector: TypedUseSelectorHook<RootState> = useSelector;

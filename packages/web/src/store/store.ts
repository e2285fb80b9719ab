import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, type TypedUseSelectorHook } from 'react-redux';
import { createAutosave } from './autosave.js';
import { jobReducer } from './jobSlice.js';
import { createRecordQueue } from './recordQueue.js';
import { createHistoryKeeper } from './keptHistory.js';
import { createNewer } from './newer.js';
import { recordSlice } from './recordSlice.js';
import { wiringSlice } from './wiringSlice.js';
import { jobsApi } from '../server/api.js';
import { noticeSlice } from './noticeSlice.js';

export const createStore = () =>
  configureStore({
    reducer: {
      job: jobReducer,
      wiring: wiringSlice.reducer,
      notice: noticeSlice.reducer,
      records: recordSlice.reducer,
      [jobsApi.reducerPath]: jobsApi.reducer,
    },
    middleware: (defaults) =>
      // Jobs are large and never mutated; checking each one after every action would cost more than it finds.
      defaults({ immutableCheck: false, serializableCheck: false })
        .prepend(createAutosave(), createRecordQueue(), createNewer(), createHistoryKeeper())
        .concat(jobsApi.middleware),
  });

export type Store = ReturnType<typeof createStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch: () => Store['dispatch'] = useDispatch;
export const useAppSelector: TypedUseSelectorHook<RootState> = useSelector;

import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, type TypedUseSelectorHook } from 'react-redux';
import { createAutosave } from '../editing/autosave.js';
import { jobSlice } from '../editing/jobSlice.js';
import { createTickQueue } from '../editing/tickQueue.js';
import { tickSlice } from '../editing/tickSlice.js';
import { benchSlice } from '../bench/benchSlice.js';
import { jobsApi } from '../shared/api.js';
import { noticeSlice } from '../shared/noticeSlice.js';

export const createStore = () =>
  configureStore({
    reducer: {
      job: jobSlice.reducer,
      bench: benchSlice.reducer,
      notice: noticeSlice.reducer,
      ticks: tickSlice.reducer,
      [jobsApi.reducerPath]: jobsApi.reducer,
    },
    middleware: (defaults) =>
      // Jobs are large and never mutated; checking each one after every action would cost more than it finds.
      defaults({ immutableCheck: false, serializableCheck: false })
        .prepend(createAutosave(), createTickQueue())
        .concat(jobsApi.middleware),
  });

export type Store = ReturnType<typeof createStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch: () => Store['dispatch'] = useDispatch;
export const useAppSelector: TypedUseSelectorHook<RootState> = useSelector;

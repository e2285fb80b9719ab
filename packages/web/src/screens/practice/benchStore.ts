import type { Job } from '@amber/core';
import { opened } from '../../store/jobSlice.js';
import { createStore, type Store } from '../../store/store.js';

/** A store of its own for an exercise: what is done in it is nobody's job, and is sent nowhere. */
export const benchStore = (job: Job): Store => {
  const store = createStore({ kept: false });
  store.dispatch(opened({ stored: { revision: 1, document: job }, draft: null }));
  return store;
};

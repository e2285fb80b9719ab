/**
 * What an edit of the open job costs in the store, on the demo job: as it is told by reference, and as it was told before, every part by
 * its text through a draft of the whole job. Run by `npm run bench`.
 */
import { readFileSync } from 'node:fs';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { changeBox, planJob, readJob, standardStock, wireAll, type Job } from '@amber/core';
import { edited, jobReducer, opened } from '../../packages/web/src/store/jobSlice.js';

const demo = (file: string): Job => {
  const read = readJob({ stock: standardStock(), ...(JSON.parse(readFileSync(file, 'utf8')) as object) });
  if (!read.ok) throw new Error('The demo is no job.');
  return planJob(wireAll(read.job)).job;
};

const before = createSlice({
  name: 'before',
  initialState: { job: null as Job | null, past: [] as object[] },
  reducers: {
    edited: (state, { payload }: PayloadAction<Job>) => {
      const was = state.job as Job;
      const keys = (Object.keys(payload) as (keyof Job)[]).filter(
        (key) => JSON.stringify(was[key]) !== JSON.stringify(payload[key]),
      );
      state.past.push(Object.fromEntries(keys.map((key) => [key, [was[key], payload[key]]])));
      state.job = payload as never;
    },
  },
});

const median = (times: number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;

const job = demo(process.argv[2] ?? '');
/** The same edit again and again, each planned anew as on screen; the planning is not counted. */
const states = Array.from({ length: 40 }, (_, i) => {
  const box = job.boxes[i % job.boxes.length];
  if (!box) throw new Error('The demo has no box.');
  return planJob(changeBox(job, box.id, { name: `Box ${i}` })).job;
});
const timed = (work: (state: Job, i: number) => void): number =>
  median(
    states.map((state, i) => {
      const began = performance.now();
      work(state, i);
      return performance.now() - began;
    }),
  );

let now = jobReducer(undefined, opened({ stored: { revision: 1, document: job }, draft: null }));
const byReference = timed((state, i) => (now = jobReducer(now, edited(state, `edit ${i}`))));
if (now.open?.history.past.length !== states.length) throw new Error('Not every edit was remembered.');
let old = { job: job as Job | null, past: [] as object[] };
const byText = timed((state) => (old = before.reducer(old, before.actions.edited(state))));
process.stdout.write(JSON.stringify({ byReference, byText }));

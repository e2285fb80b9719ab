import {
  reviewInSteps,
  reviewJob,
  reviewWiring,
  type Job,
  type JobReview,
  type ReviewedWiring,
} from '@amber/core';
import { useCallback } from 'react';
import { useAppDispatch } from './store.js';
import { edited } from './jobSlice.js';
import { noticed } from './noticeSlice.js';
import { FIELD_VIEW, useFieldView } from './useFieldView.js';

/** A job is never mutated, so what follows from it is computed once for each state of it. */
const reviews = new WeakMap<Job, JobReview>();

/** The job that was planned last, as it was asked, and what came of it. */
let last: { asked: Job; review: JobReview } | null = null;

/** Do two states of a job differ in nothing but what was built? What is planned of them is then the same. */
const isPlannedAlike = (a: Job, b: Job): boolean => {
  const asked = ({ wirings }: Job) => wirings.filter(({ kind }) => kind !== 'built');
  const [mine, others] = [asked(a), asked(b)];
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof Job>;
  return (
    mine.length === others.length &&
    mine.every((one, i) => one === others[i]) &&
    [...keys].every((key) => key === 'wirings' || a[key] === b[key])
  );
};

/** The review of a job, with what was built as another state of it has that. Nothing of it is worked out anew, and what waits is still to come. */
const withBuiltOf = (job: Job, review: JobReview): JobReview => {
  const planned = review.job.wirings.filter(({ kind }) => kind === 'planned');
  // In the order in which planning leaves them.
  const wirings = [...job.wirings.filter(({ kind }) => kind !== 'planned'), ...planned];
  const told: PropertyDescriptorMap = {
    ...Object.getOwnPropertyDescriptors(review),
    job: { value: { ...review.job, wirings }, enumerable: true },
  };
  return Object.defineProperties({}, told) as JobReview;
};

const keep = (job: Job, review: JobReview): JobReview => {
  last = { asked: job, review };
  reviews.set(job, review);
  reviews.set(review.job, review);
  return review;
};

/** `reviewOf` a piece at a time, for a job that is about to be shown: it then has it at once. */
export const reviewedInSteps = function* (job: Job): Generator<undefined, JobReview> {
  return reviews.get(job) ?? keep(job, yield* reviewInSteps(job));
};

/** The plan, findings and proofs of a job. */
export const reviewOf = (job: Job): JobReview => {
  const known = reviews.get(job);
  if (known) return known;
  const review = last && isPlannedAlike(last.asked, job) ? withBuiltOf(job, last.review) : reviewJob(job);
  return keep(job, review);
};

const others = new WeakMap<Job, Map<string, ReviewedWiring>>();

/** A wiring of a job with its proofs and findings: the planned one where none is named, or where that one is gone. */
export const subjectOf = (job: Job, id: string | null): JobReview | ReviewedWiring => {
  if (id === null) return reviewOf(job);
  const known = others.get(job) ?? new Map<string, ReviewedWiring>();
  others.set(job, known);
  const review = known.get(id) ?? reviewWiring(job, id);
  if (!review) return reviewOf(job);
  known.set(id, review);
  return review;
};

/** The one way to change the open job: planned anew, then stored as one entry of its history under the label. False on a device that changes nothing. */
export const useEdit = () => {
  const dispatch = useAppDispatch();
  const isField = useFieldView();
  return useCallback(
    (job: Job, label: string) => {
      // The server would refuse it: what cannot be kept is not shown as done.
      if (isField) dispatch(noticed(FIELD_VIEW));
      else dispatch(edited(reviewOf(job).job, label));
      return !isField;
    },
    [dispatch, isField],
  );
};

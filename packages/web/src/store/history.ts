import type { Job } from '@amber/core';

/** A change as data: the parts of the job that differ, before and after. Undo is its reversal. */
export interface Change {
  label: string;
  at: number;
  before: Partial<Job>;
  after: Partial<Job>;
}

export interface History {
  past: Change[];
  future: Change[];
}

/** Changes kept; older ones can no longer be undone. */
const LONGEST = 200;
/** Changes of the same thing within this many milliseconds are one gesture. */
const ONE_GESTURE = 1200;

const partsOf = (job: Job, keys: readonly (keyof Job)[]): Partial<Job> =>
  Object.fromEntries(keys.map((key) => [key, job[key]]));

/** The change between two states of a job, or null where nothing differs. */
export const changeBetween = (before: Job, after: Job, label: string, at: number): Change | null => {
  const keys = (Object.keys(after) as (keyof Job)[]).filter(
    (key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]),
  );
  return keys.length === 0 ? null : { label, at, before: partsOf(before, keys), after: partsOf(after, keys) };
};

/** Remembers a change; typing on in the same field goes into the same entry. Redo is over. */
export const remember = (history: History, change: Change): History => {
  const last = history.past.at(-1);
  if (last && last.label === change.label && change.at - last.at < ONE_GESTURE) {
    const merged: Change = {
      label: change.label,
      at: change.at,
      before: { ...change.before, ...last.before },
      after: { ...last.after, ...change.after },
    };
    return { past: [...history.past.slice(0, -1), merged], future: [] };
  }
  return { past: [...history.past, change].slice(-LONGEST), future: [] };
};

export const undo = (job: Job, { past, future }: History): { job: Job; history: History } | null => {
  const last = past.at(-1);
  if (!last) return null;
  return { job: { ...job, ...last.before }, history: { past: past.slice(0, -1), future: [...future, last] } };
};

export const redo = (job: Job, { past, future }: History): { job: Job; history: History } | null => {
  const next = future.at(-1);
  if (!next) return null;
  return { job: { ...job, ...next.after }, history: { past: [...past, next], future: future.slice(0, -1) } };
};

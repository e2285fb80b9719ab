import { differenceOf, inverted, withChanges, type FieldChange, type Job } from '@amber/core';

/** A change as data: what is otherwise in the job. Undo is its reversal. */
export interface Change {
  label: string;
  at: number;
  changes: FieldChange[];
}

export interface History {
  past: Change[];
  future: Change[];
}

/** Changes kept; older ones can no longer be undone. */
const LONGEST = 200;
/** Changes of the same thing within this many milliseconds are one gesture. */
const ONE_GESTURE = 1200;

/**
 * The history after a change from one state of the job to another; null where nothing differs. Typing on in the same field goes into the
 * same entry, and what comes back to where it began leaves none. Redo is over.
 */
export const remember = (
  history: History,
  before: Job,
  after: Job,
  label: string,
  at: number,
): History | null => {
  const changes = differenceOf(before, after);
  if (changes.length === 0) return null;
  const last = history.past.at(-1);
  if (last && last.label === label && at - last.at < ONE_GESTURE) {
    const whole = differenceOf(withChanges(before, inverted(last.changes)), after);
    const earlier = history.past.slice(0, -1);
    return { past: whole.length === 0 ? earlier : [...earlier, { label, at, changes: whole }], future: [] };
  }
  return { past: [...history.past, { label, at, changes }].slice(-LONGEST), future: [] };
};

export const undo = (job: Job, { past, future }: History): { job: Job; history: History } | null => {
  const last = past.at(-1);
  if (!last) return null;
  return {
    job: withChanges(job, inverted(last.changes)),
    history: { past: past.slice(0, -1), future: [...future, last] },
  };
};

export const redo = (job: Job, { past, future }: History): { job: Job; history: History } | null => {
  const next = future.at(-1);
  if (!next) return null;
  return {
    job: withChanges(job, next.changes),
    history: { past: [...past, next], future: future.slice(0, -1) },
  };
};

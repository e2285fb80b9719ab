import { sayDifference, type Job, type StoredJob } from '@amber/core';
import { sayMade } from '../parts/format.js';

/** So many changes are told; the rest is in the history. */
const TOLD = 4;

/** What is otherwise in the job that came in, in words. Loaded when it is needed. */
export const sayNewer = (before: Job, { document: after, made }: StoredJob): string => {
  const all = sayDifference(before, after);
  const more = all.length - TOLD;
  return [
    `Somebody else saved this job${made ? ` (${sayMade(made)})` : ''}, and it is shown as it is now. Look again before you work on.`,
    ...all.slice(0, TOLD),
    ...(more > 0 ? [`And ${more} more: see History.`] : []),
  ].join('\n');
};

import type { Job } from './job.js';

const known = new WeakMap<Job, Job>();

/**
 * The job as planning takes it: without the old cables that a chosen way takes out of their boxes, and without the devices that come out.
 * Both stay in the job, as they are there still.
 */
export const toPlan = (job: Job): Job => {
  const given = new Set<string>(job.choices.flatMap(({ givenUp }) => givenUp ?? []));
  if (given.size === 0 && !job.slots.some(({ leaves }) => leaves)) return job;
  const before = known.get(job);
  if (before) return before;
  const made: Job = {
    ...job,
    slots: job.slots.filter(({ leaves }) => !leaves),
    existingCables: job.existingCables.filter(({ id }) => !given.has(id)),
  };
  known.set(job, made);
  return made;
};

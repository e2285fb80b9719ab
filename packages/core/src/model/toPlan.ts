import type { Job } from './job.js';

const known = new WeakMap<Job, Job>();

/** The job as planning takes it: without the devices that come out. They stay in the job, as they are there still. */
export const toPlan = (job: Job): Job => {
  if (!job.slots.some(({ leaves }) => leaves)) return job;
  const before = known.get(job);
  if (before) return before;
  const made: Job = {
    ...job,
    slots: job.slots.filter(({ leaves }) => !leaves),
  };
  known.set(job, made);
  return made;
};

/** The job with no run forced: what is left for one circuit to take is not missed by the others. */
export const withoutForced = (job: Job): Job =>
  job.runFacts.some(({ rule }) => rule === 'forced')
    ? {
        ...job,
        runFacts: job.runFacts.map((fact) => (fact.rule === 'forced' ? { ...fact, rule: null } : fact)),
      }
    : job;

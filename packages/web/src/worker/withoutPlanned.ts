import type { Job } from '@amber/core';

/** The job as a worker asks for it: what is planned follows from the rest and is made there again; what is there goes along. */
export const withoutPlanned = (job: Job): Job => ({
  ...job,
  wirings: job.wirings.filter(({ kind }) => kind === 'existing'),
});

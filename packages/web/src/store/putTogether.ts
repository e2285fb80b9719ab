import { merge, planJob, readJob, type Clash, type Job } from '@amber/core';

/** Two states of a job that grew from one: both in one that can be planned, or what clashes. Loaded when it is needed. */
export const putTogether = (
  from: Job,
  mine: Job,
  theirs: Job,
): { kind: 'merged'; job: Job } | { kind: 'clash'; clashes: Clash[] } => {
  const made = merge(from, mine, theirs);
  if (made.kind === 'clash') return made;
  const read = readJob(made.job);
  return read.ok
    ? { kind: 'merged', job: planJob(read.job).job }
    : {
        kind: 'clash',
        clashes: [{ mine: ['What was changed here'], theirs: ['What that rests on was taken away'] }],
      };
};

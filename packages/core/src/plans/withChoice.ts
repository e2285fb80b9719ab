import type { CircuitId } from '../model/ids.js';
import type { Choice, Job } from '../model/job.js';

/** The job with another choice for the circuit, or with none. */
export const withChoice = (job: Job, circuit: CircuitId, choice: Choice | null): Job => {
  const before = job.choices.find((one) => one.circuit === circuit);
  // What was given up, or is made up anew since it was wrong, stays so in another way that says nothing of it.
  const kept = choice && {
    ...(before?.givenUp ? { givenUp: before.givenUp } : {}),
    ...(before?.anew ? { anew: before.anew } : {}),
    ...choice,
  };
  return {
    ...job,
    choices: [...job.choices.filter((one) => one.circuit !== circuit), ...(kept ? [kept] : [])],
  };
};

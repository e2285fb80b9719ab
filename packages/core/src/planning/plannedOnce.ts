import { existingDocument } from '../model/existing.js';
import type { Choice, Circuit, Job } from '../model/job.js';
import { success } from '../model/result.js';
import { asThere } from './asThere.js';
import { planCircuit, type CircuitPlan } from './planCircuit.js';

type Outcome = CircuitPlan['outcome'];

/** What each choice came to, and the job that it was planned in. */
const known = new WeakMap<Choice, { job: Job; circuit: Circuit; outcome: Outcome }>();

/** Old cables that chosen ways of any circuit take out of their boxes. */
const givenUpIn = ({ choices }: Job): string =>
  choices
    .flatMap(({ givenUp }) => givenUp ?? [])
    .sort()
    .join();

/** Is all the same in two jobs of which the plan of a circuit may know, but for the ways that other circuits are chosen to go? */
const isAlike = (a: Job, b: Job): boolean =>
  (Object.keys(a) as (keyof Job)[]).every(
    (key) => key === 'choices' || key === 'wirings' || a[key] === b[key],
  ) &&
  existingDocument(a) === existingDocument(b) &&
  givenUpIn(a) === givenUpIn(b) &&
  // A forced run that another circuit takes is not missed in this one.
  !a.runFacts.some(({ rule }) => rule === 'forced');

/**
 * `planCircuit` with what is there as it is. While ways of one circuit are compared the others are planned again and again, so what came of
 * a choice is kept until anything else of the job differs.
 */
export const plannedOnce = (job: Job, circuit: Circuit): Outcome => {
  const choices = job.choices.filter((one) => one.circuit === circuit.id);
  const choice = choices.length === 1 ? choices[0] : undefined;
  const before = choice && known.get(choice);
  if (before && before.circuit === circuit && isAlike(before.job, job)) return before.outcome;
  const planned = planCircuit(job, circuit);
  const outcome = planned.ok ? success(asThere(job, planned.value)) : planned;
  // What was planned and drawn of that job is no part of it, and is not held by a choice of long ago.
  const wirings = job.wirings.filter(({ kind }) => kind === 'existing');
  if (choice) known.set(choice, { job: { ...job, wirings }, circuit, outcome });
  return outcome;
};

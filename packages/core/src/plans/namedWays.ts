import type { CircuitId } from '../model/ids.js';
import type { Choice, Job } from '../model/job.js';
import { findBox, findCircuit } from '../model/lookup.js';
import { planJob } from '../planning/planJob.js';
import type { PlanProblem } from '../planning/problem.js';
import { sayProblem } from '../planning/sayProblem.js';
import { titleOf } from '../words/said.js';
import { cheapestOf, createCollection, missedRuns, type Candidate } from './candidates.js';
import { familiarChoices, FAMILIAR_TITLES, type FamiliarId } from './familiar.js';
import { forAndAgainst } from './forAndAgainst.js';
import { withChoice } from './withChoice.js';
import { baselineOf } from './baseline.js';

/** One of the everyday ways, measured for a place and judged in a line each. */
export interface NamedWay {
  /** `found` is one that a search has put first and nobody has a name for. */
  id: FamiliarId | 'found';
  title: string;
  choice: Choice;
  plan: Candidate;
  pro: string;
  con: string;
}

/**
 * The everyday ways that a circuit can be wired in, as a master would choose among them. Nothing is searched here: the first of what a search has
 * `found` comes first, and prices are held against all of it.
 */
export const namedWays = (job: Job, id: CircuitId, found: readonly Candidate[] = []): NamedWay[] => {
  const circuit = findCircuit(job, id);
  if (!circuit) return [];
  const collection = createCollection(job, id, baselineOf(job, id));
  const choices = familiarChoices(job, circuit);
  for (const { id: familiar, choice } of choices) collection.add(choice, { familiar });
  const plans = collection.list();
  const cheapest = cheapestOf([...found, ...plans]);
  const named = plans.flatMap((plan) =>
    choices
      .filter((one) => plan.familiar.includes(one.id))
      .map((one): NamedWay => ({
        ...one,
        title: FAMILIAR_TITLES[one.id],
        plan,
        ...forAndAgainst(job, plan, cheapest),
      })),
  );
  const [best] = found;
  if (!best) return named;
  const [familiar] = best.familiar;
  const first: NamedWay = {
    id: familiar ?? 'found',
    title: familiar
      ? FAMILIAR_TITLES[familiar]
      : `Power enters at ${findBox(job, best.entry)?.name ?? 'a box'}`,
    choice: best.choice,
    plan: best,
    ...forAndAgainst(job, best, cheapest),
  };
  return [first, ...named.filter((one) => !best.familiar.includes(one.id as FamiliarId))];
};

/** Why a familiar way cannot be wired. */
export const problemsOf = (job: Job, circuit: CircuitId, choice: Choice): string[] => {
  const { circuits } = planJob(withChoice(job, circuit, choice));
  const outcome = circuits.find((plan) => plan.circuit.id === circuit)?.outcome;
  const refused = outcome && !outcome.ok ? outcome.problems : [];
  const missed = missedRuns(job, circuit, choice).map((run): PlanProblem => ({
    code: 'ForcedRunMissing',
    circuit,
    run,
  }));
  const titles = [...refused, ...missed].map((problem) => titleOf(sayProblem(job, problem)));
  return [...new Set(titles)];
};

import type { CircuitId } from '../model/ids.js';
import type { Choice, Job } from '../model/job.js';
import { findCircuit } from '../model/lookup.js';
import { planJob } from '../planning/planJob.js';
import type { PlanProblem } from '../planning/problem.js';
import { sayProblem } from '../planning/sayProblem.js';
import { titleOf } from '../words/said.js';
import { cheapestOf, createCollection, missedRuns, type Candidate } from './candidates.js';
import { familiarChoices, FAMILIAR_TITLES, type FamiliarId } from './familiar.js';
import { forAndAgainst } from './forAndAgainst.js';
import { baselineOf, withChoice } from './measures.js';

/** One of the everyday ways, measured for a place and judged in a line each. */
export interface NamedWay {
  id: FamiliarId;
  title: string;
  choice: Choice;
  plan: Candidate;
  pro: string;
  con: string;
}

/** The everyday ways that a circuit can be wired in, as a master would choose among them. Nothing else is searched. */
export const namedWays = (job: Job, id: CircuitId): NamedWay[] => {
  const circuit = findCircuit(job, id);
  if (!circuit) return [];
  const collection = createCollection(job, id, baselineOf(job, id));
  const choices = familiarChoices(job, circuit);
  for (const { id: familiar, choice } of choices) collection.add(choice, { familiar });
  const plans = collection.list();
  const cheapest = cheapestOf(plans);
  return plans.flatMap((plan) =>
    choices
      .filter((one) => plan.familiar.includes(one.id))
      .map((one) => ({
        ...one,
        title: FAMILIAR_TITLES[one.id],
        plan,
        ...forAndAgainst(job, plan, cheapest),
      })),
  );
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

import type { CircuitId } from '../model/ids.js';
import type { Choice, Job } from '../model/job.js';
import { planJob } from '../planning/planJob.js';
import { wiredChoice } from './candidates.js';
import { withChoice } from './withChoice.js';

const sorted = (choice: Choice | null): string =>
  JSON.stringify([
    choice && Object.entries(choice.chains ?? {}).sort(([a], [b]) => a.localeCompare(b)),
    choice && [...(choice.neutralAt ?? [])].sort(),
  ]);

/**
 * A choice without what only a search found, where the program comes to the same by itself: then what is answered or asked later is heard.
 * The order of the switches and who gets a neutral are each left out, if the circuit is planned alike without.
 */
export const leastSaid = (job: Job, circuit: CircuitId, choice: Choice): Choice => {
  const planned = (one: Choice) =>
    sorted(wiredChoice(planJob(withChoice(job, circuit, one)).circuits, circuit));
  const wanted = planned(choice);
  const { neutralAt: _neutralAt, ...open } = choice;
  const first = choice.neutralAt && planned(open) === wanted ? open : choice;
  const { chains: _chains, ...free } = first;
  return first.chains && planned(free) === wanted ? free : first;
};

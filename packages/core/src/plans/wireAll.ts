import { standingCircuits } from '../model/existing.js';
import type { Job } from '../model/job.js';
import { mastersChoice } from '../search/prices/weights.js';
import { NO_CONSTRAINTS } from '../search/orders.js';
import { choiceOf, createSearch } from '../search/search.js';

/** Steps for each circuit: the least of a circuit of a dozen places is found well before, and mostly proved. */
const MOST_STEPS = 3_000_000;

/**
 * Wires every circuit that nobody has chosen a way for by its least cost, one after the other; what cannot be wired stays as
 * it is, and so does a circuit that stands.
 */
export const wireAll = (job: Job): Job => {
  const standing = standingCircuits(job);
  return job.circuits
    .filter(({ id }) => !standing.has(id) && !job.choices.some((choice) => choice.circuit === id))
    .reduce((wired, circuit) => {
      const { best } = createSearch(wired, circuit, {
        weights: mastersChoice(wired),
        constraints: NO_CONSTRAINTS,
        volumeLimit: Infinity,
      }).least({ mostSteps: MOST_STEPS });
      return best ? { ...wired, choices: [...wired.choices, choiceOf(best)] } : wired;
    }, job);
};

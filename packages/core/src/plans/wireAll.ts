import { standingCircuits } from '../model/there.js';
import type { Job } from '../model/job.js';
import { leastSaid } from './leastSaid.js';
import { withChoice } from './withChoice.js';
import { bestWithNeutrals } from './neutralsChosen.js';
import { everySwitch } from './profiles.js';
import { NO_CONSTRAINTS } from '../search/orders.js';
import { choiceOf } from '../search/search.js';

/** Steps for each circuit: the least of a circuit of a dozen places is found well before, and mostly proved. */
const MOST_STEPS = 3_000_000;

/**
 * Wires every circuit that nobody has chosen a way for as a master would choose, one after the other; what cannot be wired stays as
 * it is, and so does a circuit that stands.
 */
export const wireAll = (job: Job): Job => {
  const standing = standingCircuits(job);
  return job.circuits
    .filter(({ id }) => !standing.has(id) && !job.choices.some((choice) => choice.circuit === id))
    .reduce((wired, circuit) => {
      const { best } = bestWithNeutrals(
        wired,
        circuit,
        NO_CONSTRAINTS,
        { mostSteps: MOST_STEPS },
        everySwitch(wired, circuit),
      );
      return best ? withChoice(wired, circuit.id, leastSaid(wired, circuit.id, choiceOf(best))) : wired;
    }, job);
};

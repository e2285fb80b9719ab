import { findCircuit } from '../model/lookup.js';
import { PANEL, type BoxId, type CircuitId, type Place } from '../model/ids.js';
import { isBetween, runFactOf, type Job, type RunFact } from '../model/job.js';
import { newRunFact } from '../model/newJob.js';
import { leastCost } from '../search/prices/weights.js';
import { NO_CONSTRAINTS } from '../search/orders.js';
import { choiceOf, createSearch } from '../search/search.js';
import { withChoice } from './withChoice.js';
import { baselineOf } from './baseline.js';
import { count } from './measures.js';

/** Nothing is known or decided of the run any more. */
const isEmpty = ({ length, rule, route, access, openings, closeHoles }: RunFact): boolean =>
  length === null && rule === null && route === null && access === null && openings === 0 && closeHoles === 0;

/** Says something of the run between two places: measured, forced, forbidden, how it goes. What is taken back is forgotten. */
export const setRunFact = (job: Job, a: Place, b: Place, change: Partial<RunFact>): Job => {
  const fact = { ...(runFactOf(job, a, b) ?? newRunFact({ between: [a, b] })), ...change };
  const others = job.runFacts.filter((one) => !isBetween(one, a, b));
  return { ...job, runFacts: isEmpty(fact) ? others : [...others, fact] };
};

/** The box that a home run of a circuit is forced to, or null where it may be any. */
export const forcedEntry = (job: Job, boxes: ReadonlySet<string>): BoxId | null => {
  const fact = job.runFacts.find(
    ({ rule, between: [a, b] }) =>
      rule === 'forced' && (a === PANEL ? boxes.has(b) : b === PANEL && boxes.has(a)),
  );
  const box = fact?.between.find((place) => place !== PANEL);
  return box === undefined ? null : (box as BoxId);
};

/** Makes power enter at one of these boxes and no other, or wherever is best. */
export const setEntry = (job: Job, boxes: ReadonlySet<string>, entry: BoxId | null): Job => {
  const freed = [...boxes].reduce(
    (left, box) =>
      runFactOf(left, PANEL, box)?.rule === 'forced'
        ? setRunFact(left, PANEL, box as BoxId, { rule: null })
        : left,
    job,
  );
  return entry === null ? freed : setRunFact(freed, PANEL, entry, { rule: 'forced' });
};

/** Steps of a price that is only looked at. */
const MOST_STEPS = 3_000_000;

/** The least that a circuit costs under all that is asked of it, ten-thousandths of a dollar; null where it cannot be wired. */
export const leastCostOf = (job: Job, id: CircuitId): number | null => {
  const circuit = findCircuit(job, id);
  if (!circuit) throw new Error(`The job has no circuit ${id}.`);
  const { best } = createSearch(job, circuit, {
    weights: leastCost(job),
    constraints: NO_CONSTRAINTS,
    room: { asked: 0 },
  }).least({ mostSteps: MOST_STEPS });
  const counted = best && count(withChoice(job, id, choiceOf(best)), id, baselineOf(job, id));
  return counted?.cost ?? null;
};

import { suitingBoxes } from '../../materials/boxChoice.js';
import { articleOf } from '../../model/articles.js';
import { PANEL, placeOfNode, type BoxId, type CircuitId } from '../../model/ids.js';
import type { Choice, Circuit, Job } from '../../model/job.js';
import { boxesOfCircuit, findBox, findCircuit, slotsInBox } from '../../model/lookup.js';
import { boxesReached } from '../../model/wiring.js';
import { planJob } from '../../planning/planJob.js';
import { wiringOrEmpty } from '../../proving/works.js';
import { junctionsOf, NO_CONSTRAINTS } from '../../search/orders.js';
import type { PricedApart } from '../../search/prices/weights.js';
import { choiceOf } from '../../search/search.js';
import { withChoice } from '../withChoice.js';
import { bestWithNeutrals } from '../neutralsChosen.js';
import { everySwitch } from '../profiles.js';
import { worthOf } from './worth.js';

/** Boxes that a circuit comes to, or may come to. */
export const placesOf = (job: Job, circuit: CircuitId): ReadonlySet<BoxId> =>
  new Set<BoxId>([
    ...boxesOfCircuit(job, circuit),
    ...job.feeds.flatMap((feed) => (feed.circuit === circuit && feed.at !== PANEL ? [feed.at] : [])),
    ...job.choices
      .filter((one) => one.circuit === circuit)
      .flatMap(({ runs }) => runs.flatMap(({ from, to }) => [placeOfNode(from), placeOfNode(to)]))
      .filter((place): place is BoxId => findBox(job, place) !== undefined),
  ]);

/** Boxes that more than one of these circuits may come to; a junction box may be any circuit's. */
export const sharedBy = (job: Job, circuits: readonly CircuitId[]): BoxId[] => {
  const all = circuits.map((id) => placesOf(job, id));
  return job.boxes
    .map(({ id }) => id)
    .filter((id) => junctionsOf(job).includes(id) || all.filter((places) => places.has(id)).length > 1);
};

export const withoutChoices = (job: Job, circuits: readonly CircuitId[]): Job =>
  circuits.reduce((left, id) => withChoice(left, id, null), job);

/** What a circuit adds where others are not planned yet, with some boxes priced apart; by the weight of a master's choice. */
export interface Alone {
  circuit: Circuit;
  /** The least that it adds however it is wired, and whether that is shown. */
  least: number;
  /** The least with just so much brought to boxes; null where there is none under `under`. */
  bringing: (
    brought: PricedApart,
    under: number,
  ) => { adds: number; choice: Choice; proved: boolean } | { proved: boolean; choice: null };
}

/** Steps of one search; there are many. */
const MOST_STEPS = 1_000_000;

/** `bare` has none of the circuits planned. Null where the circuit cannot be wired at all. */
export const aloneOf = (bare: Job, id: CircuitId, shared: readonly BoxId[], before: number): Alone | null => {
  const circuit = findCircuit(bare, id);
  if (!circuit) return null;
  const search = (apart: PricedApart | undefined, under = Infinity) =>
    bestWithNeutrals(
      bare,
      circuit,
      NO_CONSTRAINTS,
      { mostSteps: MOST_STEPS, under },
      everySwitch(bare, circuit),
      apart,
    );
  const { best } = search(undefined);
  if (!best) return null;
  // What no way of wiring changes is in the weight and not in what the circuit adds, or the other way round.
  const same = best.weight - (worthOf(withChoice(bare, id, choiceOf(best)), [id]) - before);
  const free = search(new Map(shared.map((box) => [box, null])));
  return {
    circuit,
    least: free.bound - same,
    bringing: (brought, under) => {
      const most = under + same;
      const found = search(brought, most);
      // A first answer may be above it: then it is enough that nothing is below.
      return found.best && found.best.weight < most
        ? { adds: found.best.weight - same, choice: choiceOf(found.best), proved: found.proved }
        : { proved: found.bound >= most - 1e-6, choice: null };
    },
  };
};

/** No less than a box costs that several circuits come to, beside what they themselves bring: nothing where it stands there or others come to it. */
export const leastOfBox = (bare: Job, id: BoxId): number => {
  const box = findBox(bare, id);
  if (!box || box.work === 'existing' || box.work === 'beyond') return 0;
  if (boxesReached(wiringOrEmpty(planJob(bare).job)).has(id)) return 0;
  const luminaires = bare.luminaires.filter((one) => one.box === id && one.unit !== 'onward');
  const prices =
    box.article === null
      ? suitingBoxes(bare, box, { gangs: slotsInBox(bare, id).length, luminaires }).map(({ price }) => price)
      : [
          [box.article, ...box.sections].reduce(
            (sum, one) => sum + articleOf(bare.stock, 'box', one).price,
            0,
          ),
        ];
  const opening = (bare.labour.box[box.work] * bare.labour.rate) / 60;
  // A junction box may be left out by all.
  return junctionsOf(bare).includes(id) || prices.length === 0 ? 0 : opening + Math.min(...prices);
};

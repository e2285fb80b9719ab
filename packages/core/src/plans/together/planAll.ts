import type { CircuitId } from '../../model/ids.js';
import { standingCircuits } from '../../model/there.js';
import type { Choice, Job } from '../../model/job.js';
import { findCircuit } from '../../model/lookup.js';
import { NO_CONSTRAINTS } from '../../search/orders.js';
import { choiceOf } from '../../search/search.js';
import { leastSaid } from '../leastSaid.js';
import { withChoice } from '../withChoice.js';
import { measureWired } from '../measures.js';
import { bestWithNeutrals } from '../neutralsChosen.js';
import { sayUnsure } from '../proof.js';
import { everySwitch } from '../profiles.js';
import { aloneOf, leastOfBox, placesOf, sharedBy, withoutChoices } from './alone.js';
import { jointly, mayBeProved, type Joint } from './jointly.js';
import { objectiveOf, worthOf } from './worth.js';

/** Circuits that touch one another, as they were planned together. */
export interface Part {
  circuits: CircuitId[];
  /** No way to wire them all comes to less, by cost and judgement; false where that is not shown. */
  proved: boolean;
  /** How far they are above what they cannot be below, percent of what they add; null where there is no bound. */
  gap: number | null;
  /** How often one of them was planned anew since another changed. */
  turns: number;
  /** Those that cannot be wired. */
  failed: CircuitId[];
  /** Some ways are not tried, as a return run where an old cable ends; the list of plans of each circuit tells which. */
  leftOut: boolean;
  /** What they rest on that nobody knows, in a sentence each: then nothing is called proved. */
  unsure: string[];
}

export interface PlannedAll {
  job: Job;
  parts: Part[];
}

const MOST_STEPS = 3_000_000;
/** Each circuit is planned anew so often, at most. */
const MOST_TURNS = 8;

const chosenOf = (job: Job, id: CircuitId): Choice | undefined =>
  job.choices.find(({ circuit }) => circuit === id);

/** The best way of one circuit, the others as they are; null where there is none. */
const bestOf = (job: Job, id: CircuitId) => {
  const circuit = findCircuit(job, id);
  if (!circuit) return null;
  const open = withChoice(job, id, null);
  const result = bestWithNeutrals(
    open,
    circuit,
    NO_CONSTRAINTS,
    { mostSteps: MOST_STEPS },
    everySwitch(open, circuit),
  );
  const leftOut = result.notTried.length > 0;
  return result.best ? { choice: choiceOf(result.best), proved: result.proved, leftOut } : null;
};

/** The circuits in parts that have no box in common. */
export const touchingCircuits = (job: Job, circuits: readonly CircuitId[]): CircuitId[][] =>
  circuits.reduce<CircuitId[][]>((parts, id) => {
    const mine = placesOf(job, id);
    const touches = (part: readonly CircuitId[]) =>
      part.some((other) => [...placesOf(job, other)].some((box) => mine.has(box)));
    return [...parts.filter((part) => !touches(part)), [...parts.filter(touches).flat(), id]];
  }, []);

/** Plans one circuit after the other, and each anew with the others as they are, until nothing gets better. */
const inTurn = (job: Job, circuits: readonly CircuitId[], mayGoOn: () => boolean) => {
  let now = job;
  const failed: CircuitId[] = [];
  let allProved = true;
  let leftOut = false;
  for (const id of circuits) {
    const best = bestOf(now, id);
    if (best) now = withChoice(now, id, best.choice);
    else failed.push(id);
    allProved &&= best?.proved === true;
    leftOut ||= best?.leftOut === true;
  }
  const wired = circuits.filter((id) => !failed.includes(id));
  let worth = worthOf(now, wired);
  let turns = 0;
  for (let better = wired.length > 1; better && turns < MOST_TURNS * wired.length;) {
    better = false;
    for (const id of wired) {
      if (!mayGoOn()) return { job: now, worth, wired, failed, turns, allProved, leftOut };
      const best = bestOf(now, id);
      const tried = best && withChoice(now, id, best.choice);
      const less = tried ? worthOf(tried, wired) : Infinity;
      turns += 1;
      if (!tried || less > worth - 1) continue;
      now = tried;
      worth = less;
      better = true;
    }
  }
  return { job: now, worth, wired, failed, turns, allProved, leftOut };
};

const planPart = (job: Job, circuits: readonly CircuitId[], mayGoOn: () => boolean): PlannedAll => {
  const bare = withoutChoices(job, circuits);
  // What is planned first takes what room there is: both ways round are tried.
  const ways = circuits.length > 1 ? [circuits, [...circuits].reverse()] : [circuits];
  const [first, ...others] = ways.map((order) => inTurn(bare, order, mayGoOn));
  if (!first) return { job, parts: [] };
  const found = others.reduce(
    (best, one) =>
      one.failed.length < best.failed.length ||
      (one.failed.length === best.failed.length && one.worth < best.worth)
        ? one
        : best,
    first,
  );
  const { wired, failed, turns, leftOut } = found;
  const said = (whole: Job) =>
    wired.reduce((left, id) => {
      const choice = chosenOf(left, id);
      return choice ? withChoice(left, id, leastSaid(left, id, choice)) : left;
    }, whole);
  const part = (more: Pick<Part, 'proved' | 'gap'>): Part => ({
    circuits: [...circuits],
    failed,
    turns,
    leftOut,
    unsure: [],
    ...more,
  });
  if (wired.length < 2)
    return {
      job: said(found.job),
      parts: [part({ proved: found.allProved, gap: found.allProved ? 0 : null })],
    };

  const shared = sharedBy(bare, wired);
  const before = objectiveOf(bare);
  const alone = wired.map((id) => aloneOf(bare, id, shared, before));
  const boxes = shared.reduce((sum, box) => sum + leastOfBox(bare, box), 0);
  const least = alone.reduce((sum, one) => sum + (one?.least ?? 0), before + boxes);
  const start: Joint = {
    choices: wired.flatMap((id) => chosenOf(found.job, id) ?? []),
    worth: found.worth,
    bound: Math.min(least, found.worth),
    proved: least >= found.worth - 1,
  };
  const [a, b] = alone;
  const joint =
    !start.proved && mayGoOn() && a && b && mayBeProved(bare, wired, shared)
      ? jointly(bare, [a, b], shared, { before, boxes, start })
      : start;
  const whole = joint.choices.reduce((left, choice) => withChoice(left, choice.circuit, choice), bare);
  const adds = joint.worth - before;
  const gap = joint.proved ? 0 : adds > 0 ? (100 * (joint.worth - joint.bound)) / adds : null;
  return { job: said(whole), parts: [part({ proved: joint.proved, gap })] };
};

/** What the circuits of a part rest on that nobody knows, as they are wired now. */
const unsureOf = (job: Job, { circuits, failed }: Part): string[] => {
  const measures = circuits.filter((id) => !failed.includes(id)).flatMap((id) => measureWired(job, id) ?? []);
  return sayUnsure(job, {
    unknownFill: [...new Set(measures.flatMap(({ unknownFill }) => unknownFill))],
    guessed: measures.reduce((sum, { guessed }) => sum + guessed, 0),
    rough: [...new Set(measures.flatMap(({ rough }) => rough))],
  });
};

/**
 * Wires these circuits as a master would choose, but for those that stand. Those whose boxes touch are planned together, the others stay as they are chosen. `onProgress`
 * gets what is planned after each part.
 */
export const planAll = (
  job: Job,
  circuits: readonly CircuitId[],
  {
    onProgress,
    mayGoOn = () => true,
  }: { onProgress?: (soFar: PlannedAll) => void; mayGoOn?: () => boolean } = {},
): PlannedAll => {
  let soFar: PlannedAll = { job, parts: [] };
  const standing = standingCircuits(job);
  const planned = circuits.filter((id) => !standing.has(id));
  for (const part of touchingCircuits(job, planned)) {
    if (!mayGoOn()) break;
    const { job: made, parts } = planPart(soFar.job, part, mayGoOn);
    const told = parts.map((one) => ({ ...one, unsure: unsureOf(made, one) }));
    soFar = { job: made, parts: [...soFar.parts, ...told] };
    onProgress?.(soFar);
  }
  return soFar;
};

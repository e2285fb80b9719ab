import type { BoxId, CircuitId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import { boxesOfCircuit } from '../../model/lookup.js';
import { lyingCables } from '../../model/lying.js';
import { product } from '../../model/permutations.js';
import { cablesFor } from '../../planning/carriers.js';
import { junctionsOf } from '../../search/orders.js';
import type { Brought, PricedApart } from '../../search/prices/weights.js';
import { withChoice } from '../withChoice.js';
import type { Alone } from './alone.js';
import { worthOf } from './worth.js';

/** Circuits planned together: their choices, what the job then comes to, and what it is not below. */
export interface Joint {
  choices: Choice[];
  worth: number;
  bound: number;
  proved: boolean;
}

/** Places of both circuits, and boxes that both come to, at most, to be proved together. */
const MOST_PLACES = 12;
const MOST_SHARED = 2;
/** Pairs of ways that are planned as whole jobs. */
const MOST_PAIRS = 400;

/** May they be proved together? What lies in a shared box, or may go by way of a junction box, is not told apart by what is brought. */
export const mayBeProved = (job: Job, circuits: readonly CircuitId[], shared: readonly BoxId[]): boolean =>
  circuits.length === 2 &&
  junctionsOf(job).length === 0 &&
  shared.length <= MOST_SHARED &&
  new Set(circuits.flatMap((id) => boxesOfCircuit(job, id).map((box) => `${id} ${box}`))).size <=
    MOST_PLACES &&
  lyingCables(job).every(({ between }) => between.every((place) => !shared.some((box) => box === place))) &&
  shared.every((id) => job.boxes.find((box) => box.id === id)?.work !== 'existing');

/** All that new cables of a circuit may bring to a box. */
const everyBrought = (job: Job, { circuit }: Alone): Brought[] => {
  const widths = cablesFor(job, circuit).map(({ insulated }) => insulated.length);
  const [narrow, wide] = [Math.min(...widths), Math.max(...widths)];
  // One to each of its other boxes, one from the panel, one of a return run.
  const most = boxesOfCircuit(job, circuit.id).length + 1;
  return Array.from({ length: most + 1 }, (_, cables) =>
    Array.from({ length: cables * (wide - narrow) + 1 }, (_none, more) => ({
      cables,
      insulated: cables * narrow + more,
    })),
  ).flat();
};

interface Entry {
  adds: number;
  choice: Choice;
}

/**
 * The ways of one circuit that may be a part of the best: the least for all that it may bring to the shared boxes. What it brings to one of them
 * alone bounds what it brings to both.
 */
const entriesOf = (
  job: Job,
  alone: Alone,
  shared: readonly BoxId[],
  under: number,
): { entries: Entry[]; proved: boolean } => {
  let proved = true;
  const least = (brought: PricedApart) => {
    const found = alone.bringing(brought, under);
    proved &&= found.proved;
    return found.choice === null ? null : { adds: found.adds, choice: found.choice };
  };
  const all = everyBrought(job, alone);
  const apart = (fixed: ReadonlyMap<BoxId, Brought>): PricedApart =>
    new Map(shared.map((box) => [box, fixed.get(box) ?? null]));
  const possible = shared.map((box) => all.filter((brought) => least(apart(new Map([[box, brought]])))));
  const entries = product(possible).flatMap((vector) => {
    const found = least(apart(new Map(shared.map((box, i) => [box, vector[i] as Brought]))));
    return found ? [found] : [];
  });
  return { entries, proved };
};

/**
 * The best of two circuits together. Of each the least way is worked out for all that it may bring to the boxes that both come to; with that given,
 * nothing of the one hangs on the other. Pairs are then planned as whole jobs, the least sum first, until no pair can be better.
 * `start` is what is known, `boxes` what the shared boxes come to at least.
 */
export const jointly = (
  bare: Job,
  pair: readonly [Alone, Alone],
  shared: readonly BoxId[],
  { before, boxes, start }: { before: number; boxes: number; start: Joint },
): Joint => {
  const [a, b] = pair;
  let best = start;
  const left = start.worth - before - boxes;
  const ours = entriesOf(bare, a, shared, left - b.least);
  const theirs = entriesOf(bare, b, shared, left - a.least);
  const pairs = ours.entries
    .flatMap((one) => theirs.entries.map((other) => ({ one, other, adds: one.adds + other.adds })))
    .filter(({ adds }) => adds < left)
    .sort((x, y) => x.adds - y.adds);
  let pairsBound = Infinity;
  for (const [at, { one, other, adds }] of pairs.entries()) {
    const least = before + boxes + adds;
    if (least >= best.worth) break;
    if (at >= MOST_PAIRS) {
      pairsBound = least;
      break;
    }
    const both = withChoice(withChoice(bare, a.circuit.id, one.choice), b.circuit.id, other.choice);
    const worth = worthOf(both, [a.circuit.id, b.circuit.id]);
    if (worth < best.worth) best = { ...best, worth, choices: [one.choice, other.choice] };
  }
  const bound = ours.proved && theirs.proved ? pairsBound : start.bound;
  return { ...best, bound: Math.min(best.worth, Math.max(start.bound, bound)), proved: bound >= best.worth };
};

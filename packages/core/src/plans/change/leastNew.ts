import { articlesToHave } from '../../model/articles.js';
import { existingDocument } from '../../model/existing.js';
import {
  PANEL,
  placeOfNode,
  type CableId,
  type Place,
  type SlotId,
  type TreePlace,
} from '../../model/ids.js';
import { isBetween, type Choice, type Circuit, type Job, type Slot } from '../../model/job.js';
import { findBox } from '../../model/lookup.js';
import { createMemo } from '../../model/memo.js';
import { ofId } from '../../model/records.js';
import { lyingCables } from '../../model/lying.js';
import { hasDevice } from '../../model/there.js';
import { cablesFor, existingOffered } from '../../planning/carriers.js';
import { toPlan } from '../../model/toPlan.js';
import { dualAscent } from '../../search/bounds/dualAscent.js';
import { newCosts } from '../../search/prices/runPrices.js';
import { leastCost } from '../../search/prices/weights.js';

/** Material and labour of a whole change are rounded, each to a ten-thousandth of a dollar. */
const ROUNDED = 2;

/** What a change comes to at least, ten-thousandths of a dollar, without planning it: its new cables, new devices, and the boxes that are surely opened. */
export interface LeastNew {
  /** By the runs of a choice; Infinity where one of them would have to be cut by a guess. */
  ofChoice: (choice: Choice) => number;
  /** By any runs that join these places, where these of the old cables are given up. */
  joining: (places: readonly TreePlace[], givenUp: readonly CableId[]) => number;
}

const sumOf = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0);

/** The least that a device for a slot costs: of its kind, or what goes with one of its kind at the other places of its group. */
const leastDevice = ({ stock }: Job, { role, article }: Slot): number => {
  const all = articlesToHave(stock, 'device');
  const ofRole = all.filter((one) => one.role === role);
  const may = all.filter(
    ({ id }) => id === article || ofRole.some((one) => one.id === id || one.companion === id),
  );
  return may.length > 0 ? Math.min(...may.map(({ price }) => price)) : 0;
};

/** What every way of a changed job takes: devices that are bought and fitted, with the boxes that come new for them; and the boxes where that is done. */
const takenAnyway = (
  before: Job,
  job: Job,
  replaced: readonly SlotId[],
): { cost: number; boxes: ReadonlySet<Place> } => {
  const { labour } = job;
  const fitted = job.slots.filter(
    ({ id }) =>
      replaced.includes(id) || (!hasDevice(job, id) && !before.slots.some((slot) => slot.id === id)),
  );
  const boxes = new Set<Place>(fitted.map(({ box }) => box));
  const set = [...boxes].flatMap((id) => {
    const work = findBox(before, id) ? undefined : findBox(job, id)?.work;
    return work === 'new' || work === 'old' ? [labour.box[work]] : [];
  });
  const minutes = fitted.length * labour.device + sumOf(set);
  return { cost: sumOf(fitted.map((slot) => leastDevice(job, slot))) + (minutes * labour.rate) / 60, boxes };
};

/** Bounds of the ways of a changed job, in which every switch may give way; `before` is the job in which its circuit stands. */
export const leastNewOf = (
  before: Job,
  bare: Job,
  circuit: Circuit,
  replaced: readonly SlotId[],
): LeastNew => {
  const job = toPlan(bare);
  const asked = { job, cables: cablesFor(job, circuit), weights: leastCost(job), mayGuess: false };
  const offered = existingOffered(job, circuit);
  const costs = createMemo<number>();
  const costOf = (from: Place, to: Place): number => {
    const [a, b] = from < to ? [from, to] : [to, from];
    return costs.get([a, b], () => Math.min(Infinity, ...newCosts(asked, a, b)));
  };
  const others: Place[] = [PANEL, ...job.boxes.map(({ id }) => id)];
  const anyway = takenAnyway(before, job, replaced);
  const certainty = existingDocument(job)?.certainty;
  /** Opening those that are there; a box that nobody has told of is opened only where a cable comes new. */
  const opening = (places: Iterable<Place>): number => {
    const opened = new Set<Place>([...anyway.boxes, ...places]);
    const there = [...opened].filter((place) =>
      [before, job].every((one) => findBox(one, place)?.work === 'existing'),
    );
    return (there.length * job.labour.box.existing * job.labour.rate) / 60;
  };
  /** Where the ends of old cables are taken out of boxes that are told of and that the circuit reaches as before. */
  const endsOf = (givenUp: readonly CableId[], reached: ReadonlySet<Place>): Place[] =>
    lyingCables(job)
      .filter(({ id }) => givenUp.includes(id))
      .flatMap(({ between }) => between)
      .filter((place) => reached.has(place) && ofId(certainty, place) !== undefined);
  const withAll = (cables: number, opened: Iterable<Place>): number =>
    Math.max(0, cables + anyway.cost + opening(opened) - ROUNDED);
  return {
    ofChoice: ({ runs, givenUp = [] }) => {
      const kept = offered.filter(({ id }) => !givenUp.includes(id));
      const pairs = runs.map((run): [Place, Place] => [placeOfNode(run.from), placeOfNode(run.to)]);
      const fresh = pairs.filter(([a, b]) => a !== b && !kept.some((cable) => isBetween(cable, a, b)));
      const left = endsOf(givenUp, new Set(pairs.flat()));
      return withAll(sumOf(fresh.map(([a, b]) => costOf(a, b))), [...fresh.flat(), ...left]);
    },
    joining: (places, given) => {
      const kept = offered.filter(({ id }) => !given.includes(id));
      const weights = others.map((a) =>
        Float64Array.from(others, (b) => {
          if (a === b) return Infinity;
          return kept.some((cable) => isBetween(cable, a, b)) ? 0 : costOf(a, b);
        }),
      );
      const needed = places.map((place) => others.indexOf(placeOfNode(place)));
      if (needed.includes(-1)) return Infinity;
      return withAll(dualAscent(weights, needed), endsOf(given, new Set(places.map(placeOfNode))));
    },
  };
};

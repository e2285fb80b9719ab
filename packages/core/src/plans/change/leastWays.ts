import { articleOf } from '../../model/articles.js';
import type { CableId, CircuitId, SlotId } from '../../model/ids.js';
import type { Choice, Job } from '../../model/job.js';
import { leastFirst, remembered, type Closed } from '../../model/leastFirst.js';
import { findCircuit } from '../../model/lookup.js';
import { lyingCables } from '../../model/lying.js';
import { createMemo } from '../../model/memo.js';
import { isBeyond } from '../../nec/strangeWire.js';
import { choiceThere } from '../../planning/choiceThere.js';
import { boxesJoinedToUnknown } from '../../planning/unknownCables.js';
import type { JobReview } from '../../review/reviewJob.js';
import { batchesFor, choiceKey, type Batch } from './choices.js';
import { withDevicesFreed } from './kinds.js';
import { leastNewOf } from './leastNew.js';
import { oneWay, type Way } from './oneWay.js';

/** What a change asks for on what is there, beside the job as it is wanted. */
export interface Asked {
  /** Devices that are bought, be they of the kind that is there. */
  replaced: readonly SlotId[];
  /** Switches that get the neutral whatever the code asks. */
  neutralAt: readonly SlotId[];
  /** Is what the inspection finds now to be mended? Then conductors may leave what they are on, and what was wrong before counts. */
  mending: boolean;
}

/** Why there is no way, where that is known. */
export type NoWay = 'leadsWhoKnows' | 'beyond' | 'notMended' | 'none';

/** A way with how it was had: the changed job that it is of, by number, and its choice. */
export interface Tried extends Way {
  variant: number;
  choice: Choice;
}

const costOf = ({ change }: Way): number => change.cost.cost;
const fewestOpened = (a: Way, b: Way): number => a.change.opened.length - b.change.opened.length;

export const byCost = (ways: readonly Tried[]): Tried[] =>
  [...ways].sort((a, b) => costOf(a) - costOf(b) || fewestOpened(a, b));

/** Every way that is tried to make a change, planned only as far as they are asked for. */
export interface WaysByCost {
  /** The cheapest first, all of them or those that do not give an old cable up. */
  ways: (keeping?: CableId) => Iterable<Tried>;
  /** Of what was gone through: are there more ways than were tried? */
  isPartial: () => boolean;
  /** Why there is none, once all were gone through. */
  whyNone: () => NoWay;
}

/** What of a changed job is tried, each choice planned once. */
interface Trying {
  batches: Batch[];
  least: (choice: Choice) => number;
  /** By the text of a choice (`choiceKey`). */
  wayBy: (key: string, choice: Choice) => Tried | null;
}

/** Batches and choices by what they come to at least. A choice that is in several batches gives its way once. */
const closedOf = ({ batches, least, wayBy }: Trying, keeping: CableId | undefined): Closed<Tried>[] => {
  const met = new Set<string>();
  const isAsked = (givenUp: readonly CableId[] = []) => keeping === undefined || !givenUp.includes(keeping);
  const opened = (choice: Choice): Closed<Tried>[] => {
    const key = choiceKey(choice);
    const bound = least(choice);
    if (met.has(key) || bound === Infinity || !isAsked(choice.givenUp)) return [];
    met.add(key);
    const open = () => {
      const value = wayBy(key, choice);
      return value ? [{ value }] : [];
    };
    return [{ least: bound, open }];
  };
  return batches
    .filter((batch) => batch.least < Infinity && isAsked(batch.givenUp))
    .map((batch) => ({ least: batch.least, open: () => [...batch.choices()].flatMap(opened) }));
};

/** The ways to make a change of a circuit that stands; one that parts what hangs on a cable of which nobody knows where it leads is none. */
export const waysByCost = (
  before: JobReview,
  /** The job as it is asked for, in each way in which it may be had. */
  changed: readonly Job[],
  circuit: CircuitId,
  { replaced, neutralAt, mending }: Asked,
): WaysByCost => {
  const { job: standing } = before;
  const there = choiceThere(standing, circuit);
  const strange = boxesJoinedToUnknown(standing);
  let leadsWhoKnows = false;
  let partial = false;
  const leaveOut = () => (partial = true);
  const variants = changed.flatMap((one, variant): Trying[] => {
    const bare = withDevicesFreed(one, circuit);
    const named = findCircuit(bare, circuit);
    if (!named) return [];
    const leastNew = leastNewOf(standing, bare, named, replaced);
    const [tried, met] = [createMemo<Tried | null>(), new Set<string>()];
    const made = (choice: Choice): Tried | null => {
      const way = oneWay(before, bare, choice, replaced, met);
      if (!way?.change.opened.some((box) => strange.has(box))) return way && { ...way, variant, choice };
      leadsWhoKnows = true;
      return null;
    };
    return [
      {
        batches: batchesFor(bare, named, there, { neutralAt, mending }, leastNew, leaveOut),
        least: leastNew.ofChoice,
        wayBy: (key, choice) => tried.get([key], () => made(choice)),
      },
    ];
  });
  const inOrder = (keeping?: CableId) =>
    leastFirst(
      variants.flatMap((one) => closedOf(one, keeping)),
      costOf,
      fewestOpened,
    );
  const all = remembered(inOrder());
  const isBeyondUs = () =>
    lyingCables(standing).some(
      (cable) => cable.circuit === circuit && isBeyond(articleOf(standing.stock, 'cable', cable.article)),
    );
  return {
    ways: (keeping) => (keeping === undefined ? all : inOrder(keeping)),
    isPartial: () => partial,
    whyNone: () => (leadsWhoKnows ? 'leadsWhoKnows' : isBeyondUs() ? 'beyond' : 'none'),
  };
};

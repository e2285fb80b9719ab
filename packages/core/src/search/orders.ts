import { PANEL, type BoxId, type GroupId, type SlotId } from '../model/ids.js';
import { runFactOf, type Circuit, type Feed, type Group, type Job } from '../model/job.js';
import { neutralRequirement } from '../code/neutralRequirement.js';
import { createFitter, type Fitting } from '../planning/devices.js';
import type { Order } from './problem.js';

/** What the user has fixed, beside the facts of runs that the job holds. */
export interface Constraints {
  /** The feed to use; null for any of the circuit's. */
  feed: Feed['id'] | null;
  /** Order of the switches of a group, line end first. */
  chains: Record<GroupId, SlotId[]>;
  /** Switches that get a neutral whatever the code asks. */
  neutralAt: SlotId[];
  /** Let the switch leg come back to the luminaire box that power enters? */
  returnRuns: boolean;
}

export const NO_CONSTRAINTS: Constraints = { feed: null, chains: {}, neutralAt: [], returnRuns: true };

const permutations = <T>(items: readonly T[]): T[][] =>
  items.length <= 1
    ? [[...items]]
    : items.flatMap((first, i) =>
        permutations(items.filter((_, k) => k !== i)).map((rest) => [first, ...rest]),
      );

/** Every way to pick one of each list. */
const product = <T>(lists: readonly (readonly T[])[]): T[][] =>
  lists.reduce<T[][]>((all, list) => all.flatMap((one) => list.map((item) => [...one, item])), [[]]);

/** The switched groups of a circuit with their switches. */
export const switchedGroups = (job: Job, circuit: Circuit): { group: Group; slots: SlotId[] }[] =>
  job.groups
    .filter((group) => group.circuit === circuit.id && group.control === 'switched')
    .map((group) => ({
      group,
      slots: job.slots
        .filter((slot) => slot.group === group.id && slot.role !== 'receptacle')
        .map((slot) => slot.id),
    }));

/** Boxes that the circuit has to reach. */
export const boxesOf = (job: Job, circuit: Circuit): BoxId[] => {
  const groups = new Set<string>(
    job.groups.filter((group) => group.circuit === circuit.id).map((group) => group.id),
  );
  return [
    ...new Set(
      [...job.slots, ...job.luminaires].filter((one) => groups.has(one.group)).map((one) => one.box),
    ),
  ];
};

/** Boxes that hold nothing and feed nothing: a tree may go through them or leave them out. */
export const junctionsOf = (job: Job): BoxId[] => {
  const taken = new Set<string>([
    ...[...job.slots, ...job.luminaires].map((one) => one.box),
    ...job.feeds.map((feed) => feed.at),
  ]);
  return job.boxes
    .filter((box) => !taken.has(box.id) && box.work !== 'beyond' && box.work !== 'existing')
    .map((box) => box.id);
};

/**
 * The switches that get a neutral in every case, and the groups of which any one is enough. Which one that is stays open:
 * most trees bring a neutral to one of them anyway.
 */
const neutralsOf = (
  job: Job,
  groups: readonly { group: Group; slots: SlotId[] }[],
  wanted: readonly SlotId[],
) => {
  const certain = [...wanted];
  const oneOf: SlotId[][] = [];
  for (const { group, slots } of groups) {
    const { need, slots: asked } = neutralRequirement(job, group);
    if (job.preferences.neutral === 'everySwitch') certain.push(...slots);
    else if (need === 'each') certain.push(...asked);
    else if (need === 'one' && !asked.some((slot) => wanted.includes(slot))) oneOf.push(asked);
  }
  return { certain: [...new Set(certain)], oneOf };
};

/** An order with the devices that it takes, and the boxes of its nodes. */
export interface OrderCase {
  order: Order;
  fittings: Fitting[];
  boxes: BoxId[];
  /** Of each of these, one switch at least has to get a neutral; `order` has none of them yet. */
  oneOf: SlotId[][];
}

/** The same order with every way to settle which switches get a neutral. */
export const withNeutrals = (one: OrderCase): OrderCase[] =>
  product(one.oneOf).map((more) => ({
    ...one,
    order: { ...one.order, neutralAt: [...one.order.neutralAt, ...more] },
    oneOf: [],
  }));

/**
 * May the switch leg come back to this luminaire box by a run of its own? Power has to enter there. Where an existing cable
 * leads into the box it is not tried: which of the two places the cable belongs to would be open.
 */
const mayReturn = (job: Job, feed: Feed, box: BoxId): boolean =>
  (feed.at === PANEL || feed.at === box) &&
  !job.existingCables.some(({ between }) => between.includes(box) && !between.includes(PANEL));

/** Boxes from which a forced run leads to a box: one of these runs may end at its far place. */
const forcedTo = (job: Job, boxes: readonly BoxId[], box: BoxId | null): BoxId[] =>
  box === null ? [] : boxes.filter((other) => other !== box && runFactOf(job, box, other)?.rule === 'forced');

/** Every order of a circuit whose devices the stock has: chains, neutrals, feeds, return runs. */
export const ordersOf = (job: Job, circuit: Circuit, constraints: Constraints): OrderCase[] => {
  const groups = switchedGroups(job, circuit);
  const fit = createFitter(job, circuit);
  const chainings = product(
    groups.map(({ group, slots }) =>
      (constraints.chains[group.id] ? [constraints.chains[group.id] ?? []] : permutations(slots)).map(
        (chain) => [group.id, chain] as const,
      ),
    ),
  ).map((pairs) => Object.fromEntries(pairs) as Record<GroupId, SlotId[]>);
  const feeds = job.feeds.filter(
    (feed) => feed.circuit === circuit.id && (constraints.feed === null || feed.id === constraints.feed),
  );
  const needed = boxesOf(job, circuit);
  const switched = new Set<string>(groups.map(({ group }) => group.id));
  const lit = [...new Set(job.luminaires.filter((one) => switched.has(one.group)).map((one) => one.box))];
  const { certain, oneOf } = neutralsOf(job, groups, constraints.neutralAt);
  return chainings.flatMap((chains) => {
    const fittings = fit(chains);
    if (fittings.some((one) => one.article === null || one.misfit !== null)) return [];
    return feeds.flatMap((feed) => {
      const atFeed = feed.at === PANEL ? [] : [feed.at];
      const returns: (BoxId | null)[] = [
        null,
        ...(constraints.returnRuns ? lit.filter((box) => mayReturn(job, feed, box)) : []),
      ];
      const boxes = [...new Set([...needed, ...atFeed, ...junctionsOf(job)])];
      return returns.flatMap((returnAt) =>
        [null, ...forcedTo(job, boxes, returnAt)].map((forcedFar): OrderCase => ({
          order: { chains, neutralAt: certain, feed, returnAt, forcedFar },
          fittings,
          boxes,
          oneOf,
        })),
      );
    });
  });
};

import { PANEL, type BoxId, type GroupId, type SlotId } from '../model/ids.js';
import { runFactOf, type Box, type Circuit, type Feed, type Group, type Job } from '../model/job.js';
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

/** Boxes that hold nothing and feed nothing. */
export const emptyBoxes = (job: Job): Box[] => {
  const taken = new Set<string>([
    ...[...job.slots, ...job.luminaires].map((one) => one.box),
    ...job.feeds.map((feed) => feed.at),
  ]);
  return job.boxes.filter((box) => !taken.has(box.id) && box.work !== 'beyond');
};

/** Of these, the new ones: a tree may go through them or leave them out. */
export const junctionsOf = (job: Job): BoxId[] =>
  emptyBoxes(job)
    .filter((box) => box.work !== 'existing')
    .map((box) => box.id);

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
    order: { ...one.order, neutralAt: [...one.order.neutralAt, ...more], neutralOpen: false },
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

/** What may be chosen of the order of a circuit, each thing by itself. */
export interface OrderSpace {
  groups: { group: Group; slots: SlotId[] }[];
  /** A chain for each group to start from, and the groups of which it is given. */
  chains: { first: Record<GroupId, SlotId[]>; fixed: ReadonlySet<GroupId> };
  feeds: Feed[];
  neutralAt: SlotId[];
  oneOf: SlotId[][];
  /** Boxes that the circuit has to reach from a feed, and those that it may go through. */
  boxesFor: (feed: Feed) => BoxId[];
  /** Luminaire boxes to which the switch leg may come back. */
  returnsFor: (feed: Feed) => BoxId[];
  fit: ReturnType<typeof createFitter>;
  /** How many orders there are; a group of more than ten switches counts as ten. */
  count: number;
}

const factorial = (count: number): number => (count < 2 ? 1 : count * factorial(count - 1));

export const orderSpaceOf = (job: Job, circuit: Circuit, constraints: Constraints): OrderSpace => {
  const groups = switchedGroups(job, circuit);
  const fixed = new Set(Object.keys(constraints.chains) as GroupId[]);
  const first = Object.fromEntries(
    groups.map(({ group, slots }) => [group.id, constraints.chains[group.id] ?? slots]),
  ) as Record<GroupId, SlotId[]>;
  const feeds = job.feeds.filter(
    (feed) => feed.circuit === circuit.id && (constraints.feed === null || feed.id === constraints.feed),
  );
  const needed = boxesOf(job, circuit);
  const switched = new Set<string>(groups.map(({ group }) => group.id));
  const lit = [...new Set(job.luminaires.filter((one) => switched.has(one.group)).map((one) => one.box))];
  const { certain, oneOf } = neutralsOf(job, groups, constraints.neutralAt);
  const returnsFor = (feed: Feed) =>
    constraints.returnRuns ? lit.filter((box) => mayReturn(job, feed, box)) : [];
  const chainings = groups.reduce(
    (product, { group, slots }) =>
      product * (fixed.has(group.id) ? 1 : factorial(Math.min(10, slots.length))),
    1,
  );
  return {
    groups,
    chains: { first, fixed },
    feeds,
    neutralAt: certain,
    oneOf,
    boxesFor: (feed) => [
      ...new Set([...needed, ...(feed.at === PANEL ? [] : [feed.at]), ...junctionsOf(job)]),
    ],
    returnsFor,
    fit: createFitter(job, circuit),
    count: chainings * feeds.reduce((sum, feed) => sum + 1 + returnsFor(feed).length, 0),
  };
};

/** Every order of a circuit whose devices the stock has: chains, neutrals, feeds, return runs. */
export const ordersOf = (job: Job, space: OrderSpace): OrderCase[] => {
  const {
    groups,
    chains: { first, fixed },
  } = space;
  const chainings = product(
    groups.map(({ group, slots }) =>
      (fixed.has(group.id) ? [first[group.id] ?? []] : permutations(slots)).map(
        (chain) => [group.id, chain] as const,
      ),
    ),
  ).map((pairs) => Object.fromEntries(pairs) as Record<GroupId, SlotId[]>);
  return chainings.flatMap((chains) => {
    const fittings = space.fit(chains);
    if (fittings.some((one) => one.article === null || one.misfit !== null)) return [];
    return space.feeds.flatMap((feed) => {
      const boxes = space.boxesFor(feed);
      return [null, ...space.returnsFor(feed)].flatMap((returnAt) =>
        [null, ...forcedTo(job, boxes, returnAt)].map((forcedFar): OrderCase => ({
          order: {
            ...{ chains, neutralAt: space.neutralAt, feed, returnAt, forcedFar },
            neutralOpen: space.oneOf.length > 0,
          },
          fittings,
          boxes,
          oneOf: space.oneOf,
        })),
      );
    });
  });
};

/** Boxes that power may enter: those of the feeds, or any to which a home run may lead; a forced one decides. */
export const entriesOf = (job: Job, { feeds, boxesFor }: OrderSpace): BoxId[] => {
  const homes = job.runFacts.flatMap(({ rule, between: [a, b] }) =>
    rule === 'forced' && (a === PANEL || b === PANEL) ? [a === PANEL ? b : a] : [],
  );
  const atBoxes = feeds.flatMap((feed) => (feed.at === PANEL ? [] : [feed.at]));
  const byHomeRun = [...new Set(feeds.flatMap((feed) => (feed.at === PANEL ? boxesFor(feed) : [])))];
  const forced = byHomeRun.filter((box) => homes.includes(box));
  return [...new Set([...atBoxes, ...(forced.length > 0 ? forced : byHomeRun)])];
};

import { PANEL, type BoxId, type GroupId, type SlotId } from '../model/ids.js';
import type { Circuit, Feed, Group, Job } from '../model/job.js';
import { neutralRequirement } from '../code/neutralRequirement.js';
import { createFitter, type Fitting } from '../planning/devices.js';
import type { Order } from './problem.js';

/** What the user has fixed, beside the facts of runs that the job holds. */
export interface Constraints {
  /** The feed to use; null for any of the circuit's. */
  feed: Feed['id'] | null;
  /** The box that a home run must lead to; null for any. */
  entry: BoxId | null;
  /** Order of the switches of a group, line end first. */
  chains: Record<GroupId, SlotId[]>;
  /** Let the switch leg come back to the luminaire box that power enters? */
  returnRuns: boolean;
}

export const NO_CONSTRAINTS: Constraints = { feed: null, entry: null, chains: {}, returnRuns: true };

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

/** The switches that get a neutral: all that the edition or the job asks for, and where one will do each in turn. */
const neutralOptions = (job: Job, groups: readonly { group: Group; slots: SlotId[] }[]): SlotId[][] =>
  product(
    groups.map(({ group, slots }): SlotId[][] => {
      if (job.preferences.neutral === 'everySwitch') return [slots];
      const requirement = neutralRequirement(job, group);
      if (requirement.need === 'none') return [[]];
      return requirement.need === 'each' ? [requirement.slots] : requirement.slots.map((one) => [one]);
    }),
  ).map((lists) => [...new Set(lists.flat())]);

/** An order with the devices that it takes, and the boxes of its nodes. */
export interface OrderCase {
  order: Order;
  fittings: Fitting[];
  boxes: BoxId[];
}

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
  const neutrals = neutralOptions(job, groups);
  return chainings.flatMap((chains) => {
    const fittings = fit(chains);
    if (fittings.some((one) => one.article === null || one.misfit !== null)) return [];
    return feeds.flatMap((feed) => {
      const atFeed = feed.at === PANEL ? [] : [feed.at];
      const returns: (BoxId | null)[] = [
        null,
        ...(constraints.returnRuns ? lit.filter((box) => feed.at === PANEL || feed.at === box) : []),
      ];
      const boxes = [...new Set([...needed, ...atFeed, ...junctionsOf(job)])];
      return returns.flatMap((returnAt) =>
        neutrals.map((neutralAt): OrderCase => ({
          order: { chains, neutralAt, feed, returnAt },
          fittings,
          boxes,
        })),
      );
    });
  });
};

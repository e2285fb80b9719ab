import { boxesOfCircuit, switchedGroupsOf, switchesOfGroup } from '../model/lookup.js';
import { ofId } from '../model/records.js';
import { PANEL, placeOfNode, returnPlaceOf, type BoxId, type GroupId, type SlotId } from '../model/ids.js';
import { isBetween, type Box, type Circuit, type Feed, type Group, type Job } from '../model/job.js';
import { isFedByAnother } from '../planning/carriers.js';
import { neutralsAsked } from '../planning/neutralsAsked.js';
import { createFitter, type Fitting } from '../planning/devices.js';
import type { ApartNode } from '../planning/nets.js';
import { createMemo } from '../model/memo.js';
import { permutations, product } from '../model/permutations.js';
import { forcedAtNodes, lyingAtNodes, MOST_WAYS_LYING } from './atNodes.js';
import { apartsOf, MOST_APART, waysApart } from './nodes.js';
import type { Order } from './problem.js';

/** What the user has fixed, beside the facts of runs that the job holds. */
export interface Constraints {
  /** The feed to use; null for any of the circuit's. */
  feed: Feed['id'] | null;
  /** Order of the switches of a group, line end first. */
  chains: Record<GroupId, SlotId[]>;
  /** Switches that get a neutral whatever the code asks. */
  neutralAt: SlotId[];
  /** Beside these, those that the code asks for today; or none, as old work may stand. */
  neutrals: 'asAsked' | 'none';
  /** Let the switch leg come back to the luminaire box that power enters? */
  returnRuns: boolean;
}

export const NO_CONSTRAINTS: Constraints = {
  feed: null,
  chains: {},
  neutralAt: [],
  neutrals: 'asAsked',
  returnRuns: true,
};

/** More orders than these are not gone through one by one. */
export const MOST_ORDERS = 20_000;

/** Beyond so many nodes the tables of the exact search are too large. */
export const MOST_NODES = 18;

/** The switched groups of a circuit with their switches. */
export const switchedGroups = (job: Job, circuit: Circuit): { group: Group; slots: SlotId[] }[] =>
  switchedGroupsOf(job, circuit.id).map((group) => ({
    group,
    slots: switchesOfGroup(job, group.id).map((slot) => slot.id),
  }));

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
  { neutralAt: wanted, neutrals }: Constraints,
) => {
  const certain = [...wanted];
  const oneOf: SlotId[][] = [];
  if (neutrals === 'none') return { certain, oneOf };
  for (const { group } of groups) {
    const asked = neutralsAsked(job, group);
    certain.push(...asked.certain);
    if (asked.oneOf.length > 0 && !asked.oneOf.some((slot) => wanted.includes(slot))) oneOf.push(asked.oneOf);
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

/** May the switch leg come back to this luminaire box by a run of its own? Power has to enter there. */
const mayReturn = (feed: Feed, box: BoxId): boolean => feed.at === PANEL || feed.at === box;

/** Which nodes the boxes of an order are, and which of them have the runs that are forced and the cables that lie there. */
type AtNodes = Pick<Order, 'apart' | 'returnAt' | 'forcedAt' | 'lyingAt'>;

/** Every way for the nodes to be with power by one feed, and the boxes of those that are too many to be tried. */
const atNodesOf = (
  job: Job,
  circuit: Circuit,
  boxes: readonly BoxId[],
  aparts: readonly ApartNode[][],
  returns: readonly BoxId[],
  /** So many ways at most for what lies there to lead to nodes. */
  mostLying: number,
): { ways: AtNodes[]; barred: { apart: BoxId[]; returns: BoxId[] } } => {
  const barred = { apart: [] as BoxId[], returns: [] as BoxId[] };
  const ways = aparts.flatMap((apart) => {
    const inAll = (returnAt: BoxId | null): AtNodes[] => {
      const far = returnAt === null ? [] : [{ box: returnAt, node: returnPlaceOf(returnAt) }];
      const others = [...apart, ...far];
      const lying = lyingAtNodes(job, circuit, boxes, others, mostLying);
      if (lying === null) {
        if (returnAt === null) barred.apart.push(...apart.map(({ box }) => box));
        else barred.returns.push(returnAt);
      }
      return forcedAtNodes(job, boxes, others).flatMap((forcedAt) =>
        (lying ?? []).map((lyingAt) => ({ apart, returnAt, forcedAt, lyingAt })),
      );
    };
    // Beside as many boxes parted as are held at once no return run is tried, which would part one more.
    if (isFull(apart) && returns.length > 0) barred.apart.push(...apart.map(({ box }) => box));
    const free = isFull(apart) ? [] : returns.filter((box) => !apart.some((one) => one.box === box));
    return [null, ...free].flatMap(inAll);
  });
  return { ways, barred };
};

/** What may be chosen of the order of a circuit, each thing by itself. */
export interface OrderSpace {
  groups: { group: Group; slots: SlotId[] }[];
  /** A chain for each group to start from, and the groups of which it is given. */
  chains: { first: Record<GroupId, SlotId[]>; fixed: ReadonlySet<GroupId> };
  /** Boxes at which power is demanded to enter; none where it may enter anywhere. */
  demanded: BoxId[];
  feeds: Feed[];
  neutralAt: SlotId[];
  oneOf: SlotId[][];
  /** Boxes that the circuit has to reach from a feed, and those that it may go through. */
  boxesFor: (feed: Feed) => BoxId[];
  /** How groups may stay apart in boxes, all together first; return runs; and which nodes have what is forced or lies there. */
  atNodes: (feed: Feed) => readonly AtNodes[];
  /** The same for the groups of one box. */
  apartAt: (feed: Feed, box: BoxId) => ApartNode[][];
  /** Boxes in which they could stay apart in more ways than are tried. */
  barredApart: BoxId[];
  /** Luminaire boxes to which the switch leg may come back. */
  returnsFor: (feed: Feed) => BoxId[];
  /** Those to which it could if fewer cables lay there. */
  barredReturns: BoxId[];
  fit: ReturnType<typeof createFitter>;
  /** How many orders there are; a group of more than ten switches counts as ten. */
  count: number;
}

/**
 * Boxes at which power is demanded to enter: those to which a home run is forced that no other circuit takes. A feed that is
 * there meets the demand as a home run does.
 */
export const demandedEntries = (job: Job, circuit: Circuit): BoxId[] => {
  const mine = new Set<string>([
    ...boxesOfCircuit(job, circuit.id),
    ...junctionsOf(job),
    ...job.feeds.filter((feed) => feed.circuit === circuit.id).map((feed) => feed.at),
  ]);
  return job.runFacts.flatMap(({ rule, between }) => {
    const [a, b] = between;
    const box = a === PANEL ? b : b === PANEL ? a : PANEL;
    if (rule !== 'forced' || box === PANEL || !mine.has(box)) return [];
    const elsewhere = job.choices.some(
      (one) =>
        one.circuit !== circuit.id &&
        one.runs.some(({ from, to }) => isBetween({ between }, placeOfNode(from), placeOfNode(to))),
    );
    return elsewhere ? [] : [box];
  });
};

const isFull = (apart: readonly ApartNode[]): boolean =>
  new Set(apart.map(({ box }) => box)).size >= MOST_APART;

const factorial = (count: number): number => (count < 2 ? 1 : count * factorial(count - 1));

export const orderSpaceOf = (job: Job, circuit: Circuit, constraints: Constraints): OrderSpace => {
  const groups = switchedGroups(job, circuit);
  const fixed = new Set(Object.keys(constraints.chains) as GroupId[]);
  const first = Object.fromEntries(
    groups.map(({ group, slots }) => [group.id, ofId(constraints.chains, group.id) ?? slots]),
  ) as Record<GroupId, SlotId[]>;
  const needed = boxesOfCircuit(job, circuit.id);
  const within = new Set<BoxId>([...needed, ...junctionsOf(job)]);
  const demanded = demandedEntries(job, circuit);
  const feeds = job.feeds.filter(
    (feed) =>
      (demanded.length === 0 ||
        demanded.some((box) => (feed.at === PANEL ? within.has(box) : box === feed.at))) &&
      feed.circuit === circuit.id &&
      !isFedByAnother(job, feed) &&
      (constraints.feed === null || feed.id === constraints.feed),
  );
  const switched = new Set<string>(groups.map(({ group }) => group.id));
  const lit = [...new Set(job.luminaires.filter((one) => switched.has(one.group)).map((one) => one.box))];
  const { certain, oneOf } = neutralsOf(job, groups, constraints);
  const returnsFor = (feed: Feed) =>
    constraints.returnRuns ? lit.filter((box) => mayReturn(feed, box)) : [];
  const boxesFor = (feed: Feed): BoxId[] => [
    ...new Set([...needed, ...(feed.at === PANEL ? [] : [feed.at]), ...junctionsOf(job)]),
  ];
  const chainings = groups.reduce(
    (product, { group, slots }) =>
      product * (fixed.has(group.id) ? 1 : factorial(Math.min(10, slots.length))),
    1,
  );
  const nodesWith = (mostLying: number) =>
    new Map(
      feeds.map((feed) => {
        const boxes = boxesFor(feed);
        const { ways: aparts, barred } = waysApart(job, circuit, feed, needed, MOST_NODES - boxes.length - 1);
        const { ways, barred: more } = atNodesOf(job, circuit, boxes, aparts, returnsFor(feed), mostLying);
        return [
          feed.id,
          { ways, barred: { apart: [...barred, ...more.apart], returns: more.returns } },
        ] as const;
      }),
    );
  const countOf = (made: ReturnType<typeof nodesWith>): number =>
    chainings * [...made.values()].reduce((sum, { ways }) => sum + ways.length, 0);
  const all = nodesWith(MOST_WAYS_LYING);
  // Rather than that nothing is proved, what lies at boxes of several nodes is left out, and told.
  const fewer = countOf(all) > MOST_ORDERS ? nodesWith(1) : all;
  const nodes = countOf(fewer) > MOST_ORDERS ? all : fewer;
  const barredIn = (what: 'apart' | 'returns'): BoxId[] => [
    ...new Set([...nodes.values()].flatMap(({ barred }) => barred[what])),
  ];
  const apartOf = createMemo<ApartNode[][]>();
  const atNodes = (feed: Feed) => nodes.get(feed.id)?.ways ?? [];
  return {
    groups,
    chains: { first, fixed },
    demanded,
    feeds,
    neutralAt: certain,
    oneOf,
    boxesFor,
    atNodes,
    apartAt: (feed, box) => apartOf.get([feed.id, box], () => apartsOf(job, circuit, feed, box)),
    barredApart: barredIn('apart'),
    returnsFor,
    barredReturns: barredIn('returns'),
    fit: createFitter(job, circuit),
    count: countOf(nodes),
  };
};

/** Every order of a circuit whose devices the stock has: chains, neutrals, feeds, return runs. */
export const ordersOf = (space: OrderSpace): OrderCase[] => {
  const {
    groups,
    chains: { first, fixed },
  } = space;
  const chainings = product(
    groups.map(({ group, slots }) =>
      (fixed.has(group.id) ? [ofId(first, group.id) ?? []] : permutations(slots)).map(
        (chain) => [group.id, chain] as const,
      ),
    ),
  ).map((pairs) => Object.fromEntries(pairs) as Record<GroupId, SlotId[]>);
  return chainings.flatMap((chains) => {
    const fittings = space.fit(chains);
    if (fittings.some((one) => one.article === null || one.misfit !== null)) return [];
    return space.feeds.flatMap((feed) => {
      const boxes = space.boxesFor(feed);
      return space.atNodes(feed).map((nodes): OrderCase => ({
        order: {
          ...{ chains, neutralAt: space.neutralAt, feed, ...nodes },
          neutralOpen: space.oneOf.length > 0,
        },
        fittings,
        boxes,
        oneOf: space.oneOf,
      }));
    });
  });
};

/** Boxes that power may enter: those of the feeds, or any to which a home run may lead; a forced one decides. */
export const entriesOf = ({ demanded, feeds, boxesFor }: OrderSpace): BoxId[] => {
  const atBoxes = feeds.flatMap((feed) => (feed.at === PANEL ? [] : [feed.at]));
  const byHomeRun = [...new Set(feeds.flatMap((feed) => (feed.at === PANEL ? boxesFor(feed) : [])))];
  const forced = byHomeRun.filter((box) => demanded.includes(box));
  return [...new Set([...atBoxes, ...(forced.length > 0 ? forced : byHomeRun)])];
};

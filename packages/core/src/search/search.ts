import { PANEL, placeOfNode, type BoxId } from '../model/ids.js';
import type { Choice, Circuit, Job } from '../model/job.js';
import type { PricedApart, Room, Weights } from './prices/weights.js';
import { OUT, TOP } from './tree.js';
import { exactSearch } from './exact/branchAndBound.js';
import type { Found, Search } from './found.js';
import { toPlan } from '../model/toPlan.js';
import { largeBound, longBound } from './bounds/largeBound.js';
import { searchLarge, STEPS_OF_A_TREE } from './descent/largeSearch.js';
import { MOST_CLASSES } from './prices/loadCodes.js';
import { notTriedBy, ofWhatIsTried } from './notTried.js';
import {
  entriesOf,
  MOST_NODES,
  MOST_ORDERS,
  orderSpaceOf,
  type Constraints,
  type OrderSpace,
} from './orders.js';
import { priceTablesOf, type PriceTables } from './prices/priceTables.js';

export interface SearchOptions {
  weights: Weights;
  constraints: Constraints;
  room?: Room | undefined;
  pricedApart?: PricedApart | undefined;
  /** May a run be taken whose length is a guess? Nobody buys a cable for old work by one. */
  mayGuess?: boolean;
  /** From so many places on the exact search takes pains beforehand; what is found does not hang on it. */
  effortFrom?: number | undefined;
}

/** Is every order and tree of a circuit within the reach of the exact search? */
const isExact = ({ groups, feeds, boxesFor, returnsFor, count }: OrderSpace): boolean => {
  const switches = groups.reduce((sum, { slots }) => sum + slots.length, 0);
  // Hot, neutral, and of each group its travelers and its switch leg: one for each switch.
  const classes = 2 + switches;
  const places = Math.max(
    0,
    ...feeds.map((feed) => boxesFor(feed).length + (returnsFor(feed).length > 0 ? 1 : 0)),
  );
  return count <= MOST_ORDERS && classes <= MOST_CLASSES && places <= MOST_NODES;
};

/** Best found without proof, with a bound. */
const largeSearch = (tables: PriceTables, space: OrderSpace): Search => {
  const entries = entriesOf(space);
  const notTried = ofWhatIsTried(notTriedBy(tables, space));
  return {
    entries,
    least: ({ entry = null, mostSteps, under = Infinity, seeds, onBetter, mayGoOn = () => true }) => {
      const mayEnter = (box: string) =>
        entries.some((one) => one === box) && (entry === null || box === entry);
      const most = mostSteps / STEPS_OF_A_TREE;
      const better = (found: Found) => onBetter?.(found);
      const { best, steps } = searchLarge(tables, space, mayEnter, most, mayGoOn, better, seeds);
      const found = best && best.weight < under ? best : null;
      const bound = Math.min(largeBound(tables, space), best?.weight ?? Infinity, under);
      return { best: found, bound, proved: false, notTried, steps };
    },
  };
};

/** A round of the bound of a circuit of twenty places takes as long as so many steps of the exact search. */
const STEPS_OF_A_ROUND = 16_000;

/** The search of a circuit under one weighing. */
export const createSearch = (asked: Job, circuit: Circuit, options: SearchOptions): Search => {
  const { weights, constraints, room, mayGuess, pricedApart, effortFrom } = options;
  const tables = priceTablesOf(toPlan(asked), circuit, weights, room, mayGuess, pricedApart);
  const search = searchBy(tables, constraints, effortFrom);
  return room?.asked === undefined ? search : keepingRoom(search, room.asked);
};

/** The search by price tables that are there: what was worked out in them for other constraints holds for these too. */
export const searchBy = (tables: PriceTables, constraints: Constraints, effortFrom?: number): Search => {
  const space = orderSpaceOf(tables.job, tables.circuit, constraints);
  return thorough(
    tables,
    space,
    isExact(space) ? exactSearch(tables, space, effortFrom) : largeSearch(tables, space),
  );
};

/** Where nothing is proved, and it is asked for, the bound is worked out at length. */
const thorough = (tables: PriceTables, space: OrderSpace, search: Search): Search => ({
  ...search,
  least: (limits) => {
    const result = search.least(limits);
    const best = Math.min(result.best?.weight ?? Infinity, limits.under ?? Infinity);
    if (!limits.thorough || result.proved || result.bound >= best || best === Infinity) return result;
    const bound = longBound(tables, space, best, Math.round(limits.mostSteps / STEPS_OF_A_ROUND));
    return { ...result, bound: Math.max(result.bound, Math.min(best, bound)) };
  },
});

/** What is found says how much room its boxes are to keep free, as that is not what the job asks for. */
const keepingRoom = (search: Search, room: number): Search => ({
  ...search,
  least: ({ onBetter, ...limits }) => {
    const said = (found: Found): Found => ({ ...found, room });
    const result = search.least({
      ...limits,
      onBetter: onBetter && ((found) => onBetter(said(found))),
    });
    return { ...result, best: result.best && said(result.best) };
  },
});

/** The way a circuit is cabled, as the job keeps it. */
export const choiceOf = ({ settled, tree, room }: Found): Choice => {
  const { nodes, scope, feed, arrangement, lyingAt } = settled;
  const runs = nodes.flatMap((to, i) => {
    const parent = tree.parents[i] ?? OUT;
    if (parent === OUT || (parent === TOP && settled.root !== null)) return [];
    const from = parent === TOP ? PANEL : nodes[parent];
    if (from === undefined) return [];
    const by = lyingAt.find(({ between }) => between.includes(to) && between.some((node) => node === from));
    return [{ from, to, ...(by ? { by: by.cable } : {}) }];
  });
  const apart = scope.apart.flatMap(({ box, groups }) =>
    groups === null ? [] : [{ box, groups: [...groups] }],
  );
  return {
    circuit: scope.circuit,
    feed: feed.id,
    runs,
    chains: arrangement.chains,
    neutralAt: arrangement.neutralAt,
    ...(apart.length > 0 ? { apart } : {}),
    ...(room === undefined ? {} : { room }),
  };
};

/** The box that power enters. */
export const entryOf = ({ settled, tree }: Found): BoxId | null => {
  const top = tree.parents.indexOf(TOP);
  const node = settled.nodes[top];
  return node === undefined ? null : (placeOfNode(node) as BoxId);
};

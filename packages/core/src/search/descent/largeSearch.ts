import { PANEL, placeOfNode, type BoxId, type GroupId, type SlotId } from '../../model/ids.js';
import { permutations } from '../../model/permutations.js';
import { adjacency, descend, firstTree, kicked, nearestOf, pickerOf, rooted } from './localSearch.js';
import { OUT, type Tree } from '../tree.js';
import type { Found } from '../found.js';
import type { PriceTables } from '../prices/priceTables.js';
import { settle, type Order } from '../problem.js';
import { FORCED } from '../prices/runPrices.js';
import { largeProblem, MOST_CLASSES_LARGE, type LargeProblem } from './largeProblem.js';
import type { OrderSpace } from '../orders.js';
import { MOST_APART } from '../nodes.js';
import { carriedOver } from './joining.js';
import { atOtherNodes, otherLying } from './nodeOrders.js';
import { orderOfFound } from './seeds.js';

/** Every order of a few things; beyond four, every swap of two. */
const reorders = <T>(items: readonly T[]): T[][] => {
  if (items.length > 4)
    return items.flatMap((_, a) =>
      items.slice(a + 1).map((__, i) => {
        const b = a + 1 + i;
        return items.map((one, at) => (at === a ? (items[b] as T) : at === b ? (items[a] as T) : one));
      }),
    );
  return permutations(items);
};

const boxesApart = ({ apart }: Order): number => new Set(apart.map(({ box }) => box)).size;

/** Which groups stay apart in a box, as text. */
const sayApart = (apart: Order['apart'], box?: BoxId): string =>
  apart
    .filter((one) => box === undefined || one.box === box)
    .map(({ node, groups }) => `${node}=${groups?.join('+')}`)
    .join(' ');

/** Where the search stands: the order, the node that power enters, the tree. */
interface Stand {
  order: Order;
  problem: LargeProblem;
  tree: Tree;
  weight: number;
}

/**
 * A good way to wire circuits that are too large to be proved: descent over trees, orders of switches, neutrals and entries in
 * turn, which groups stay apart in their boxes, return runs; and again from random changes of the best, as long as the steps last (each costs
 * one tree).
 */
export const searchLarge = (
  tables: PriceTables,
  space: OrderSpace,
  mayEnter: (box: string) => boolean,
  mostSteps: number,
  mayGoOn: () => boolean,
  onBetter: (found: Found) => void,
  /** Good ways by another weighing, to be bettered by this one. */
  seeds: readonly Found[] = [],
): { best: Found | null; steps: number } => {
  const { feeds, chains, oneOf, neutralAt, boxesFor, apartAt, returnsFor, fit } = space;
  let steps = 0;
  let best: Stand | null = null;
  const goOn = () => steps < mostSteps && mayGoOn();
  const problemOf = (order: Order, root: number | null): LargeProblem | null => {
    steps += TREES_OF_AN_ORDER;
    const fittings = fit(order.chains);
    if (fittings.some((one) => one.article === null || one.misfit !== null)) return null;
    const settled = settle(tables.job, tables.circuit, boxesFor(order.feed), order, fittings);
    const made = largeProblem(tables, settled, settled.root ?? root ?? 0);
    return {
      ...made,
      cost: (parents) => {
        steps += 1;
        return made.cost(parents);
      },
      movesOf: (parents, cost) => {
        steps += 1;
        const priced = made.movesOf(parents, cost);
        return (node, by, other) => {
          steps += TREES_OF_A_MOVE;
          return priced(node, by, other);
        };
      },
    };
  };
  const standing = (order: Order, problem: LargeProblem, tree: Tree): Stand => ({
    order,
    problem,
    tree,
    weight: tree.cost + problem.fixed,
  });
  const keep = (stand: Stand): void => {
    // What is above that lacks a forced run.
    if (stand.weight >= (best?.weight ?? FORCED / 2)) return;
    best = stand;
    onBetter({ settled: stand.problem.settled, tree: stand.tree, weight: stand.weight });
  };
  /** The same tree by another order or entry, if that is better. */
  const tried = (stand: Stand, order: Order, root: number): Stand => {
    const problem = problemOf(order, root);
    if (!problem || problem.settled.nodes.join() !== stand.problem.settled.nodes.join()) return stand;
    const parents = rooted(problem.n, adjacency(stand.tree.parents), problem.root);
    const next = standing(order, problem, { parents, cost: problem.cost(parents) });
    return next.weight < stand.weight - 1e-6 ? next : stand;
  };
  const atNodes = (order: Order, before: Order) => atOtherNodes(tables, boxesFor(order.feed), order, before);
  /** All groups together, with power at the first box that it may enter; or all of them apart but in a box that it enters. */
  const startsOf = (order: Order): { order: Order; entry: number }[] => {
    const { feed } = order;
    const boxes = boxesFor(feed);
    const all = boxes.map((box) => apartAt(feed, box).at(-1) ?? []);
    const entries = boxes.flatMap((box, at) => (mayEnter(box) ? [at] : []));
    const several = entries.filter((at) => (all[at]?.length ?? 0) > 0);
    return [
      ...entries.slice(0, 1).map((entry) => ({ order, entry })),
      ...several.slice(0, MOST_STARTS).flatMap((entry) =>
        atNodes({ ...order, apart: all.flatMap((apart, at) => (at === entry ? [] : apart)) }, order)
          .slice(0, 1)
          .map((one) => ({ order: one, entry })),
      ),
    ].filter((one) => boxesApart(one.order) <= MOST_APART);
  };
  /** Other ways for the groups of a box to stay apart, one box after another; the switch leg led back to the box that power enters, or not; what lies there kept for another run. */
  const otherNodes = ({ order, problem }: Stand): Order[] => {
    const { feed, apart, returnAt } = order;
    const root = placeOfNode(problem.settled.nodes[problem.root] ?? PANEL);
    return [
      ...boxesFor(feed).flatMap((box) =>
        apartAt(feed, box)
          .filter(
            (ways, _, { length }) =>
              length > 1 && box !== returnAt && sayApart(ways) !== sayApart(apart, box),
          )
          .flatMap((ways) =>
            atNodes({ ...order, apart: [...apart.filter((one) => one.box !== box), ...ways] }, order),
          ),
      ),
      ...(returnAt === null
        ? returnsFor(feed).filter((box) => box === root && !apart.some((one) => one.box === box))
        : [null]
      ).flatMap((box) => atNodes({ ...order, returnAt: box }, order)),
      ...otherLying(tables, boxesFor(feed), order),
    ].filter((one) => boxesApart(one) <= MOST_APART);
  };
  /** Every other order of the switches of one group. */
  const otherChains = ({ order }: Stand): Order[] =>
    (Object.entries(order.chains) as [GroupId, SlotId[]][])
      .filter(([group]) => !chains.fixed.has(group))
      .flatMap(([group, chain]) =>
        reorders(chain)
          .filter((other) => other.join() !== chain.join())
          .map((other) => ({ ...order, chains: { ...order.chains, [group]: other } })),
      );
  /** The tree carried over to such an order. */
  const carried = (stand: Stand, order: Order): Stand | null => {
    const before = stand.problem.settled;
    const entered = before.nodes[stand.problem.root];
    // The first nodes are the boxes themselves.
    const root = boxesFor(order.feed).findIndex((box) => box === placeOfNode(entered ?? PANEL));
    const problem = problemOf(order, Math.max(0, root));
    if (!problem) return null;
    const tree = carriedOver(tables.job, before, stand.tree, problem.settled, problem);
    return standing(order, problem, tree);
  };
  /** The same bettered there, if that is better. */
  const triedNodes = (stand: Stand, order: Order): Stand => {
    const made = carried(stand, order);
    const next = made && standing(order, made.problem, descend(made.problem, made.tree, goOn));
    return next && next.weight < stand.weight - 1e-6 ? next : stand;
  };
  const neutralsWith = (order: Order, slots: readonly SlotId[], slot: SlotId): SlotId[] => [
    ...order.neutralAt.filter((one) => !slots.includes(one) || neutralAt.includes(one)),
    slot,
  ];
  const improved = (from: Stand): Stand => {
    let stand = from;
    for (;;) {
      const before = stand.weight;
      const { order, problem } = stand;
      const better = (tree: Tree) => keep(standing(order, problem, tree));
      stand = standing(order, problem, descend(problem, stand.tree, goOn, better));
      for (const [group, chain] of Object.entries(stand.order.chains) as [GroupId, SlotId[]][]) {
        if (chains.fixed.has(group)) continue;
        for (const other of reorders(chain)) {
          if (!goOn()) break;
          const reordered = { ...stand.order, chains: { ...stand.order.chains, [group]: other } };
          stand = tried(stand, reordered, stand.problem.root);
        }
      }
      for (const slots of oneOf)
        for (const slot of slots) {
          const brought = { ...stand.order, neutralAt: neutralsWith(stand.order, slots, slot) };
          if (goOn()) stand = tried(stand, brought, stand.problem.root);
        }
      for (const other of [...otherNodes(stand), ...(problem.n > DEEP_UP_TO ? [] : otherChains(stand))]) {
        if (!goOn()) break;
        stand = triedNodes(stand, other);
        keep(stand);
      }
      const { settled } = stand.problem;
      if (settled.root === null)
        for (let root = 0; root < stand.problem.n && goOn(); root++)
          if (
            mayEnter(placeOfNode(settled.nodes[root] ?? PANEL)) &&
            stand.tree.parents[root] !== OUT &&
            (settled.returning === null || settled.returning.near === root)
          )
            stand = tried(stand, stand.order, root);
      // Also where no tree can be made: nothing is less than infinite by that much.
      if (!(stand.weight < before - 1e-6) || !goOn()) return stand;
    }
  };

  /** A way that was found by another weighing as it stands by this one; null where it is none here. */
  const sown = (found: Found): Stand | null => {
    const known = orderOfFound(space, found, mayEnter);
    const problem = known && problemOf(known.order, known.root);
    if (!problem || problem.settled.nodes.join() !== found.settled.nodes.join()) return null;
    const { parents } = found.tree;
    return standing(known.order, problem, { parents, cost: problem.cost(parents) });
  };
  for (const feed of feeds) {
    const order: Order = {
      chains: chains.first,
      neutralAt: [...neutralAt, ...oneOf.flatMap((slots) => slots.slice(0, 1))],
      feed,
      apart: [],
      returnAt: null,
      forcedAt: [],
      lyingAt: [],
      neutralOpen: false,
    };
    const [start] = startsOf(order)
      .flatMap(({ order: one, entry }) => {
        const problem = problemOf(one, entry);
        const enters = problem && mayEnter(placeOfNode(problem.settled.nodes[problem.root] ?? PANEL));
        return !problem || !enters || problem.settled.classes.length > MOST_CLASSES_LARGE
          ? []
          : [standing(one, problem, firstTree(problem))];
      })
      .sort((a, b) => a.weight - b.weight);
    if (start) keep(improved(start));
  }
  for (const seed of seeds) {
    const stand = sown(seed);
    if (!stand) continue;
    keep(stand);
    keep(improved(stand));
  }
  const pick = pickerOf(1);
  // Where one tree alone can be made, every change of it is none.
  let barred = 0;
  for (let idle = 0; idle < MOST_IDLE && barred < MOST_BARRED && goOn() && best;) {
    const from: Stand = best;
    const others = otherNodes(from);
    if (others.length > 0 && pick(NODES_IN) === 0) {
      // Groups put together or apart at random, whatever that costs at first.
      const order = others[pick(others.length)] ?? from.order;
      const next = carried(from, order);
      const weight = from.weight;
      if (next && next.weight < Infinity) keep(improved(next));
      idle = (best as Stand).weight < weight ? 0 : idle + 1;
      continue;
    }
    const onto = pick(2) === 0 ? nearestOf(from.problem, NEAR) : undefined;
    const parents = kicked(from.tree.parents, 3, pick, onto);
    const cost = from.problem.cost(parents);
    if (cost === Infinity) {
      barred += 1;
      continue;
    }
    barred = 0;
    const weight = from.weight;
    keep(improved(standing(from.order, from.problem, { parents, cost })));
    idle = (best as Stand).weight < weight ? 0 : idle + 1;
  }
  const found = best as Stand | null;
  return {
    best: found && { settled: found.problem.settled, tree: found.tree, weight: found.weight },
    steps,
  };
};

/** A tree that is priced whole takes about so many steps of the exact search. */
export const STEPS_OF_A_TREE = 100;
/** To settle an order and to price its boxes takes as long as so many trees. */
const TREES_OF_AN_ORDER = 50;
/** To price what a move changes takes so much of the time of a whole tree. */
const TREES_OF_A_MOVE = 0.125;
/** So many boxes are taken for the one that power enters, to start from. */
const MOST_STARTS = 4;
/** Up to so many nodes the tree is bettered under every other order of the switches as well, and not only priced. */
const DEEP_UP_TO = 12;
/** One change in so many is of the nodes of the boxes, where there are others. */
const NODES_IN = 3;
/** Every other change hangs a node on one of so many that are near. */
const NEAR = 10;
/** So many changes in vain, and the search ends. */
const MOST_IDLE = 100;
/** So many changes in a row that make no tree at all, and the search ends. */
const MOST_BARRED = 2000;

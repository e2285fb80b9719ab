import { PANEL, placeOfNode, type GroupId } from '../../model/ids.js';
import { adjacency, descend, firstTree, kicked, nearestOf, pickerOf, rooted } from './localSearch.js';
import { OUT, type Tree } from '../tree.js';
import type { Found } from '../found.js';
import type { PriceTables } from '../prices/priceTables.js';
import { settle, type Order } from '../problem.js';
import { FORCED } from '../prices/runPrices.js';
import { largeProblem, MOST_CLASSES_LARGE, type LargeProblem } from './largeProblem.js';
import type { OrderSpace } from '../orders.js';
import { carriedOver } from './joining.js';
import { otherOrdersOf } from './otherOrders.js';
import { orderOfFound } from './seeds.js';

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
  const { feeds, chains, oneOf, neutralAt, boxesFor, fit } = space;
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
  const others = otherOrdersOf(tables, space);
  const atOther = ({ order, problem }: Stand): Order[] =>
    others.atNodes(order, placeOfNode(problem.settled.nodes[problem.root] ?? PANEL));
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
  const improved = (from: Stand): Stand => {
    let stand = from;
    for (;;) {
      const before = stand.weight;
      const { order, problem } = stand;
      const better = (tree: Tree) => keep(standing(order, problem, tree));
      stand = standing(order, problem, descend(problem, stand.tree, goOn, better));
      for (const group of Object.keys(stand.order.chains) as GroupId[])
        for (const other of others.ofChain(stand.order, group))
          if (goOn()) stand = tried(stand, other, stand.problem.root);
      for (const slots of oneOf)
        for (const other of others.ofNeutral(stand.order, slots))
          if (goOn()) stand = tried(stand, other, stand.problem.root);
      const deep = problem.n > DEEP_UP_TO ? [] : others.ofChains(stand.order);
      for (const other of [...atOther(stand), ...others.ofNeutrals(stand.order), ...deep]) {
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
    const [start] = others
      .starts(order, mayEnter)
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
    const parted = atOther(from);
    if (parted.length > 0 && pick(NODES_IN) === 0) {
      // Groups put together or apart at random, whatever that costs at first.
      const order = parted[pick(parted.length)] ?? from.order;
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
    steps: Math.round(steps),
  };
};

/** A tree that is priced whole takes about so many steps of the exact search. */
export const STEPS_OF_A_TREE = 100;
/** To settle an order and to price its boxes takes as long as so many trees. */
const TREES_OF_AN_ORDER = 50;
/** To price what a move changes takes so much of the time of a whole tree. */
const TREES_OF_A_MOVE = 0.125;
/** Up to so many nodes the tree is bettered under every other order of the switches as well, and not only priced. */
const DEEP_UP_TO = 30;
/** One change in so many is of the nodes of the boxes, where there are others. */
const NODES_IN = 3;
/** Every other change hangs a node on one of so many that are near. */
const NEAR = 10;
/** So many changes in vain, and the search ends. */
const MOST_IDLE = 100;
/** So many changes in a row that make no tree at all, and the search ends. */
const MOST_BARRED = 2000;

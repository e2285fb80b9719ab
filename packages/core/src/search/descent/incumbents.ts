import { caseOf, type Case } from '../bounds/cases.js';
import { treeProblemOf } from './treeCost.js';
import type { Tree } from '../tree.js';
import { adjacency, descend, goodTree, rooted } from './localSearch.js';
import { withNeutrals, type OrderCase } from '../orders.js';
import type { Bounding } from '../bounds/bounding.js';

/** Changes that are tried on each order. */
const KICKS = 3;

/**
 * Good trees of some orders with the lowest bounds, of which `cases` come in rising order: the better the best that is known,
 * the more is dropped by the search for the least.
 */
export const tryLikely = (
  bounding: (order: OrderCase) => Bounding,
  cases: readonly Case[],
  likely: number,
  mayGoOn: () => boolean,
  take: (one: Case, tree: Tree) => void,
): void => {
  for (const [i, one] of cases.slice(0, likely).entries()) {
    const root = one.bounds[0]?.root;
    if (root === undefined || !mayGoOn()) continue;
    const near = goodTree(treeProblemOf(one.problem, root), KICKS, i + 1, mayGoOn);
    if (!near) continue;
    const ties = adjacency(near.parents);
    for (const order of withNeutrals(one.order)) {
      const solid = one.settled.neutralOpen ? caseOf(bounding(order), order) : one;
      const entered = solid.bounds.map(({ root: entry }) => {
        const problem = treeProblemOf(solid.problem, entry);
        const parents = rooted(problem.n, ties, entry);
        return { problem, tree: { parents, cost: problem.cost(parents) } };
      });
      const [first] = entered.sort((a, b) => a.tree.cost - b.tree.cost);
      if (first) take(solid, descend(first.problem, first.tree, mayGoOn));
    }
  }
};

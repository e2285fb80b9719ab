import { PANEL, placeOfNode, type BoxId } from '../../model/ids.js';
import type { Found } from '../found.js';
import type { OrderSpace } from '../orders.js';
import type { Order } from '../problem.js';
import { TOP } from '../tree.js';

/**
 * The order of a way that was found by another weighing, where it is one of these, and the node that power enters; null where it is not. It gets the
 * neutrals that are asked for here.
 */
export const orderOfFound = (
  { feeds, chains, oneOf, neutralAt, returnsFor }: OrderSpace,
  { settled, tree }: Found,
  mayEnter: (box: string) => boolean,
): { order: Order; root: number } | null => {
  const { arrangement, scope, returning, nodes, forcedAt, lyingAt } = settled;
  const feed = feeds.find(({ id }) => id === settled.feed.id);
  const returnAt = returning === null ? null : (placeOfNode(nodes[returning.near] ?? PANEL) as BoxId);
  const isGiven = [...chains.fixed].every(
    (group) => arrangement.chains[group]?.join() === chains.first[group]?.join(),
  );
  if (!feed || !isGiven || (returnAt !== null && !returnsFor(feed).includes(returnAt))) return null;
  const root = tree.parents.indexOf(TOP);
  if (!mayEnter(placeOfNode(nodes[root] ?? PANEL))) return null;
  const brought = oneOf.flatMap(
    (slots) => slots.find((slot) => arrangement.neutralAt.includes(slot)) ?? slots[0] ?? [],
  );
  return {
    root,
    order: {
      ...{ chains: arrangement.chains, feed, returnAt, forcedAt, lyingAt, neutralOpen: false },
      apart: scope.apart.filter(({ groups }) => groups !== null),
      neutralAt: [...neutralAt, ...brought],
    },
  };
};

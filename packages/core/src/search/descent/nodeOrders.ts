import { returnPlaceOf, type BoxId } from '../../model/ids.js';
import { lyingAsBefore, lyingAtNodes, sayLying } from '../atNodes.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Order } from '../problem.js';

/** The nodes of an order that are not the boxes themselves. */
const othersOf = ({ apart, returnAt }: Order) => [
  ...apart.map(({ box, node }) => ({ box, node })),
  ...(returnAt === null ? [] : [{ box: returnAt, node: returnPlaceOf(returnAt) }]),
];

/** An order whose boxes are other nodes than before, with every way for what lies there to lead to those that have changed; none where these are too many. */
export const atOtherNodes = (
  { job, circuit }: PriceTables,
  boxes: readonly BoxId[],
  order: Order,
  before: Order,
): Order[] => {
  const [others, known] = [othersOf(order), othersOf(before)];
  const said = (all: typeof others, box: BoxId) =>
    all.flatMap((one) => (one.box === box ? [one.node] : [])).join();
  const ways = lyingAtNodes(job, circuit, boxes, others) ?? [];
  const changed = (box: BoxId) => said(others, box) !== said(known, box);
  return lyingAsBefore(ways, before.lyingAt, changed).map((lyingAt) => ({ ...order, lyingAt }));
};

/** The same order with one of the cables that lie there kept for another run. */
export const otherLying = (tables: PriceTables, boxes: readonly BoxId[], order: Order): Order[] =>
  order.lyingAt.flatMap(({ cable }) => {
    const without = { ...order, lyingAt: order.lyingAt.filter((one) => one.cable !== cable) };
    return atOtherNodes(tables, boxes, order, without).filter(
      ({ lyingAt }) => sayLying(lyingAt).join() !== sayLying(order.lyingAt).join(),
    );
  });

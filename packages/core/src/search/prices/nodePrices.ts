import { ofId } from '../../model/records.js';
import { PANEL, placeOfNode, type BoxId } from '../../model/ids.js';
import { hookOn, type Attachment } from '../../planning/boxNodes.js';
import { attachmentsOf } from '../../planning/circuitParts.js';
import type { NodePrice } from './prices.js';
import type { PriceTables } from './priceTables.js';
import type { Settled } from '../problem.js';
import { NOTHING_HOOKED, type Hooked } from './splices.js';
import { bonding, byScrews, hook } from './hooks.js';
import type { Grounds, NodeFacts } from './nodeFacts.js';
import { endOf, FREE, orMore, priceOf } from './nodePrice.js';
import { judgingOf } from './judging.js';

/** What stands in each box by the order of the switches: which device at which step, and who gets a neutral. */
const devicesByBox = ({ arrangement, fittings }: Settled): Map<BoxId, string> => {
  const byBox = new Map<BoxId, string>();
  const neutral = new Set(arrangement.neutralAt);
  for (const { slot, article } of fittings) {
    const step = ofId(arrangement.chains, slot.group)?.indexOf(slot.id) ?? -1;
    const one = `${slot.id}:${step}:${article?.id}${neutral.has(slot.id) ? ':N' : ''}`;
    byBox.set(slot.box, `${byBox.get(slot.box) ?? ''} ${one}`);
  }
  return byBox;
};

/** Everything attached to each node, by its index. Grounds are one for the whole box, whichever of its two places they are at. */
const attachedTo = (
  { job, background }: PriceTables,
  { nodes, scope, arrangement, fittings }: Settled,
): Attachment[][] => {
  const attached = nodes.map((): Attachment[] => []);
  const indexOf = new Map<string, number>(nodes.map((node, i) => [node, i]));
  for (const one of attachmentsOf(job, { scope, arrangement, fittings: [...fittings] })) {
    const at = one.net === 'ground' ? placeOfNode(one.at) : one.at;
    attached[indexOf.get(at) ?? -1]?.push(one);
  }
  for (const one of background.grounded) attached[indexOf.get(placeOfNode(one.at)) ?? -1]?.push(one);
  return attached;
};

/** Prices by the indexes of nodes and of boxes. */
export interface Priced {
  nodes: NodePrice[];
  /** What stands in a box that is several nodes, by what comes to all of them; null for every other box. */
  boxes: (NodePrice | null)[];
}

/** The prices of a settled arrangement: of every node, and of each box that is several of them. */
export const nodePricesOf = (tables: PriceTables, settled: Settled): Priced => {
  const { nodes, boxOf, classes, scope } = settled;
  const devices = devicesByBox(settled);
  const lanes = classes.map((one) => one.nets.length);
  let attached: Attachment[][] | null = null;
  const several = new Set(boxOf.filter((box, index) => box !== index));
  /** Which classes are at a node, and which of them are elsewhere too, as bits. */
  const classesAt = (index: number) => {
    let here = 0;
    let both = 0;
    classes.forEach(({ at }, i) => {
      if (!at.includes(index)) return;
      here |= 1 << i;
      if (at.some((other) => other !== index)) both |= 1 << i;
    });
    return { here, both };
  };
  const priced = (index: number, at: Omit<NodeAt, 'box' | 'entered'>): NodePrice => {
    const node = nodes[index] ?? '';
    const box = placeOfNode(nodes[index] ?? PANEL) as BoxId;
    const entered = settled.root === index;
    const { kind, here, both, fewest } = at;
    const standing = [settled.neutralOpen, kind, entered, here, both, fewest.cables, fewest.insulated];
    // Which groups are at which node of the box, as terminals of hot and neutral do not tell whose they are.
    const apart = scope.apart
      .filter((one) => one.box === box)
      .map(({ groups }) => groups?.join('+') ?? 'return');
    const key = [node, ...standing, lanes.join(''), devices.get(box) ?? '', apart.join('|')];
    return tables.known.nodes.get(key, () => {
      attached ??= attachedTo(tables, settled);
      return makeNodePrice(tables, settled, { ...at, box, entered }, attached[index] ?? []);
    });
  };
  const none = { cables: 0, insulated: 0 };
  return {
    nodes: nodes.map((_, index) =>
      priced(index, {
        kind: several.has(boxOf[index] ?? index) ? 'node' : 'whole',
        ...classesAt(index),
        fewest: none,
      }),
    ),
    boxes: boxOf.flatMap((box, index) => {
      if (box !== index) return [];
      if (!several.has(index)) return [null];
      const within = nodes.flatMap((_, node) => (boxOf[node] === index ? [node] : []));
      const insulated = within.reduce((sum, node) => {
        const { both } = classesAt(node);
        return sum + lanes.reduce((all, count, i) => all + ((both >> i) & 1) * count, 0);
      }, 0);
      // Each node is reached by a cable; that of a feed is there already.
      const cables = within.length - (settled.root === index ? 1 : 0);
      return [priced(index, { kind: 'box', here: 0, both: 0, fewest: { cables, insulated } })];
    }),
  };
};

/**
 * What a box costs that the circuit leaves alone, as other cables end in it: box and plate, its opening, caps on what
 * nothing uses, grounds. 0 where none do.
 */
export const restingCost = (tables: PriceTables, box: BoxId): number =>
  tables.known.resting.get([box], () => restingCostOf(tables, box));

const restingCostOf = (tables: PriceTables, box: BoxId): number => {
  const { station, background, splices } = tables;
  const found = station({ box, fittings: [], fed: false, resting: true });
  if (!found || found.box.work === 'beyond' || !background.reached(box)) return 0;
  const fit = found.fit(0, 0);
  if (!fit) return 0;
  const at = background.grounded.filter(
    (one) => placeOfNode(one.at) === box && (fit.bond === null || !byScrews(tables, [], one)),
  );
  const hooked: Hooked = { terminals: [], leads: [] };
  for (const one of at) hookOn(hooked, one);
  const ground = fit.bond === null ? hooked : bonding(hooked, box);
  const joined = splices.grounds(box, ground, found.grounds)[0] ?? 0;
  return found.opening + background.idle(box) * splices.cap + fit.cost + joined;
};

/** Grounds that are priced elsewhere, by the cables that come. */
const NO_COST = ({ codes }: PriceTables): Float64Array => new Float64Array(codes.mostRuns + 2);

interface NodeAt {
  box: BoxId;
  /** A box that is one node; one of several nodes of a box; or all that is in such a box but the nets of its nodes. */
  kind: 'whole' | 'node' | 'box';
  fewest: NodeFacts['fewest'];
  entered: boolean;
  /** Classes that have to come here, and those of them that have to go elsewhere too, as bits. */
  here: number;
  both: number;
}

const makeNodePrice = (
  tables: PriceTables,
  settled: Settled,
  { box, kind, fewest, entered, here, both }: NodeAt,
  attached: readonly Attachment[],
): NodePrice => {
  const { splices, background } = tables;
  const station = tables.station({
    box,
    fittings: settled.fittings.filter((one) => one.slot.box === box),
    fed: entered && settled.fedBy === null,
  });
  if (!station) return FREE;
  if (station.box.work === 'beyond') return endOf(tables);
  const hooks = hook(tables, settled, attached);
  const thinks = judgingOf(tables, settled, box);
  // The cable of the feed is in use: its hot and its neutral. One that the job does not know is taken for the narrowest of the stock,
  // and what that has beside these two is capped.
  const used = entered && settled.fedBy ? 2 : 0;
  const spareOfFeed =
    entered && settled.fedBy === null ? Math.max(0, (tables.cables[0]?.insulated.length ?? 2) - 2) : 0;
  const grounds: Grounds = station.apart
    ? { plain: NO_COST(tables), bonded: NO_COST(tables) }
    : {
        plain: splices.grounds(box, hooks.ground, station.grounds),
        bonded: splices.grounds(box, bonding(hooks.groundBonded, box), station.grounds),
      };
  return priceOf(tables, {
    station: kind === 'node' ? null : station,
    grounds: kind === 'node' ? null : grounds,
    fewest,
    // Conductors of existing cables are capped until a run uses them.
    opening:
      kind === 'node'
        ? 0
        : station.opening +
          (background.idle(box) - used + spareOfFeed) * splices.cap +
          thinks.opening(entered),
    judged: { cables: thinks.cables, tight: thinks.tight },
    classes: (kind === 'box' ? [] : settled.classes).map(({ nets, fromPanel }, i) => {
      const hooked = hooks.classes[i] ?? ((here >> i) & 1 ? NOTHING_HOOKED : null);
      const [net] = nets;
      const costs = thinks.ofNet(net, nets.length, hooked ? splices.net(hooked) : splices.passing);
      const fed = entered && (net?.kind === 'hot' || net?.kind === 'neutral') ? 1 : 0;
      return {
        lanes: nets.length,
        costs: settled.neutralOpen && net?.kind === 'neutral' ? orMore(costs) : costs,
        // A class with all its terminals here may do without a run.
        fewest: ((both >> i) & 1) + fed,
        fed,
        home: fromPanel,
      };
    }),
    allNew: background.idle(box) - used === 0,
    open: settled.neutralOpen,
    spare: settled.neutralOpen || kind === 'box' ? 0 : splices.cap,
  });
};

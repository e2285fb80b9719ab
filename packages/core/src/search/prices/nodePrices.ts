import { ofId } from '../../model/records.js';
import { PANEL, placeOfNode, type BoxId } from '../../model/ids.js';
import { hookOn, type Attachment } from '../../planning/boxNodes.js';
import { attachmentsOf } from '../../planning/circuitParts.js';
import type { LoadCode } from './loadCodes.js';
import type { NodePrice } from './prices.js';
import type { PriceTables } from './priceTables.js';
import type { Settled } from '../problem.js';
import { NOTHING_HOOKED, type Hooked } from './splices.js';
import { bonding, byScrews, hook } from './hooks.js';
import type { Station } from './stations.js';
import { judgingOf } from './judging.js';

const FREE: NodePrice = {
  cost: () => 0,
  atLeast: () => 0,
  costOf: () => 0,
  least: 0,
  leastEntered: 0,
  passing: 0,
};

/** Grounds by cables that come: unbonded, and with the box itself to ground. */
interface Grounds {
  plain: Float64Array;
  bonded: Float64Array;
}

/** Conductors of a net class, and what it costs by its ends at a node. */
interface ClassFacts {
  lanes: number;
  costs: Float64Array;
  /** The fewest ends that it has there, and how many of them are the feed's. */
  fewest: number;
  fed: number;
  /** It comes with a home run. */
  home: boolean;
}

/** At any number of ends the least of that and more: where a net may yet be led on to other boxes. */
const orMore = (costs: Float64Array): Float64Array => {
  const least = Float64Array.from(costs);
  for (let ends = least.length - 2; ends >= 0; ends--)
    least[ends] = Math.min(least[ends] ?? Infinity, least[ends + 1] ?? Infinity);
  return least;
};

/** What of a node decides its price; nodes that agree in it share one. */
interface NodeFacts {
  /** Null at a node of a box that has several: box and grounds are priced for all of them together. */
  station: Station | null;
  grounds: Grounds | null;
  /** What it costs before any run comes. */
  opening: number;
  classes: ClassFacts[];
  /** Runs come by new cables alone. */
  allNew: boolean;
  /** The fewest cables that come, one from the panel among them, and insulated conductors in them. */
  fewest: { cables: number; insulated: number };
  /** What a master thinks of so many new cables here, and of a box with little room. */
  judged: { cables: (cables: number) => number; tight: number };
  /** What each spare conductor costs here. A neutral that is not led anywhere yet may take its place. */
  spare: number;
}

/** The least of a table from one number of ends to another. */
const lowest = (costs: Float64Array, from: number, to: number): number => {
  let least = Infinity;
  for (let ends = from; ends <= to; ends++) least = Math.min(least, costs[ends] ?? Infinity);
  return least;
};

/**
 * The cheapest way to serve a node by any number of runs, each net at the number of ends that suits it best; and by as many
 * home runs.
 */
const leastOf = ({ cables, codes }: PriceTables, facts: NodeFacts, homeRuns: 0 | 1): number => {
  const { station, grounds, opening, allNew, classes, fewest } = facts;
  const widths = cables.map((one) => one.insulated.length);
  const narrowest = widths.length === 0 ? 0 : Math.min(...widths);
  const widest = Math.max(0, ...widths);
  const brought = classes.reduce(
    (sum, { lanes, fewest, fed }) => sum + lanes * (fewest - fed),
    fewest.insulated,
  );
  let least = Infinity;
  for (let runs = Math.max(0, fewest.cables - homeRuns); runs + homeRuns <= codes.mostRuns; runs++) {
    if (allNew && brought > runs * widest) continue;
    let cost = opening;
    for (const { costs, fewest, fed, home } of classes) {
      const from = fewest + (home ? homeRuns : 0);
      cost += lowest(costs, from, Math.max(from, runs + fed + (home ? homeRuns : 0)));
    }
    if (station && grounds) {
      const [from, to] = [allNew ? runs + homeRuns : 0, runs + homeRuns];
      const insulated = allNew ? Math.max(brought, runs * narrowest) + homeRuns * narrowest : 0;
      cost += Math.min(lowest(grounds.plain, from, to), lowest(grounds.bonded, from, to));
      if (cost < least) cost += station.atLeast(insulated, from);
    }
    least = Math.min(least, cost);
  }
  return least;
};

const priceOf = (tables: PriceTables, facts: NodeFacts): NodePrice => {
  const { passing } = tables.splices;
  const { cablesOf, insulatedOf, sparesOf, overEnds, mostRuns } = tables.codes;
  const { station, grounds, opening, spare, judged } = facts;
  const costs = facts.classes.map((one) =>
    one.lanes === 1 ? one.costs : one.costs.map((cost) => cost * one.lanes),
  );
  const summed = {
    ...facts,
    classes: facts.classes.map((one, i) => ({ ...one, costs: costs[i] ?? one.costs })),
  };
  /** Everything but the splices of nets. */
  const around = (trunk: LoadCode): number => {
    const cables = cablesOf(trunk);
    const spares = sparesOf(trunk);
    const cost = opening + (spares > 0 ? spares * spare : 0);
    if (!station || !grounds) return cost;
    if (cables > mostRuns) return Infinity;
    const fit = station.fit(insulatedOf(trunk), cables);
    if (!fit) return Infinity;
    const thought = judged.cables(cables) + (fit.tight ? judged.tight : 0);
    return (
      cost + thought + fit.cost + ((fit.bond === null ? grounds.plain : grounds.bonded)[cables] ?? Infinity)
    );
  };
  // At any load the least of it and of all larger ones.
  const costsOn = costs.map(orMore);
  const groundsOn =
    grounds && orMore(grounds.plain.map((cost, i) => Math.min(cost, grounds.bonded[i] ?? Infinity)));
  return {
    cost: (load) => around(load) + overEnds(load, costs),
    atLeast: (load) => {
      const cables = cablesOf(load);
      const box =
        station && groundsOn ? station.atLeast(insulatedOf(load), cables) + (groundsOn[cables] ?? 0) : 0;
      return opening + box + overEnds(load, costsOn);
    },
    costOf: (trunk, ends, offset) => {
      let sum = around(trunk);
      for (let i = 0; i < costs.length; i++) sum += costs[i]?.[ends[offset + i] ?? 0] ?? Infinity;
      return sum;
    },
    least: leastOf(tables, summed, 0),
    leastEntered: leastOf(tables, summed, 1),
    passing: lowest(passing, 2, passing.length - 1),
  };
};

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
  const found = station({ box, fittings: [], fed: false });
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
  if (!station || station.box.work === 'beyond') return FREE;
  const hooks = hook(tables, settled, attached);
  const thinks = judgingOf(tables, settled, box);
  // The cable of the feed is in use: its hot and its neutral. One that the job does not know is taken for the narrowest of the stock,
  // and what that has beside these two is capped.
  const used = entered && settled.fedBy ? 2 : 0;
  const spareOfFeed =
    entered && settled.fedBy === null ? Math.max(0, (tables.cables[0]?.insulated.length ?? 2) - 2) : 0;
  const grounds: Grounds = {
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
    spare: settled.neutralOpen || kind === 'box' ? 0 : splices.cap,
  });
};

import { articleOf, articlesOf } from '../model/articles.js';
import type { BoxContents } from '../model/contents.js';
import type { BoxId, CableId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { End } from '../model/wiring.js';
import { bondOf } from '../circuit/grounding.js';
import { boxFill } from '../code/boxFill.js';
import type { BoxOffer } from '../materials/boxChoice.js';
import { chooseConnectors } from '../materials/connectors.js';
import type { BoxNode } from '../planning/boxNodes.js';
import { makeUpNode } from '../planning/makeUpNode.js';
import type { Net } from '../planning/nets.js';
import { NOTHING, plus, type Cost } from './cost.js';
import { MOST_RUNS, type NodeLoad } from './load.js';
import type { Settled } from './problem.js';
import type { Shared } from './shared.js';
import { standingAt, terminalName, type Standing } from './standing.js';

/** The make-up of the nodes of one settled arrangement; what is out of the question is null. */
export interface NodePrices {
  node: (node: number, load: NodeLoad) => Cost | null;
  /**
   * What each end of a net, and each cable with its ground, costs a node at the least, whatever else is there. Moved from
   * the nodes to the runs that bring them, it makes lower bounds tight.
   */
  toll: (weigh: Weigh) => Toll;
  /** No less than what a node costs under any load that reaches its terminals, its ends and cables paid for by a toll. */
  least: (node: number, weigh: Weigh, paid: Toll) => number;
}

/** By the weight of the search: for each end of a net, and for each cable. */
export interface Toll {
  net: number;
  ground: number;
}
type Weigh = (cost: Cost) => number;

/** Any net: what a splice costs does not hang on its kind. */
const PASSING: Net = { id: 'passing', kind: 'hot', group: null, lane: null };

const fakeEnd = (i: number): End => ({ cable: `end-${i}` as CableId, side: 'from', colour: 'black' });

export const nodePricesOf = (job: Job, settled: Settled, shared: Shared): NodePrices => {
  const standing = settled.nodes.map((_, i) => standingAt(job, settled, i));
  const { awg } = settled.circuit;
  const { returning } = settled;
  const cap = chooseConnectors(job.stock, job.preferences, [awg], false);
  const priceOf = (connectors: readonly { article: string }[]) =>
    connectors.reduce((sum, one) => sum + articleOf(job.stock, 'connector', one.article).price, 0);
  const capPrice = cap ? priceOf(cap) : null;
  /** What one net takes in a box: its connectors and the minutes of its splice. */
  const netCost = (box: BoxId, node: BoxNode, ends: number): Cost | null => {
    // Boxes differ in what is left at a plastic luminaire alone.
    const where = node.net === 'ground' ? box : 'net';
    const leads = node.leads.map((lead) => lead.awg).join();
    const twins = node.terminals.filter((one) => one.twin !== null).length;
    const key = `${where} ${ends} ${node.terminals.length} ${twins} ${leads}`;
    const known = shared.madeUp.get(key);
    if (known !== undefined) return known;
    const all = Array.from({ length: ends }, (_, i) => ({ end: fakeEnd(i), awg }));
    const { joints, unjoined } = makeUpNode(job, box, { ...node, ends: all });
    const material = priceOf(joints.flatMap((joint) => joint.connectors));
    const spliced = joints.filter((joint) => joint.members.length > 1).length;
    const cost = unjoined.length > 0 ? null : { ...NOTHING, material, minutes: spliced * job.labour.splice };
    shared.madeUp.set(key, cost);
    return cost;
  };
  /** A net that only passes through a box. */
  const passing = (ends: number): Cost | null =>
    netCost('' as BoxId, { key: 'x', net: PASSING, ends: [], terminals: [], leads: [] }, ends);
  const boxes = new Map<string, { offer: BoxOffer; needed: number } | null>();
  const fitting = (index: number, { contents, offers }: Standing, insulated: number, cables: number) => {
    const key = `${index} ${insulated} ${cables}`;
    const known = boxes.get(key);
    if (known !== undefined) return known;
    const all: BoxContents = {
      ...contents,
      conductors: [...contents.conductors, ...Array<Awg>(insulated).fill(awg)],
      grounds: [...contents.grounds, ...Array<Awg>(cables).fill(awg)],
    };
    let found: { offer: BoxOffer; needed: number } | null = null;
    for (const offer of offers) {
      const clamps = offer.internalClamps || contents.internalClamps;
      const fill = boxFill(offer.volume, { ...all, internalClamps: clamps }, job.edition);
      if (!fill.passes) continue;
      found = { offer, needed: fill.needed };
      break;
    }
    boxes.set(key, found);
    return found;
  };
  const sundries = articlesOf(job.stock, 'sundry');
  const sundry = (use: 'plate' | 'blank', gangs: number | null) =>
    sundries.find((one) => one.use === use && one.gangs === gangs)?.price ?? 0;
  /** A plate for the gangs of the box, and blanks for those without a device. */
  const platePrice = ({ newDevices, gangs }: Standing, there: number): number =>
    newDevices ? sundry('plate', there) + Math.max(0, there - gangs) * sundry('blank', null) : 0;
  const node: NodePrices['node'] = (index, { ends, insulated, cables, spares }) => {
    const here = standing[index];
    if (!here) return null;
    if (here.box.work === 'beyond') return NOTHING;
    const far = returning?.far === index;
    let cost: Cost = far ? NOTHING : { ...NOTHING, minutes: here.minutes };
    for (let i = 0; i < ends.length; i++) {
      const node = here.nodes[i];
      const count = ends[i] ?? 0;
      const lanes = settled.classes[i]?.nets.length ?? 1;
      if (!node || (count === 0 && node.terminals.length + node.leads.length === 0)) continue;
      const one = netCost(here.box.id, node, count);
      if (!one) return null;
      for (let lane = 0; lane < lanes; lane++) cost = plus(cost, one);
    }
    if (spares > 0) {
      if (capPrice === null) return null;
      cost = plus(cost, { ...NOTHING, material: spares * capPrice });
    }
    // The far place of a return run is in the near one's box: two conductors and a ground more there.
    if (far) return cost;
    const more = returning?.near === index ? 1 : 0;
    const brought = insulated + 2 * more;
    const entering = cables + more;
    const fitted = fitting(index, here, brought, entering);
    if (!fitted) return null;
    const { offer, needed } = fitted;
    const bond = bondOf(
      job.stock,
      offer.articles.map((one) => one.id),
    );
    const screws = bond !== null && job.preferences.boxBonding === 'selfGroundingYoke';
    const terminals = here.ground.terminals.filter(
      ({ to }) => !(screws && here.byScrews.has(terminalName(to))),
    );
    if (bond !== null) terminals.push({ to: { box: here.box.id, name: 'ground' }, twin: null });
    const grounds = here.groundEnds + entering;
    const ground = netCost(here.box.id, { ...here.ground, terminals }, grounds);
    if (!ground) return null;
    const bought = here.box.work === 'existing' ? 0 : offer.price;
    const material = bought + platePrice(here, offer.gangs);
    return plus(plus(cost, ground), { ...NOTHING, material, volume: needed });
  };

  /** Loads of a net or of the grounds by their number, those that no connector takes left out. */
  const costsOf = (weigh: Weigh, of: (ends: number) => Cost | null, from: number): (number | null)[] =>
    Array.from({ length: MOST_RUNS + 2 }, (_, ends) => {
      const cost = ends < from ? null : of(ends);
      return cost === null ? null : weigh(cost);
    });
  const groundCosts = (weigh: Weigh, here: Standing, index: number, bonded: boolean) => {
    const more = returning?.near === index ? 1 : 0;
    const terminals = [...here.ground.terminals];
    if (bonded) terminals.push({ to: { box: here.box.id, name: 'ground' }, twin: null });
    const node = { ...here.ground, terminals };
    return costsOf(weigh, (cables) => netCost(here.box.id, node, here.groundEnds + more + cables), 0);
  };
  const netCosts = (weigh: Weigh, here: Standing, i: number, alone: boolean) => {
    const one = here.nodes[i];
    return one ? costsOf(weigh, (ends) => netCost(here.box.id, one, ends), alone ? 0 : 1) : [];
  };
  /** By how much a cost grows with each end, at the least: the line from the first under all that follow. */
  const slope = (costs: readonly (number | null)[]): number => {
    const first = costs.findIndex((one) => one !== null);
    const from = costs[first];
    if (from === undefined || from === null) return Infinity;
    return costs.reduce<number>(
      (least, one, ends) =>
        one === null || ends <= first ? least : Math.min(least, (one - from) / (ends - first)),
      Infinity,
    );
  };
  const finite = (value: number) => (Number.isFinite(value) ? Math.max(0, value) : 0);
  const toll: NodePrices['toll'] = (weigh) => {
    let net = slope(costsOf(weigh, (ends) => passing(ends), 1));
    let ground = Infinity;
    standing.forEach((here, index) => {
      if (!here || here.box.work === 'beyond') return;
      settled.classes.forEach((_, i) => (net = Math.min(net, slope(netCosts(weigh, here, i, false)))));
      // The far place of a return run shares the grounds of its box.
      if (returning?.far === index) return;
      for (const bonded of [false, true])
        ground = Math.min(ground, slope(groundCosts(weigh, here, index, bonded)));
    });
    return { net: finite(net), ground: finite(ground) };
  };
  const least: NodePrices['least'] = (index, weigh, paid) => {
    const here = standing[index];
    if (!here || here.box.work === 'beyond') return 0;
    const far = returning?.far === index;
    let sum = far ? 0 : weigh({ ...NOTHING, minutes: here.minutes });
    const lowest = (costs: readonly (number | null)[], each: number): number => {
      const left = costs.flatMap((one, ends) => (one === null ? [] : [one - each * ends]));
      return left.length > 0 ? Math.min(...left) : 0;
    };
    settled.classes.forEach(({ nets, at }, i) => {
      // A net with terminals elsewhere has to come to its terminals here by one run at least.
      const here1 = at.includes(index);
      const alone = at.every((other) => other === index);
      const costs = here1
        ? netCosts(weigh, here, i, alone)
        : [0, ...costsOf(weigh, (ends) => passing(ends), 1).slice(1)];
      sum += nets.length * lowest(costs, paid.net);
    });
    if (far) return sum;
    sum += Math.min(
      ...[false, true].map((bonded) => lowest(groundCosts(weigh, here, index, bonded), paid.ground)),
    );
    const bought = here.box.work === 'existing';
    const prices = here.offers
      .filter((offer) => {
        const clamps = offer.internalClamps || here.contents.internalClamps;
        return boxFill(offer.volume, { ...here.contents, internalClamps: clamps }, job.edition).passes;
      })
      .map((offer) => (bought ? 0 : offer.price) + platePrice(here, offer.gangs));
    return sum + weigh({ ...NOTHING, material: prices.length > 0 ? Math.min(...prices) : 0 });
  };
  return { node, toll, least };
};

/** Devices that are bought, with the minutes they take: the same for every tree of an arrangement. */
export const fixedCost = (job: Job, { fittings }: Settled): Cost =>
  fittings.reduce((sum, { slot, article }) => {
    if (slot.existing || !article) return sum;
    return plus(sum, { ...NOTHING, material: article.price, minutes: job.labour.device });
  }, NOTHING);

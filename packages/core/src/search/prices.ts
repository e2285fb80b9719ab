import { articleOf, articlesOf, groundOf, type CableArticle } from '../model/articles.js';
import { PANEL, placeOfNode, type BoxId, type CableId, type Place } from '../model/ids.js';
import type { ExistingCable, Job } from '../model/job.js';
import { runFactOf } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { End, Terminal } from '../model/wiring.js';
import { bondOf, yokeGrounds } from '../circuit/grounding.js';
import { boxFill } from '../code/boxFill.js';
import type { BoxContents } from '../model/contents.js';
import { chosenOffer, suitingBoxes, type BoxOffer } from '../materials/boxChoice.js';
import { chooseConnectors } from '../materials/connectors.js';
import { cutLength, runLength, wayOf } from '../materials/lengths.js';
import { assignColours } from '../planning/colours.js';
import { cablesFor } from '../planning/carriers.js';
import type { BoxNode } from '../planning/boxNodes.js';
import { makeUpNode } from '../planning/makeUpNode.js';
import type { Net } from '../planning/nets.js';
import { MOST_RUNS, type NodeLoad } from './load.js';
import type { Settled } from './problem.js';

/**
 * What a candidate costs, in parts. Money is in ten-thousandths of a dollar. Left out of the objective, and said so where
 * it is shown: staples, tape, wire for tails.
 */
export interface Cost {
  material: number;
  minutes: number;
  /** Inches of new cable, by cut length. */
  cable: number;
  /** Largest volume that a box needs, ten-thousandths of a cubic inch. */
  volume: number;
}

export const NOTHING: Cost = { material: 0, minutes: 0, cable: 0, volume: 0 };

export const plus = (a: Cost, b: Cost): Cost => ({
  material: a.material + b.material,
  minutes: a.minutes + b.minutes,
  cable: a.cable + b.cable,
  volume: Math.max(a.volume, b.volume),
});

/** What a run between two places costs when it carries some nets, and how full it makes the boxes. */
export interface RunPrice {
  cost: Cost;
  article: CableArticle;
  /** Insulated conductors that it adds to each of its boxes; none where it lies there already. */
  insulated: number;
  cables: number;
  spares: number;
}

/** Prices of one settled arrangement; what is out of the question is null. */
export interface Prices {
  /** Between two nodes, or from the panel; `crossing` has a bit for each net class that the run carries. */
  run: (a: number | 'panel', b: number, crossing: number) => RunPrice | null;
  node: (node: number, load: NodeLoad) => Cost | null;
  /** Every cable that may go between two nodes, with its cost and the most nets that it carries. Lower bounds rest on it. */
  offers: (a: number | 'panel', b: number) => { most: number; cost: Cost }[];
  /** No less than what a node costs under any load that reaches its terminals. */
  least: (node: number) => Cost;
  /** Devices, which no tree changes. */
  fixed: Cost;
}

const rateOf = (job: Job) => job.labour.rate / 60;
/** Money of minutes at the job's rate. */
export const moneyOf = (job: Job, cost: Cost): number => cost.material + cost.minutes * rateOf(job);

const fakeEnd = (i: number): End => ({ cable: `end-${i}` as CableId, side: 'from', colour: 'black' });

/** Cables that lie in the job already, by the pair of their places. */
const existingBetween = (job: Job, a: Place, b: Place): ExistingCable | undefined =>
  job.existingCables.find(({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a));

const runPrices = (job: Job, settled: Settled): Pick<Prices, 'run' | 'offers'> => {
  const { circuit, classes, nodes } = settled;
  const articles = cablesFor(job, circuit);
  const netsOf = (crossing: number): Net[] =>
    classes.flatMap(({ nets }, i) => ((crossing >> i) & 1 ? nets : []));
  const carried = new Map<string, { article: CableArticle; spares: number } | null>();
  const carry = (offered: readonly CableArticle[], crossing: number) => {
    const key = `${offered[0]?.id ?? ''} ${crossing}`;
    const known = carried.get(key);
    if (known !== undefined) return known;
    const nets = netsOf(crossing);
    const article = offered.find((one) => one.insulated.length >= nets.length && assignColours(nets, one));
    const found = article ? { article, spares: article.insulated.length - nets.length } : null;
    carried.set(key, found);
    return found;
  };
  const placeAt = (node: number | 'panel'): Place =>
    node === 'panel' ? PANEL : placeOfNode(nodes[node] ?? PANEL);
  interface Pair {
    existing: ExistingCable | undefined;
    cut: number;
    minutes: number;
  }
  const pairs = new Map<string, Pair | null>();
  const pairOf = (a: Place, b: Place): Pair | null => {
    const key = `${a} ${b}`;
    const known = pairs.get(key);
    if (known !== undefined) return known;
    const fact = runFactOf(job, a, b);
    const existing = existingBetween(job, a, b);
    const length = runLength(job, a, b);
    const cut = cutLength(job, {
      id: 'cable' as CableId,
      article: articles[0]?.id ?? ('' as CableArticle['id']),
      from: a,
      to: b as BoxId,
      existing: false,
      via: [],
      ...length,
    });
    const { access } = wayOf(job, a, b);
    const { run, foot, opening } = job.labour;
    const minutes = run + ((length.length ?? 0) / 12) * foot[access] + (fact?.openings ?? 0) * opening;
    const out = fact?.rule === 'forbidden' || a === b || (!existing && cut === null);
    const pair = out ? null : { existing, cut: cut?.cut ?? 0, minutes };
    pairs.set(key, pair);
    return pair;
  };
  const bought = (pair: Pair, article: CableArticle): Cost => ({
    material: (pair.cut / 12) * article.price,
    minutes: pair.minutes,
    cable: pair.cut,
    volume: 0,
  });
  const offers: Prices['offers'] = (a, b) => {
    const pair = pairOf(placeAt(a), placeAt(b));
    if (!pair) return [];
    if (pair.existing)
      return [{ most: articleOf(job.stock, 'cable', pair.existing.article).insulated.length, cost: NOTHING }];
    return articles
      .filter((article) => pair.cut <= article.coilFeet * 12)
      .map((article) => ({ most: article.insulated.length, cost: bought(pair, article) }));
  };
  const run: Prices['run'] = (a, b, crossing) => {
    const pair = pairOf(placeAt(a), placeAt(b));
    if (!pair) return null;
    if (pair.existing) {
      const found = carry([articleOf(job.stock, 'cable', pair.existing.article)], crossing);
      // Its conductors are in its boxes whether it is used or not.
      return found ? { ...found, cost: NOTHING, insulated: 0, cables: 0 } : null;
    }
    const found = carry(articles, crossing);
    if (!found || pair.cut > found.article.coilFeet * 12) return null;
    return {
      ...found,
      cost: bought(pair, found.article),
      insulated: found.article.insulated.length,
      cables: 1,
    };
  };
  return { run, offers };
};

/** What stands in a box whatever tree is chosen. */
interface Standing {
  box: Job['boxes'][number];
  contents: BoxContents;
  offers: BoxOffer[];
  /** Terminals and leads of each net class by its first net, and of the grounds. */
  nodes: (BoxNode | null)[];
  ground: BoxNode;
  /** Terminals of grounds that screws to a bonded box would serve. */
  byScrews: ReadonlySet<string>;
  groundEnds: number;
  minutes: number;
  /** Device spaces taken, and whether any device in it is new. */
  gangs: number;
  newDevices: boolean;
}

const emptyNode = (net: Net | 'ground'): BoxNode => ({ key: 'x', net, ends: [], terminals: [], leads: [] });

const terminalName = (to: Terminal) => JSON.stringify(to);

const standingAt = (job: Job, settled: Settled, index: number): Standing | null => {
  const node = settled.nodes[index];
  const id = node === undefined ? undefined : (placeOfNode(node) as BoxId);
  const box = job.boxes.find((one) => one.id === id);
  if (!box || node === undefined) return null;
  const far = node !== id;
  const { awg } = settled.circuit;
  const here = settled.attachments.filter(
    (one) => one.at === node || (one.net === 'ground' && !far && placeOfNode(one.at) === id),
  );
  const nodes = settled.classes.map(({ nets: [net] }) => (net ? emptyNode(net) : null));
  const ground = emptyNode('ground');
  const byScrews = new Set<string>();
  for (const { net, to, twin } of here) {
    const at =
      net === 'ground' ? ground : nodes[settled.classes.findIndex((one) => one.nets[0]?.id === net.id)];
    if (!at) continue;
    const luminaire = 'luminaire' in to ? job.luminaires.find((one) => one.id === to.luminaire) : undefined;
    const strapped = luminaire?.strap === true && 'luminaire' in to && to.name === 'ground';
    if ('luminaire' in to && luminaire?.terminals === 'leads' && !strapped)
      at.leads.push({ luminaire: to.luminaire, name: to.name, awg: luminaire.leadAwg });
    else at.terminals.push({ to, twin: twin ?? null });
    if (net !== 'ground' || !('device' in to)) continue;
    const fitting = settled.fittings.find((one) => `device:${one.slot.id}` === to.device);
    if (fitting?.article && yokeGrounds(fitting.article, 'metal')) byScrews.add(terminalName(to));
  }
  const fittings = settled.fittings.filter((one) => one.slot.box === id);
  const hanging = job.luminaires.filter((one) => one.box === id);
  const lying = job.existingCables.flatMap((cable) => {
    const times = cable.between.filter((place) => place === id).length;
    const article = articleOf(job.stock, 'cable', cable.article);
    return Array.from({ length: times }, () => article);
  });
  const fed =
    settled.root === index && !job.existingCables.some((one) => one.between.join() === `${PANEL},${id}`);
  const feed = fed ? cablesFor(job, settled.circuit).slice(0, 1) : [];
  const cables = [...lying, ...feed];
  const groundsIn = cables.flatMap((one) => {
    const colour = groundOf(one);
    return colour === null || colour === 'raceway' ? [] : [one.awg];
  });
  const leads = hanging.flatMap((one) =>
    one.terminals === 'leads' ? Array.from({ length: one.partOf === null ? 2 : 1 }, () => one.leadAwg) : [],
  );
  const before = box.existingFill;
  const contents: BoxContents = {
    ...before,
    conductors: [
      ...before.conductors,
      ...cables.flatMap((one) => one.insulated.map(() => one.awg)),
      ...leads.filter((size) => size <= 14),
    ],
    grounds: [...before.grounds, ...groundsIn],
    yokes: [
      ...before.yokes,
      ...fittings.flatMap(({ article }) => (article ? [{ gangs: article.gangs, awg }] : [])),
    ],
    supportFittings: box.fittings.length + before.supportFittings,
    fixtureWires: [...before.fixtureWires, ...leads.filter((size) => size > 14)],
    domedCanopy: before.domedCanopy && hanging.every((one) => one.domedCanopy || one.terminals === 'screws'),
  };
  const gangs = fittings.reduce((sum, one) => sum + (one.article?.gangs ?? 0), 0);
  const own = box.article !== null ? [chosenOffer(job, [box.article, ...box.sections])] : null;
  const bringsItsOwn = hanging.find((one) => one.driverBox !== null)?.driverBox;
  const offers =
    own ??
    (bringsItsOwn !== undefined && bringsItsOwn !== null
      ? [{ articles: [], volume: bringsItsOwn, gangs: 0, price: 0, internalClamps: false }]
      : suitingBoxes(job, box, { gangs, luminaires: hanging.filter((one) => one.unit !== 'onward') }));
  const labour = box.work === 'beyond' ? 0 : job.labour.box[box.work];
  return {
    box,
    contents,
    offers,
    nodes,
    ground,
    byScrews,
    groundEnds: groundsIn.length,
    minutes: labour,
    gangs,
    newDevices: fittings.some(({ slot, article }) => article !== null && !slot.existing),
  };
};

const nodePrices = (job: Job, settled: Settled): Pick<Prices, 'node' | 'least'> => {
  const standing = settled.nodes.map((_, i) => standingAt(job, settled, i));
  const { awg } = settled.circuit;
  const { returning } = settled;
  const cap = chooseConnectors(job.stock, job.preferences, [awg], false);
  const priceOf = (connectors: readonly { article: string }[]) =>
    connectors.reduce((sum, one) => sum + articleOf(job.stock, 'connector', one.article).price, 0);
  const capPrice = cap ? priceOf(cap) : null;
  const madeUp = new Map<string, Cost | null>();
  /** What one net takes in a box: its connectors and the minutes of its splice. */
  const netCost = (box: BoxId, node: BoxNode, ends: number, key: string): Cost | null => {
    const known = madeUp.get(key);
    if (known !== undefined) return known;
    const all = Array.from({ length: ends }, (_, i) => ({ end: fakeEnd(i), awg }));
    const { joints, unjoined } = makeUpNode(job, box, { ...node, ends: all });
    const material = priceOf(joints.flatMap((joint) => joint.connectors));
    const spliced = joints.filter((joint) => joint.members.length > 1).length;
    const cost = unjoined.length > 0 ? null : { ...NOTHING, material, minutes: spliced * job.labour.splice };
    madeUp.set(key, cost);
    return cost;
  };
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
  const sundry = (use: 'plate' | 'blank', gangs: number | null) =>
    articlesOf(job.stock, 'sundry').find((one) => one.use === use && one.gangs === gangs)?.price ?? 0;
  /** A plate for the gangs of the box, and blanks for those without a device. */
  const platePrice = ({ newDevices, gangs }: Standing, there: number): number =>
    newDevices ? sundry('plate', there) + Math.max(0, there - gangs) * sundry('blank', null) : 0;
  const node: Prices['node'] = (index, { ends, insulated, cables, spares }) => {
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
      const one = netCost(here.box.id, node, count, `${index} ${i} ${count}`);
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
    const ground = netCost(
      here.box.id,
      { ...here.ground, terminals },
      grounds,
      `${index} G ${grounds} ${terminals.length}`,
    );
    if (!ground) return null;
    const bought = here.box.work === 'existing' ? 0 : offer.price;
    const material = bought + platePrice(here, offer.gangs);
    return plus(plus(cost, ground), { ...NOTHING, material, volume: needed });
  };

  const cheapest = (costs: readonly (Cost | null)[]): Cost => {
    const found = costs.filter((one) => one !== null);
    return found.length === 0
      ? NOTHING
      : {
          material: Math.min(...found.map((one) => one.material)),
          minutes: Math.min(...found.map((one) => one.minutes)),
          cable: 0,
          volume: 0,
        };
  };
  const counts = Array.from({ length: MOST_RUNS + 1 }, (_, i) => i);
  const least: Prices['least'] = (index) => {
    const here = standing[index];
    if (!here || here.box.work === 'beyond') return NOTHING;
    const far = returning?.far === index;
    let cost: Cost = far ? NOTHING : { ...NOTHING, minutes: here.minutes };
    settled.classes.forEach(({ nets, at }, i) => {
      const one = here.nodes[i];
      if (!one || one.terminals.length + one.leads.length === 0) return;
      // A net with terminals elsewhere has to come here by one run at least.
      const alone = at.every((other) => other === index);
      const costs = counts
        .filter((ends) => ends > 0 || alone)
        .map((ends) => netCost(here.box.id, one, ends, `${index} ${i} ${ends}`));
      for (let lane = 0; lane < nets.length; lane++) cost = plus(cost, cheapest(costs));
    });
    if (far) return cost;
    const bought = here.box.work === 'existing';
    const prices = here.offers
      .filter((offer) => {
        const clamps = offer.internalClamps || here.contents.internalClamps;
        return boxFill(offer.volume, { ...here.contents, internalClamps: clamps }, job.edition).passes;
      })
      .map((offer) => (bought ? 0 : offer.price) + platePrice(here, offer.gangs));
    return plus(cost, { ...NOTHING, material: prices.length > 0 ? Math.min(...prices) : 0 });
  };
  return { node, least };
};

/** Devices that are bought, with the minutes they take: the same for every tree of an arrangement. */
const fixedCost = (job: Job, { fittings }: Settled): Cost =>
  fittings.reduce((sum, { slot, article }) => {
    if (slot.existing || !article) return sum;
    return plus(sum, { ...NOTHING, material: article.price, minutes: job.labour.device });
  }, NOTHING);

/** Prices of everything that a tree is made of, remembered as they are asked for. */
export const pricesOf = (job: Job, settled: Settled): Prices => ({
  ...runPrices(job, settled),
  ...nodePrices(job, settled),
  fixed: fixedCost(job, settled),
});

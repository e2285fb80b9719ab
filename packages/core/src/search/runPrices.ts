import { articleOf, type CableArticle } from '../model/articles.js';
import { PANEL, placeOfNode, type BoxId, type CableId, type Place } from '../model/ids.js';
import { runFactOf, type ExistingCable, type Job } from '../model/job.js';
import { cutLength, runLength, wayOf } from '../materials/lengths.js';
import { assignColours } from '../planning/colours.js';
import { cablesFor } from '../planning/carriers.js';
import type { Net } from '../planning/nets.js';
import { NOTHING, type Cost } from './cost.js';
import type { Settled } from './problem.js';
import type { PairOfPlaces, Shared } from './shared.js';

/** What a run between two places costs when it carries some nets, and how full it makes the boxes. */
export interface RunPrice {
  cost: Cost;
  article: CableArticle;
  /** Insulated conductors that it adds to each of its boxes; none where it lies there already. */
  insulated: number;
  cables: number;
  spares: number;
}

/** Runs between the nodes of one settled arrangement; what is out of the question is null. */
export interface RunPrices {
  /** Between two nodes, or from the panel; `crossing` has a bit for each net class that the run carries. */
  run: (a: number | 'panel', b: number, crossing: number) => RunPrice | null;
  /** Every cable that may go there, with its cost and the most nets that it carries. Lower bounds rest on it. */
  offers: (a: number | 'panel', b: number) => { most: number; cost: Cost }[];
}

/** Cables that lie in the job already, by the pair of their places. */
const existingBetween = (job: Job, a: Place, b: Place): ExistingCable | undefined =>
  job.existingCables.find(({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a));

export const runPricesOf = (job: Job, settled: Settled, shared: Shared): RunPrices => {
  const { circuit, classes, nodes } = settled;
  const articles = cablesFor(job, circuit);
  const netsOf = (crossing: number): Net[] =>
    classes.flatMap(({ nets }, i) => ((crossing >> i) & 1 ? nets : []));
  const carry = (offered: readonly CableArticle[], crossing: number) => {
    const nets = netsOf(crossing);
    // What carries nets hangs on their kinds alone.
    const key = `${offered[0]?.id ?? ''} ${nets.map((net) => net.kind + (net.lane ?? '')).join()}`;
    const known = shared.carried.get(key);
    if (known !== undefined) return known;
    const article = offered.find((one) => one.insulated.length >= nets.length && assignColours(nets, one));
    const found = article ? { article, spares: article.insulated.length - nets.length } : null;
    shared.carried.set(key, found);
    return found;
  };
  const placeAt = (node: number | 'panel'): Place =>
    node === 'panel' ? PANEL : placeOfNode(nodes[node] ?? PANEL);
  const pairOf = (a: Place, b: Place): PairOfPlaces | null => {
    const key = `${a} ${b}`;
    const known = shared.pairs.get(key);
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
    shared.pairs.set(key, pair);
    return pair;
  };
  const bought = (pair: PairOfPlaces, article: CableArticle): Cost => ({
    material: (pair.cut / 12) * article.price,
    minutes: pair.minutes,
    cable: pair.cut,
    volume: 0,
  });
  const offers: RunPrices['offers'] = (a, b) => {
    const pair = pairOf(placeAt(a), placeAt(b));
    if (!pair) return [];
    if (pair.existing)
      return [{ most: articleOf(job.stock, 'cable', pair.existing.article).insulated.length, cost: NOTHING }];
    return articles
      .filter((article) => pair.cut <= article.coilFeet * 12)
      .map((article) => ({ most: article.insulated.length, cost: bought(pair, article) }));
  };
  const run: RunPrices['run'] = (a, b, crossing) => {
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

import { articleOf, articlesOf, type CableArticle } from '../model/articles.js';
import { PANEL, placeOfNode, type BoxId, type CableId, type Place, type TreePlace } from '../model/ids.js';
import { isBetween, runFactOf, type ExistingCable } from '../model/job.js';
import { cutLength, runLength, wayOf } from '../materials/lengths.js';
import { assignColours } from '../planning/colours.js';
import { loadOfRun, trunkOf } from './load.js';
import type { Carried, RunTable, Way, WeighedRun } from './prices.js';
import type { PriceTables } from './priceTables.js';
import type { Settled } from './problem.js';

/** Taken off for each run that is forced, so that a tree with it is always cheaper than one without; put back at the end. */
export const FORCED = 1e12;

const wayBetween = (
  { job, circuit, cables, weights, background, splices, someLengths }: PriceTables,
  a: Place,
  b: Place,
): Way | null => {
  const fact = runFactOf(job, a, b);
  if (fact?.rule === 'forbidden' || a === b) return null;
  if (background.claimed.some((one) => isBetween(one, a, b))) return null;
  const takenElsewhere = job.choices.some(
    ({ circuit: other, runs }) =>
      other !== circuit.id &&
      runs.some(({ from, to }) => isBetween({ between: [placeOfNode(from), placeOfNode(to)] }, a, b)),
  );
  const forced = fact?.rule === 'forced' && !takenElsewhere;
  const found: ExistingCable | undefined = background.existing.find((one) => isBetween(one, a, b));
  if (found) {
    const existing = articleOf(job.stock, 'cable', found.article);
    // Its conductors need no caps any more; those that stay unused are capped as spares.
    const ends = job.boxes.filter(({ id, work }) => (id === a || id === b) && work !== 'beyond').length;
    return { costs: [-ends * existing.insulated.length * splices.cap], existing, forced };
  }
  const length = runLength(job, a, b);
  const isKnown = a === PANEL || b === PANEL ? someLengths.homeRuns : someLengths.runs;
  const { access } = wayOf(job, a, b);
  const { run, foot, opening } = job.labour;
  const minutes = run + ((length.length ?? 0) / 12) * foot[access] + (fact?.openings ?? 0) * opening;
  const plate = articlesOf(job.stock, 'sundry').find((one) => one.use === 'steelPlate')?.price ?? 0;
  const costs = cables.map((article) => {
    const cut = cutLength(job, {
      id: 'cable' as CableId,
      article: article.id,
      from: a,
      to: b as BoxId,
      existing: false,
      via: [],
      ...length,
    });
    const inches = cut?.cut ?? (isKnown ? Infinity : 0);
    if (inches > article.coilFeet * 12) return Infinity;
    const material = (inches / 12) * article.price + (fact?.closeHoles ?? 0) * plate;
    return weights.material * material + weights.minute * minutes + weights.inch * inches;
  });
  return costs.some((cost) => cost < Infinity) ? { costs, existing: null, forced } : null;
};

const tableOf = (tables: PriceTables, nodes: readonly TreePlace[]): RunTable => {
  const key = nodes.join();
  const known = tables.runs.get(key);
  if (known) return known;
  const places = nodes.map(placeOfNode);
  const n = places.length;
  const between: (Way | null)[] = places.flatMap(() => places.map(() => null));
  places.forEach((a, i) => {
    for (let j = i + 1; j < n; j++)
      between[i * n + j] = between[j * n + i] = wayBetween(tables, a, places[j] ?? a);
  });
  const made: RunTable = { between, home: places.map((b) => wayBetween(tables, PANEL, b)) };
  tables.runs.set(key, made);
  return made;
};

/** A cable that may go somewhere: the most nets that it carries, and its cost. */
export interface Offer {
  most: number;
  cost: number;
}

/** Runs between the nodes of one settled arrangement; what is out of the question is null. */
export interface RunPrices {
  /** `crossing` has a bit for each net class that the run carries. */
  between: (a: number, b: number, crossing: number) => WeighedRun | null;
  home: (b: number, crossing: number) => WeighedRun | null;
  /** Every cable that may go there, with its cost and the most nets that it carries. Lower bounds rest on it. */
  offers: (a: number | 'panel', b: number) => Offer[];
  /** Boxes to which a home run is forced, as bits. */
  forcedHomes: number;
  /** Pairs of nodes that a forced run joins. */
  forced: number;
}

export const runPricesOf = (
  tables: PriceTables,
  { classes, nodes, returning, forcedFar, neutralOpen }: Settled,
): RunPrices => {
  const n = nodes.length;
  const { between, home } = tableOf(tables, nodes);
  /** Of the two nodes of a box with a return run, a forced run leads to the one that the order says. */
  const isForced = (way: Way, a: number, b: number): boolean => {
    if (!way.forced || returning === null) return way.forced;
    const { near, far } = returning;
    if (a === far || b === far) return nodes[a === far ? b : a] === forcedFar;
    return (a !== near && b !== near) || nodes[a === near ? b : a] !== forcedFar;
  };
  const bonusOf = (way: Way, a: number, b: number) => (isForced(way, a, b) ? FORCED : 0);
  const barred = (a: number, b: number) =>
    returning !== null &&
    (a === returning.near || a === returning.far) &&
    (b === returning.near || b === returning.far);
  const kinds = classes.map(({ nets }) => nets.map(({ kind, lane }) => `${kind}${lane ?? ''}`).join('+'));
  const carry = (offered: readonly CableArticle[], crossing: number, isNew: boolean): Carried | null => {
    const nets = classes.flatMap((one, i) => ((crossing >> i) & 1 ? one.nets : []));
    const at = offered.findIndex((one) => one.insulated.length >= nets.length && assignColours(nets, one));
    const insulated = offered[at]?.insulated.length;
    if (insulated === undefined) return null;
    const spares = insulated - nets.length;
    // The conductors and the ground of an existing cable are in its boxes whether it is used or not.
    const brings = isNew ? { insulated, cables: 1, spares } : { insulated: 0, cables: 0, spares };
    return { at, load: loadOfRun(crossing, brings), trunk: trunkOf(brings) };
  };
  /** Remembered over all orders, as it hangs on the kinds of the nets alone. */
  const carrier = (offered: readonly CableArticle[], isNew: boolean) => {
    const key = [isNew ? 'new' : offered[0]?.id, ...kinds].join();
    const known = tables.carried.get(key) ?? new Map<number, Carried | null>();
    tables.carried.set(key, known);
    return (crossing: number): Carried | null => {
      const before = known.get(crossing);
      if (before !== undefined) return before;
      const found = carry(offered, crossing, isNew);
      known.set(crossing, found);
      return found;
    };
  };
  const bought = carrier(tables.cables, true);
  const run = (way: Way, bonus: number, crossing: number): WeighedRun | null => {
    const found = way.existing ? carrier([way.existing], false)(crossing) : bought(crossing);
    let cost = found ? (way.costs[found.at] ?? Infinity) : Infinity;
    // A neutral that is led on may ask for a wider cable, which may be the cheaper.
    if (found && neutralOpen)
      for (let wider = found.at + 1; wider < way.costs.length; wider++)
        cost = Math.min(cost, way.costs[wider] ?? Infinity);
    return found && cost < Infinity ? { cost: cost - bonus, load: found.load, trunk: found.trunk } : null;
  };
  return {
    between: (a, b, crossing) => {
      const way = between[a * n + b];
      return way && !barred(a, b) ? run(way, bonusOf(way, a, b), crossing) : null;
    },
    home: (b, crossing) => {
      const way = home[b];
      return way ? run(way, 0, crossing) : null;
    },
    forcedHomes: home.reduce((mask, way, b) => (way?.forced ? mask | (1 << b) : mask), 0),
    offers: (a, b) => {
      const way = a === 'panel' ? home[b] : barred(a, b) ? null : between[a * n + b];
      if (!way) return [];
      const bonus = a === 'panel' ? 0 : bonusOf(way, a, b);
      const offered = way.existing ? [way.existing] : tables.cables;
      return offered.flatMap((article, i) => {
        const cost = (way.costs[i] ?? Infinity) - bonus;
        return cost === Infinity ? [] : [{ most: article.insulated.length, cost }];
      });
    },
    forced: between.filter((way, i) => {
      const [a, b] = [Math.floor(i / n), i % n];
      return a < b && way && !barred(a, b) && isForced(way, a, b);
    }).length,
  };
};

import { articlesOf, type CableArticle } from '../../model/articles.js';
import { PANEL, placeOfNode, type BoxId, type CableId, type Place } from '../../model/ids.js';
import { isBetween, runFactOf } from '../../model/job.js';
import { cutLength, runLength, wayOf } from '../../materials/lengths.js';
import { existingBetween } from '../../planning/carriers.js';
import { assignColours } from '../../planning/colours.js';
import { hasFourWay, judgedRuns } from './judging.js';
import type { Carried, Offer, PricedWay, RunTable, Way, WeighedRun } from './prices.js';
import type { PriceTables } from './priceTables.js';
import { homeRunAt, kindOfBox } from '../../planning/judged.js';
import { sayLying } from '../atNodes.js';
import type { Settled } from '../problem.js';

/** Taken off for each run that is forced, so that a tree with it is always cheaper than one without; put back at the end. */
export const FORCED = 1e12;

const offersOf = (articles: readonly CableArticle[], costs: readonly number[]): Offer[] =>
  articles.flatMap((article, at) => {
    const cost = costs[at] ?? Infinity;
    return cost === Infinity ? [] : [{ most: article.insulated.length, cost }];
  });

const wayAt = (
  lying: readonly CableArticle[],
  existingCosts: readonly number[],
  bought: readonly CableArticle[],
  costs: readonly number[],
  forced: boolean,
): Way => {
  const offers = [...offersOf(lying, existingCosts), ...offersOf(bought, costs)];
  const settled = { existing: lying, existingCosts, costs, offers };
  // A neutral that is led on may ask for a wider cable, which may be the cheaper, or for a new one.
  const least = Math.min(...costs, ...existingCosts);
  const open: PricedWay = {
    ...settled,
    existingCosts: existingCosts.map(() => least),
    costs: costs.map((_, at) => Math.min(...costs.slice(at))),
  };
  return { settled, open, forced };
};

const withBonus = ({ existing, existingCosts, costs, offers }: PricedWay): PricedWay => ({
  existing,
  existingCosts: existingCosts.map((cost) => cost - FORCED),
  costs: costs.map((cost) => cost - FORCED),
  offers: offers.map((one) => ({ ...one, cost: one.cost - FORCED })),
});

/** What a new cable between two places comes to, for each that may be bought; Infinity where it is longer than its coil, or would be cut by a guess. */
export const newCosts = (
  { job, cables, weights, mayGuess }: Pick<PriceTables, 'job' | 'cables' | 'weights' | 'mayGuess'>,
  a: Place,
  b: Place,
): number[] => {
  const fact = runFactOf(job, a, b);
  const length = runLength(job, a, b);
  const { access } = wayOf(job, a, b);
  const { run, foot, opening } = job.labour;
  const minutes = run + ((length.length ?? 0) / 12) * foot[access] + (fact?.openings ?? 0) * opening;
  const plate = articlesOf(job.stock, 'sundry').find((one) => one.use === 'steelPlate')?.price ?? 0;
  const cut = cutLength(job, {
    from: a,
    to: b as BoxId,
    via: [],
    ...length,
  });
  const inches = length.lengthSource === 'guessed' && !mayGuess ? Infinity : (cut?.cut ?? Infinity);
  return cables.map((article) => {
    if (inches > article.coilFeet * 12) return Infinity;
    const material = (inches / 12) * article.price + (fact?.closeHoles ?? 0) * plate;
    return weights.material * material + weights.minute * minutes + weights.inch * inches;
  });
};

const wayBetween = (
  { job, circuit, cables, weights, splices, mayGuess }: PriceTables,
  a: Place,
  b: Place,
  offered: Lying,
): Way | null => {
  const fact = runFactOf(job, a, b);
  if (fact?.rule === 'forbidden' || a === b) return null;
  const takenElsewhere = job.choices.some(
    ({ circuit: other, runs }) =>
      other !== circuit.id &&
      runs.some(({ from, to }) => isBetween({ between: [placeOfNode(from), placeOfNode(to)] }, a, b)),
  );
  const forced = fact?.rule === 'forced' && !takenElsewhere;
  const lying = existingBetween(job, circuit, a, b)
    .filter(({ existing }) => offered === 'all' || existing?.id === offered)
    .map((one) => one.article);
  // The conductors of one that is used need no caps any more; those that stay unused are capped as spares.
  const ends = job.boxes.filter(({ id, work }) => (id === a || id === b) && work !== 'beyond').length;
  const existingCosts = lying.map(({ insulated }) => -ends * insulated.length * splices.cap);
  const costs = newCosts({ job, cables, weights, mayGuess }, a, b);
  const some = lying.length > 0 || costs.some((cost) => cost < Infinity);
  return some ? wayAt(lying, existingCosts, cables, costs, forced) : null;
};

/** What of the cables that lie between two places a run may have: any of them, one, or none. */
type Lying = 'all' | CableId | null;

/** The way between two places, found once. */
const wayOfPair = (tables: PriceTables, a: Place, b: Place, offered: Lying): Way | null => {
  const [first, second] = a < b ? [a, b] : [b, a];
  // No id holds a comma.
  const which = offered === 'all' ? true : offered === null ? null : ['only', offered];
  return tables.known.ways.get([first, second, which], () => wayBetween(tables, a, b, offered));
};

type Priced = Pick<Settled, 'nodes' | 'boxOf' | 'forcedAt' | 'lyingAt' | 'neutralOpen'>;

const runTableOf = (tables: PriceTables, priced: Priced): RunTable =>
  tables.known.runs.get(
    [priced.nodes, priced.forcedAt.flat(), sayLying(priced.lyingAt), priced.neutralOpen],
    () => makeRunTable(tables, priced),
  );

const makeRunTable = (
  tables: PriceTables,
  { nodes, boxOf, forcedAt, lyingAt, neutralOpen }: Priced,
): RunTable => {
  const n = nodes.length;
  const places = nodes.map(placeOfNode);
  const several = new Set(boxOf.filter((box, node) => box !== node));
  const keptFor = new Map(
    lyingAt.flatMap(({ cable, between: [a, b] }) => {
      const [from, to] = [nodes.indexOf(a), nodes.indexOf(b)];
      return [
        [from * n + to, cable],
        [to * n + from, cable],
      ] as const;
    }),
  );
  /** Where a box is several nodes, what lies there is kept for one run. */
  const offeredAt = (a: number, b: number): Lying =>
    several.has(boxOf[a] ?? a) || several.has(boxOf[b] ?? b) ? (keptFor.get(a * n + b) ?? null) : 'all';
  const ways = places.flatMap((from, a) =>
    places.map((to, b) => wayOfPair(tables, from, to, offeredAt(a, b))),
  );
  const homes = places.map((b) => wayOfPair(tables, PANEL, b, 'all'));
  const boxesOf = (a: number, b: number): string => [boxOf[a], boxOf[b]].sort().join();
  const settledAt = new Map(
    forcedAt.map(([from, to]) => {
      const pair = [nodes.indexOf(from), nodes.indexOf(to)] as const;
      return [boxesOf(...pair), [...pair].sort().join()] as const;
    }),
  );
  /** Where a box is several nodes, a forced run leads to the one that the order says; to the box itself where it says nothing. */
  const isForced = (way: Way, a: number, b: number): boolean => {
    if (!way.forced) return false;
    const at = settledAt.get(boxesOf(a, b));
    return at === undefined ? a === boxOf[a] && b === boxOf[b] : at === [a, b].sort().join();
  };
  const isBarred = (a: number, b: number) => boxOf[a] === boxOf[b];
  const priced = (way: Way | null, isForcedHere: boolean): PricedWay | null => {
    const plain = neutralOpen ? way?.open : way?.settled;
    return plain && isForcedHere ? withBonus(plain) : (plain ?? null);
  };
  const pairs = Array.from({ length: n * n }, (_, pair) => ({ a: Math.floor(pair / n), b: pair % n }));
  const between = ways.map((way, pair): PricedWay | null => {
    const { a = 0, b = 0 } = pairs[pair] ?? {};
    return isBarred(a, b) ? null : priced(way, way !== null && isForced(way, a, b));
  });
  return {
    between,
    home: homes.map((way) => priced(way, false)),
    costs: Float64Array.from(
      between.flatMap((way) => tables.cables.map((_, at) => way?.costs[at] ?? Infinity)),
    ),
    forcedHomes: homes.reduce((mask, way, b) => (way?.forced ? mask | (1 << b) : mask), 0),
    forced: ways.filter((way, pair) => {
      const { a = 0, b = 0 } = pairs[pair] ?? {};
      return a < b && way && !isBarred(a, b) && isForced(way, a, b);
    }).length,
  };
};

/** A new cable that carries some nets, with what a master thinks of it. */
export interface Bought extends Carried {
  judged: number;
}

/** Runs between the nodes of one settled arrangement; what is out of the question is null. */
export interface RunPrices {
  table: RunTable;
  /** `crossing` has a bit for each net class that the run carries. */
  between: (a: number, b: number, crossing: number) => WeighedRun | null;
  home: (b: number, crossing: number) => WeighedRun | null;
  /** The new cable that carries some nets, wherever it goes; null where none of the stock is wide enough. */
  bought: (crossing: number) => Bought | null;
  /** Every cable that may go there, with its cost and the most nets that it carries. Lower bounds rest on it. */
  offers: (a: number | 'panel', b: number) => readonly Offer[];
}

export const runPricesOf = (tables: PriceTables, settled: Settled): RunPrices => {
  const { classes, nodes } = settled;
  const { job, circuit, weights } = tables;
  const n = nodes.length;
  const table = runTableOf(tables, settled);
  const carry = (offered: readonly CableArticle[], crossing: number, isNew: boolean): Carried | null => {
    const nets = classes.flatMap((one, i) => ((crossing >> i) & 1 ? one.nets : []));
    const at = offered.findIndex((one) => one.insulated.length >= nets.length && assignColours(nets, one));
    const insulated = offered[at]?.insulated.length;
    if (insulated === undefined) return null;
    const spares = insulated - nets.length;
    // The conductors and the ground of an existing cable are in its boxes whether it is used or not.
    const brings = isNew ? { insulated, cables: 1, spares } : { insulated: 0, cables: 0, spares };
    return { at, load: tables.codes.loadOfRun(crossing, brings), trunk: tables.codes.trunkOf(brings) };
  };
  const kinds = classes
    .map(({ nets }) => nets.map(({ kind, lane }) => `${kind}${lane ?? ''}`).join('+'))
    .join();
  /** Remembered over all orders, as it hangs on the kinds of the nets alone. */
  const carrier = (existing: CableArticle | null) => {
    const known = tables.known.carried.get(
      [existing === null, existing?.id ?? null, kinds],
      () => new Map<number, Carried | null>(),
    );
    return (crossing: number): Carried | null => {
      const before = known.get(crossing);
      if (before !== undefined) return before;
      const found = carry(existing ? [existing] : tables.cables, crossing, existing === null);
      known.set(crossing, found);
      return found;
    };
  };
  const judged = judgedRuns(tables, settled);
  const carriedBought = carrier(null);
  const known = new Map<number, Bought | null>();
  const bought = (crossing: number): Bought | null => {
    const before = known.get(crossing);
    if (before !== undefined) return before;
    const found = carriedBought(crossing);
    const made = found && { ...found, judged: judged(crossing, true) };
    known.set(crossing, made);
    return made;
  };
  const run = (way: PricedWay | null | undefined, crossing: number): WeighedRun | null => {
    if (!way) return null;
    for (const [i, cable] of way.existing.entries()) {
      const found = carrier(cable)(crossing);
      if (found)
        return {
          cost: (way.existingCosts[i] ?? Infinity) + judged(crossing, false),
          ...{ load: found.load, trunk: found.trunk },
        };
    }
    const found = bought(crossing);
    const cost = found ? (way.costs[found.at] ?? Infinity) + found.judged : Infinity;
    return found && cost < Infinity ? { cost, load: found.load, trunk: found.trunk } : null;
  };
  return {
    table,
    between: (a, b, crossing) => run(table.between[a * n + b], crossing),
    home: (b, crossing) => {
      const found = run(table.home[b], crossing);
      const box = placeOfNode(nodes[b] ?? PANEL) as BoxId;
      const what = homeRunAt(job, kindOfBox(job, circuit, box), box);
      const thought =
        (what === null ? 0 : job.judgement[what]) +
        (hasFourWay(settled, box) ? job.judgement.powerIntoFourWay : 0);
      return found && { ...found, cost: found.cost + weights.judgement * thought };
    },
    bought,
    offers: (a, b) => (a === 'panel' ? table.home[b] : table.between[a * n + b])?.offers ?? [],
  };
};

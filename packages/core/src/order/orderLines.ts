import type { Article, CableArticle } from '../model/articles.js';
import type { BoxId, CableId, LuminaireId, RoomId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { roughRooms } from '../model/lookup.js';
import { AISLES, type Aisle } from '../model/order.js';
import { ofId } from '../model/records.js';
import { feetWord } from './units.js';
import type { Estimate } from '../materials/estimate.js';
import { coilPlans } from '../materials/coilPlan.js';
import type { MaterialKind } from '../materials/takeOff.js';
import { liveRecords, type SiteRecord } from '../wire/record.js';
import { luminairesHung } from './hung.js';
import { boughtOf } from './packs.js';
import { isIn, type OrderPart } from './part.js';

const AISLE_OF: Record<MaterialKind, Aisle> = {
  cable: 'cable',
  box: 'boxes',
  device: 'devices',
  luminaire: 'luminaires',
  connector: 'connectors',
  plate: 'plates',
  blank: 'plates',
  staple: 'fasteners',
  steelPlate: 'fasteners',
  tape: 'tape',
  wire: 'tails',
  sundry: 'other',
};

/** One line of what is carried out of the shop. Money in ten-thousandths of a dollar. */
export interface OrderLine {
  /** Of its article, or of the line that was added by hand. */
  key: string;
  aisle: Aisle;
  article: Article['id'] | null;
  name: string;
  unit: 'each' | 'foot';
  /** What the work takes, what of that is in the truck, and what is left to buy. */
  need: number;
  inTruck: number;
  buy: number;
  /** "1 bag of 25 and 3", "1 coil of 250 ft", "14 ft"; empty where nothing is to buy. */
  how: string;
  /** What the counter asks; null where no price is known. */
  price: number | null;
  /** Left over of what is bought in packs or coils, in the unit. */
  over: number;
  /** Where it goes; nothing for a line added by hand. */
  uses: { at: BoxId | CableId; quantity: number }[];
  /** Where it is luminaires: which. */
  luminaires: LuminaireId[];
  /** The owner brings it: it has no price and counts in no sum. */
  fromOwner: boolean;
  /** So much came, by what is on record. */
  delivered: number;
  byHand: boolean;
  /** It is not to be had, and asked for all the same: chosen by hand, or nothing else of the stock serves. */
  absent: boolean;
}

export interface OrderList {
  lines: OrderLine[];
  /** Of all lines with a price. */
  total: number;
  /** Names of lines without one. */
  unpriced: string[];
  /** New cables without a length, which no foot is counted for, and those whose length is only guessed. */
  unmeasured: CableId[];
  guessed: CableId[];
  /** Rooms that nobody has measured, in which new cables lie. */
  rough: RoomId[];
}

const counted = (count: number, unit: 'each' | 'foot'): string =>
  unit === 'foot' ? `${feetWord(count)} ft` : String(count);

/** Cable by what its cuts are packed into; where some of it is in the truck, the rest by the foot or in coils, whichever is less. */
const cableBought = (
  article: CableArticle,
  buy: number,
  coils: ReturnType<typeof coilPlans>['plans'],
  isWhole: boolean,
): Pick<OrderLine, 'how' | 'price' | 'over'> => {
  const plan = isWhole ? coils.find((one) => one.article === article.id) : undefined;
  if (plan) {
    const whole = plan.coils.filter((one) => one.buy === 'coil');
    const feet = plan.coils.filter((one) => one.buy === 'feet').reduce((sum, one) => sum + one.used, 0) / 12;
    // What no coil holds is bought by the foot.
    const long = Math.max(0, buy - plan.coils.reduce((sum, one) => sum + one.used, 0) / 12);
    return {
      how: [
        ...(whole.length > 0
          ? [`${whole.length === 1 ? '1 coil' : `${whole.length} coils`} of ${plan.coilFeet} ft`]
          : []),
        ...(feet + long > 0 ? [`${feetWord(feet + long)} ft`] : []),
      ].join(' and '),
      price: plan.price + Math.round(long * article.price),
      over: whole.reduce((sum, one) => sum + one.left, 0) / 12,
    };
  }
  const { packs, singles, price, over } = boughtOf(
    {
      price: article.price,
      pack:
        article.coilPrice > 0 ? { count: article.coilFeet, price: article.coilPrice, singly: true } : null,
    },
    buy,
  );
  return {
    how: [
      ...(packs > 0 ? [`${packs === 1 ? '1 coil' : `${packs} coils`} of ${article.coilFeet} ft`] : []),
      ...(singles > 0 ? [`${feetWord(singles)} ft`] : []),
    ].join(' and '),
    ...{ price, over },
  };
};

const PACK_WORDS: Partial<Record<Aisle, [one: string, many: string]>> = {
  connectors: ['bag', 'bags'],
  fasteners: ['box', 'boxes'],
  tape: ['roll', 'rolls'],
  tails: ['roll', 'rolls'],
};

const packsBought = (
  article: Article,
  aisle: Aisle,
  unit: OrderLine['unit'],
  buy: number,
): Pick<OrderLine, 'how' | 'price' | 'over'> => {
  const { packs, count, singles, price, over } = boughtOf(article, buy);
  const [one, many] = PACK_WORDS[aisle] ?? ['pack', 'packs'];
  return {
    how: [
      ...(packs > 0 ? [`${packs} ${packs === 1 ? one : many} of ${counted(count, unit)}`] : []),
      ...(singles > 0 ? [counted(singles, unit)] : []),
    ].join(' and '),
    price: article.price === 0 && (packs === 0 || article.pack?.price === 0) ? null : price,
    over,
  };
};

/** How many of each article came, by the records that hold. */
const deliveredOf = (records: readonly SiteRecord[]): Map<string, number> => {
  const came = new Map<string, number>();
  for (const { kind, about, body } of liveRecords(records))
    if (kind === 'delivered') came.set(about.id, (came.get(about.id) ?? 0) + Number(body['count']));
  return came;
};

/**
 * What to buy for a job or a part of it, aisle by aisle: what the wiring takes and what was added by hand, less what is in the truck, in the
 * packs and coils that cost the least. Quantities of a part count what it shares with other circuits whole, and nothing of the truck.
 */
export const orderLines = (
  job: Job,
  { takeOff, cuts, labour }: Pick<Estimate, 'takeOff' | 'cuts' | 'labour'>,
  part: OrderPart | null = null,
  records: readonly SiteRecord[] = [],
): OrderList => {
  const came = deliveredOf(records);
  const mine = cuts.filter(({ cable }) => isIn(part, cable));
  const { plans } = coilPlans(job, mine);
  const stock = new Map(job.stock.map((article) => [article.id as string, article]));
  const planned = takeOff.lines.flatMap((line): OrderLine[] => {
    const uses = line.uses.filter(({ at }) => isIn(part, at));
    const exact = uses.reduce((sum, { quantity }) => sum + quantity, 0);
    // Wire and tape are counted by the whole foot.
    const need = line.kind === 'wire' || line.kind === 'tape' ? Math.ceil(exact - 1e-9) : exact;
    if (need <= 0) return [];
    const aisle = AISLE_OF[line.kind];
    const article = line.article === null ? undefined : stock.get(line.article);
    // What is in the truck is there for the whole job: no circuit has it for itself.
    const held = part !== null || line.article === null ? 0 : (ofId(job.order.fromTruck, line.article) ?? 0);
    const inTruck = Math.min(need, held);
    const buy = need - inTruck;
    const bought = !article
      ? { how: counted(buy, line.unit), price: null, over: 0 }
      : buy === 0
        ? { how: '', price: 0, over: 0 }
        : article.kind === 'cable'
          ? cableBought(article, buy, plans, inTruck === 0)
          : packsBought(article, aisle, line.unit, buy);
    const key = line.article ?? `none: ${line.name}`;
    return [
      {
        ...{ key, aisle, article: line.article, name: line.name, unit: line.unit, need, inTruck, buy, uses },
        ...bought,
        ...{ luminaires: [], fromOwner: false },
        delivered: came.get(key) ?? 0,
        byHand: false,
        absent: article?.absent === true,
      },
    ];
  });
  // What was added by hand is of the whole job.
  const byHand = (part === null ? job.order.extra : []).map(
    ({ id, aisle, name, quantity, unit, price }): OrderLine => ({
      ...{ key: id, aisle, article: null, name, unit, need: quantity, inTruck: 0, buy: quantity },
      ...{ how: counted(quantity, unit), price: price === null ? null : Math.round(price * quantity) },
      ...{ over: 0, uses: [], delivered: came.get(id) ?? 0, byHand: true, absent: false },
      ...{ luminaires: [], fromOwner: false },
    }),
  );
  const hung = luminairesHung(job, labour, part).map(({ name, luminaires, each }): OrderLine => {
    const need = luminaires.length;
    const key = `luminaires: ${name}`;
    return {
      ...{ key, name, aisle: 'luminaires', article: null, unit: 'each', need, inTruck: 0, buy: need },
      how: `${counted(need, 'each')}${each === null ? ' from the owner' : ''}`,
      ...{ price: need * (each ?? 0), over: 0, fromOwner: each === null },
      luminaires: luminaires.map(({ id }) => id),
      uses: luminaires.map(({ box }) => ({ at: box, quantity: 1 })),
      ...{ delivered: came.get(key) ?? 0, byHand: false, absent: false },
    };
  });
  const lines = [...planned, ...hung, ...byHand].sort(
    (a, b) => AISLES.indexOf(a.aisle) - AISLES.indexOf(b.aisle),
  );
  return {
    lines,
    total: lines.reduce((sum, { price }) => sum + (price ?? 0), 0),
    unpriced: lines.filter(({ price }) => price === null).map(({ name }) => name),
    unmeasured: takeOff.unmeasured.filter((cable) => isIn(part, cable)),
    guessed: mine.filter(({ lengthSource }) => lengthSource === 'guessed').map(({ cable }) => cable),
    rough: roughRooms(job, mine),
  };
};

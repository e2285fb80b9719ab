import { articleOf, articlesToHave, type BoxArticle } from '../model/articles.js';
import type { BoxContents } from '../model/contents.js';
import type { ArticleId } from '../model/ids.js';
import type { Box, Job, JudgedEdition, Luminaire } from '../model/job.js';
import { boxFill } from '../nec/boxFill.js';

/** A box and what is put on it, as one choice. */
export interface BoxOffer {
  articles: BoxArticle[];
  volume: number;
  gangs: number;
  price: number;
  internalClamps: boolean;
}

const offerOf = (...articles: BoxArticle[]): BoxOffer => ({
  articles,
  volume: articles.reduce((sum, one) => sum + one.volume, 0),
  gangs: Math.max(...articles.map((one) => one.gangs)),
  price: articles.reduce((sum, one) => sum + one.price, 0),
  internalClamps: articles.some((one) => one.internalClamps),
});

/** What is chosen for a box by its articles: volumes of sections add (314.16(A)). */
export const chosenOffer = (job: Job, articles: readonly ArticleId[]): BoxOffer =>
  articles.length === 0
    ? { articles: [], volume: 0, gangs: 0, price: 0, internalClamps: false }
    : offerOf(...articles.map((id) => articleOf(job.stock, 'box', id)));

const knownOffers = new WeakMap<Job['stock'], readonly BoxOffer[]>();

/**
 * Every box of the stock, and every box with a ring that gives it device spaces or a round opening: with as many gangs as devices before more
 * of them, then the cheapest, then the smallest. A stock is never changed in place, so it is gone through once.
 */
export const offersOfStock = (stock: Job['stock']): readonly BoxOffer[] => {
  const known = knownOffers.get(stock);
  if (known) return known;
  const offers = offersOf(stock).sort(
    (a, b) => a.gangs - b.gangs || a.price - b.price || a.volume - b.volume,
  );
  knownOffers.set(stock, offers);
  return offers;
};

const offersOf = (stock: Job['stock']): BoxOffer[] => {
  const articles = articlesToHave(stock, 'box');
  const boxes = articles.filter((one) => one.part === 'box');
  const rings = articles.filter((one) => one.part === 'ring');
  return [
    ...boxes.map((box) => offerOf(box)),
    ...boxes
      .filter((box) => box.gangs === 0 && box.family !== null)
      .flatMap((box) => rings.filter((ring) => ring.family === box.family).map((ring) => offerOf(box, ring))),
  ];
};

/**
 * Every box with an extension on it, and with a ring on that where there is one for it: for a place at which somebody chooses. The program itself sets no box that it
 * has to extend at once.
 */
export const extendedOffers = (stock: Job['stock']): BoxOffer[] => {
  const articles = articlesToHave(stock, 'box');
  const of = (part: BoxArticle['part'], { family }: BoxArticle) =>
    articles.filter((one) => one.part === part && one.family !== null && one.family === family);
  return articles
    .filter((one) => one.part === 'box')
    .flatMap((box) =>
      of('extension', box).flatMap((extension) => [
        offerOf(box, extension),
        ...of('ring', box).map((ring) => offerOf(box, extension, ring)),
      ]),
    );
};

/** What a box has to hold, beside its volume. */
export interface BoxDuty {
  /** Spaces that its devices take; 0 for none. */
  gangs: number;
  luminaires: readonly Luminaire[];
}

/** Pounds of luminaire that a box with its sections holds: what is put on it decides, as the luminaire hangs on that. */
export const supportOf = (articles: readonly BoxArticle[]): number => articles.at(-1)?.supports ?? 0;

/** A square box has no holes for the screws of a luminaire: it takes a round ring first. */
export const isSquareOpening = (articles: readonly BoxArticle[]): boolean =>
  articles.some((one) => one.shape === 'square') && !articles.some((one) => one.part === 'ring');

export const countedGangs = (gangs: number): string => (gangs === 1 ? '1 gang' : `${gangs} gangs`);

/** Why it does not hold the weight, or a fan where there is one (314.27); null where it does. A luminaire of unknown weight asks for any support. */
const whyNotHeld = (articles: readonly BoxArticle[], luminaires: readonly Luminaire[]): string | null => {
  if (luminaires.length === 0)
    return articles.some(({ part }) => part === 'ring')
      ? 'a ring for a luminaire, and none hangs here'
      : null;
  if (isSquareOpening(articles)) return 'square, and a luminaire hangs on a round ring';
  const pounds = luminaires.reduce((sum, one) => sum + (one.pounds ?? 0), 0);
  const supports = supportOf(articles);
  if (supports === 0) return 'not made to hold a luminaire';
  if (supports < pounds) return `holds ${supports} lb of ${pounds} needed`;
  const isFan = luminaires.some(({ unit }) => unit === 'fan');
  return isFan && !articles.every(({ fanRated }) => fanRated) ? 'not listed for a fan' : null;
};

/** Why a box of the stock does not suit a place, in words and numbers, whatever it has to hold; null where it does. */
export const whyUnsuited = (
  box: Box,
  { gangs, luminaires }: BoxDuty,
  { articles, gangs: there }: BoxOffer,
): string | null => {
  const [base] = articles;
  const work = box.work === 'old' ? 'old' : 'new';
  if (base?.work !== work)
    return work === 'old'
      ? 'for open framing, and the wall is finished'
      : 'for finished walls, and the framing is open';
  if (box.material !== 'any' && base.metal !== (box.material === 'metal'))
    return base.metal ? 'steel, and plastic is asked for' : 'plastic, and steel is asked for';
  if (gangs === 0 && there > 0) return `${countedGangs(there)}, and no device stands here`;
  if (there < gangs)
    return there === 0 ? 'no place for a device' : `${countedGangs(there)} of ${gangs} needed`;
  return gangs > 0 ? null : whyNotHeld(articles, luminaires);
};

/**
 * The boxes of the stock that suit a place, the cheapest first, then the smallest; whether they are big enough is not
 * asked here. As many gangs as devices come before more of them, which would want a blank.
 */
export const suitingBoxes = (job: Job, box: Box, duty: BoxDuty): BoxOffer[] =>
  offersOfStock(job.stock).filter((offer) => whyUnsuited(box, duty, offer) === null);

/**
 * Of boxes in the order in which they are tried: the first that holds what it has to and leaves `room` free. No more gangs and no other
 * material are taken for the sake of room; where none of that kind leaves so much, the one that leaves the most. Null where none holds it. `leftIn` is what is left, or less
 * than nothing.
 */
export const firstWithRoom = <T>(
  offers: readonly T[],
  kindOf: (one: T) => number,
  leftIn: (one: T) => number,
  room: number,
): T | null => {
  let best: T | null = null;
  let most = 0;
  for (const one of offers) {
    const left = leftIn(one);
    if (left < 0 || (best !== null && kindOf(one) !== kindOf(best))) continue;
    if (left >= room) return one;
    if (best !== null && left <= most) continue;
    best = one;
    most = left;
  }
  return best;
};

/** Boxes of one kind have as many gangs and are of the same material. */
export const kindOfOffer = ({ gangs, articles }: BoxOffer): number =>
  gangs * 2 + (articles.some(({ metal }) => metal) ? 1 : 0);

/** The box of these that is taken for what it has to hold, with so much room left free where the stock has such a one; null where none holds it. */
export const boxFor = (
  offers: readonly BoxOffer[],
  contents: BoxContents,
  edition: JudgedEdition,
  room = 0,
): BoxOffer | null =>
  firstWithRoom(
    offers,
    kindOfOffer,
    (offer) =>
      offer.volume -
      boxFill(offer.volume, { ...contents, internalClamps: offer.internalClamps }, edition).needed,
    room,
  );

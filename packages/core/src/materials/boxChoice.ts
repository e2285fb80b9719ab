import { articleOf, articlesOf, type BoxArticle } from '../model/articles.js';
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
  const articles = articlesOf(stock, 'box');
  const boxes = articles.filter((one) => one.part === 'box');
  const rings = articles.filter((one) => one.part === 'ring');
  return [
    ...boxes.map((box) => offerOf(box)),
    ...boxes
      .filter((box) => box.gangs === 0 && box.family !== null)
      .flatMap((box) => rings.filter((ring) => ring.family === box.family).map((ring) => offerOf(box, ring))),
  ];
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

/** Does it hold the weight, and a fan where there is one (314.27)? A luminaire of unknown weight asks for any support. */
const holds = (articles: readonly BoxArticle[], luminaires: readonly Luminaire[]): boolean => {
  if (luminaires.length === 0) return articles.length === 1;
  const pounds = luminaires.reduce((sum, one) => sum + (one.pounds ?? 0), 0);
  const fan = luminaires.some((one) => one.unit === 'fan');
  const supports = supportOf(articles);
  return (
    !isSquareOpening(articles) &&
    supports > 0 &&
    supports >= pounds &&
    (!fan || articles.every((one) => one.fanRated))
  );
};

/**
 * The boxes of the stock that suit a place, the cheapest first, then the smallest; whether they are big enough is not
 * asked here. As many gangs as devices come before more of them, which would want a blank.
 */
export const suitingBoxes = (job: Job, box: Box, { gangs, luminaires }: BoxDuty): BoxOffer[] => {
  const work = box.work === 'old' ? 'old' : 'new';
  return offersOfStock(job.stock).filter(({ articles, gangs: there }) => {
    const [base] = articles;
    return (
      base?.work === work &&
      (box.material === 'any' || base.metal === (box.material === 'metal')) &&
      (gangs === 0 ? there === 0 : there >= gangs) &&
      (gangs > 0 || holds(articles, luminaires))
    );
  });
};

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

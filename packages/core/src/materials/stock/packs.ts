import type { Article, Pack } from '../../model/articles.js';

/** Of dearer things fewer are in a bag. */
const BAG = (price: number): number => (price >= 5_000 ? 25 : 50);
/** A pack costs so much of what its pieces cost one by one. */
const OFF = 0.8;

const packOf = (article: Article): Pack | null => {
  const many = (count: number, singly: boolean): Pack => ({
    ...{ count, singly },
    // A whole ten cents, as all prices of this stock are round.
    price: Math.round((article.price * count * OFF) / 1000) * 1000,
  });
  if (article.kind === 'connector') return many(BAG(article.price), true);
  if (article.kind !== 'sundry') return null;
  return article.use === 'staple' ? many(100, false) : article.use === 'tape' ? many(60, false) : null;
};

/** An article of the generic stock as it comes: connectors by the bag, staples by the box, tape by the roll of 60 ft. Made-up, as its prices are. */
export const withPack = (article: Article): Article => ({ ...article, pack: packOf(article) });

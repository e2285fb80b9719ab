import type { Article } from '../model/articles.js';
import type { ArticleId } from '../model/ids.js';
import type { Job } from '../model/job.js';

/** Prices of an article, ten-thousandths of a dollar: for each or by the foot, by the pack, by the coil; null where it has none. */
interface Prices {
  price: number;
  pack: number | null;
  coil: number | null;
}

/** An article whose price in the shop is another than the one that a job keeps. */
export interface PriceSince {
  article: ArticleId;
  name: string;
  was: Prices;
  is: Prices;
}

const pricesOf = (article: Article): Prices => ({
  price: article.price,
  pack: article.pack?.price ?? null,
  coil: article.kind === 'cable' ? article.coilPrice : null,
});

const isAlike = (a: Prices, b: Prices): boolean =>
  a.price === b.price && a.pack === b.pack && a.coil === b.coil;

/** What has another price in the shop than in the stock of a job, of the articles that both have. */
export const pricesSince = (job: Pick<Job, 'stock'>, catalog: readonly Article[]): PriceSince[] => {
  const now = new Map(catalog.map((article) => [article.id, article]));
  return job.stock.flatMap((mine): PriceSince[] => {
    const shops = now.get(mine.id);
    if (shops?.kind !== mine.kind) return [];
    const [was, is] = [pricesOf(mine), pricesOf(shops)];
    return isAlike(was, is) ? [] : [{ article: mine.id, name: mine.name, was, is }];
  });
};

/** The job with the shop's prices for these articles, packs and coils with them; all else of them stays as the job has it. */
export const withPrices = (job: Job, catalog: readonly Article[], articles: ReadonlySet<ArticleId>): Job => {
  const now = new Map(catalog.map((article) => [article.id, article]));
  return {
    ...job,
    stock: job.stock.map((mine) => {
      const shops = now.get(mine.id);
      if (!articles.has(mine.id) || shops?.kind !== mine.kind) return mine;
      const { price, pack } = shops;
      return mine.kind === 'cable' && shops.kind === 'cable'
        ? { ...mine, price, pack, coilPrice: shops.coilPrice }
        : { ...mine, price, pack };
    }),
  };
};

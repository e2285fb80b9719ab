import type { Article, Pack } from '../model/articles.js';

/** How so many of an article are bought at the least price: ten-thousandths of a dollar. */
export interface Bought {
  packs: number;
  /** In each pack; 0 where it does not come in packs. */
  count: number;
  singles: number;
  price: number;
  /** What is left over of the last pack. */
  over: number;
}

/** How many of a pack and how many singly cost the least for so many; of two alike the one with less left over. */
const bestMix = (need: number, each: number, { count, price, singly }: Pack): Bought => {
  const whole = Math.ceil(need / count - 1e-9);
  const mix = (packs: number): Bought => {
    const singles = Math.max(0, need - packs * count);
    return {
      ...{ packs, count, singles },
      price: packs * price + Math.round(singles * each),
      over: Math.max(0, packs * count - need),
    };
  };
  if (!singly) return mix(whole);
  const mixes = [mix(whole), mix(Math.max(0, whole - 1)), mix(0)];
  return mixes.reduce((best, one) =>
    one.price < best.price || (one.price === best.price && one.over < best.over) ? one : best,
  );
};

/** What it takes to have `need` of an article, in its unit: packs and singles. Cable is bought by the coil or the foot instead (`coilPlans`). */
export const boughtOf = ({ price, pack }: Pick<Article, 'price' | 'pack'>, need: number): Bought =>
  pack === null || need <= 0
    ? {
        packs: 0,
        count: 0,
        singles: Math.max(0, need),
        price: Math.round(Math.max(0, need) * price),
        over: 0,
      }
    : bestMix(need, price, pack);

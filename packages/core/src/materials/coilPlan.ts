import type { CableArticle } from '../model/articles.js';
import { articleOf } from '../model/articles.js';
import type { ArticleId, CableId } from '../model/ids.js';
import type { Cut } from './cutList.js';
import type { Job } from '../model/job.js';

/** Cuts from one coil, longest first. Lengths are inches, money ten-thousandths of a dollar. */
export interface Coil {
  cuts: CableId[];
  used: number;
  left: number;
  /** The cheaper way to buy what is cut from it: the whole coil, or so many feet. */
  buy: 'coil' | 'feet';
  price: number;
}

export interface CoilPlan {
  article: ArticleId;
  name: string;
  /** Feet in a coil. */
  coilFeet: number;
  coils: Coil[];
  /** No fewer coils would do. */
  proved: boolean;
  price: number;
}

/** A cut that no coil holds. */
export interface LongCut {
  cable: CableId;
  cut: number;
  coil: number;
}

/** Steps after which the search for fewer coils is given up. */
const SEARCH_STEPS = 200_000;

/**
 * Packs lengths into as few coils as can be (bin packing): longest first into the first coil that holds it, then, where
 * the sum of lengths would allow fewer coils, a depth-first search. `lengths` must be sorted, longest first; gives the
 * indices in each coil.
 */
export const packCoils = (
  lengths: readonly number[],
  coil: number,
): { coils: number[][]; proved: boolean } => {
  let best: number[][] = [];
  const firstFit: { left: number; cuts: number[] }[] = [];
  lengths.forEach((length, i) => {
    const open = firstFit.find((one) => one.left >= length);
    if (open) {
      open.left -= length;
      open.cuts.push(i);
    } else firstFit.push({ left: coil - length, cuts: [i] });
  });
  best = firstFit.map((one) => one.cuts);
  const sum = lengths.reduce((total, length) => total + length, 0);
  const least = Math.ceil(sum / coil - 1e-9);
  let steps = 0;
  const bins: { left: number; cuts: number[] }[] = [];
  const place = (i: number) => {
    if (best.length === least || steps++ > SEARCH_STEPS || bins.length >= best.length) return;
    const length = lengths[i];
    if (length === undefined) {
      best = bins.map((one) => [...one.cuts]);
      return;
    }
    // Coils with the same room left are alike: one of them is enough.
    const tried = new Set<number>();
    for (const bin of bins) {
      if (bin.left < length || tried.has(bin.left)) continue;
      tried.add(bin.left);
      bin.left -= length;
      bin.cuts.push(i);
      place(i + 1);
      bin.cuts.pop();
      bin.left += length;
    }
    bins.push({ left: coil - length, cuts: [i] });
    place(i + 1);
    bins.pop();
  };
  place(0);
  return { coils: best, proved: best.length === least || steps <= SEARCH_STEPS };
};

const priced = (article: CableArticle, used: number): Pick<Coil, 'buy' | 'price'> => {
  const byFoot = Math.round((used / 12) * article.price);
  const whole = article.coilPrice > 0 && article.coilPrice <= byFoot;
  return whole ? { buy: 'coil', price: article.coilPrice } : { buy: 'feet', price: byFoot };
};

/** The coils to buy for the cuts of each cable article, with the least waste; and the cuts that no coil holds. */
export const coilPlans = (job: Job, cuts: readonly Cut[]): { plans: CoilPlan[]; tooLong: LongCut[] } => {
  const tooLong: LongCut[] = [];
  const ids = [...new Set(cuts.map((cut) => cut.article))];
  const plans = ids.flatMap((id): CoilPlan[] => {
    const article = articleOf(job.stock, 'cable', id);
    const coil = article.coilFeet * 12;
    const mine = cuts.flatMap((cut) =>
      cut.article === id && cut.length ? [{ cable: cut.cable, cut: cut.length.cut }] : [],
    );
    tooLong.push(...mine.filter((one) => one.cut > coil).map((one) => ({ ...one, coil })));
    const fitting = mine.filter((one) => one.cut <= coil).sort((a, b) => b.cut - a.cut);
    if (fitting.length === 0) return [];
    const { coils, proved } = packCoils(
      fitting.map((one) => one.cut),
      coil,
    );
    const bought = coils.map((indices): Coil => {
      const from = indices.flatMap((i) => fitting[i] ?? []);
      const used = from.reduce((sum, one) => sum + one.cut, 0);
      return { cuts: from.map((one) => one.cable), used, left: coil - used, ...priced(article, used) };
    });
    return [
      {
        article: id,
        name: article.name,
        coilFeet: article.coilFeet,
        coils: bought,
        proved,
        price: bought.reduce((sum, one) => sum + one.price, 0),
      },
    ];
  });
  return { plans, tooLong };
};

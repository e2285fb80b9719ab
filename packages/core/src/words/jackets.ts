import type { CableArticle } from '../model/articles.js';

/** What a cable looks like from outside: by the usual colour of its size, or as nothing is known of it. */
export type Jacket = 'white' | 'yellow' | 'orange' | 'armor' | 'unknown';

const BY_SIZE: Partial<Record<number, Jacket>> = { 14: 'white', 12: 'yellow', 10: 'orange' };

/**
 * The jacket that a new nonmetallic cable of a size usually has today. It is a hint: the size is read from the print or a gauge, and old cables
 * are white whatever they are, so nothing is said of one that `lies` there already.
 */
export const jacketOf = ({ awg, sheath, found }: CableArticle, lies: boolean): Jacket => {
  if (found || lies) return 'unknown';
  if (sheath === 'armored' || sheath === 'raceway') return 'armor';
  return sheath === 'nonmetallic' ? (BY_SIZE[awg] ?? 'unknown') : 'unknown';
};

import type { CableArticle } from '../model/articles.js';

/** Wire that is not copper as it is bought today. */
export type StrangeWire = 'aluminium' | 'copperClad' | 'knobAndTube' | 'unknown' | 'cloth';

/** What of a cable is beyond this program, or asks for care; null where nothing is. */
export const strangeOf = ({ metal, sheath }: Pick<CableArticle, 'metal' | 'sheath'>): StrangeWire | null => {
  if (sheath === 'knobAndTube') return 'knobAndTube';
  if (metal === 'aluminium' || metal === 'copperClad') return metal;
  if (metal === 'unknown' || sheath === 'unknown') return 'unknown';
  return sheath === 'cloth' ? 'cloth' : null;
};

/** Is it such that nothing is planned through it? Old cloth-covered copper is only to be seen to. */
export const isBeyond = (article: Pick<CableArticle, 'metal' | 'sheath'>): boolean =>
  !['cloth', null].includes(strangeOf(article));

import { articleOf, hasReceptacle, type Article, type DeviceArticle } from '../model/articles.js';
import type { ArticleId, BoxId, DeviceId } from '../model/ids.js';
import { articlesAt, terminalKey, type Wiring } from '../model/wiring.js';
import type { Parts } from './parts.js';

/** What of a box is itself to be bonded: the metal box, or the strap of a nonmetallic one; null for neither. */
export const bondOf = (stock: readonly Article[], chosen: readonly ArticleId[]): 'metal' | 'strap' | null => {
  const [box] = chosen.map((id) => articleOf(stock, 'box', id));
  return box?.metal ? 'metal' : box?.groundingStrap ? 'strap' : null;
};

/**
 * Is the yoke grounded by the metal screws that hold it to such a box? A switch is (404.9(B)); a receptacle only where
 * it is listed for it (250.146(B)).
 */
export const yokeGrounds = (article: DeviceArticle, bond: ReturnType<typeof bondOf>): boolean =>
  bond !== null && (article.selfGrounding || !hasReceptacle(article.role));

/** Key of the metal of a device: its ground screw, or its bare yoke where it has none. */
export const yokeKey = (device: DeviceId, article: DeviceArticle): string =>
  terminalKey({ device, name: article.terminals.find((one) => one.use === 'ground')?.name ?? 'yoke' });

/** The yokes of a wiring, each with the box that its screws ground it to, if they do. */
export const yokesOf = (
  wiring: Wiring,
  { stock }: Pick<Parts, 'stock'>,
): { device: DeviceId; key: string; groundedBy: BoxId | null }[] =>
  wiring.devices.map(({ id, box, article: articleId }) => {
    const article = articleOf(stock, 'device', articleId);
    const grounds = yokeGrounds(article, bondOf(stock, articlesAt(wiring, box)));
    return { device: id, key: yokeKey(id, article), groundedBy: grounds ? box : null };
  });

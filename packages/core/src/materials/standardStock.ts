import { articleSchema, type Article } from '../model/articles.js';
import { boxes } from './stock/boxes.js';
import { cables } from './stock/cables.js';
import { connectors } from './stock/connectors.js';
import { devices } from './stock/devices.js';
import { withPack } from './stock/packs.js';
import { sundries } from './stock/sundries.js';

/** Read once: it is the same each time, and reading some hundred articles takes longer than planning a circuit. */
let read: readonly Article[] | null = null;

/**
 * The generic stock that a catalog starts from; a job keeps its own copy, at the prices it was priced with. Each call
 * gives articles of its own.
 */
export const standardStock = (): Article[] => {
  read ??= articleSchema
    .array()
    .parse([...cables, ...devices, ...boxes, ...connectors, ...sundries])
    .map(withPack);
  return read.map((article) => ({ ...article }));
};

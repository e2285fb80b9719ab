import { articleSchema, type Article } from '../model/articles.js';
import { boxes } from './stock/boxes.js';
import { cables } from './stock/cables.js';
import { connectors } from './stock/connectors.js';
import { devices } from './stock/devices.js';
import { withPack } from './stock/packs.js';
import { sundries } from './stock/sundries.js';

/**
 * The generic stock that a catalog starts from; a job keeps its own copy, at the prices it was priced with. Built new
 * at each call.
 */
export const standardStock = (): Article[] =>
  articleSchema
    .array()
    .parse([...cables, ...devices, ...boxes, ...connectors, ...sundries])
    .map(withPack);

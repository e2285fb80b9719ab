import { articleOf } from '../model/articles.js';
import type { CableId } from '../model/ids.js';
import type { InsulatedColour } from '../model/colours.js';
import { endKey, type End, type Wiring } from '../model/wiring.js';
import { Numbering } from './numbering.js';
import type { Parts } from './parts.js';
import { UnionFind } from './unionFind.js';
import { fixedTouches } from './wireGraph.js';

/**
 * Insulated conductors that close a ring with others of their net, so that current has two ways (310.10). One for each
 * ring: the last that the wiring lists.
 */
export const ringsOf = (wiring: Wiring, parts: Parts): { cable: CableId; colour: InsulatedColour }[] => {
  const nodes = new Numbering();
  const node = (key: string) => nodes.of(key);
  const keyOfEnd = (end: End) => `end|${endKey(end)}`;
  const conductors = wiring.cables.flatMap(({ id, article }) =>
    articleOf(parts.stock, 'cable', article).insulated.map((colour) => ({
      cable: id,
      colour,
      from: node(keyOfEnd({ cable: id, side: 'from', colour })),
      to: node(keyOfEnd({ cable: id, side: 'to', colour })),
    })),
  );
  const touches = fixedTouches(wiring, parts, keyOfEnd).map(([a, b]) => [node(a), node(b)] as const);
  const sets = new UnionFind(nodes.size);
  for (const [a, b] of touches) sets.join(a, b);
  return conductors.flatMap(({ cable, colour, from, to }) => {
    const closes = sets.find(from) === sets.find(to);
    sets.join(from, to);
    return closes ? [{ cable, colour }] : [];
  });
};

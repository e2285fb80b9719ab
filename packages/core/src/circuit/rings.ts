import { articleOf } from '../model/articles.js';
import type { CableId } from '../model/ids.js';
import type { InsulatedColour } from '../model/colours.js';
import { endKey, terminalKey, type End, type Wiring } from '../model/wiring.js';
import { Numbering } from './numbering.js';
import { breakersOf, type Parts } from './parts.js';
import { UnionFind } from './unionFind.js';
import { fixedTouches } from './wireGraph.js';

/** A conductor that closes a ring; by the panel where its ring goes round by the neutral bar, and by nothing else. */
export interface Ring {
  cable: CableId;
  colour: InsulatedColour;
  byPanel: boolean;
}

/**
 * Insulated conductors that close a ring with others of their net, by the neutral bar of the panel too, so that current has two ways (310.10).
 * One for each ring: the last that the wiring lists.
 */
export const ringsOf = (wiring: Wiring, parts: Parts): Ring[] => {
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
  const neutrals = breakersOf(wiring, parts).map((circuit) =>
    node(terminalKey({ circuit, name: 'neutral' })),
  );
  const [apart, withBar] = [new UnionFind(nodes.size), new UnionFind(nodes.size)];
  for (const [a, b] of touches) for (const sets of [apart, withBar]) sets.join(a, b);
  // The panel has one neutral bar: neutrals of two circuits that meet in a box go round by it.
  const [bar, ...others] = neutrals;
  if (bar !== undefined) for (const other of others) withBar.join(bar, other);
  return conductors.flatMap(({ cable, colour, from, to }) => {
    const closes = apart.find(from) === apart.find(to);
    const closesByBar = withBar.find(from) === withBar.find(to);
    for (const sets of [apart, withBar]) sets.join(from, to);
    return closesByBar ? [{ cable, colour, byPanel: !closes }] : [];
  });
};

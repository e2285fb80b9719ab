import type { CableArticle, Colour } from '../model/articles.js';
import type { Net } from './nets.js';

export type InsulatedColour = Exclude<Colour, 'bare'>;
export type Colouring = { colour: InsulatedColour; net: Net | null }[];

/** Hots in the order in which they are given a colour; travelers last, as they may take any. */
const RANK = { neutral: 0, hot: 1, switchLeg: 2, traveler: 3 };

/**
 * Gives each net on a run a conductor of the cable, or null where the cable cannot carry them lawfully.
 *
 * The white is the neutral or nothing else is; without a neutral it carries the supply, else a traveler, marked as a
 * hot; never the switch leg (200.7(C)(1)). Black carries the hot, or the switch leg where no hot crosses on a
 * colour; then red. Traveler lane b keeps red and lane a takes what is left, so that a traveler holds its
 * colour along the chain where the cables allow.
 */
export const assignColours = (nets: readonly Net[], article: CableArticle): Colouring | null => {
  if (nets.length > article.insulated.length) return null;
  const free = new Set<InsulatedColour>(article.insulated);
  const taken = new Map<InsulatedColour, Net>();
  const give = (net: Net, ...wish: InsulatedColour[]): boolean => {
    const colour = wish.find((one) => free.has(one));
    if (colour === undefined) return false;
    free.delete(colour);
    taken.set(colour, net);
    return true;
  };
  const ordered = [...nets].sort(
    (x, y) => RANK[x.kind] - RANK[y.kind] || (x.lane === 'b' ? -1 : 0) - (y.lane === 'b' ? -1 : 0),
  );
  const neutral = ordered.filter((net) => net.kind === 'neutral');
  const hots = ordered.filter((net) => net.kind === 'hot');
  const whiteIsFree = neutral.length === 0;
  if (neutral.length > 1) return null;
  for (const net of neutral) if (!give(net, 'white')) return null;
  for (const net of hots)
    if (!give(net, ...(whiteIsFree ? (['white'] as const) : []), 'black', 'red', 'blue')) return null;
  for (const net of ordered) {
    if (net.kind === 'switchLeg' && !give(net, 'black', 'red', 'blue')) return null;
    if (
      net.kind === 'traveler' &&
      !give(
        net,
        ...(net.lane === 'b' ? (['red', 'blue', 'black'] as const) : (['black', 'blue', 'red'] as const)),
        'white',
      )
    )
      return null;
  }
  return article.insulated.map((colour) => ({ colour, net: taken.get(colour) ?? null }));
};

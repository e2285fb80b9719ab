import type { CableArticle } from '../model/articles.js';
import { hueOf, isGroundColour, isNeutralColour, type Hue, type InsulatedColour } from '../model/colours.js';
import type { Net } from './nets.js';

export type Colouring = { colour: InsulatedColour; net: Net | null }[];

/** Hots in the order in which they are given a colour; travelers last, as they may take any. */
const RANK = { neutral: 0, hot: 1, switchLeg: 2, traveler: 3 };

/** Black, red and blue of new cable first, in the order wished for; any other colour as found after them. */
const byWish =
  (...wish: Hue[]) =>
  (a: InsulatedColour, b: InsulatedColour) => {
    const rank = (colour: InsulatedColour) => (wish.indexOf(hueOf(colour) as Hue) + 99) % 99;
    return rank(a) - rank(b);
  };

/**
 * Gives each net on a run a conductor of the cable, or null where the cable cannot carry them lawfully.
 *
 * The white is the neutral or nothing else is; without a neutral it carries the supply, else a traveler, marked as a
 * hot; never the switch leg (200.7(C)(1)). Black carries the hot, or the switch leg where no hot crosses on a
 * colour; then red. Traveler lane b keeps red and lane a takes what is left, so that a traveler holds its
 * colour along the chain where the cables allow. As found: gray is as good as white, green is never anything but ground.
 */
export const assignColours = (nets: readonly Net[], article: CableArticle): Colouring | null => {
  const whites = article.insulated.filter(isNeutralColour);
  const colours = article.insulated.filter((one) => !isNeutralColour(one) && !isGroundColour(one));
  const taken = new Map<InsulatedColour, Net>();
  const give = (net: Net, from: readonly InsulatedColour[]): boolean => {
    const colour = from.find((one) => !taken.has(one));
    if (colour === undefined) return false;
    taken.set(colour, net);
    return true;
  };
  const ordered = [...nets].sort(
    (x, y) => RANK[x.kind] - RANK[y.kind] || (x.lane === 'b' ? -1 : 0) - (y.lane === 'b' ? -1 : 0),
  );
  // A white beside the neutral of the same cable would be taken for one too, so it carries nothing.
  const whitesForHots = nets.some((net) => net.kind === 'neutral') ? [] : whites;
  const inOrder = (...wish: Hue[]) => [...colours].sort(byWish(...wish));
  for (const net of ordered) {
    const from =
      net.kind === 'neutral'
        ? whites
        : net.kind === 'hot'
          ? [...whitesForHots, ...inOrder('black', 'red', 'blue')]
          : net.kind === 'switchLeg'
            ? inOrder('black', 'red', 'blue')
            : net.lane === 'b'
              ? [...inOrder('red', 'blue', 'black'), ...whitesForHots]
              : [...inOrder('black', 'blue', 'red'), ...whitesForHots];
    if (!give(net, from)) return null;
  }
  if (nets.filter((net) => net.kind === 'neutral').length > 1) return null;
  return article.insulated.map((colour) => ({ colour, net: taken.get(colour) ?? null }));
};

/** A rectangle of the picture by its middle and its halves. */
export interface Patch {
  x: number;
  y: number;
  wide: number;
  high: number;
}

const overlap = (a: Patch, b: Patch): number =>
  Math.max(0, a.wide + b.wide - Math.abs(a.x - b.x)) * Math.max(0, a.high + b.high - Math.abs(a.y - b.y));

/** Puts labels where they cover the least of what was put before them, each at the first of its spots that covers nothing. */
export const createSpots = () => {
  const taken: Patch[] = [];
  return {
    take: (patch: Patch): void => void taken.push(patch),
    place: (spots: readonly Patch[]): Patch | null => {
      let best: Patch | null = null;
      let least = Infinity;
      for (const spot of spots) {
        const covered = taken.reduce((sum, one) => sum + overlap(spot, one), 0);
        if (covered < least) [best, least] = [spot, covered];
        if (covered === 0) break;
      }
      if (best) taken.push(best);
      return best;
    },
  };
};

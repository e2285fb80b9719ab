import type { Spot } from '@amber/core';

interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Pixels that a sign takes to each side of its middle, and that a letter of a name is wide. */
const SIGN = 15;
const LETTER = 6.7;
const HEIGHT = 16;

const overlap = (a: Rect, b: Rect): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

const around = ({ x, y }: Spot, width: number, height: number): Rect => ({
  ...{ x: x - width / 2, y: y - height / 2 },
  ...{ width, height },
});

/** Half the size of what a cable is called on the plan, pixels. */
export const TAG = { width: 46, height: 22 };

/** Where the name of each place stands beside its sign, middle of the name: where it covers the least of other signs, names and tags of cables. */
export const namesBeside = (places: readonly { name: string; at: Spot }[], tags: readonly Spot[]): Spot[] => {
  const taken = [
    ...places.map(({ at }) => around(at, 2 * SIGN, 2 * SIGN)),
    ...tags.map((tag) => around(tag, TAG.width, TAG.height)),
  ];
  return places.map(({ name, at }) => {
    const width = name.length * LETTER;
    const beside = SIGN + 8 + width / 2;
    // Below or above, in the middle or to one side; else beside.
    const spots = [
      ...[at.y + SIGN + 16, at.y - SIGN - 14].flatMap((y) =>
        [0, width / 2 - SIGN, SIGN - width / 2].map((aside) => ({ x: at.x + aside, y })),
      ),
      { x: at.x + beside, y: at.y },
      { x: at.x - beside, y: at.y },
    ];
    const covered = (spot: Spot): number =>
      taken.reduce((sum, one) => sum + overlap(around(spot, width, HEIGHT), one), 0);
    const [best] = [...spots].sort((a, b) => covered(a) - covered(b));
    const spot = best ?? at;
    taken.push(around(spot, width, HEIGHT));
    return spot;
  });
};

import type { Spot } from '../layout/walls.js';

/** A plane onto another as a camera sees it: nine numbers, row by row, the last of them 1. */
export type Homography = readonly number[];

/** A point of the one plane and the same point in the other. */
export type Pair = readonly [from: Spot, to: Spot];

/** Gauss with the largest pivot; null where there is no one solution. */
const solved = (rows: number[][]): number[] | null => {
  const size = rows.length;
  for (let at = 0; at < size; at += 1) {
    let best = at;
    for (let row = at + 1; row < size; row += 1)
      if (Math.abs(rows[row]?.[at] ?? 0) > Math.abs(rows[best]?.[at] ?? 0)) best = row;
    const [pivot, here] = [rows[best], rows[at]];
    if (!pivot || !here || Math.abs(pivot[at] ?? 0) < 1e-9) return null;
    [rows[at], rows[best]] = [pivot, here];
    const lead = pivot[at] ?? 1;
    for (let row = 0; row < size; row += 1) {
      const other = rows[row];
      if (row === at || !other) continue;
      const share = (other[at] ?? 0) / lead;
      for (let column = at; column <= size; column += 1)
        other[column] = (other[column] ?? 0) - share * (pivot[column] ?? 0);
    }
  }
  return rows.map((row, at) => (row[size] ?? 0) / (row[at] ?? 1));
};

/**
 * The view that takes four points to four others (the direct linear transform). Null where three of them lie in a line, so that it is not
 * known. Coordinates of both planes are of about one size each; the caller scales them.
 */
export const homographyOf = (pairs: readonly Pair[]): Homography | null => {
  const rows = pairs.slice(0, 4).flatMap(([{ x, y }, { x: u, y: v }]) => [
    [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
    [0, 0, 0, x, y, 1, -v * x, -v * y, v],
  ]);
  if (rows.length < 8) return null;
  const found = solved(rows);
  return found && [...found, 1];
};

/** Where a point comes to lie; null where it lies behind the camera or at its horizon. */
export const seenAt = (
  [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, i = 1]: Homography,
  { x, y }: Spot,
): Spot | null => {
  const depth = g * x + h * y + i;
  return depth < 1e-9 ? null : { x: (a * x + b * y + c) / depth, y: (d * x + e * y + f) / depth };
};

const turn = (a: Spot, b: Spot, c: Spot): number =>
  Math.sign((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));

/**
 * Do four points lie in a picture as they do on a wall that is seen from its room? No three in a line, none folded over, left and right not
 * exchanged. Heights of the wall grow upward, those of the picture downward.
 */
export const lieAlike = (pairs: readonly Pair[]): boolean =>
  pairs.length === 4 &&
  [0, 1, 2, 3].every((left) => {
    const [a, b, c] = pairs.filter((_pair, at) => at !== left) as [Pair, Pair, Pair];
    const wall = turn(a[0], b[0], c[0]);
    return wall !== 0 && turn(a[1], b[1], c[1]) === -wall;
  });

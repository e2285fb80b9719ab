import type { DrawnWire, Point } from './geometry.js';

type Piece = readonly [Point, Point];

const side = (a: Point, b: Point, p: Point): number =>
  Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));

/** Do two straight pieces cross, not only touch? */
const cross = ([a, b]: Piece, [c, d]: Piece): boolean =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

const piecesOf = ({ points }: Pick<DrawnWire, 'points'>): Piece[] =>
  points.slice(1).map((b, i): Piece => [points[i] ?? b, b]);

/** How often wires of a picture cross one another, as it is drawn. */
export const crossingsOf = (wires: readonly Pick<DrawnWire, 'points'>[]): number => {
  const pieces = wires.map(piecesOf);
  let sum = 0;
  pieces.forEach((mine, i) => {
    for (const others of pieces.slice(i + 1))
      for (const a of mine) for (const b of others) if (cross(a, b)) sum += 1;
  });
  return sum;
};

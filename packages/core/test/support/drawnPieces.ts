import type { DrawnWire } from '../../src/index.js';
import { drawnBoxes, type Drawn } from './drawnBoxes.js';

/** A rectangle of a picture. */
export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}
export type Segment = Frame & { wire: string };

/** The straight pieces of a wire. */
export const piecesOf = ({ id, points }: DrawnWire): Segment[] =>
  points.slice(1).map((b, i) => {
    const a = points[i] ?? b;
    return {
      wire: id,
      x: Math.min(a.x, b.x),
      y: Math.min(a.y, b.y),
      width: Math.abs(a.x - b.x),
      height: Math.abs(a.y - b.y),
    };
  });

/** Each box with its name where something of it is not as it should be. */
export const forEveryBox = (check: (one: Drawn) => void) => {
  expect(drawnBoxes.length).toBeGreaterThan(250);
  for (const one of drawnBoxes)
    try {
      check(one);
    } catch (error) {
      throw new Error(`${one.name}: ${String(error)}`, { cause: error });
    }
};

/** Width of a wire with its outline. */
export const WIRE = 6.2;

/** Do two frames lie on one another by more than a margin? */
export const overlaps = (a: Frame, b: Frame, margin = 0.5): boolean =>
  a.x < b.x + b.width - margin &&
  b.x < a.x + a.width - margin &&
  a.y < b.y + b.height - margin &&
  b.y < a.y + a.height - margin;

/** Where the middle of a slanting piece is, which its frame would overstate. */
export const thinned = (piece: Segment): Frame =>
  piece.width > 0 && piece.height > 0
    ? { x: piece.x + piece.width / 2, y: piece.y + piece.height / 2, width: 0.6, height: 0.6 }
    : { ...piece, width: Math.max(piece.width, 0.6), height: Math.max(piece.height, 0.6) };

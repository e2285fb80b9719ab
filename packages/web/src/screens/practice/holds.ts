import { tapeKey, type LinkReading, type Stub, type WirePoint } from '@amber/core';

/** The wires of one cable that a tool is on: none, one while it is put on, or two. */
export interface Hold {
  stub: Stub;
  points: readonly WirePoint[];
}
export type Tool = 'link' | 'tester';

/** Taps of a tool: the second wire of the same cable completes it, a wire that it is on is let go, another cable begins anew. */
export const tapped = (held: Hold | null, stub: Stub, point: WirePoint): Hold | null => {
  if (held === null || tapeKey(held.stub) !== tapeKey(stub)) return { stub, points: [point] };
  const { points } = held;
  if (points.includes(point)) {
    const left = points.filter((one) => one !== point);
    return left.length === 0 ? null : { stub, points: left };
  }
  return { stub, points: points.length === 2 ? [point] : [...points, point] };
};

/** Both wires of a tool that is on; null while it is on none or one. */
export const pairOf = (held: Hold | null): LinkReading['link'] =>
  held?.points[0] !== undefined && held.points[1] !== undefined
    ? { at: held.stub, pair: [held.points[0], held.points[1]] }
    : null;

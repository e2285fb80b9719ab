import { LABEL_SIZE, type DrawnWire, type Piece, type Point } from './geometry.js';

type Line = Pick<DrawnWire, 'points' | 'labels'>;

/** So far from the middle of a wire that crosses it words along another stand clear of it. */
const CROSSING = 10;

/** A straight piece of a wire, its place across and its stretch along. */
interface Stretch {
  wire: number;
  across: number;
  from: number;
  to: number;
}

const stretchesOf = (lines: readonly Line[], across: 'x' | 'y', along: 'x' | 'y'): Stretch[] =>
  lines.flatMap(({ points }, wire) =>
    points.slice(1).flatMap((end, i): Stretch[] => {
      const start = points[i] ?? end;
      if (start[across] !== end[across] || start[along] === end[along]) return [];
      const [from, to] = [Math.min(start[along], end[along]), Math.max(start[along], end[along])];
      return [{ wire, across: start[across], from, to }];
    }),
  );

/** The longest part of a stretch that some others leave free. */
const longestFree = (from: number, to: number, covers: [number, number][]): [number, number] => {
  let best: [number, number] = [from, from];
  let at = from;
  covers.sort(([one], [other]) => one - other);
  for (const [start, end] of [...covers, [to, to] as const]) {
    const until = Math.min(start, to);
    if (until - at > best[1] - best[0]) best = [at, until];
    at = Math.max(at, end);
  }
  return best;
};

/**
 * Where words may stand along each wire: on its longest straight part that nothing crosses and no label covers, else on the longest that none of its
 * own labels covers.
 */
export const roomAlong = (lines: readonly Line[]): Piece[][] => {
  const best = lines.map((): { clear: Piece | null; own: Piece | null; sizes: [number, number] } => ({
    ...{ clear: null, own: null, sizes: [0, 0] },
  }));
  const upright = stretchesOf(lines, 'x', 'y');
  const level = stretchesOf(lines, 'y', 'x');
  for (const [stretches, crossing, across, along] of [
    [upright, level, 'x', 'y'],
    [level, upright, 'y', 'x'],
  ] as const) {
    const half = { x: LABEL_SIZE.width / 2, y: LABEL_SIZE.height / 2 };
    for (const one of stretches) {
      const own: [number, number][] = [];
      const all: [number, number][] = [];
      lines.forEach(({ labels }, wire) => {
        for (const label of labels) {
          if (Math.abs(label[across] - one.across) >= half[across]) continue;
          const cover: [number, number] = [label[along] - half[along], label[along] + half[along]];
          all.push(cover);
          if (wire === one.wire) own.push(cover);
        }
      });
      for (const other of crossing)
        if (other.wire !== one.wire && other.from <= one.across + half.y && other.to >= one.across - half.y)
          all.push([other.across - CROSSING, other.across + CROSSING]);
      const at = (where: number): Point =>
        across === 'x' ? { x: one.across, y: where } : { x: where, y: one.across };
      const found = best[one.wire];
      if (!found) continue;
      const clear = longestFree(one.from, one.to, all);
      if (clear[1] - clear[0] > found.sizes[0]) {
        found.sizes[0] = clear[1] - clear[0];
        found.clear = { a: at(clear[0]), b: at(clear[1]) };
      }
      const free = longestFree(one.from, one.to, own);
      if (free[1] - free[0] > found.sizes[1]) {
        found.sizes[1] = free[1] - free[0];
        found.own = { a: at(free[0]), b: at(free[1]) };
      }
    }
  }
  return best.map(({ clear, own }) => [...(clear ? [clear] : []), ...(own ? [own] : [])]);
};

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

/** Where words may stand along each wire: the longest straight part of it that nothing crosses and no label covers. */
export const roomAlong = (lines: readonly Line[]): (Piece | null)[] => {
  const best = lines.map((): Piece | null => null);
  const sizes = lines.map(() => 0);
  const upright = stretchesOf(lines, 'x', 'y');
  const level = stretchesOf(lines, 'y', 'x');
  const labels = lines.flatMap((line) => line.labels);
  const half = { x: LABEL_SIZE.width / 2, y: LABEL_SIZE.height / 2 };
  for (const [stretches, crossing, across, along] of [
    [upright, level, 'x', 'y'],
    [level, upright, 'y', 'x'],
  ] as const)
    for (const one of stretches) {
      const covers: [number, number][] = [];
      for (const label of labels)
        if (Math.abs(label[across] - one.across) < half[across])
          covers.push([label[along] - half[along], label[along] + half[along]]);
      for (const other of crossing)
        if (other.wire !== one.wire && other.from <= one.across + half.y && other.to >= one.across - half.y)
          covers.push([other.across - CROSSING, other.across + CROSSING]);
      const [from, to] = longestFree(one.from, one.to, covers);
      if (to - from <= (sizes[one.wire] ?? 0)) continue;
      sizes[one.wire] = to - from;
      const at = (where: number): Point =>
        across === 'x' ? { x: one.across, y: where } : { x: where, y: one.across };
      best[one.wire] = { a: at(from), b: at(to) };
    }
  return best;
};

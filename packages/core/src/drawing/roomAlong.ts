import { LABEL_SIZE, type DrawnWire, type Piece, type Point } from './geometry.js';

/** So far from the middle of a wire that crosses it words along another stand clear of it. */
const CROSSING = 10;

const lengthOf = ({ a, b }: Piece): number => Math.hypot(a.x - b.x, a.y - b.y);

/** What is left of a stretch that some others cover. */
const uncovered = (
  from: number,
  to: number,
  covers: readonly (readonly [number, number])[],
): [number, number][] => {
  const free: [number, number][] = [];
  let at = from;
  for (const [start, end] of [...covers].sort(([one], [other]) => one - other)) {
    const until = Math.min(start, to);
    if (until > at) free.push([at, until]);
    at = Math.max(at, end);
  }
  if (at < to) free.push([at, to]);
  return free;
};

/** The parts of a straight piece that no label of these wires covers, and that none of `crossing` crosses. */
const freeParts = (piece: Piece, labelled: readonly Line[], crossing: readonly Line[]): Piece[] => {
  const { a, b } = piece;
  const upright = a.x === b.x;
  if (!upright && a.y !== b.y) return [piece];
  const [across, along] = upright ? (['x', 'y'] as const) : (['y', 'x'] as const);
  const half = { x: LABEL_SIZE.width / 2, y: LABEL_SIZE.height / 2 };
  const [from, to] = [Math.min(a[along], b[along]), Math.max(a[along], b[along])];
  const covers = [
    ...labelled.flatMap(({ labels }) =>
      labels
        .filter((label) => Math.abs(label[across] - a[across]) < half[across])
        .map((label) => [label[along] - half[along], label[along] + half[along]] as const),
    ),
    ...crossing.flatMap(({ points }) =>
      points.slice(1).flatMap((end, i) => {
        const start = points[i] ?? end;
        const [low, high] = [Math.min(start[across], end[across]), Math.max(start[across], end[across])];
        if (start[along] !== end[along] || low > a[across] + half.y || high < a[across] - half.y) return [];
        return [[start[along] - CROSSING, start[along] + CROSSING] as const];
      }),
    ),
  ];
  const at = (where: number): Point => (upright ? { x: a.x, y: where } : { x: where, y: a.y });
  return uncovered(from, to, covers).map(([start, end]) => ({ a: at(start), b: at(end) }));
};

type Line = Pick<DrawnWire, 'points' | 'labels'>;

/** Where words may stand along a wire: on the longest part that nothing crosses and no label covers, else on the longest that none of its own labels covers. */
export const roomAlong = (wire: Line, others: readonly Line[]): Piece[] => {
  const pieces = wire.points.slice(1).map((b, i): Piece => ({ a: wire.points[i] ?? b, b }));
  const longest = (labelled: readonly Line[], crossing: readonly Line[]): Piece[] => {
    const parts = pieces.flatMap((piece) => freeParts(piece, labelled, crossing));
    return parts.sort((one, other) => lengthOf(other) - lengthOf(one)).slice(0, 1);
  };
  return [...longest([wire, ...others], others), ...longest([wire], [])];
};

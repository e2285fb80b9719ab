import type { Spot } from '@amber/core';

/** A straight piece of a way along the walls' directions: on `line`, from one coordinate to another. */
export interface Piece {
  level: boolean;
  line: number;
  from: number;
  to: number;
}

/** A way to lay a run on the plan: its ends and its corners, pixels. */
export type Way = readonly Spot[];

/** The spots of a mark that a run keeps clear of, its middle first: a wide one has several. */
export type Mark = readonly Spot[];

/** Lines of runs that go the same way are so far apart, pixels. */
export const LANE = 10;
/** Nearer than this to the middle of a mark a run looks as if it ended there, pixels. */
const CLEAR = 19;
/** Pieces nearer than this lie on one another and are put into lanes. */
const NEAR = LANE - 1;

const pieceOf = (a: Spot, b: Spot): Piece =>
  Math.abs(a.y - b.y) < Math.abs(a.x - b.x)
    ? { level: true, line: a.y, from: a.x, to: b.x }
    : { level: false, line: a.x, from: a.y, to: b.y };

export const piecesOf = (way: Way): Piece[] =>
  way
    .slice(1)
    .map((spot, i) => pieceOf(way[i] ?? spot, spot))
    .filter(({ from, to }) => Math.abs(from - to) > 0.5);

const low = ({ from, to }: Piece): number => Math.min(from, to);
const high = ({ from, to }: Piece): number => Math.max(from, to);

/** How far two pieces of one direction run beside each other on one line, pixels. */
const shared = (a: Piece, b: Piece): number =>
  a.level !== b.level || Math.abs(a.line - b.line) >= NEAR
    ? 0
    : Math.max(0, Math.min(high(a), high(b)) - Math.max(low(a), low(b)));

const crosses = (a: Piece, b: Piece): boolean =>
  a.level !== b.level &&
  a.line > low(b) + 1 &&
  a.line < high(b) - 1 &&
  b.line > low(a) + 1 &&
  b.line < high(a) - 1;

/** How near a piece passes the middle of something, pixels. */
export const passes = ({ level, line, from, to }: Piece, { x, y }: Spot): number => {
  const [along, across] = level ? [x, y] : [y, x];
  const [a, b] = [Math.min(from, to), Math.max(from, to)];
  return Math.hypot(across - line, Math.max(0, a - along, along - b));
};

/** A name on the plan, which runs had better not cross, pixels. */
export interface Extent {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

const crossesName = ({ level, line, from, to }: Piece, { left, right, top, bottom }: Extent): boolean => {
  const [a, b] = [Math.min(from, to), Math.max(from, to)];
  return level
    ? line > top && line < bottom && b > left && a < right
    : line > left && line < right && b > top && a < bottom;
};

/** Ways with at most two corners between two spots. */
const waysBetween = (a: Spot, b: Spot): Way[] => {
  const bent = (share: number): Way[] => {
    const x = a.x + (b.x - a.x) * share;
    const y = a.y + (b.y - a.y) * share;
    return [
      [a, { x, y: a.y }, { x, y: b.y }, b],
      [a, { x: a.x, y }, { x: b.x, y }, b],
    ];
  };
  // Where they stand nearly in line, a way round on either side of what stands between.
  const round = [-34, 34].flatMap((aside): Way[] => [
    [a, { x: a.x, y: a.y + aside }, { x: b.x, y: a.y + aside }, b],
    [a, { x: a.x + aside, y: a.y }, { x: a.x + aside, y: b.y }, b],
  ]);
  return [[a, { x: b.x, y: a.y }, b], [a, { x: a.x, y: b.y }, b], ...[0.5, 0.3, 0.7].flatMap(bent), ...round];
};

const WEIGHTS = { passed: 400, named: 70, along: 0.7, crossed: 30, corner: 14, length: 0.25 };

/** What runs go round: marks and, where they can, names. */
export interface Around {
  marks: readonly Mark[];
  names: readonly Extent[];
}

/** The way of a run among those laid already: by no mark that is not its own, beside few others, across few. */
const wayAmong = ([a, b]: readonly [Spot, Spot], { marks, names }: Around, laid: readonly Piece[]): Way => {
  const isAt = ([middle]: Mark, end: Spot) =>
    middle !== undefined && middle.x === end.x && middle.y === end.y;
  const others = marks.filter((mark) => !isAt(mark, a) && !isAt(mark, b)).flat();
  const costOf = (way: Way): number => {
    const pieces = piecesOf(way);
    return pieces.reduce((sum, piece) => {
      const passed = others.filter((one) => passes(piece, one) < CLEAR).length;
      const along = laid.reduce((all, one) => all + shared(piece, one), 0);
      const crossed = laid.filter((one) => crosses(piece, one)).length;
      return (
        sum +
        WEIGHTS.passed * passed +
        WEIGHTS.named * names.filter((one) => crossesName(piece, one)).length +
        WEIGHTS.along * along +
        WEIGHTS.crossed * crossed +
        WEIGHTS.corner +
        WEIGHTS.length * (high(piece) - low(piece))
      );
    }, 0);
  };
  const [best = [a, b]] = waysBetween(a, b)
    .map((way) => ({ way, cost: costOf(way) }))
    .sort((one, other) => one.cost - other.cost)
    .map(({ way }) => way);
  return best;
};

/**
 * Pieces that lie on one another are put side by side, in the order in which they turn off, so that lanes cross as little as they
 * can. Gives the line of each piece.
 */
const lanesOf = (pieces: readonly (Piece & { turn: number })[]): number[] => {
  const lines = pieces.map(({ line }) => line);
  const left = new Set(pieces.keys());
  while (left.size > 0) {
    const bundle: number[] = [];
    const queue = [...left].slice(0, 1);
    for (const one of queue) {
      if (!left.delete(one)) continue;
      bundle.push(one);
      for (const other of left)
        if (shared(pieces[one] as Piece, pieces[other] as Piece) > 1) queue.push(other);
    }
    if (bundle.length < 2) continue;
    const middle = bundle.reduce((sum, one) => sum + (pieces[one]?.line ?? 0), 0) / bundle.length;
    bundle
      .sort((a, b) => (pieces[a]?.turn ?? 0) - (pieces[b]?.turn ?? 0) || a - b)
      .forEach((one, at) => (lines[one] = middle + (at - (bundle.length - 1) / 2) * LANE));
  }
  return lines;
};

/** To which side a piece turns at its ends: the middle of what comes before and after it, by its distance across. */
const turnOf = (pieces: readonly Piece[], at: number): number => {
  const piece = pieces[at];
  if (!piece) return 0;
  const asides = [pieces[at - 1], pieces[at + 1]].flatMap((next) =>
    next && next.level !== piece.level ? [next.from, next.to] : [],
  );
  return asides.length === 0 ? piece.line : asides.reduce((sum, one) => sum + one, 0) / asides.length;
};

/**
 * Runs laid over a plan, each from spot to spot along the walls' directions. Those that share a way lie side by side, and none passes over
 * a mark that is not its own where a way round is found.
 */
export const layRuns = (ends: readonly (readonly [Spot, Spot])[], around: Around): Way[] => {
  const laid: Piece[] = [];
  const ways = ends.map(([a, b]) => {
    const way = wayAmong([a, b], around, laid);
    const pieces = piecesOf(way);
    laid.push(...pieces);
    return { a, b, pieces };
  });
  const all = ways.flatMap(({ pieces }, run) =>
    pieces.map((piece, at) => ({ ...piece, run, turn: turnOf(pieces, at) })),
  );
  const lines = lanesOf(all);
  return ways.map(({ a, b }, run) => {
    const mine = all.flatMap((piece, i) =>
      piece.run === run ? [{ ...piece, line: lines[i] ?? piece.line }] : [],
    );
    const first = mine[0];
    const last = mine.at(-1);
    if (!first || !last) return [a, b];
    const spots: Spot[] = [first.level ? { x: a.x, y: first.line } : { x: first.line, y: a.y }];
    mine.slice(1).forEach((piece, i) => {
      const before = mine[i];
      if (!before) return;
      // Two pieces of one direction meet where the first ends.
      if (before.level === piece.level)
        spots.push(before.level ? { x: before.to, y: before.line } : { x: before.line, y: before.to });
      spots.push(
        before.level === piece.level
          ? piece.level
            ? { x: piece.from, y: piece.line }
            : { x: piece.line, y: piece.from }
          : piece.level
            ? { x: before.line, y: piece.line }
            : { x: piece.line, y: before.line },
      );
    });
    spots.push(last.level ? { x: b.x, y: last.line } : { x: last.line, y: b.y });
    return spots;
  });
};

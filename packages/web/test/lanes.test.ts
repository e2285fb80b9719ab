import fc from 'fast-check';
import { LANE, layRuns, passes, piecesOf, type Way } from '../src/screens/runs/lanes.js';

const spot = (x: number, y: number) => ({ x, y });
const around = (...marks: ReturnType<typeof spot>[]) => ({ marks: marks.map((one) => [one]), names: [] });

/** Length that two ways run on one another, pixels. */
const onOneAnother = (a: Way, b: Way): number =>
  piecesOf(a).reduce(
    (sum, one) =>
      sum +
      piecesOf(b).reduce((all, other) => {
        if (one.level !== other.level || Math.abs(one.line - other.line) > LANE - 2) return all;
        const from = Math.max(Math.min(one.from, one.to), Math.min(other.from, other.to));
        const to = Math.min(Math.max(one.from, one.to), Math.max(other.from, other.to));
        return all + Math.max(0, to - from);
      }, 0),
    0,
  );

test('two cables between the same two boxes lie side by side', () => {
  const [a, b] = [spot(100, 100), spot(400, 260)];
  const [one = [], other = []] = layRuns(
    [
      [a, b],
      [a, b],
    ],
    around(a, b),
  );
  expect(onOneAnother(one, other)).toBeLessThan(LANE);
});

test('a run in line with a box that is not its own goes round it', () => {
  const [a, between, b] = [spot(100, 100), spot(250, 100), spot(400, 100)];
  const [way = []] = layRuns([[a, b]], around(a, between, b));
  for (const piece of piecesOf(way)) expect(passes(piece, between)).toBeGreaterThan(19);
});

test('a run keeps off a name where another way is as short', () => {
  const [a, b] = [spot(100, 100), spot(300, 300)];
  const name = { left: 180, right: 260, top: 92, bottom: 108 };
  const [way = []] = layRuns([[a, b]], { ...around(a, b), names: [name] });
  for (const { level, line } of piecesOf(way)) expect(level && line > 92 && line < 108).toBe(false);
});

test('every way begins and ends at its boxes, along the walls alone', () => {
  const anySpot = fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 25 }));
  fc.assert(
    fc.property(
      fc.uniqueArray(anySpot, { minLength: 4, maxLength: 9, selector: String }),
      fc.array(fc.tuple(fc.nat(8), fc.nat(8)), { minLength: 1, maxLength: 9 }),
      (places, pairs) => {
        const spots = places.map(([x, y]) => spot(x * 24, y * 24));
        const ends = pairs.flatMap(([i, j]) => {
          const [a, b] = [spots[i % spots.length], spots[j % spots.length]];
          return a && b && a !== b ? [[a, b] as const] : [];
        });
        layRuns(ends, around(...spots)).forEach((way, i) => {
          const [a, b] = ends[i] ?? [];
          const [first, last] = [way[0], way.at(-1)];
          if (!a || !b || !first || !last) throw new Error('no way');
          // In its lane an end is aside of the middle of its mark by less than so many lanes.
          const most = LANE * ends.length;
          expect(Math.hypot(first.x - a.x, first.y - a.y)).toBeLessThanOrEqual(most);
          expect(Math.hypot(last.x - b.x, last.y - b.y)).toBeLessThanOrEqual(most);
          for (let at = 1; at < way.length; at++) {
            const [p, q] = [way[at - 1], way[at]];
            if (p && q) expect(Math.min(Math.abs(p.x - q.x), Math.abs(p.y - q.y))).toBeLessThan(0.01);
          }
        });
      },
    ),
    { seed: 7, numRuns: 300 },
  );
});

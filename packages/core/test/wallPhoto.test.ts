import fc from 'fast-check';
import {
  feetInches,
  findRoom,
  homographyOf,
  lieAlike,
  reviewJob,
  seenAt,
  wallDistances,
  wallFace,
  wallsOf,
  type BoxId,
  type Pair,
  type Spot,
} from '../src/index.js';
import { yard } from './support/yard.js';

/** A camera that stands anywhere before the wall and looks at it, as an obvious projection: rotate, move, divide by depth. */
const camera =
  ({ yaw, pitch, away, x, y }: { yaw: number; pitch: number; away: number; x: number; y: number }) =>
  (point: Spot): Spot => {
    const [dx, dy, dz] = [point.x - x, point.y - y, away];
    const turned = {
      x: dx * Math.cos(yaw) + dz * Math.sin(yaw),
      z: -dx * Math.sin(yaw) + dz * Math.cos(yaw),
    };
    const tilted = {
      y: dy * Math.cos(pitch) + turned.z * Math.sin(pitch),
      z: -dy * Math.sin(pitch) + turned.z * Math.cos(pitch),
    };
    return { x: turned.x / tilted.z, y: -tilted.y / tilted.z };
  };

const CORNERS: Spot[] = [
  { x: 0, y: 0 },
  { x: 0, y: 1 },
  { x: 1, y: 1 },
  { x: 1, y: 0 },
];
const angle = fc.double({ min: -0.5, max: 0.5, noNaN: true });
const anyCamera = fc.record({
  ...{ yaw: angle, pitch: angle },
  away: fc.double({ min: 1.2, max: 6, noNaN: true }),
  x: fc.double({ min: 0, max: 1, noNaN: true }),
  y: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
});
const inside = fc.record({
  x: fc.double({ min: 0, max: 1, noNaN: true }),
  y: fc.double({ min: 0, max: 1, noNaN: true }),
});

test('four points tell where every other point of the wall is in the picture, and back', () => {
  fc.assert(
    fc.property(anyCamera, inside, (view, point) => {
      const see = camera(view);
      const pairs = CORNERS.map((corner): Pair => [corner, see(corner)]);
      const there = homographyOf(pairs);
      const back = homographyOf(pairs.map(([a, b]): Pair => [b, a]));
      if (!there || !back) throw new Error('four corners are enough');
      const seen = seenAt(there, point);
      if (!seen) throw new Error('it is before the camera');
      expect(Math.hypot(seen.x - see(point).x, seen.y - see(point).y)).toBeLessThan(1e-6);
      const again = seenAt(back, seen);
      expect(Math.hypot((again?.x ?? 9) - point.x, (again?.y ?? 9) - point.y)).toBeLessThan(1e-6);
      expect(lieAlike(pairs)).toBe(true);
    }),
    { seed: 1911, numRuns: 300 },
  );
});

test('three points in a line tell nothing, and points that are exchanged are noticed', () => {
  const see = camera({ yaw: 0.2, pitch: 0, away: 3, x: 0.5, y: 0.5 });
  const line = [CORNERS[0], { x: 0.5, y: 0.5 }, CORNERS[2], CORNERS[3]].map((one): Pair => [
    one as Spot,
    see(one as Spot),
  ]);
  expect(homographyOf(line)).toBeNull();
  expect(lieAlike(line)).toBe(false);
  const pairs = CORNERS.map((corner): Pair => [corner, see(corner)]);
  const swap = (a: number, b: number) =>
    pairs.map(([wall], i): Pair => [wall, (pairs[i === a ? b : i === b ? a : i] as Pair)[1]]);
  for (const [a, b] of [
    [0, 1],
    [0, 2],
    [0, 3],
    [1, 2],
  ] as const)
    expect([a, b, lieAlike(swap(a, b))]).toEqual([a, b, false]);
  const mirrored = pairs.map(([wall, { x, y }]): Pair => [wall, { x: -x, y }]);
  expect(lieAlike(mirrored)).toBe(false);
  expect(homographyOf(pairs.slice(0, 3))).toBeNull();
});

test('a wall is seen from its room: every box that holds on to it stands there once, as far from its left end as the plan has it', () => {
  const { job, wiring } = reviewJob(yard());
  const seen = new Map<string, number>();
  let runs = 0;
  for (const room of job.rooms)
    for (const wall of wallsOf(room)) {
      const face = wallFace(job, wiring, room.id, wall.index);
      if (!face) throw new Error('a wall has a face');
      for (const { id, at } of face.boxes) {
        seen.set(id, (seen.get(id) ?? 0) + 1);
        const box = job.boxes.find((one) => one.id === id);
        if (!box?.at) throw new Error('it stands somewhere');
        expect([id, at.y]).toEqual([id, box.at.z]);
        // Who faces the wall has its left end at the left: turned a quarter to the right from where he looks is along it.
        const right = { x: wall.inward.y, y: -wall.inward.x };
        const left = [wall.from, wall.to].reduce((a, b) =>
          a.x * right.x + a.y * right.y < b.x * right.x + b.y * right.y ? a : b,
        );
        const along = (box.at.x - left.x) * right.x + (box.at.y - left.y) * right.y;
        expect([id, feetInches(Math.round(at.x))]).toEqual([id, feetInches(Math.round(along))]);
      }
      for (const { points, cable } of face.runs) {
        runs += 1;
        // Where an old cable lies nobody has said.
        expect(wiring.cables.find(({ id }) => id === cable)?.existing).toBe(false);
        const ends = wiring.cables.filter(({ id }) => id === cable).flatMap(({ from, to }) => [from, to]);
        const first = points[0];
        expect(
          face.boxes.some(({ id, at }) => ends.includes(id) && at.x === first?.x && at.y === first.y),
        ).toBe(true);
        for (const { x, y } of points)
          expect(x >= -1 && x <= face.length + 1 && y >= 0 && y <= face.height).toBe(true);
      }
    }
  expect(seen.size).toBeGreaterThan(5);
  expect(new Set(seen.values())).toEqual(new Set([1]));
  expect(runs).toBeGreaterThan(5);
  expect(wallFace(job, wiring, 'no such room', 0)).toBeNull();
  const [room] = job.rooms;
  expect(room && wallFace(job, wiring, room.id, 99)).toBeNull();
  expect(room && findRoom(job, room.id)).toBe(room);
});

test('distances along a wall lead from its left end to its last box, each to the next, whatever the order and the heights', () => {
  const anyRow = fc.array(
    fc.record({ x: fc.integer({ min: 1, max: 240 }), y: fc.integer({ min: 0, max: 90 }) }),
    {
      minLength: 1,
      maxLength: 8,
    },
  );
  fc.assert(
    fc.property(anyRow, (spots) => {
      const boxes = spots.map((at, i) => ({ id: `b${i}` as BoxId, name: `Box ${i}`, at }));
      const all = wallDistances({ boxes });
      expect(all.reduce((sum, { inches }) => sum + inches, 0)).toBe(Math.max(...spots.map(({ x }) => x)));
      expect(all).toHaveLength(new Set(spots.map(({ x }) => x)).size);
      let reached = 0;
      for (const { from, to, inches } of all) {
        expect([from.x, to.x - from.x, from.y]).toEqual([reached, inches, to.y]);
        expect(from.y).toBeGreaterThanOrEqual(0);
        reached = to.x;
      }
    }),
    { seed: 6102 },
  );
});

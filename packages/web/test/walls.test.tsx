import { fireEvent, render, screen } from '@testing-library/react';
import { wallFace, type SiteRecord, type Spot, type WallFace } from '@amber/core';
import {
  FIRST_FOUR,
  flattening,
  knownPoints,
  placedOf,
  sayPoint,
  viewOf,
  type Placed,
} from '../src/screens/check/walls/known.js';
import { PointPicker } from '../src/screens/check/walls/PointPicker.js';
import { reviewOf } from '../src/store/review.js';
import { yard } from './support/yard.js';

/** The wall of the galley with its shelf: 12 ft long, 8 ft high. */
const galley = (): WallFace => {
  const { job, wiring } = reviewOf(yard());
  const room = job.rooms.find(({ name }) => name === 'Galley');
  if (!room) throw new Error('no galley');
  const face = [0, 1, 2, 3]
    .flatMap((index) => wallFace(job, wiring, room.id, index) ?? [])
    .find(({ boxes }) => boxes.some(({ name }) => name === 'Shelf'));
  if (!face) throw new Error('no wall with the shelf');
  return face;
};

/** The four corners where a picture that is seen from the side has them. */
const CORNERS: Spot[] = [
  { x: 0.1, y: 0.9 },
  { x: 0.1, y: 0.1 },
  { x: 0.9, y: 0.2 },
  { x: 0.9, y: 0.8 },
];
const placed = (face: WallFace, at: readonly Spot[] = CORNERS): Placed[] =>
  FIRST_FOUR.flatMap((id, i) => {
    const known = knownPoints(face).find((one) => one.id === id);
    const spot = at[i];
    return known && spot ? [{ known, at: spot }] : [];
  });

test('corners and boxes are known, in inches from the left end and above the floor', () => {
  const face = galley();
  const shelf = knownPoints(face).find(({ words }) => words === 'Middle of Shelf');
  expect(shelf?.at).toEqual({ x: 90, y: 66 });
  expect(sayPoint(shelf?.at ?? { x: 0, y: 0 })).toBe('7\'-6" from the left end, 5\'-6" above the floor');
  // Nothing lies left of the wall or under the floor by the width of a finger.
  expect(sayPoint({ x: -0.3, y: -0.2 })).toBe('0" from the left end, 0" above the floor');
});

test('four points tell where the rest is, there and back; fewer, and exchanged ones, are refused in words', () => {
  const face = galley();
  const view = viewOf(face, placed(face));
  if (!view.ok) throw new Error(view.said);
  for (const [i, corner] of CORNERS.entries()) {
    const known = placed(face)[i]?.known.at ?? { x: 0, y: 0 };
    const seen = view.toPicture(known);
    expect(seen?.x).toBeCloseTo(corner.x, 6);
    expect(seen?.y).toBeCloseTo(corner.y, 6);
    const back = view.toWall(corner);
    expect(back?.x).toBeCloseTo(known.x, 3);
    expect(back?.y).toBeCloseTo(known.y, 3);
  }
  expect(viewOf(face, placed(face).slice(0, 3))).toEqual({ ok: false, said: 'Four points are wanted.' });
  const [a, b, c, d] = CORNERS as [Spot, Spot, Spot, Spot];
  const exchanged = viewOf(face, placed(face, [a, c, b, d]));
  expect(exchanged.ok ? '' : exchanged.said).toContain('none is taken for another');
});

test('laid flat, each corner of the wall comes to its corner of the drawing', () => {
  const face = galley();
  const [width, height, scale] = [1200, 700, 8];
  const matrix = /^matrix3d\((.*)\)$/
    .exec(flattening(face, placed(face), { width, height }, scale) ?? '')?.[1]
    ?.split(',')
    .map(Number);
  if (!matrix) throw new Error('it lies flat');
  const at = (i: number) => matrix[i] ?? 0;
  for (const { known, at: spot } of placed(face)) {
    const [x, y] = [spot.x * width, spot.y * height];
    // As the browser reckons it: columns of four, divided by the last.
    const w = at(3) * x + at(7) * y + at(15);
    expect((at(0) * x + at(4) * y + at(12)) / w).toBeCloseTo(known.at.x * scale, 3);
    expect((at(1) * x + at(5) * y + at(13)) / w).toBeCloseTo((face.height - known.at.y) * scale, 3);
  }
});

test('a photograph on record is read as it was kept', () => {
  const face = galley();
  const points = placed(face).map(({ known, at }) => ({ ...at, along: known.at.x, height: known.at.y }));
  const read = placedOf({ body: { points } } as unknown as SiteRecord);
  expect(read.map(({ known, at }) => [known.at, at])).toEqual(
    placed(face).map(({ known, at }) => [known.at, at]),
  );
});

test('points are placed with the arrow keys alone, one after the other, and only then kept', () => {
  const face = galley();
  const kept: Placed[][] = [];
  render(
    <PointPicker
      face={face}
      hash={'a'.repeat(64)}
      size={{ width: 600, height: 400 }}
      onKeep={(all) => kept.push(all)}
      onLeave={() => undefined}
    />,
  );
  const picture = screen.getByRole('application');
  const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Lay it on the wall' });
  // From the middle of the picture: a tenth and a bit to each corner.
  const ways = [
    ['ArrowLeft', 'ArrowDown'],
    ['ArrowLeft', 'ArrowUp'],
    ['ArrowRight', 'ArrowUp'],
    ['ArrowRight', 'ArrowDown'],
  ] as const;
  for (const [i, keys] of ways.entries()) {
    expect(keep().disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: `Pick point ${i + 1}` }));
    for (const key of keys)
      for (let times = 0; times < 4; times += 1) fireEvent.keyDown(picture, { key, shiftKey: true });
  }
  expect(keep().disabled).toBe(false);
  fireEvent.click(keep());
  expect(kept[0]?.map(({ known, at }) => [known.id, Math.round(at.x * 100), Math.round(at.y * 100)])).toEqual(
    [
      ['lower left', 30, 70],
      ['upper left', 30, 30],
      ['upper right', 70, 30],
      ['lower right', 70, 70],
    ],
  );
  // Another point that the plan knows may be taken instead, and none twice.
  const first = screen.getByLabelText<HTMLSelectElement>('Point 1 is');
  expect([...first.options].map(({ text }) => text)).toEqual(['Lower left corner', 'Middle of Shelf']);
});

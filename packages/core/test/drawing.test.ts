import { LABEL_SIZE } from '../src/index.js';
import {
  forEveryBox,
  overlaps,
  piecesOf,
  thinned,
  WIRE,
  type Frame,
  type Segment,
} from './support/drawnPieces.js';

test('no wire lies on another, on any random box', () =>
  forEveryBox(({ drawing }) => {
    const lying: string[] = [];
    const pieces = drawing.wires.flatMap(piecesOf);
    for (const upright of [true, false]) {
      const same = pieces
        .filter((one) => (upright ? one.width === 0 && one.height > 0 : one.height === 0 && one.width > 0))
        .map((one) => ({
          wire: one.wire,
          at: upright ? one.x : one.y,
          from: upright ? one.y : one.x,
          to: upright ? one.y + one.height : one.x + one.width,
        }));
      same.forEach((a, i) => {
        for (const b of same.slice(i + 1))
          if (a.wire !== b.wire && Math.abs(a.at - b.at) < WIRE && a.from < b.to - 1 && b.from < a.to - 1)
            lying.push(`${a.wire} on ${b.wire}`);
      });
    }
    expect(lying).toEqual([]);
  }));

test('no wire runs through a device, a connector, a sheath or a name, nor out of the box', () =>
  forEveryBox(({ drawing }) => {
    const { enclosure, fixtures, connectors, cables } = drawing;
    const titles = fixtures.map((one) => ({
      ...{ x: one.x, width: one.width, y: one.y - 8 - 14 * one.title.length },
      height: 14 * one.title.length,
    }));
    const solid: Frame[] = [...fixtures, ...connectors, ...cables, ...titles];
    const through: string[] = [];
    for (const wire of drawing.wires)
      for (const piece of piecesOf(wire)) {
        solid.forEach((one, i) => {
          if (overlaps(thinned(piece), one, 1)) through.push(`${wire.id} through ${i}`);
        });
        if (
          piece.x <= enclosure.x ||
          piece.x + piece.width >= enclosure.x + enclosure.width ||
          piece.y < enclosure.y ||
          piece.y + piece.height > enclosure.y + enclosure.height
        )
          through.push(`${wire.id} out of the box`);
      }
    expect(through).toEqual([]);
  }));

test('nothing that stands in a box covers another, and all fits the picture', () =>
  forEveryBox(({ drawing }) => {
    const all: Frame[] = [...drawing.fixtures, ...drawing.connectors, ...drawing.cables];
    const covering = all.flatMap((a, i) =>
      all.slice(i + 1).flatMap((b, k) => (overlaps(a, b) ? [`${i} on ${i + 1 + k}`] : [])),
    );
    expect(covering).toEqual([]);
    for (const one of all) {
      expect(one.x).toBeGreaterThanOrEqual(0);
      expect(one.y).toBeGreaterThanOrEqual(0);
      expect(one.x + one.width).toBeLessThanOrEqual(drawing.width);
      expect(one.y + one.height).toBeLessThanOrEqual(drawing.height + 0.5);
    }
  }));

test('no wire passes under the label of another', () =>
  forEveryBox(({ drawing }) => {
    const under: string[] = [];
    for (const labelled of drawing.wires) {
      const half = labelled.colour === 'bare' ? 5 : 8;
      for (const label of labelled.labels) {
        const frame = { x: label.x - half, y: label.y - 6, width: 2 * half, height: 12 };
        for (const other of drawing.wires)
          if (other !== labelled && piecesOf(other).some((piece) => overlaps(thinned(piece), frame)))
            under.push(`${other.id} under ${labelled.id}`);
      }
    }
    expect(under).toEqual([]);
  }));

test('words along a wire stand on it, clear of all labels and of all that crosses it', () => {
  let pieces = 0;
  let crossed = 0;
  const hidden: string[] = [];
  const half = { x: LABEL_SIZE.width / 2, y: LABEL_SIZE.height / 2 };
  forEveryBox(({ name, drawing }) => {
    for (const wire of drawing.wires) {
      if (!wire.along) continue;
      const { a, b } = wire.along;
      pieces += 1;
      const within = (v: number, one: number, other: number) =>
        v >= Math.min(one, other) - 1e-6 && v <= Math.max(one, other) + 1e-6;
      const isOn = wire.points.slice(1).some((to, i) => {
        const from = wire.points[i] ?? to;
        return [a, b].every(({ x, y }) => within(x, from.x, to.x) && within(y, from.y, to.y));
      });
      expect(isOn).toBe(true);
      const frame: Segment = {
        wire: wire.id,
        ...{ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) },
        ...{ width: Math.abs(a.x - b.x), height: Math.abs(a.y - b.y) },
      };
      for (const other of drawing.wires) {
        for (const { x, y } of other.labels) {
          const label = { x: x - half.x, y: y - half.y, width: 2 * half.x, height: 2 * half.y };
          if (overlaps(label, thinned(frame)))
            hidden.push(`${name}: ${wire.id} under a label of ${other.id}`);
        }
        for (const piece of other === wire ? [] : piecesOf(other)) {
          if ((piece.width === 0) === (frame.width === 0)) continue;
          crossed += 1;
          if (overlaps(thinned(piece), thinned(frame))) hidden.push(`${name}: ${wire.id} under ${other.id}`);
        }
      }
    }
  });
  expect(hidden).toEqual([]);
  expect(pieces).toBeGreaterThan(1000);
  expect(crossed).toBeGreaterThan(1000);
});

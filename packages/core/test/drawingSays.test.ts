import fc from 'fast-check';
import {
  articleOf,
  compile,
  conductorKey,
  conductorsOf,
  drawBox,
  makeUpSteps,
  newRoom,
  placeOnFace,
  type BoxDrawing,
} from '../src/index.js';
import { endKey, terminalKey, type End } from '../src/model/wiring.js';
import { readScene } from '../src/drawing/scene.js';
import { bestOrder } from '../src/drawing/crossings.js';
import { crossingsOf } from '../src/drawing/countCrossings.js';
import { tracksOf } from '../src/drawing/tracks.js';
import { drawnBoxes } from './support/drawnBoxes.js';
import { jobOf, planned } from './support/jobs.js';

import { forEveryBox } from './support/drawnPieces.js';

/** What a point of the picture is on: a pin by its key, a connector by its id, a cable; read off the geometry alone. */
const thingAt = (drawing: BoxDrawing, x: number, y: number): string => {
  const near = (a: number, b: number) => Math.abs(a - b) < 0.6;
  for (const { x: px, y: py, width, height, pins } of drawing.fixtures) {
    if (y < py - 1 || y > py + height + 8 || !(near(x, px) || near(x, px + width))) continue;
    const mine = pins.filter((pin) => near(pin.x, x)).sort((a, b) => Math.abs(a.y - y) - Math.abs(b.y - y));
    if (mine[0]) return `pin ${mine[0].key}`;
  }
  for (const one of drawing.connectors)
    if (
      (near(y, one.y) || near(y, one.y + one.height) || near(x, one.x) || near(x, one.x + one.width)) &&
      x >= one.x - 1 &&
      x <= one.x + one.width + 1 &&
      y >= one.y - 1 &&
      y <= one.y + one.height + 1
    )
      return one.form === 'air' ? 'air' : `connector ${one.id}`;
  for (const one of drawing.cables)
    if ((near(y, one.y) || near(y, one.y + one.height)) && x > one.x && x < one.x + one.width)
      return `cable ${one.cable} ${one.end}`;
  const { bond } = drawing;
  if (
    bond &&
    x >= bond.x - 1 &&
    x <= bond.x + bond.width + 1 &&
    y >= bond.y - 1 &&
    y <= bond.y + bond.height + 1
  )
    return `pin ${bond.key}`;
  return 'air';
};

test('the picture says what the wiring says: every wire is drawn once, from where it comes to where it is joined or landed', () =>
  forEveryBox(({ drawing, job, wiring }) => {
    const drawn = drawing.wires.map((wire) => {
      const [first, last] = [wire.points[0], wire.points.at(-1)];
      if (!first || !last) throw new Error('a wire without points');
      return `${wire.key}: ${thingAt(drawing, first.x, first.y)} > ${thingAt(drawing, last.x, last.y)}`;
    });
    const scene = readScene(job, wiring, compile(wiring, job), drawing.box);
    const loose = new Set(scene.units.filter((one) => one.kind === 'loose').map((one) => one.id));
    const pieces = new Set(scene.units.filter((one) => one.kind === 'piece').map((one) => one.id));
    const spot = (one: (typeof scene.wires)[number]['from']): string => {
      if (one.at === 'entry') return `cable ${one.entry}`;
      if (one.at === 'pin') return `pin ${one.pin}`;
      if (one.at === 'air') return 'air';
      if (one.unit === 'bond') return `pin ${terminalKey({ box: drawing.box, name: 'ground' })}`;
      return loose.has(one.unit) || pieces.has(one.unit) ? 'air' : `connector ${one.unit}`;
    };
    expect([...drawn].sort()).toEqual(
      scene.wires.map((one) => `${one.key}: ${spot(one.from)} > ${spot(one.to)}`).sort(),
    );
    // The scene itself holds every conductor of every cable here, and every one of them once from its sheath.
    const ends = wiring.cables.flatMap((cable) =>
      (['from', 'to'] as const).flatMap((side): End[] =>
        cable[side] === drawing.box
          ? conductorsOf(articleOf(job.stock, 'cable', cable.article))
              .filter((colour) => colour !== 'raceway')
              .map((colour) => ({ cable: cable.id, side, colour }))
          : [],
      ),
    );
    const fromSheath = scene.wires.filter((one) => one.from.at === 'entry' && one.colour !== 'raceway');
    const twice = wiring.landings
      .filter(({ wire }) => 'end' in wire)
      .map(({ wire }) => ('end' in wire ? endKey(wire.end) : ''));
    const landedTwice = twice.filter((key, i) => twice.indexOf(key) !== i);
    if (landedTwice.length === 0)
      expect(fromSheath.map((one) => one.key).sort()).toEqual(
        ends.map((end) => conductorKey(end.cable, end.colour)).sort(),
      );
  }));

test('every screw is drawn where its article has it, landed or not, and so is every lead', () =>
  forEveryBox(({ drawing, job, wiring }) => {
    for (const { item, pins, x, y, width, height } of drawing.fixtures) {
      if (item.kind !== 'device') continue;
      expect(pins.map((pin) => pin.name)).toEqual(item.article.terminals.map((one) => one.name));
      for (const pin of pins) {
        const face = item.article.terminals.find((one) => one.name === pin.name)?.face;
        expect([pin.x, pin.y]).toEqual([
          face?.side === 'left' ? x : x + width,
          y + (height * (face?.height ?? 0)) / 100,
        ]);
      }
    }
    const devices = wiring.devices.filter((one) => one.box === drawing.box);
    const shown = drawing.fixtures.flatMap(({ item }) => (item.kind === 'device' ? [item.device] : []));
    expect([...shown].sort()).toEqual(devices.map((one) => one.id).sort());
    // From left to right in the order of the gangs.
    const gangs = shown.map((id) => {
      const slot = wiring.devices.find((one) => one.id === id)?.slot;
      return job.slots.find((one) => one.id === slot)?.gang ?? Infinity;
    });
    expect(gangs).toEqual([...gangs].sort((a, b) => a - b));
  }));

test('the steps name each screw by the colour, the mark and the place at which it is drawn', () => {
  let seen = 0;
  for (const { drawing, job, wiring } of drawnBoxes) {
    const { steps } = makeUpSteps(job, wiring, compile(wiring, job), drawing.box);
    for (const { item, pins } of drawing.fixtures) {
      if (item.kind !== 'device') continue;
      for (const { name, part } of pins) {
        const said = steps.filter((one) => one.id === `${drawing.box}/land/${item.device}/${name}`);
        for (const { text } of said) {
          seen += 1;
          expect(text).toContain(`${part.colour} ${part.kind}`);
          expect(text).toContain(placeOnFace(part));
          if (part.marked !== null) expect(text).toContain(`marked ${part.marked}`);
        }
      }
    }
  }
  expect(seen).toBeGreaterThan(150);
});

const crossedFour = (article: string) => {
  const asked = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-L'], chain: ['S1', 'S2', 'S3'] });
  const slots = asked.slots.map((slot) =>
    slot.box === 'S2' ? { ...slot, article: article as never } : slot,
  );
  return planned({ ...asked, slots });
};
const FOUR_WAYS = ['four-way-15', 'four-way-15-left-right', 'four-way-15-in-below', 'four-way-15-by-colour'];

/** Of a drawn four-way: the cables whose wires are on the screws that are connected as one pair, by colour and mark of the screws. */
const pairsDrawn = (drawing: BoxDrawing): Map<string, Set<string | undefined>> => {
  const four = drawing.fixtures.find(({ item }) => item.kind === 'device' && item.article.letter === 'S4');
  const pairs = new Map<string, Set<string | undefined>>();
  for (const { points, key } of drawing.wires) {
    const end = points.at(-1);
    const pin = four?.pins.find((one) => one.x === end?.x && one.y === end.y);
    if (!pin || pin.part.colour === 'green') continue;
    const name = `${pin.part.colour} ${pin.part.marked ?? ''}`;
    pairs.set(name, (pairs.get(name) ?? new Set()).add(key.split('|')[1]));
  }
  return pairs;
};

test.each(FOUR_WAYS)(
  '%s: a sound one is drawn with one cable on each pair, a crossed one looks crossed',
  (article) => {
    const { job, wiring } = crossedFour(article);
    const sound = drawBox(job, wiring, 'S2' as never);
    expect([...pairsDrawn(sound).values()].map((cables) => cables.size)).toEqual([1, 1]);
    const four = wiring.devices.find((one) => one.box === 'S2')?.id;
    const on = (name: string) =>
      wiring.landings.findIndex(
        ({ terminal }) => 'device' in terminal && terminal.device === four && terminal.name === name,
      );
    const [a, b] = [wiring.landings[on('in 2')], wiring.landings[on('out 2')]];
    if (!a || !b) throw new Error('no landings');
    const crossed = {
      ...wiring,
      landings: wiring.landings.map((one) =>
        one === a ? { ...a, terminal: b.terminal } : one === b ? { ...b, terminal: a.terminal } : one,
      ),
    };
    const drawn = drawBox(job, crossed, 'S2' as never, { like: sound.order });
    expect([...pairsDrawn(drawn).values()].map((cables) => cables.size)).toEqual([2, 2]);
    // Nothing but the two wires has another place among its fellows.
    expect(drawn.order).toEqual(sound.order);
    const xs = (drawing: BoxDrawing) =>
      [...drawing.cables, ...drawing.fixtures, ...drawing.connectors].map(({ x }) => x);
    const shift = (xs(drawn)[0] ?? 0) - (xs(sound)[0] ?? 0);
    const widths = Math.max(...xs(sound).map((x, i) => Math.abs((xs(drawn)[i] ?? 0) - x - shift)));
    expect(widths).toBeLessThanOrEqual(32);
  },
);

test('two articles of one kind with different faces and the same wiring: pictures and steps differ, nets do not', () => {
  const made = FOUR_WAYS.slice(0, 2).map((article) => {
    const { job, wiring } = crossedFour(article);
    const compiled = compile(wiring, job);
    const pins = drawBox(job, wiring, 'S2' as never).fixtures.flatMap((one) =>
      one.pins.map(({ key, part }) => `${key} ${part.side} ${part.height}`),
    );
    const { steps } = makeUpSteps(job, wiring, compiled, 'S2' as never);
    const nets = wiring.landings.map(({ terminal }) => compiled.netOf(terminalKey(terminal)));
    return {
      pins,
      texts: steps.map((one) => one.text),
      nets,
      joints: wiring.joints,
      landings: wiring.landings,
    };
  });
  const [usual, other] = made;
  expect(other?.pins).not.toEqual(usual?.pins);
  expect(other?.texts).not.toEqual(usual?.texts);
  for (const same of ['nets', 'joints', 'landings'] as const) expect(other?.[same]).toEqual(usual?.[same]);
});

test('a cable that comes from the left on the wall comes in left of one from the right, seen from the room', () => {
  const room = {
    ...newRoom({ id: 'r1', name: 'Room', kind: 'habitable', wholeFloorVisible: 'no' }),
    outline: [
      { x: 0, y: 0 },
      { x: 240, y: 0 },
      { x: 240, y: 240 },
      { x: 0, y: 240 },
    ],
  };
  // A box on each wall, with its neighbours along it: who looks at the upper wall has a higher x at the right, at the lower one at the left.
  const walls = [
    { at: [120, 0], low: [20, 0], high: [220, 0], leftIs: 'low' },
    { at: [120, 240], low: [20, 240], high: [220, 240], leftIs: 'high' },
    { at: [0, 120], low: [0, 20], high: [0, 220], leftIs: 'high' },
    { at: [240, 120], low: [240, 20], high: [240, 220], leftIs: 'low' },
  ] as const;
  for (const { at, low, high, leftIs } of walls) {
    const asked = jobOf({ runs: ['F-S1', 'S1-J1', 'J1-L'] });
    const spots: Record<string, readonly [number, number]> = { J1: at, S1: low, L: high };
    const boxes = asked.boxes.map((box) => {
      const [x = 0, y = 0] = spots[box.id] ?? [];
      return { ...box, room: room.id, mount: 'wall' as const, at: { x, y, z: 48 } };
    });
    const { job, wiring } = planned({ ...asked, rooms: [room], boxes });
    const { cables } = drawBox(job, wiring, 'J1' as never);
    const xOf = (place: string) => cables.find((one) => one.lines.join(' ').endsWith(place))?.x ?? NaN;
    const [left, right] = leftIs === 'low' ? ['S1', 'L'] : ['L', 'S1'];
    expect([at, xOf(left) < xOf(right)]).toEqual([at, true]);
  }
});

test('the same box is drawn the same again, and like itself', () => {
  for (const { drawing, job, wiring } of drawnBoxes.filter((_, i) => i % 9 === 0)) {
    expect(drawBox(job, wiring, drawing.box)).toEqual(drawing);
    expect(drawBox(job, wiring, drawing.box, { like: drawing.order })).toEqual(drawing);
  }
});

const permutations = (items: readonly number[]): number[][] =>
  items.length < 2
    ? [[...items]]
    : items.flatMap((one) => permutations(items.filter((x) => x !== one)).map((rest) => [one, ...rest]));

test('cables stand in an order that no other is better than', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 6 }),
      fc.array(fc.nat(5), { minLength: 36, maxLength: 36 }),
      (n, given) => {
        const c = Array.from({ length: n }, (_, i) =>
          Float64Array.from({ length: n }, (_o, j) => given[6 * i + j] ?? 0),
        );
        const costOf = (order: readonly number[]) =>
          order.reduce(
            (sum, i, at) => order.slice(at + 1).reduce((more, j) => more + (c[i]?.[j] ?? 0), sum),
            0,
          );
        const best = bestOrder(c);
        expect(costOf(best.order)).toBe(best.crossings);
        expect(best.crossings).toBe(Math.min(...permutations(c.map((_, i) => i)).map(costOf)));
      },
    ),
    { seed: 21, numRuns: 200 },
  ));

test('so many cables that not every order is weighed stand better than as they came, and the search ends', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 9, max: 14 }),
      fc.array(fc.nat(5), { minLength: 196, maxLength: 196 }),
      (n, given) => {
        const c = Array.from({ length: n }, (_, i) =>
          Float64Array.from({ length: n }, (_o, j) => (given[14 * i + j] ?? 0) + (i > j ? 0.001 : 0)),
        );
        const costOf = (order: readonly number[]) =>
          order.reduce(
            (sum, i, at) => order.slice(at + 1).reduce((more, j) => more + (c[i]?.[j] ?? 0), sum),
            0,
          );
        const { order, crossings } = bestOrder(c);
        expect([...order].sort((a, b) => a - b)).toEqual(c.map((_, i) => i));
        expect(crossings).toBeCloseTo(costOf(order), 6);
        expect(crossings).toBeLessThanOrEqual(costOf(c.map((_, i) => i)) + 1e-6);
      },
    ),
    { seed: 23, numRuns: 100 },
  ));

test('in a channel two wires cross only where their order above is not their order below, and then once', () =>
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.nat(20), { minLength: 2, maxLength: 9 }),
      fc.uniqueArray(fc.nat(20), { minLength: 9, maxLength: 9 }),
      (ups, downs) => {
        const wires = ups.map((up, i) => ({ ups: [16 * up], downs: [16 * (downs[i] ?? 0) + 8] }));
        const { tracks } = tracksOf(wires);
        const drawn = wires.map(({ ups: [a = 0], downs: [b = 0] }, i) => {
          const track = tracks[i];
          const y = 10 * (track ?? 0) + 5;
          const corners =
            track === null
              ? []
              : [
                  { x: a, y },
                  { x: b, y },
                ];
          return { points: [{ x: a, y: -20 }, ...corners, { x: b, y: 300 }] };
        });
        const inverted = wires.flatMap((a, i) =>
          wires
            .slice(i + 1)
            .filter((b) => ((a.ups[0] ?? 0) - (b.ups[0] ?? 0)) * ((a.downs[0] ?? 0) - (b.downs[0] ?? 0)) < 0),
        );
        expect(crossingsOf(drawn)).toBe(inverted.length);
      },
    ),
    { seed: 22, numRuns: 400 },
  ));

import fc from 'fast-check';
import {
  editDocument,
  findBox,
  merge,
  readJob,
  sayDifference,
  whereMayBe,
  wiresIn,
  type BoxId,
  type Job,
  type WiringDoc,
} from '../src/index.js';
import { partsOf, ofParts, placesChanged } from '../src/edits/wiringParts.js';
import { forSamples } from './support/samples.js';
import { yardFile } from './support/yard.js';

const yard = yardFile();
const thereOf = (job: Job): WiringDoc => {
  const found = job.wirings.find(({ kind }) => kind === 'existing');
  if (!found) throw new Error('nothing is there');
  return found;
};
/** Boxes of what is there in which there are wires. */
const boxes = yard.boxes
  .map(({ id }) => id)
  .filter((id) => wiresIn(yard, thereOf(yard).wiring, id).length > 1);

/** A wire of a box told to be elsewhere, by two numbers. */
const told = (job: Job, box: BoxId, which: number, where: number): Job => {
  const { id, wiring } = thereOf(job);
  const wires = wiresIn(job, wiring, box);
  const wire = wires[which % wires.length];
  if (!wire) return job;
  const places = whereMayBe(job, wiring, box, wire.wire);
  const to = places[where % places.length];
  if (!to) return job;
  const edited = editDocument(job, id, [{ do: 'put', wire: wire.wire, to: to.put }], box);
  return edited.ok ? edited.job : job;
};

/** Places of which two jobs tell otherwise, in whatever order it is told. */
const otherwise = (a: Job, b: Job): Set<string> =>
  placesChanged(partsOf(thereOf(a), a), partsOf(thereOf(b), b));

/** The first that can be told otherwise of a box. */
const toldOtherwise = (box: BoxId): Job => {
  const found = [...Array(8).keys()]
    .map((n) => told(yard, box, n, 3 * n + 1))
    .find((job) => otherwise(yard, job).size > 0);
  if (!found) throw new Error('nothing can be told');
  return found;
};

const number = fc.nat({ max: 10_000 });

test('taken apart and put together again it is the same document', () => {
  const there = thereOf(yard);
  const again = ofParts(there, partsOf(there, yard));
  expect(placesChanged(partsOf(there, yard), partsOf(again, yard))).toEqual(new Set());
  expect(again.wiring.cables).toHaveLength(there.wiring.cables.length);
  expect(again.wiring.landings).toHaveLength(there.wiring.landings.length);
  expect(boxes.length).toBeGreaterThan(4);
});

test('what two tell of different boxes goes together, in either order the same, as one would have told it', () => {
  let merged = 0;
  forSamples(
    fc.tuple(fc.constantFrom(...boxes), fc.constantFrom(...boxes), number, number, number, number),
    { seed: 2206, numRuns: 120 },
    ([a, b, ...n]) => {
      if (a === b) return;
      const mine = told(yard, a, n[0], n[1]);
      const theirs = told(yard, b, n[2], n[3]);
      const [one, other] = [merge(yard, mine, theirs), merge(yard, theirs, mine)];
      if (one.kind !== 'merged' || other.kind !== 'merged') throw new Error(JSON.stringify(one));
      expect(otherwise(one.job, told(theirs, a, n[0], n[1]))).toEqual(new Set());
      expect(otherwise(other.job, one.job)).toEqual(new Set());
      expect(readJob(JSON.parse(JSON.stringify(one.job)) as object).ok).toBe(true);
      if (mine !== yard && theirs !== yard) merged += 1;
    },
  );
  expect(merged).toBeGreaterThan(40);
});

test('what two tell otherwise of one box is no merge, and that box is named', () => {
  let clashes = 0;
  forSamples(
    fc.tuple(fc.constantFrom(...boxes), number, number, number, number),
    { seed: 2207, numRuns: 60 },
    ([box, ...n]) => {
      const mine = told(yard, box, n[0], n[1]);
      const theirs = told(yard, box, n[2], n[3]);
      const both = merge(yard, mine, theirs);
      const [byMe, byThem, apart] = [otherwise(yard, mine), otherwise(yard, theirs), otherwise(mine, theirs)];
      if ([byMe, byThem, apart].some(({ size }) => size === 0)) return expect(both.kind).toBe('merged');
      clashes += 1;
      expect(both).toEqual({
        kind: 'clash',
        clashes: [
          {
            mine: [`What is there: told otherwise at ${findBox(yard, box)?.name}`],
            theirs: [`What is there: told otherwise at ${findBox(yard, box)?.name}`],
          },
        ],
      });
    },
  );
  expect(clashes).toBeGreaterThan(10);
});

test('a wiring that one took away and of which the other told something is no merge, and nothing is lost in silence', () => {
  const [box] = boxes;
  if (!box) throw new Error('no box');
  const gone: Job = { ...yard, wirings: yard.wirings.filter(({ id }) => id !== thereOf(yard).id) };
  const moved = toldOtherwise(box);
  expect(merge(yard, moved, gone).kind).toBe('clash');
  expect(merge(yard, gone, moved).kind).toBe('clash');
});

test('a box that one signed as seen and of which the other told otherwise is no merge; a cable counts at both its ends', () => {
  const { id, wiring, certainty } = thereOf(yard);
  const cable = wiring.cables.find(({ from, to }) => boxes.includes(from as BoxId) && boxes.includes(to));
  if (!cable) throw new Error('no cable between two of them');
  const near = cable.to;
  const far = cable.from as BoxId;
  const signed: Job = {
    ...yard,
    wirings: yard.wirings.map((one) =>
      one.id === id
        ? { ...one, certainty: { ...certainty, [near]: certainty[near] === 'seen' ? 'assumed' : 'seen' } }
        : one,
    ),
  };
  const moved = toldOtherwise(near);
  expect(merge(yard, signed, moved).kind).toBe('clash');
  // What a save has changed says at which box.
  expect(sayDifference(yard, moved)).toEqual([
    `What is there: told otherwise at ${findBox(yard, near)?.name}`,
  ]);
  const measured: Job = {
    ...yard,
    wirings: yard.wirings.map((one) =>
      one.id === id
        ? {
            ...one,
            wiring: {
              ...wiring,
              cables: wiring.cables.map((other) => (other === cable ? { ...other, length: 77 } : other)),
            },
          }
        : one,
    ),
  };
  const elsewhere = toldOtherwise(far);
  expect(merge(yard, measured, elsewhere).kind).toBe('clash');
  const third = boxes.find((box) => box !== near && box !== far);
  if (!third) throw new Error('no third box');
  const other = toldOtherwise(third);
  expect(merge(yard, measured, other).kind).toBe('merged');
});

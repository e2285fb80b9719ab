import fc from 'fast-check';
import {
  articleSchema,
  articlesAt,
  articlesOf,
  boxRow,
  boxToScale,
  planJob,
  plannedWiring,
  setBoxArticles,
  setInside,
  standardStock,
  type ArticleId,
  type BoxId,
  type BoxToScale,
  type Job,
  type ScaleLayer,
} from '../src/index.js';
import { anyFullJob } from './support/fullJobs.js';
import { naming } from './support/samples.js';
import { yard } from './support/yard.js';

const scaled = (asked: Job, id: string) => {
  const { job } = planJob(asked);
  const wiring = plannedWiring(job);
  const row = wiring && boxRow(job, wiring, id as BoxId);
  if (!wiring || !row) throw new Error(`nothing is planned at ${id}`);
  return { job, row, drawn: boxToScale(job, wiring, row) };
};

/** How much of a front lies between two levels, as a share of it, by adding up thin slices. */
const shareBetween = ({ round, sections: [base] }: BoxToScale, from: number, to: number): number => {
  if (!base) throw new Error('no box');
  const slices = 4_000;
  const chord = (y: number) =>
    !round || y > base.height
      ? base.width
      : Math.sqrt(Math.max(0, (base.width / 2) ** 2 - (y - base.width / 2) ** 2)) * 2;
  let area = 0;
  for (let i = 0; i < slices; i++)
    area += (chord(from + ((to - from) * (i + 0.5)) / slices) * (to - from)) / slices;
  return area / (round ? (Math.PI / 4) * base.width ** 2 : base.width * base.height);
};

test('every layer is as large a share of the picture as what it stands for is of the volume, in both views, and none lies in another', () => {
  const jobs = [yard(), ...fc.sample(anyFullJob, { seed: 314_16, numRuns: 12 })];
  let drawnBoxes = 0;
  for (const [at, one] of jobs.entries())
    naming(`job ${at}`, () => {
      const { job } = planJob(one);
      const wiring = plannedWiring(job);
      if (!wiring) return;
      for (const { id } of job.boxes) {
        const row = boxRow(job, wiring, id);
        const drawn = row && boxToScale(job, wiring, row);
        if (!row || !drawn || row.fill.available === null) continue;
        drawnBoxes += 1;
        const { available, needed } = row.fill;
        for (const { part, from, to, splits } of drawn.levels) {
          expect(shareBetween(drawn, from, to)).toBeCloseTo(row.parts[part] / available, 3);
          expect([...splits].sort((a, b) => a - b)).toEqual(splits);
        }
        if (articlesAt(wiring, id).length === 1)
          for (const { part, from, to } of drawn.layers)
            expect((to - from) / drawn.depth).toBeCloseTo(row.parts[part] / available, 9);
        for (const layers of [drawn.layers, drawn.levels]) {
          layers
            .slice(1)
            .forEach((layer, i) =>
              expect(layer.from).toBeGreaterThanOrEqual((layers[i] as ScaleLayer).to - 1e-9),
            );
          expect(layers.filter(({ part }) => row.parts[part] > 0)).toHaveLength(layers.length);
        }
        // It sticks out where it is too small, and nowhere else.
        const out = Math.max(...drawn.layers.map(({ to }) => to), 0) > drawn.depth + 1e-9;
        expect(out).toBe(needed > available);
      }
    });
  expect(drawnBoxes).toBeGreaterThan(60);
});

test('devices lie at the opening, and a box with a ring is as deep as both', () => {
  const { drawn } = scaled(
    setBoxArticles(yard(), 'galley-switches' as BoxId, ['square-30.3', 'ring-4-2'] as ArticleId[]),
    'galley-switches',
  );
  if (!drawn) throw new Error('not drawn');
  expect(drawn.sections.map(({ depth, back }) => [depth, back])).toEqual([
    [2.125, 0],
    [0.5625, 2.125],
  ]);
  expect(drawn.depth).toBe(2.6875);
  expect(drawn.layers.at(-1)).toMatchObject({ part: 'devices', to: drawn.depth });
  expect(drawn.layers[0]).toMatchObject({ part: 'grounds', from: 0 });
});

test('without a measure there is no picture, and what cannot be with its volume is refused in a sentence', () => {
  const { job, row, drawn } = scaled(yard(), 'galley-switches');
  expect(drawn?.round).toBe(false);
  const id = 'wall-2-32' as ArticleId;
  expect(row.made).toEqual(['2-gang nonmetallic 32 in³']);
  const untold = setInside(job, id, null);
  if (!untold.ok) throw new Error(untold.why);
  expect(scaled(untold.job, 'galley-switches').drawn).toBeNull();
  const other = setInside(job, id, { width: 4, height: 3.5, depth: 2.5 });
  if (!other.ok) throw new Error(other.why);
  expect(scaled(other.job, 'galley-switches').drawn?.depth).toBe(2.5);
  // Its volume stays as it is marked.
  expect(scaled(other.job, 'galley-switches').row.fill).toEqual(row.fill);
  expect(setInside(job, id, { width: 4, height: 3.5, depth: 2 })).toEqual({
    ok: false,
    why: '4" x 3 1/2" x 2" inside is 28.0 in³ at most, and it is counted at 32.0 in³: measure again, or look at its marking.',
  });
  expect(setInside(job, id, { width: 24, height: 3, depth: 2 })).toMatchObject({
    why: 'Inside, a box measures between 1/4" and 18" each way, to a sixteenth.',
  });
  expect(setInside(job, 'cable-14-2' as ArticleId, null)).toMatchObject({ ok: false });
  // A file with such a box is refused at its path.
  const box = articlesOf(standardStock(), 'box')[0];
  expect(
    articleSchema.safeParse({ ...box, inside: { width: 1, height: 1, depth: 1 } }).error?.issues[0],
  ).toMatchObject({
    path: ['inside'],
  });
});

test('every box of the generic stock is measured, and holds no more than it measures', () => {
  for (const { id, inside, volume } of articlesOf(standardStock(), 'box')) {
    if (!inside) throw new Error(`${id} is not measured`);
    expect(inside.width * inside.height * inside.depth * 10_000).toBeGreaterThanOrEqual(volume);
  }
});

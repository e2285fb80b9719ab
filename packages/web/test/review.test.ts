import {
  BUILT,
  drawBox,
  drawMakeUp,
  editDocument,
  reviewCircuit,
  reviewJob,
  setBoxArticles,
  type Job,
} from '@amber/core';
import { reviewedInSteps, reviewOf, subjectOf } from '../src/store/review.js';
import { drawnInSteps, plannedDrawing } from '../src/wiring/plannedDrawing.js';
import { yard } from './support/yard.js';

const { job } = drawMakeUp({ level: 'poleAtSwitch', seed: 1, edition: 2023 });
/** One wire of the bench spliced alone. */
const edited = (from: Job): Job => {
  const cable = from.wirings.find(({ id }) => id === BUILT)?.wiring.cables[0];
  if (!cable) throw new Error('no cable');
  const end = { cable: cable.id, side: 'to' as const, colour: 'black' as const };
  const told = editDocument(from, BUILT, [{ do: 'put', wire: { end }, to: 'alone' }], null);
  if (!told.ok) throw new Error('refused');
  return told.job;
};

test('what is built changes nothing of the plan: it is not planned anew, and the job has what was built', () => {
  const first = reviewOf(job);
  const next = edited(job);
  const second = reviewOf(next);
  expect(second.wiring).toBe(first.wiring);
  expect(second.compiled).toBe(first.compiled);
  const built = (one: Job) => one.wirings.find(({ id }) => id === BUILT);
  expect(built(second.job)).toBe(built(next));
  expect(built(first.job)).toBe(built(job));
  // As though it were worked out from the beginning.
  const slow = reviewJob(next);
  expect(second.job).toEqual(slow.job);
  expect(second.findings).toEqual(slow.findings);
  expect(second.proofs).toEqual(slow.proofs);
  expect(subjectOf(next, BUILT).wiring).toBe(built(next)?.wiring);
});

test('what is planned otherwise is planned anew', () => {
  const first = reviewOf(job);
  const box = job.boxes[0]?.id;
  if (!box) throw new Error('no box');
  const article = job.stock.find((one) => one.kind === 'box' && one.gangs === 1);
  const other = setBoxArticles(job, box, article ? [article.id] : []);
  expect(reviewOf(other).wiring).not.toBe(first.wiring);
  expect(reviewOf({ ...job, edition: 2011 }).wiring).not.toBe(first.wiring);
  expect(reviewOf({ ...job, edition: 2011 }).edition).toBe(2011);
});

test('a job that is made ready piece by piece is planned and drawn as at once, and then shown as it is', () => {
  const asked = yard();
  const steps = reviewedInSteps(asked);
  let pieces = 0;
  let last = steps.next();
  for (; last.done !== true; last = steps.next()) pieces += 1;
  const review = last.value;
  expect(pieces).toBeGreaterThan(asked.circuits.length);
  expect(reviewOf(asked)).toBe(review);
  const slow = reviewJob(yard());
  expect(review.job).toEqual(slow.job);
  expect(review.findings).toEqual(slow.findings);
  expect(reviewedInSteps(asked).next()).toEqual({ done: true, value: review });

  const [circuit] = asked.circuits;
  if (!circuit) throw new Error('no circuit');
  const boxes = [...reviewCircuit(review, circuit.id).boxes];
  expect([...drawnInSteps(review, circuit)]).toHaveLength(boxes.length);
  for (const box of boxes) {
    const drawing = plannedDrawing(review, box);
    expect(plannedDrawing(review, box)).toBe(drawing);
    expect(drawing).toEqual(drawBox(slow.job, slow.wiring, box, { compiled: slow.drawn }));
  }
});

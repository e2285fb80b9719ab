import { BUILT, drawMakeUp, editDocument, reviewJob, setBoxArticles, type Job } from '@amber/core';
import { reviewOf, subjectOf } from '../src/store/review.js';

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

import { faultOfInside, insideSchema, type Inside } from '../model/articles.js';
import type { ArticleId } from '../model/ids.js';
import type { Job } from '../model/job.js';

/** Tells what a box of the stock measures inside, inches; null takes it back. Refuses, in a sentence, what cannot be with its volume. */
export const setInside = (
  job: Job,
  id: ArticleId,
  inside: Inside | null,
): { ok: true; job: Job } | { ok: false; why: string } => {
  if (inside !== null && !insideSchema.safeParse(inside).success)
    return { ok: false, why: 'Inside, a box measures between 1/4" and 18" each way, to a sixteenth.' };
  const stock = job.stock.map((one) => (one.id === id && one.kind === 'box' ? { ...one, inside } : one));
  const changed = stock.find((one) => one.id === id);
  const why = changed?.kind === 'box' ? faultOfInside(changed) : 'The stock has no such box.';
  return why === null ? { ok: true, job: { ...job, stock } } : { ok: false, why };
};

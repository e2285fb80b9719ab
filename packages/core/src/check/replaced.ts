import { articlesOf, type Article } from '../model/articles.js';
import type { ArticleId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox, findSlot } from '../model/lookup.js';
import { isDeviceThere, whileItWaits } from '../model/there.js';
import { reviewJob } from '../review/reviewJob.js';
import { outcomeOf, type Outcome } from './outcome.js';

/**
 * What could go where an article goes, place by place: a device of the same letter and role, a box of as many gangs that is
 * fixed the same way. Whether it fits, and what the rules say of it, is seen by planning with it. Nothing else is chosen for a
 * place: of cables and connectors the plan chooses, and an article that is not to be had is left out (`notToHave`).
 */
export const replacementsOf = (job: Job, article: ArticleId): Article[] => {
  const known = job.stock.find(({ id }) => id === article);
  const others = (list: readonly Article[]) => list.filter(({ id, absent }) => id !== article && !absent);
  if (known?.kind === 'device')
    return others(
      articlesOf(job.stock, 'device').filter(
        ({ letter, role }) => letter === known.letter && role === known.role,
      ),
    );
  if (known?.kind === 'box')
    return others(
      articlesOf(job.stock, 'box').filter(
        ({ part, gangs, work, shape }) =>
          part === known.part && gangs === known.gangs && work === known.work && shape === known.shape,
      ),
    );
  return [];
};

/** A job with another article chosen by hand wherever a new one of this kind goes, and what that changes. What is there stays. */
export const replaced = (job: Job, article: ArticleId, by: ArticleId): { job: Job; outcome: Outcome } => {
  const before = reviewJob(job);
  const { wiring } = before;
  const now = whileItWaits(job);
  const boxes = new Set(
    Object.entries(wiring.boxes).flatMap(([box, [first]]) =>
      first === article && findBox(job, box)?.work !== 'existing' ? [box] : [],
    ),
  );
  const slots = new Set(
    wiring.devices.flatMap(({ slot, article: fitted }) =>
      slot !== null && fitted === article && !isDeviceThere(now, slot, fitted) && findSlot(job, slot)
        ? [slot as string]
        : [],
    ),
  );
  const after = reviewJob({
    ...job,
    boxes: job.boxes.map((box) => (boxes.has(box.id) ? { ...box, article: by } : box)),
    slots: job.slots.map((slot) => (slots.has(slot.id) ? { ...slot, article: by } : slot)),
  });
  return { job: after.job, outcome: outcomeOf(before, after) };
};

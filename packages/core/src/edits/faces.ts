import { articleOf, articlesOf, wiresAlike, type DeviceArticle } from '../model/articles.js';
import type { ArticleId, SlotId } from '../model/ids.js';
import type { Job } from '../model/job.js';

/** The devices of the stock that do what this one does, and differ from it in their face alone; itself among them. */
export const facesOf = (job: Job, article: string): DeviceArticle[] => {
  const device = articleOf(job.stock, 'device', article);
  return articlesOf(job.stock, 'device').filter((one) => wiresAlike(one, device));
};

/** The device of a slot is the one in hand, told by its face. The usual one is left to the program, as it was. */
export const withFace = (job: Job, slot: SlotId, article: ArticleId): Job => {
  const [usual] = facesOf(job, article);
  return {
    ...job,
    slots: job.slots.map((one) =>
      one.id === slot ? { ...one, article: usual?.id === article ? null : article } : one,
    ),
  };
};

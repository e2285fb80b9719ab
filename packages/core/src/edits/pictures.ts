import type { PictureId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { newPicture } from '../model/newJob.js';
import type { Picture } from '../model/place.js';
import { distance, toInch, type Spot } from '../layout/walls.js';

export interface PictureAsked extends Pick<Picture, 'id' | 'name' | 'hash' | 'width' | 'height'> {
  /** Where its upper left corner goes, and how wide it is taken to be until it is scaled, inches. */
  at: Spot;
  wide: number;
}

/** Lays a picture under the plan. How large it is, is a guess until it is scaled. */
export const addPicture = (job: Job, { wide, at, ...asked }: PictureAsked): Job => {
  const inchesPerPixel = Math.min(1000, Math.max(0.001, wide / asked.width));
  const picture = newPicture({ ...asked, at: { x: toInch(at.x), y: toInch(at.y) }, inchesPerPixel });
  return { ...job, pictures: [...job.pictures, picture] };
};

export const changePicture = (job: Job, id: PictureId, change: Partial<Picture>): Job => ({
  ...job,
  pictures: job.pictures.map((one) => (one.id === id ? { ...one, ...change } : one)),
});

export const movePicture = (job: Job, id: PictureId, by: Spot): Job => ({
  ...job,
  pictures: job.pictures.map((one) =>
    one.id === id ? { ...one, at: { x: toInch(one.at.x + by.x), y: toInch(one.at.y + by.y) } } : one,
  ),
});

/**
 * Makes a picture larger or smaller about the first of two points of the plan, so that they are so far apart on it.
 * Inches. Unchanged where the points are one, or where the picture would become smaller or larger than one can be.
 */
export const scalePicture = (
  job: Job,
  id: PictureId,
  [from, to]: readonly [Spot, Spot],
  length: number,
): Job => {
  const picture = job.pictures.find((one) => one.id === id);
  const apart = distance(from, to);
  if (!picture || apart < 1 || length <= 0) return job;
  const factor = length / apart;
  const inchesPerPixel = picture.inchesPerPixel * factor;
  if (inchesPerPixel < 0.001 || inchesPerPixel > 1000) return job;
  const at = {
    x: Math.round((from.x + (picture.at.x - from.x) * factor) * 16) / 16,
    y: Math.round((from.y + (picture.at.y - from.y) * factor) * 16) / 16,
  };
  return changePicture(job, id, { inchesPerPixel, at });
};

export const removePicture = (job: Job, id: PictureId): Job => ({
  ...job,
  pictures: job.pictures.filter((one) => one.id !== id),
});

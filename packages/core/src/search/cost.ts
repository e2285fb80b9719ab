import type { Job } from '../model/job.js';

/**
 * What a candidate costs, in parts. Money is in ten-thousandths of a dollar. Left out of the objective, and said so where
 * it is shown: staples, tape, wire for tails.
 */
export interface Cost {
  material: number;
  minutes: number;
  /** Inches of new cable, by cut length. */
  cable: number;
  /** Largest volume that a box needs, ten-thousandths of a cubic inch. */
  volume: number;
}

export const NOTHING: Cost = { material: 0, minutes: 0, cable: 0, volume: 0 };

export const plus = (a: Cost, b: Cost): Cost => ({
  material: a.material + b.material,
  minutes: a.minutes + b.minutes,
  cable: a.cable + b.cable,
  volume: Math.max(a.volume, b.volume),
});

const rateOf = (job: Job) => job.labour.rate / 60;
/** Money of minutes at the job's rate. */
export const moneyOf = (job: Job, cost: Cost): number => cost.material + cost.minutes * rateOf(job);

import type { Job } from '../../model/job.js';

/**
 * What the search adds up, as one number: money in ten-thousandths of a dollar, minutes of labour and inches of new cable,
 * each by its weight. Left out, and said so where the objective is shown: staples, tape, wire for tails.
 */
export interface Weights {
  material: number;
  minute: number;
  inch: number;
  /** Prices of judgement (`model/judgement.ts`), which are money too; 0 where they count for nothing. */
  judgement: number;
}

/** Room that new boxes keep free, ten-thousandths of a cubic inch. */
export interface Room {
  /** Wanted, so far as the stock has such boxes; left out: by the preferences of the job. */
  asked?: number | undefined;
  /** A box in which less is left is out of the question. */
  least?: number | undefined;
}

/** What comes to a box by one circuit: insulated conductors of its new cables, and those cables. */
export interface Brought {
  insulated: number;
  cables: number;
}

/**
 * Boxes that are priced elsewhere, as circuits that are not planned yet come to them too: nothing of box and grounds is counted here. Null: whatever
 * comes; else the circuit has to bring just this.
 */
export type PricedApart = ReadonlyMap<string, Brought | null>;

/** Material and labour at the job's rate. */
export const leastCost = (job: Job): Weights => ({
  material: 1,
  minute: job.labour.rate / 60,
  inch: 0,
  judgement: 0,
});

/** The same and what a master pays for. */
export const mastersChoice = (job: Job): Weights => ({ ...leastCost(job), judgement: 1 });

/** So heavy that an inch or a minute counts before any money of a circuit. */
const FIRST = 1e7;
export const leastCable = (job: Job): Weights => ({ ...leastCost(job), inch: FIRST });
export const leastLabour = (job: Job): Weights => ({ ...leastCost(job), minute: FIRST });

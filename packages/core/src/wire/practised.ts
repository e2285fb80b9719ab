import * as z from 'zod';
import { EDITIONS } from '../model/editions.js';
import { recordIdSchema } from './record.js';

/** What is practised, in the order in which a course takes it on each circuit. */
export const PRACTICE_KINDS = ['makeUp', 'sizeIt', 'findFault', 'whichWire', 'judgeIt'] as const;
export type PracticeKind = (typeof PRACTICE_KINDS)[number];

/** The circuits it is practised on, from the easiest on. */
export const PRACTICE_LEVELS = [
  'poleAtSwitch',
  'poleAtLight',
  'loopOfTwo',
  'poleTwoLights',
  'pairAtSwitch',
  'pairAtLight',
  'fourWay',
  'twoFourWays',
  'twoGroups',
  'fourGang',
] as const;
export type PracticeLevel = (typeof PRACTICE_LEVELS)[number];

/** Seeds are below this. */
export const MOST_SEED = 1_000_000_000;

/** A learner, by the name that somebody goes by here; there are no accounts. */
export const learnerSchema = z.string().trim().min(1).max(60);

/**
 * One exercise as it was first answered. It is added to and never changed.
 * right: by oneself. helped: right, after a hint. missed: not right, or something unsafe had to be stopped.
 */
export const practisedSchema = z.strictObject({
  /** Names it, so that one that comes twice is kept once. */
  id: recordIdSchema,
  learner: learnerSchema,
  kind: z.enum(PRACTICE_KINDS),
  level: z.enum(PRACTICE_LEVELS),
  /** The exercise is drawn by these two. */
  seed: z.int().min(0).max(MOST_SEED),
  edition: z.literal(EDITIONS),
  outcome: z.enum(['right', 'helped', 'missed']),
  /** Unsafe acts that were stopped: a live box reached into, one taken for dead by a poor test. */
  stopped: z.int().min(0).max(10_000),
  at: z.iso.datetime(),
});
export type Practised = z.infer<typeof practisedSchema>;

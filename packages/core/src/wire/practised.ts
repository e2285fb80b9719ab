import * as z from 'zod';
import { EDITIONS } from '../model/editions.js';
import { recordIdSchema } from './record.js';

/** What is practised at the boxes of a circuit, in the order in which a course takes it on each. */
export const BENCH_KINDS = ['makeUp', 'sizeIt', 'findFault', 'whichWire', 'judgeIt'] as const;
export type BenchKind = (typeof BENCH_KINDS)[number];

/** The circuits that is practised on, from the easiest on. */
export const BENCH_LEVELS = [
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
export type BenchLevel = (typeof BENCH_LEVELS)[number];

/** The places in which cables are laid by hand, from the easiest on: everyday ones in which no cables have to be kept apart. */
export const PLAN_LEVELS = ['room', 'bedroom', 'hall', 'garage', 'bath', 'kitchen', 'living'] as const;
export type PlanLevel = (typeof PLAN_LEVELS)[number];

/** One thing that can be learned: a kind of exercise on a circuit, or laying cables in a place. */
export type Skill = { kind: BenchKind; level: BenchLevel } | { kind: 'planIt'; level: PlanLevel };
export type PracticeKind = Skill['kind'];
const PRACTICE_KINDS: readonly PracticeKind[] = [...BENCH_KINDS, 'planIt'];

/** The skill of a kind and a level that were read somewhere; null where there is none such. */
export const skillOf = (kind: unknown, level: unknown): Skill | null => {
  if (kind === 'planIt') {
    const place = PLAN_LEVELS.find((one) => one === level);
    return place ? { kind, level: place } : null;
  }
  const bench = BENCH_KINDS.find((one) => one === kind);
  const circuit = BENCH_LEVELS.find((one) => one === level);
  return bench && circuit ? { kind: bench, level: circuit } : null;
};

/** Seeds are below this. */
export const MOST_SEED = 1_000_000_000;

/** A learner, by the name that somebody goes by here; there are no accounts. */
export const learnerSchema = z.string().trim().min(1).max(60);

/**
 * One exercise as it was first answered. It is added to and never changed.
 * right: by oneself. helped: right, after a hint. missed: not right, or something unsafe had to be stopped.
 */
export const practisedSchema = z
  .strictObject({
    /** Names it, so that one that comes twice is kept once. */
    id: recordIdSchema,
    learner: learnerSchema,
    kind: z.enum(PRACTICE_KINDS),
    level: z.enum([...BENCH_LEVELS, ...PLAN_LEVELS]),
    /** The exercise is drawn by these two. */
    seed: z.int().min(0).max(MOST_SEED),
    edition: z.literal(EDITIONS),
    outcome: z.enum(['right', 'helped', 'missed']),
    /** Unsafe acts that were stopped: a live box reached into, one taken for dead by a poor test. */
    stopped: z.int().min(0).max(10_000),
    at: z.iso.datetime(),
  })
  .refine(({ kind, level }) => skillOf(kind, level) !== null, {
    message: 'there is no such exercise on this level',
    path: ['level'],
  });
export type Practised = z.infer<typeof practisedSchema>;

import * as z from 'zod';
import {
  BUILT,
  drawHiddenFault,
  drawJudging,
  drawMakeUp,
  drawSizing,
  drawWhichWire,
  EDITIONS,
  jobSchema,
  placeSchema,
  skillOf,
  withDocument,
  wiringSchema,
  type BenchKind,
  type Edition,
  type Job,
  type MakeUp,
  type MakeUpAsked,
  type Place,
  type Skill,
  type Wiring,
} from '@amber/core';
import { habitOf, keepHabit } from '../../server/habit.js';

/** Which exercise it is; the same answer gives the same one. */
export type PracticeAsked = Skill & { seed: number; edition: Edition };
/** One at the boxes of a circuit. */
export type BenchAsked = Extract<PracticeAsked, { kind: BenchKind }>;
export type PlanAsked = Extract<PracticeAsked, { kind: 'planIt' }>;

/** Cables that somebody has laid by hand, each between two places. */
export type LaidCables = readonly (readonly [Place, Place])[];

/** What there is to say of somebody's work on an exercise: its first answer counts. */
export interface Effort {
  /** It was answered for the first time. */
  answered: boolean;
  /** A hint was asked for before that. */
  helped: boolean;
  /** Unsafe acts that were stopped. */
  stopped: number;
}
export const NO_EFFORT: Effort = { answered: false, helped: false, stopped: 0 };

/** What this browser keeps of practice: the exercise on the bench as far as it is done. */
export interface KeptPractice {
  asked: PracticeAsked;
  /** As it is made up by now; null while nothing was touched. */
  wiring: Wiring | null;
  /** Cables that were laid so far. */
  laid: LaidCables;
  effort: Effort;
}

const HABIT = 'practice';

/** So many cables are laid in no exercise. */
const laidSchema = z.array(z.tuple([placeSchema, placeSchema])).max(100);

const isEdition = (value: unknown): value is Edition => EDITIONS.some((one) => one === value);

/** What was kept; null for nothing, and for what this version does not understand. */
export const keptPractice = (): KeptPractice | null => {
  try {
    const found = JSON.parse(habitOf(HABIT) ?? 'null') as Partial<KeptPractice> | null;
    const asked = found?.asked;
    const skill = skillOf(asked?.kind, asked?.level);
    if (!asked || !skill || !isEdition(asked.edition) || !Number.isInteger(asked.seed)) return null;
    const laid = laidSchema.safeParse(found.laid);
    const wiring = wiringSchema.safeParse(found.wiring);
    return {
      asked: { ...skill, seed: asked.seed, edition: asked.edition },
      wiring: wiring.success ? wiring.data : null,
      laid: laid.success ? laid.data : [],
      effort: {
        answered: found.effort?.answered === true,
        helped: found.effort?.helped === true,
        stopped: Number.isInteger(found.effort?.stopped) ? Number(found.effort?.stopped) : 0,
      },
    };
  } catch {
    // It is no JSON: nobody has kept it, or somebody else.
    return null;
  }
};

export const keepPractice = (kept: KeptPractice): void => keepHabit(HABIT, JSON.stringify(kept));

/** How an exercise of each kind is drawn. */
const DRAWN: Record<BenchKind, (asked: MakeUpAsked) => MakeUp> = {
  makeUp: drawMakeUp,
  findFault: drawHiddenFault,
  whichWire: drawWhichWire,
  sizeIt: drawSizing,
  judgeIt: drawJudging,
};

/** The exercise with what was made up of it. */
export const resumed = (asked: BenchAsked, wiring: Wiring | null): MakeUp => {
  const exercise = DRAWN[asked.kind](asked);
  const document = exercise.job.wirings.find(({ id }) => id === BUILT);
  if (!wiring || !document) return exercise;
  // What an earlier version has kept may be of an exercise that is drawn otherwise today: then it is begun anew.
  const job = withDocument(exercise.job, { ...document, wiring });
  return jobSchema.safeParse(job).success ? { ...exercise, job } : exercise;
};

export const madeWiring = (job: Job): Wiring | null =>
  job.wirings.find(({ id }) => id === BUILT)?.wiring ?? null;

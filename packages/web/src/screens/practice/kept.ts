import {
  BUILT,
  drawHiddenFault,
  drawJudging,
  drawMakeUp,
  drawSizing,
  drawWhichWire,
  EDITIONS,
  jobSchema,
  MAKE_UP_LEVELS,
  PRACTICE_KINDS,
  withDocument,
  wiringSchema,
  type Edition,
  type Job,
  type MakeUp,
  type MakeUpAsked,
  type MakeUpLevel,
  type PracticeKind,
  type Wiring,
} from '@amber/core';
import { habitOf, keepHabit } from '../../server/habit.js';

/** Which exercise it is; the same answer gives the same one. */
export type PracticeAsked = MakeUpAsked & { kind: PracticeKind };

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
  effort: Effort;
}

const HABIT = 'practice';

const isLevel = (value: unknown): value is MakeUpLevel =>
  typeof value === 'string' && Object.hasOwn(MAKE_UP_LEVELS, value);
const isEdition = (value: unknown): value is Edition => EDITIONS.some((one) => one === value);

/** What was kept; null for nothing, and for what this version does not understand. */
export const keptPractice = (): KeptPractice | null => {
  try {
    const found = JSON.parse(habitOf(HABIT) ?? 'null') as Partial<KeptPractice> | null;
    const asked = found?.asked;
    const kind = PRACTICE_KINDS.find((one) => one === asked?.kind);
    if (
      !asked ||
      !kind ||
      !isLevel(asked.level) ||
      !isEdition(asked.edition) ||
      !Number.isInteger(asked.seed)
    )
      return null;
    const wiring = wiringSchema.safeParse(found.wiring);
    return {
      asked: { kind, level: asked.level, seed: asked.seed, edition: asked.edition },
      wiring: wiring.success ? wiring.data : null,
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
const DRAWN: Record<PracticeKind, (asked: MakeUpAsked) => MakeUp> = {
  makeUp: drawMakeUp,
  findFault: drawHiddenFault,
  whichWire: drawWhichWire,
  sizeIt: drawSizing,
  judgeIt: drawJudging,
};

/** The exercise with what was made up of it. */
export const resumed = ({ asked, wiring }: Pick<KeptPractice, 'asked' | 'wiring'>): MakeUp => {
  const exercise = DRAWN[asked.kind](asked);
  const document = exercise.job.wirings.find(({ id }) => id === BUILT);
  if (!wiring || !document) return exercise;
  // What an earlier version has kept may be of an exercise that is drawn otherwise today: then it is begun anew.
  const job = withDocument(exercise.job, { ...document, wiring });
  return jobSchema.safeParse(job).success ? { ...exercise, job } : exercise;
};

export const madeWiring = (job: Job): Wiring | null =>
  job.wirings.find(({ id }) => id === BUILT)?.wiring ?? null;

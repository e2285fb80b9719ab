import * as z from 'zod';
import { BUILT } from '../edits/wiring/documents.js';
import { fault, WHOLE_FILE, type FileFault } from '../formats/documents.js';
import { readJob } from '../formats/jobFile.js';
import type { Job } from '../model/job.js';
import { planJob } from '../planning/planJob.js';
import { shownAtHandles } from './judgeMakeUp.js';

/** The only format so far. */
export const EXERCISE_FORMAT = 1;

const headSchema = z.object({
  amber: z.literal('exercise'),
  format: z.int().min(1),
  kind: z.enum(['makeUp', 'findFault']),
  title: z.string().trim().min(1).max(200),
  note: z.string().trim().max(2000).default(''),
});

/** An exercise that somebody has made for others: wires to be made up, or a mistake to be found. */
export interface SharedExercise {
  kind: 'makeUp' | 'findFault';
  title: string;
  /** What its maker says to whoever takes it; may be empty. */
  note: string;
  /** The circuit, with the wiring `BUILT` as it is found. */
  job: Job;
}

export type ExerciseRead = { ok: true; exercise: SharedExercise } | { ok: false; faults: FileFault[] };

/** Why something is no exercise, in a sentence; null where it is one. */
export const notAnExercise = ({ kind, job }: Pick<SharedExercise, 'kind' | 'job'>): string | null => {
  if (!job.wirings.some(({ id }) => id === BUILT)) return 'It has no wiring that is to be made up.';
  const { circuits } = planJob(job);
  if (circuits.length === 0 || !circuits.every(({ outcome }) => outcome.ok))
    return 'Its circuit cannot be planned as it stands, so nobody could judge it.';
  return kind === 'findFault' && shownAtHandles(job).length === 0
    ? 'Its handles do all they should: there is nothing to be found by them.'
    : null;
};

/** The text of the file that is given to others; throws where it is no exercise: see `notAnExercise`. */
export const writeExercise = (exercise: SharedExercise): string => {
  const why = notAnExercise(exercise);
  if (why !== null) throw new Error(why);
  return `${JSON.stringify({ amber: 'exercise', format: EXERCISE_FORMAT, ...exercise }, null, 2)}\n`;
};

/** Reads what somebody was given; what is wrong with it is told by path. */
export const readExercise = (text: string): ExerciseRead => {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fault(
      WHOLE_FILE,
      'This is not JSON, so it is no exercise. One that was saved here ends in .exercise.json.',
    );
  }
  const head = headSchema.safeParse(document);
  if (!head.success) {
    if ((document as { amber?: unknown } | null)?.amber !== 'exercise')
      return fault(
        WHOLE_FILE,
        'This is no exercise. A job is opened under Jobs; an exercise is saved under Practice.',
      );
    const [issue] = head.error.issues;
    return fault(issue?.path.join('.') ?? WHOLE_FILE, issue?.message ?? 'It is not understood.');
  }
  const { kind, title, note, format } = head.data;
  if (format > EXERCISE_FORMAT)
    return fault(
      'format',
      `This exercise has format ${format}; this program reads up to ${EXERCISE_FORMAT}. Open it with a later version of the program.`,
    );
  const read = readJob((document as { job?: unknown }).job);
  if (!read.ok)
    return {
      ok: false,
      faults: read.faults.map(({ path, ...rest }) => ({
        ...rest,
        path: path === WHOLE_FILE ? 'job' : `job.${path}`,
      })),
    };
  const exercise = { kind, title, note, job: read.job };
  const why = notAnExercise(exercise);
  return why === null ? { ok: true, exercise } : fault('job', why);
};

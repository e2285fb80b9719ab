import { jobSchema } from '../model/references.js';
import { JOB_FORMAT, type Job } from '../model/job.js';

/** What is wrong with a file, where, in a sentence. The path is dotted: boxes.2.article. Empty for the file itself. */
export interface FileFault {
  path: string;
  message: string;
}

export type ReadResult = { ok: true; job: Job } | { ok: false; faults: FileFault[] };

/** More faults than this help nobody. */
const MOST_FAULTS = 20;

/**
 * Checks a parsed job file: its version first, as a later one cannot be judged by this schema; then syntax, ranges and
 * ids. Nothing is guessed and nothing is dropped.
 */
export const readJob = (document: unknown): ReadResult => {
  const fault = (path: string, message: string): ReadResult => ({ ok: false, faults: [{ path, message }] });
  if (typeof document !== 'object' || document === null || Array.isArray(document))
    return fault('', 'This is not a job file: it does not hold an object.');
  const format = 'format' in document ? document.format : undefined;
  if (typeof format !== 'number')
    return fault('format', 'This is not a job file: it does not say which format it has.');
  if (format > JOB_FORMAT)
    return fault(
      'format',
      `This job file has format ${format}; this program reads up to ${JOB_FORMAT}. Open it with a later version of the program.`,
    );
  const parsed = jobSchema.safeParse(document);
  if (parsed.success) return { ok: true, job: parsed.data };
  return {
    ok: false,
    faults: parsed.error.issues
      .slice(0, MOST_FAULTS)
      .map((issue) => ({ path: issue.path.map(String).join('.'), message: issue.message })),
  };
};

/** Reads the text of a job file. */
export const parseJobFile = (text: string): ReadResult => {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, faults: [{ path: '', message: `This is not JSON: ${why}` }] };
  }
  return readJob(document);
};

/** The text of a job file, indented so that it reads without the program. */
export const writeJobFile = (job: Job): string => `${JSON.stringify(job, null, 2)}\n`;

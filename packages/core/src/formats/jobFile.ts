import { migrated } from './migrations.js';
import { jobSchema } from '../model/references.js';
import { JOB_FORMAT, type Job } from '../model/job.js';
import { WHOLE_FILE, fault, readDocument, versionOf, type FileFault } from './documents.js';

export type ReadResult = { ok: true; job: Job } | { ok: false; faults: FileFault[] };

/**
 * Checks a parsed job file: its version first, as a later one cannot be judged by this schema; then syntax, ranges and
 * ids. Nothing is guessed and nothing is dropped.
 */
export const readJob = (document: unknown): ReadResult => {
  if (typeof document !== 'object' || document === null || Array.isArray(document))
    return fault(WHOLE_FILE, 'This is not a job file: it does not hold an object.');
  const format = versionOf(document, 'format');
  if (format === null) return fault('format', 'This is not a job file: it does not say which format it has.');
  if (format > JOB_FORMAT)
    return fault(
      'format',
      `This job file has format ${format}; this program reads up to ${JOB_FORMAT}. Open it with a later version of the program.`,
    );
  const known = Number.isInteger(format) && format >= 1 ? migrated(document, format, JOB_FORMAT) : document;
  const read = readDocument(jobSchema, known);
  return read.ok ? { ok: true, job: read.value } : read;
};

/** The text of a job file, indented so that it reads without the program. */
export const writeJobFile = (job: Job): string => `${JSON.stringify(job, null, 2)}\n`;

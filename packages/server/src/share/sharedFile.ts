import { createHash } from 'node:crypto';
import { strToU8, unzipSync, zipSync, type UnzipFileInfo } from 'fflate';
import * as z from 'zod';
import { readJob, siteRecordSchema, type FileFault, type Job, type SiteRecord } from '@amber/core';

/** Bytes that a file may have, and what is in it when it is unpacked. */
export const SHARED_BYTES = 64 * 2 ** 20;
const UNPACKED_BYTES = 256 * 2 ** 20;

/** A job with all that belongs to it, as it goes to a colleague and comes back. */
export interface Shared {
  job: Job;
  records: SiteRecord[];
  pictures: { hash: string; type: string; bytes: Buffer }[];
  /** Sums of the states that the job has had where it comes from, the newest first: by them what both grew from is known again. */
  states: string[];
}

export class SharedFault extends Error {
  readonly faults: FileFault[];

  constructor(message: string, faults: FileFault[] = []) {
    super(message);
    this.faults = faults;
  }
}

const FORMAT = 1;
const TYPES: Record<string, string> = { png: 'image/png', jpg: 'image/jpeg', svg: 'image/svg+xml' };
const endingOf = (type: string): string => Object.keys(TYPES).find((one) => TYPES[one] === type) ?? 'png';

const headSchema = z.object({
  amber: z.literal('job with pictures and records'),
  format: z.literal(FORMAT),
  states: z.array(z.string().regex(/^[0-9a-f]{64}$/)).max(100_000),
});

/** The same of two states that say the same, in whatever order their parts are written. */
const canonical = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(canonical);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, one]) => one !== undefined)
      .sort(([one], [other]) => (one < other ? -1 : 1))
      .map(([key, one]) => [key, canonical(one)]),
  );
};

/** The sum of a state of a job, by which it is known again elsewhere. */
export const stateOf = (job: Job): string =>
  createHash('sha256')
    .update(JSON.stringify(canonical(job)))
    .digest('hex');

const text = (value: unknown) => strToU8(`${JSON.stringify(value, null, 1)}\n`);

export const packShared = ({ job, records, pictures, states }: Shared): Buffer =>
  Buffer.from(
    zipSync({
      'about.json': text({ amber: 'job with pictures and records', format: FORMAT, states }),
      'job.json': text(job),
      'records.json': text(records),
      // Pictures are packed by themselves already.
      ...Object.fromEntries(
        pictures.map(({ hash, type, bytes }) => [
          `pictures/${hash}.${endingOf(type)}`,
          [new Uint8Array(bytes), { level: 0 as const }],
        ]),
      ),
    }),
  );

const parsed = (files: Record<string, Uint8Array>, name: string): unknown => {
  const bytes = files[name];
  if (!bytes) throw new SharedFault(`The file has no ${name} in it. Send the one that the program made.`);
  try {
    return JSON.parse(Buffer.from(bytes).toString('utf8'));
  } catch {
    throw new SharedFault(`${name} in it is damaged.`);
  }
};

const unpacked = (bytes: Buffer): Record<string, Uint8Array> => {
  let left = UNPACKED_BYTES;
  const isWanted = ({ name, originalSize }: UnzipFileInfo) => {
    if (!/^(about|job|records)\.json$|^pictures\/[0-9a-f]{64}\.(png|jpg|svg)$/.test(name)) return false;
    left -= originalSize;
    if (left < 0) throw new SharedFault(`Unpacked it is larger than ${UNPACKED_BYTES / 2 ** 20} MB.`);
    return true;
  };
  try {
    return unzipSync(bytes, { filter: isWanted });
  } catch (error) {
    if (error instanceof SharedFault) throw error;
    throw new SharedFault('The file is no packed job, or it is damaged. Send it once more.');
  }
};

/** Reads a file; throws a SharedFault that says what is wrong where anything of it is, as half of it would pass for all. */
export const readShared = (bytes: Buffer): Shared => {
  const files = unpacked(bytes);
  const head = headSchema.safeParse(parsed(files, 'about.json'));
  if (!head.success)
    throw new SharedFault('It was made by a later version of the program, or by another one.');
  const read = readJob(parsed(files, 'job.json'));
  if (!read.ok) throw new SharedFault('The job in it cannot be read.', read.faults);
  const records = z.array(siteRecordSchema).safeParse(parsed(files, 'records.json'));
  if (!records.success) {
    const [issue] = records.error.issues;
    throw new SharedFault(
      `The records in it cannot be read: ${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`,
    );
  }
  const pictures = Object.entries(files).flatMap(([name, content]) => {
    const [, hash = '', ending = ''] = /^pictures\/([0-9a-f]{64})\.(\w+)$/.exec(name) ?? [];
    if (hash === '') return [];
    const picture = Buffer.from(content);
    if (createHash('sha256').update(picture).digest('hex') !== hash)
      throw new SharedFault(`The picture ${hash} in it is damaged.`);
    return [{ hash, type: TYPES[ending] ?? 'image/png', bytes: picture }];
  });
  return { job: read.job, records: records.data, pictures, states: head.data.states };
};

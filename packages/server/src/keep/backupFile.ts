import { createHash, type Hash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { createGunzip } from 'node:zlib';
import { unpack } from '../store/packed.js';
import * as z from 'zod';

/**
 * A backup is one file: gzip of lines of JSON. The first tells what it is, then come tables, each with how it is made and its rows, and the last has how many rows
 * there are and the SHA-256 of every line before it. Bytes stand as base64, moments as ISO 8601.
 */
export const BACKUP_FORMAT = 1;

const headSchema = z.object({
  amber: z.literal('backup'),
  format: z.int().min(1),
  madeAt: z.iso.datetime(),
});
const tableSchema = z.object({ table: z.string().regex(/^\w+$/), create: z.string().min(1) });
const valueSchema = z.union([
  z.string(),
  z.number(),
  z.null(),
  z.object({ bytes: z.base64() }),
  z.object({ at: z.iso.datetime() }),
]);
const rowSchema = z.object({ row: z.record(z.string(), valueSchema) });
const endSchema = z.object({
  end: z.literal(true),
  rows: z.record(z.string(), z.int().min(0)),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});

export type BackupValue = z.infer<typeof valueSchema>;
/** A value of a row as the driver takes it. */
export type RowValue = string | number | null | Buffer | Date;

export type BackupPart =
  | { kind: 'head'; madeAt: string }
  | { kind: 'table'; table: string; create: string }
  | { kind: 'row'; table: string; row: Record<string, RowValue> };

/** What a backup holds. */
export interface BackupTold {
  madeAt: string;
  rows: Record<string, number>;
}

/** Why a file is no backup that can be taken back, in words. */
export class BackupFault extends Error {}

const fault = (path: string, words: string): BackupFault => new BackupFault(`${path}: ${words}`);

export const toValue = (value: unknown): BackupValue => {
  if (value === null || typeof value === 'string' || typeof value === 'number') return value;
  if (Buffer.isBuffer(value)) return { bytes: value.toString('base64') };
  if (value instanceof Date) return { at: value.toISOString() };
  throw new Error(`A value of the kind ${typeof value} cannot be backed up.`);
};

const fromValue = (value: BackupValue): RowValue => {
  if (value === null || typeof value !== 'object') return value;
  return 'bytes' in value ? Buffer.from(value.bytes, 'base64') : new Date(value.at);
};

const digest = (hash: Hash): string => hash.copy().digest('hex');

/** The last line of a backup. */
export const endLine = (rows: Record<string, number>, hash: Hash): string =>
  JSON.stringify({ end: true, rows, sha256: digest(hash) });

export const newHash = (): Hash => createHash('sha256');

/** Every line of a file, with what is wrong with the file itself told in words. */
const linesOf = async function* (path: string): AsyncGenerator<string> {
  const file = createReadStream(path);
  const open = createGunzip();
  const broken = new Promise<never>((_, reject) => {
    file.once('error', (error) => reject(fault(path, `it cannot be read: ${error.message}`)));
    open.once('error', () =>
      reject(fault(path, 'it is cut short or is no backup of this program. Take another copy.')),
    );
  });
  broken.catch(() => undefined);
  const lines = createInterface({ input: file.pipe(open), crlfDelay: Infinity })[Symbol.asyncIterator]();
  for (;;) {
    const next = await Promise.race([lines.next(), broken]);
    if (next.done === true) return;
    yield next.value;
  }
};

const parsed = (path: string, line: string, at: number): unknown => {
  try {
    return JSON.parse(line);
  } catch {
    throw fault(path, `line ${at} is damaged. Take another copy.`);
  }
};

/**
 * The parts of a backup in their order, each checked; the end is reached only where every line is there and is what was written. Throws a
 * BackupFault that says what is wrong.
 */
export const readBackup = async function* (path: string): AsyncGenerator<BackupPart, BackupTold> {
  const hash = newHash();
  const rows: Record<string, number> = {};
  let [at, table, madeAt] = [0, '', ''];
  for await (const line of linesOf(path)) {
    at++;
    const value = parsed(path, line, at);
    if (at === 1) {
      const head = headSchema.safeParse(value);
      if (!head.success) throw fault(path, 'it is no backup of this program.');
      if (head.data.format > BACKUP_FORMAT)
        throw fault(path, `it was made by a later version (format ${head.data.format}). Use that version.`);
      madeAt = head.data.madeAt;
      yield { kind: 'head', madeAt };
    } else {
      const end = endSchema.safeParse(value);
      if (end.success) {
        const same = JSON.stringify(end.data.rows) === JSON.stringify(rows);
        if (!same || end.data.sha256 !== digest(hash))
          throw fault(
            path,
            'it is not as it was written: something in it was changed or lost. Take another copy.',
          );
        return { madeAt, rows };
      }
      const begun = tableSchema.safeParse(value);
      const row = rowSchema.safeParse(value);
      if (begun.success) {
        table = begun.data.table;
        rows[table] = 0;
        yield { kind: 'table', ...begun.data };
      } else if (row.success && table !== '') {
        rows[table] = (rows[table] ?? 0) + 1;
        yield {
          kind: 'row',
          table,
          row: Object.fromEntries(Object.entries(row.data.row).map(([name, one]) => [name, fromValue(one)])),
        };
      } else throw fault(path, `line ${at} is damaged. Take another copy.`);
    }
    hash.update(`${line}\n`);
  }
  throw fault(path, 'it is cut short: its end is missing. Take another copy.');
};

/** Reads a backup from end to end, the document of each revision opened too. Throws where anything of it cannot be taken back. */
export const verifyBackup = async (path: string): Promise<BackupTold> => {
  const parts = readBackup(path);
  for (;;) {
    const next = await parts.next();
    if (next.done === true) return next.value;
    const part = next.value;
    if (part.kind !== 'row' || part.table !== 'revisions') continue;
    const { document } = part.row;
    try {
      if (!Buffer.isBuffer(document)) throw new Error('no document');
      unpack(document);
    } catch {
      throw fault(
        path,
        `revision ${String(part.row['revision'])} of job ${String(part.row['job_id'])} is damaged.`,
      );
    }
  }
};

import { createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import type { DataSource, QueryRunner } from 'typeorm';
import { tablesIn } from './tables.js';
import { BACKUP_FORMAT, endLine, newHash, toValue, verifyBackup, type BackupTold } from './backupFile.js';

const createOf = async (runner: QueryRunner, table: string): Promise<string> => {
  const [row] = (await runner.query(`SHOW CREATE TABLE \`${table}\``)) as Record<string, string>[];
  return row?.['Create Table'] ?? '';
};

/** Every line of a backup, as the database is at one moment. */
const lines = async function* (runner: QueryRunner): AsyncGenerator<string> {
  const hash = newHash();
  const rows: Record<string, number> = {};
  const line = (value: object): string => {
    const text = `${JSON.stringify(value)}\n`;
    hash.update(text);
    return text;
  };
  yield line({ amber: 'backup', format: BACKUP_FORMAT, madeAt: new Date().toISOString() });
  for (const table of await tablesIn(runner)) {
    yield line({ table, create: await createOf(runner, table) });
    rows[table] = 0;
    for await (const row of await runner.stream(`SELECT * FROM \`${table}\``)) {
      rows[table]++;
      const values = Object.entries(row as Record<string, unknown>).map(([name, value]) => [
        name,
        toValue(value),
      ]);
      yield line({ row: Object.fromEntries(values) as Record<string, unknown> });
    }
  }
  yield `${endLine(rows, hash)}\n`;
};

/**
 * Writes everything that is kept (jobs, every revision, records, pictures, the shop) into one file, as it is at one moment, while others go on
 * saving. The file is read back before it gets its name: under that name there is never half a backup. Throws where the disk is full.
 */
export const writeBackup = async (source: DataSource, path: string): Promise<BackupTold> => {
  const part = `${path}.part`;
  const runner = source.createQueryRunner();
  try {
    await runner.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await runner.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    await pipeline(Readable.from(lines(runner)), createGzip(), createWriteStream(part, { mode: 0o600 }));
    await runner.query('COMMIT');
    const file = await open(part, 'r');
    await file.sync();
    await file.close();
    const told = await verifyBackup(part);
    await rename(part, path);
    return told;
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  } finally {
    await runner.release();
  }
};

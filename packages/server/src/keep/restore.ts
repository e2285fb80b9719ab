import type { DataSource } from 'typeorm';
import { dataSourceOf } from '../store/dataSource.js';
import { fillWords } from '../store/fillWords.js';
import { prepareDatabase } from '../store/prepare.js';
import { readBackup, verifyBackup, type BackupTold, type RowValue } from './backupFile.js';
import { checkStore, type Damage } from './check.js';
import { tablesIn } from './tables.js';

/** So many rows, or so many bytes, go over at once. */
const ROWS_AT_ONCE = 200;
const BYTES_AT_ONCE = 4_000_000;

export type Restored =
  | { kind: 'restored'; told: BackupTold }
  /** What was to come back is damaged; what was there stays. */
  | { kind: 'damaged'; damage: Damage[] };

const sizeOf = (value: RowValue): number =>
  Buffer.isBuffer(value) || typeof value === 'string' ? value.length : 8;

/** Fills an empty database from a backup. */
const fill = async (source: DataSource, path: string): Promise<void> => {
  let [table, columns]: [string, string[]] = ['', []];
  let waiting: RowValue[][] = [];
  let bytes = 0;
  const flush = async () => {
    if (waiting.length === 0) return;
    const row = `(${columns.map(() => '?').join(', ')})`;
    await source.query(
      `INSERT INTO \`${table}\` (${columns.map((one) => `\`${one}\``).join(', ')}) VALUES ${waiting.map(() => row).join(', ')}`,
      waiting.flat(),
    );
    [waiting, bytes] = [[], 0];
  };
  for await (const part of readBackup(path)) {
    if (part.kind === 'head') continue;
    if (part.kind === 'table') {
      await flush();
      [table, columns] = [part.table, []];
      await source.query(part.create);
      continue;
    }
    const names = Object.keys(part.row);
    if (names.join() !== columns.join()) {
      await flush();
      columns = names;
    }
    waiting.push(Object.values(part.row));
    bytes += Object.values(part.row).reduce((sum: number, one) => sum + sizeOf(one), 0);
    if (waiting.length >= ROWS_AT_ONCE || bytes >= BYTES_AT_ONCE) await flush();
  }
  await flush();
};

/** Lets go of a database that is of no more use. Where that does not work it lies there, and nothing else is wrong. */
const letGo = async (source: DataSource, name: string): Promise<void> => {
  try {
    await source.query(`DROP DATABASE IF EXISTS \`${name}\``);
  } catch (error) {
    console.error(`The database ${name} is of no more use and could not be dropped:`, error);
  }
};

const withDatabase = (url: string, name: string): string => {
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.toString();
};

/**
 * Takes a backup back. It is filled into a database of its own, brought to this version and read through there; then all tables change places in
 * one step. Until that step, and where it fails, what was there stays as it is. Throws a BackupFault where the file is no good.
 */
export const restoreBackup = async (url: string, path: string): Promise<Restored> => {
  const told = await verifyBackup(path);
  const name = new URL(url).pathname.slice(1);
  const [aside, before] = [`${name}_restore`, `${name}_before`];
  const source = await dataSourceOf(url).initialize();
  try {
    await source.query(`DROP DATABASE IF EXISTS \`${aside}\``);
    await source.query(`CREATE DATABASE \`${aside}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    const other = await dataSourceOf(withDatabase(url, aside)).initialize();
    try {
      await fill(other, path);
      await prepareDatabase(other);
      await fillWords(other);
      // One that was put out since is not let in again by what was kept of before: all of them come in anew.
      await other.query('UPDATE devices SET out_at = NOW(3) WHERE out_at IS NULL');
      const damage = await checkStore(other);
      if (damage.some(({ what }) => what === 'head')) return { kind: 'damaged', damage };
    } finally {
      await other.destroy();
    }
    await source.query(`DROP DATABASE IF EXISTS \`${before}\``);
    await source.query(`CREATE DATABASE \`${before}\``);
    const moves = [
      ...(await tablesIn(source, name)).map((one) => `\`${name}\`.\`${one}\` TO \`${before}\`.\`${one}\``),
      ...(await tablesIn(source, aside)).map((one) => `\`${aside}\`.\`${one}\` TO \`${name}\`.\`${one}\``),
    ];
    // One statement: whoever asks meanwhile sees all of the one or all of the other.
    await source.query(`RENAME TABLE ${moves.join(', ')}`);
    await letGo(source, before);
    return { kind: 'restored', told };
  } finally {
    await letGo(source, aside);
    await source.destroy();
  }
};

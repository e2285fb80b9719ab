import type { DataSource } from 'typeorm';
import { CatalogStore } from './catalog.js';
import { underLock } from './lock.js';

/** The database was made by a later version of the program. */
const tooNew = (names: readonly string[]) =>
  new Error(
    `it was made by a later version of the program (${names.join(', ')}). Start that version, or take a backup of before back`,
  );

/** Migrations that ran on this database and that this program does not know. */
const unknownTo = async (source: DataSource): Promise<string[]> => {
  const [there] = await source.query<object[]>("SHOW TABLES LIKE 'migrations'");
  if (!there) return [];
  const ran = await source.query<{ name: string }[]>('SELECT name FROM migrations');
  const known = new Set(source.migrations.map(({ name }) => name));
  return ran.map(({ name }) => name).filter((name) => !known.has(name));
};

/**
 * Runs the migrations that are missing, seeds the catalog, and does what else is to be done once in the life of a database. One server at a time does it: two
 * that start on one empty database would make the same tables twice.
 */
export const prepareDatabase = (source: DataSource, once: () => Promise<void> = () => Promise.resolve()) =>
  underLock(source, async () => {
    const names = await unknownTo(source);
    if (names.length > 0) throw tooNew(names);
    await source.runMigrations({ transaction: 'each' });
    await new CatalogStore(source).seed();
    await once();
  });

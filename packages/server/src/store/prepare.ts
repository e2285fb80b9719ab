import type { DataSource } from 'typeorm';
import { CatalogStore } from './catalog.js';

/** Seconds to wait for another server that prepares the same database. */
const PATIENCE = 60;

/**
 * Runs the migrations that are missing and seeds the catalog. One server at a time does it: two that start on one empty
 * database would make the same tables twice.
 */
export const prepareDatabase = async (source: DataSource): Promise<void> => {
  const runner = source.createQueryRunner();
  try {
    const [row] = (await runner.query(`SELECT GET_LOCK('amber-junction', ${PATIENCE}) AS held`)) as {
      held: string | number | null;
    }[];
    if (Number(row?.held) !== 1)
      throw new Error(`another server has been preparing it for ${PATIENCE} seconds`);
    await source.runMigrations({ transaction: 'each' });
    await new CatalogStore(source).seed();
  } finally {
    await runner.query("DO RELEASE_LOCK('amber-junction')");
    await runner.release();
  }
};

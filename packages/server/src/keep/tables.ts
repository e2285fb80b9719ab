import type { DataSource, QueryRunner } from 'typeorm';

/** The tables of a database by their names, in that order; of the one that is used where none is named. */
export const tablesIn = async (
  on: DataSource | QueryRunner,
  database: string | null = null,
): Promise<string[]> => {
  const rows = (await on.query(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = COALESCE(?, DATABASE()) AND table_type = 'BASE TABLE' ORDER BY table_name",
    [database],
  )) as { name: string }[];
  return rows.map(({ name }) => name);
};

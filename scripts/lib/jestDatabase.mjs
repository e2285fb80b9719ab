import { startTestDatabase } from './testDatabase.mjs';

/** Jest's global setup of the server project: one real MariaDB for all its tests. */
export default async function setup() {
  const database = await startTestDatabase();
  process.env.TEST_DATABASE_URL = database.url;
  globalThis.stopTestDatabase = database.stop;
}

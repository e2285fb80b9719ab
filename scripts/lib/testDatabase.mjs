import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from './database.mjs';
import { isRoot } from './paths.mjs';

/** A private MariaDB in a folder of its own, thrown away when it is stopped. */
export const startTestDatabase = async () => {
  const folder = mkdtempSync(join(tmpdir(), 'amber-test-'));
  // The database's own user has to walk through the folder.
  if (isRoot) chmodSync(folder, 0o755);
  const database = await startDatabase(folder);
  return {
    url: database.url,
    stop: async () => {
      await database.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
};

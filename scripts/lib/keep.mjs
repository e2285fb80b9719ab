import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DATABASE_PACKAGE, openDatabase } from './database.mjs';
import { needBuild, needDebian, needPackages } from './needs.mjs';
import { dataFolder, root } from './paths.mjs';
import { runShown } from './process.mjs';

/** Where backups are put that nobody named a place for. */
export const backupFolder = () => {
  const folder = join(dataFolder(), 'backups');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
};

/** Does something with all that is kept, on a database that is given. Gives the exit code. */
export const keepOn = (url, args) =>
  runShown('node', [join(root, 'packages/server/dist/keep/main.js'), ...args], {
    env: { ...process.env, DATABASE_URL: url },
  });

/** The same on the database of this installation, whether it runs or not. */
export const keep = async (args) => {
  const outside = process.env.DATABASE_URL;
  if (!outside) needDebian(...DATABASE_PACKAGE);
  needPackages();
  needBuild();
  const database = outside ? { url: outside, stop: async () => {} } : await openDatabase(dataFolder());
  try {
    return keepOn(database.url, args);
  } finally {
    await database.stop();
  }
};

import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { backupFolder, keep } from './lib/keep.mjs';
import { run, Stop } from './lib/say.mjs';

/** Takes a backup back: npm run restore FILE. What is there before is kept as a backup of its own. */
await run(async () => {
  const [asked] = process.argv.slice(2);
  if (!asked) throw new Stop('No file is named.', 'Name the backup: npm run restore FILE');
  const file = resolve(asked);
  if (!existsSync(file))
    throw new Stop(`There is no file ${file}.`, 'Name a backup that npm run backup made.');
  process.exitCode = await keep(['restore', file, backupFolder()]);
});

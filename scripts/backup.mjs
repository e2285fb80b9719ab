import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { backupFolder, keep } from './lib/keep.mjs';
import { run, Stop } from './lib/say.mjs';

/** Everything that is kept, in one file, while the program runs or not: npm run backup [FILE]. */
await run(async () => {
  const [asked] = process.argv.slice(2);
  const moment = new Date().toISOString().slice(0, 19).replace(/:/g, '-');
  const file = asked ? resolve(asked) : join(backupFolder(), `backup-${moment}.amber`);
  if (existsSync(file))
    throw new Stop(`There is a file ${file} already.`, 'Name another one: nothing is written over.');
  process.exitCode = await keep(['backup', file]);
});

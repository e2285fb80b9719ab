import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { mkdir, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { dataSourceOf } from '../store/dataSource.js';
import { prepareDatabase } from '../store/prepare.js';
import { writeBackup } from './backup.js';
import { BackupFault, verifyBackup, type BackupTold } from './backupFile.js';
import { checkStore, type Damage } from './check.js';
import { restoreBackup } from './restore.js';

/** So many daily backups are kept. */
const DAYS = 7;
const DAILY = /^daily-\d{4}-\d\d-\d\d\.amber$/;

const today = (): string => {
  const now = new Date();
  const two = (number: number) => String(number).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
};

const sayRows = ({ rows }: BackupTold): string =>
  ['job', 'revision', 'record', 'picture']
    .map((name) => {
      const count = rows[`${name}s`] ?? 0;
      return `${count} ${name}${count === 1 ? '' : 's'}`;
    })
    .join(', ');

const sayDamage = ({ what, which, why }: Damage): string =>
  `${what === 'head' ? 'DAMAGED, as it is now: ' : 'damaged: '}${which}: ${why}`;

const backed = async (url: string, path: string): Promise<BackupTold> => {
  const source = await dataSourceOf(url).initialize();
  try {
    return await writeBackup(source, path);
  } finally {
    await source.destroy();
  }
};

/** The backup of this day where there is none yet; the oldest beyond a week go. */
const daily = async (url: string, folder: string): Promise<void> => {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, `daily-${today()}.amber`);
  if (existsSync(path)) return;
  await backed(url, path);
  const kept = (await readdir(folder)).filter((name) => DAILY.test(name)).sort();
  for (const old of kept.slice(0, Math.max(0, kept.length - DAYS))) await rm(join(folder, old));
};

/** What is there before a backup is taken back is kept as a backup beside it. */
const restored = async (url: string, path: string, folder: string): Promise<number> => {
  // A file that is no good is told before anything is written.
  await verifyBackup(path);
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const before = join(folder, `before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}.amber`);
  await backed(url, before);
  const outcome = await restoreBackup(url, path);
  if (outcome.kind === 'damaged') {
    for (const one of outcome.damage) console.log(sayDamage(one));
    console.log('Nothing was taken back: what was there is there.');
    return 1;
  }
  console.log(`Taken back as of ${outcome.told.madeAt}: ${sayRows(outcome.told)}.`);
  console.log(`What was there before is kept: ${before}`);
  console.log('Devices that were let in come in again by the code.');
  return 0;
};

const checked = async (url: string): Promise<number> => {
  const source = await dataSourceOf(url).initialize();
  try {
    await prepareDatabase(source);
    const damage = await checkStore(source);
    for (const one of damage) console.log(sayDamage(one));
    console.log(
      damage.length === 0
        ? 'Every revision can be read, and everything that is referred to is there.'
        : `${damage.length} damaged; everything else opens.`,
    );
    return damage.length === 0 ? 0 : 1;
  } finally {
    await source.destroy();
  }
};

/** backup FILE, restore FILE FOLDER, check, daily FOLDER: on the database of DATABASE_URL. Ends with 1 where something is not as it should be. */
const [command, first = '', second = ''] = process.argv.slice(2);
const url = process.env['DATABASE_URL'] ?? '';
try {
  if (command === 'backup')
    console.log(`${first}: ${sayRows(await backed(url, first))}; read back and whole.`);
  else if (command === 'daily') await daily(url, first);
  else if (command === 'restore') process.exitCode = await restored(url, first, second);
  else if (command === 'check') process.exitCode = await checked(url);
  else throw new Error(`There is no command "${command ?? ''}".`);
} catch (error) {
  const { message, code } = error as Error & { code?: string };
  console.error(
    error instanceof BackupFault
      ? `${message}\nNothing was changed.`
      : code === 'ENOSPC'
        ? 'The disk is full: free some space, or name a file on another disk. Nothing was changed.'
        : `It did not work: ${message}\nNothing was changed.`,
  );
  process.exitCode = 1;
}

import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
  accessSync,
  chmodSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { findProgram } from './needs.mjs';
import { isRoot } from './paths.mjs';
import { say, Stop } from './say.mjs';

const NEEDED_BYTES = 300 * 1024 * 1024;

/** Files of the private database of a data folder. */
export const filesOf = (folder) => {
  const home = join(folder, 'mariadb');
  return {
    folder,
    home,
    data: join(home, 'data'),
    /** A database that is being made; it becomes the other when it is whole. */
    making: join(home, 'data.making'),
    log: join(home, 'error.log'),
    password: join(home, 'password'),
    /** There was a database once: one that is gone is told, and no empty one put in its place. */
    ready: join(home, 'ready'),
    initSql: join(home, 'init.sql'),
  };
};

export const userArgs = () => (isRoot ? ['--user=mysql'] : []);

/** As root the database runs as a user of its own, whose the files have to be, also after a copy. */
export const giveToDatabaseUser = (path) => {
  if (isRoot) spawnSync('chown', ['-R', 'mysql:', path]);
};

export const isFullDisk = (text) => /ENOSPC|EDQUOT|No space left|[Ee]rr(no|code): 28/.test(text);

/** A fault of the files in words, with a way out. */
export const told = (error, files) => {
  if (error instanceof Stop) return error;
  if (isFullDisk(`${error.code} ${error.message}`))
    return new Stop(
      `The disk that holds ${files.home} is full.`,
      'Free some space and start again. Nothing that was saved is lost.',
    );
  if (['EACCES', 'EPERM', 'EROFS'].includes(error.code))
    return new Stop(
      `${error.path ?? files.home} cannot be read or written by you (${error.code}).`,
      `Give it to yourself and start again: sudo chown -R "$(id -un)" ${files.folder}`,
    );
  if (['ENOTDIR', 'EISDIR', 'EEXIST'].includes(error.code))
    return new Stop(
      `${error.path ?? files.home} is not what it should be: a file where a folder belongs, or a folder where a file does.`,
      'Move it away and start again. The jobs are in the folder data and are not touched.',
    );
  return error;
};

const holds = (folder, test) => existsSync(folder) && readdirSync(folder).some(test);
const isTable = (name) => /\.(frm|ibd)$/.test(name);

const free = (files) => {
  const { bavail, bsize } = statfsSync(files.home);
  return bavail * bsize;
};

const initialise = (files) => {
  if (free(files) < NEEDED_BYTES)
    throw new Stop(
      `The disk that holds ${files.home} has ${Math.floor(free(files) / 1024 / 1024)} MB free; the database needs about 300 MB.`,
      'Free some space, or set AMBER_DATA to a folder on another disk.',
    );
  // Whatever an earlier start was making here was never used.
  rmSync(files.making, { recursive: true, force: true });
  mkdirSync(files.making, { recursive: true, mode: 0o700 });
  giveToDatabaseUser(files.home);
  say('Making the database ...');
  const made = spawnSync(
    findProgram('mariadb-install-db', 'mysql_install_db'),
    [
      '--no-defaults',
      ...userArgs(),
      `--datadir=${files.making}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      '--skip-name-resolve',
    ],
    { encoding: 'utf8' },
  );
  if (made.status !== 0) {
    const said = `${made.stdout ?? ''}${made.stderr ?? ''}${made.error?.message ?? ''}`;
    throw new Stop(
      isFullDisk(said)
        ? `The disk that holds ${files.home} is full.`
        : `The database could not be made: ${said.trim().split('\n').at(-1)}`,
      'Mend that and start again.',
    );
  }
  renameSync(files.making, files.data);
};

/** Parts without which the jobs in a data folder cannot be read; the database would put empty ones in their place. */
const NEEDED = ['ibdata1', 'mysql'];

const gone = (files, what) =>
  new Stop(
    what,
    `Put it back from your copy. Or move ${files.home} away and take the last backup back: npm run restore FILE (they are in ${join(files.folder, 'backups')}).`,
  );

/**
 * Brings the files of a database into a state in which it starts: makes them where there were none, heals what can be healed, and stops with a
 * sentence where jobs would be hidden or lost. Jobs are never moved.
 */
export const readyFiles = (files) => {
  try {
    mkdirSync(files.home, { recursive: true, mode: 0o755 });
    const jobs = holds(join(files.data, 'amber'), isTable);
    if (!holds(files.data, () => true)) {
      if (existsSync(files.ready)) throw gone(files, `The database that was in ${files.data} is gone.`);
      rmSync(files.data, { recursive: true, force: true });
      initialise(files);
    } else {
      const missing = NEEDED.find((name) => !existsSync(join(files.data, name)));
      if (missing && jobs)
        throw gone(files, `The database in ${files.data} is not whole: ${missing} is missing.`);
      if (missing) {
        const aside = `${files.data}.unfinished-${Date.now()}`;
        renameSync(files.data, aside);
        say(
          `An earlier start left a half-made database without jobs; it was moved to ${aside} and a new one is made.`,
        );
        initialise(files);
      }
    }
    // A mark that is cut or a password that is empty is written anew: whoever may write here may also set it.
    const kept = existsSync(files.password) ? readFileSync(files.password, 'utf8').trim() : '';
    const password = /^[\w-]{16,}$/.test(kept) ? kept : randomBytes(24).toString('base64url');
    if (password !== kept) writeFileSync(files.password, password, { mode: 0o600 });
    chmodSync(files.password, 0o600);
    writeFileSync(
      files.initSql,
      [
        "DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host <> 'localhost');",
        'FLUSH PRIVILEGES;',
        `ALTER USER 'root'@'localhost' IDENTIFIED BY '${password}';`,
        'CREATE DATABASE IF NOT EXISTS amber CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
        `CREATE OR REPLACE USER 'amber'@'127.0.0.1' IDENTIFIED BY '${password}';`,
        "GRANT ALL ON amber.* TO 'amber'@'127.0.0.1';",
        // A backup is restored into a database of its own beside it, and tests of migrations make some.
        "GRANT ALL ON `amber\\_%`.* TO 'amber'@'127.0.0.1';",
        '',
      ].join('\n'),
      { mode: 0o600 },
    );
    if (isRoot) giveToDatabaseUser(files.home);
    else accessSync(join(files.data, 'ibdata1'), constants.R_OK | constants.W_OK);
    return password;
  } catch (error) {
    throw told(error, files);
  }
};

/** The database answered: what only its start needs goes, and that there is one is marked. */
export const markReady = (files) => {
  rmSync(files.initSql, { force: true });
  if (!existsSync(files.ready)) writeFileSync(files.ready, '');
};

/** The last words of the database that are worth telling. */
export const lastWords = (files) =>
  existsSync(files.log) && statSync(files.log).isFile()
    ? readFileSync(files.log, 'utf8')
        .split('\n')
        .filter((line) => /\[ERROR\]|[Ee]rrno|error:/.test(line))
        .slice(-3)
        .join('\n  ')
    : '';

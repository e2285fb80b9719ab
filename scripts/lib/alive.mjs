import { readFileSync, readdirSync, realpathSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';

/** Text of a file under /proc; empty where the process is gone or is somebody else's. */
const told = (path) => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return '';
  }
};

/** The fields of /proc/PID/stat after the name of the program, which may hold anything. */
const statOf = (pid) => told(`/proc/${pid}/stat`).split(') ').at(-1).split(' ');
const BEGUN = 19;
const PARENT = 1;

const beginningOf = (pid) => statOf(pid)[BEGUN] ?? '';

/** Names a process for good: a number is given again, also after the machine was started anew. */
export const identityOf = (pid = process.pid) =>
  `${pid}.${beginningOf(pid)}.${told('/proc/sys/kernel/random/boot_id').trim()}`;

/** Is the process that was named so still the same one? */
export const lives = (identity) => {
  const pid = Number(String(identity).split('.')[0]);
  return Number.isInteger(pid) && pid > 0 && beginningOf(pid) !== '' && identityOf(pid) === identity;
};

const words = (pid) => told(`/proc/${pid}/cmdline`).split('\0').filter(Boolean);

/** What a database is told of whoever looks after it, so that it can be known when that one is gone. */
export const SUPERVISOR = 'AMBER_SUPERVISOR';

const supervised = (pid) => {
  const named = told(`/proc/${pid}/environ`)
    .split('\0')
    .find((one) => one.startsWith(`${SUPERVISOR}=`));
  if (named) return lives(named.slice(SUPERVISOR.length + 1));
  // One that an earlier version started does not say: a parent that is a Node program looks after it.
  const parent = statOf(pid)[PARENT] ?? '1';
  return parent !== '1' && basename(words(parent)[0] ?? '') === 'node';
};

const isSame = (one, other) => {
  try {
    return realpathSync(one) === realpathSync(other);
  } catch {
    return one === other;
  }
};

const LOCKED = ['ibdata1', 'aria_log_control'];

/** Processes that hold the locks of a data folder, by whatever path they came to it. */
const lockers = (data) => {
  const nodes = LOCKED.flatMap((name) => {
    try {
      return [String(statSync(join(data, name)).ino)];
    } catch {
      return [];
    }
  });
  return told('/proc/locks')
    .split('\n')
    .map((line) => line.trim().split(/\s+/))
    .filter(([, , , , pid, place = '']) => Number(pid) > 0 && nodes.includes(place.split(':')[2]))
    .map(([, , , , pid]) => pid);
};

const OF_A_DATABASE = /^(mariadbd|mysqld)$/;

/**
 * The database that runs on a data folder, found by the folder it was given and by the locks that it holds; null where there is none.
 * `supervised`: does whoever started it still look after it?
 */
export const databaseOn = (data) => {
  const locking = new Set(lockers(data));
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    const args = words(pid);
    if (!OF_A_DATABASE.test(basename(args[0] ?? ''))) continue;
    const value = (name) => args.find((arg) => arg.startsWith(`--${name}=`))?.slice(name.length + 3);
    const folder = value('datadir');
    if (!locking.has(pid) && !(folder && isSame(folder, data))) continue;
    return { pid: Number(pid), port: Number(value('port')) || null, supervised: supervised(pid) };
  }
  return null;
};

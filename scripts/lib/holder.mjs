import { constants, copyFileSync, linkSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { identityOf, lives } from './alive.mjs';
import { Stop } from './say.mjs';

/**
 * One program at a time looks after a data folder. It says so in `running.json`, under its own name among the processes: a file that a kill,
 * a copy or a full disk left behind names nobody who lives, and is written over.
 */
const fileOf = (folder) => join(folder, 'running.json');

const read = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
};

/** Whoever looks after a data folder now, and where it answers; null where nobody does. */
export const holderOf = (folder) => {
  const told = read(fileOf(folder));
  return typeof told?.supervisor === 'string' && lives(told.supervisor) ? told : null;
};

const pidOf = (identity) => identity.split('.')[0];

/** Who is in the way, in words. */
export const sayHeld = (folder, { supervisor, address }) =>
  new Stop(
    address
      ? `Amber Junction runs already at ${address}.`
      : `The data folder ${folder} is in use (process ${pidOf(supervisor)}).`,
    'Use that one, stop it first, or set AMBER_DATA to another folder.',
  );

/** Makes a file where there is none, whole or not at all, and by one of two who try at the same moment; where files cannot be linked, by one of two. */
const take = (draft, file) => {
  try {
    linkSync(draft, file);
  } catch (error) {
    if (!['EPERM', 'ENOTSUP', 'EOPNOTSUPP'].includes(error.code)) throw error;
    copyFileSync(draft, file, constants.COPYFILE_EXCL);
  }
};

/** Takes a data folder, or stops where somebody has it. Gives a way to say more, and one to let it go. */
export const takeFolder = (folder) => {
  const file = fileOf(folder);
  const draft = `${file}.${process.pid}`;
  const mine = { supervisor: identityOf() };
  const write = (value) => writeFileSync(draft, JSON.stringify(value));
  try {
    write(mine);
    for (let tries = 0; ; tries++) {
      try {
        take(draft, file);
        break;
      } catch (error) {
        if (error.code !== 'EEXIST' || tries > 20) throw error;
        const other = holderOf(folder);
        if (other) throw sayHeld(folder, other);
        // It is moved before it is thrown away: whoever took the folder in this very moment is put back.
        const aside = `${draft}.aside`;
        renameSync(file, aside);
        const moved = read(aside);
        if (typeof moved?.supervisor === 'string' && lives(moved.supervisor)) renameSync(aside, file);
        else rmSync(aside, { recursive: true });
      }
    }
  } finally {
    rmSync(draft, { force: true });
  }
  return {
    note: (more) => {
      Object.assign(mine, more);
      write(mine);
      renameSync(draft, file);
    },
    release: () => rmSync(file, { force: true }),
  };
};

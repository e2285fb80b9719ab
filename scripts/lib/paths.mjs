import { accessSync, constants, mkdirSync, statSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Stop } from './say.mjs';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
export const isRoot = process.getuid?.() === 0;

/** May any user walk down to this folder? The database's own user has to. */
const openToAll = (folder) => {
  for (let at = folder; ; at = dirname(at)) {
    try {
      if ((statSync(at).mode & 0o001) === 0) return false;
    } catch (error) {
      if (error.code !== 'ENOENT') throw error;
    }
    if (at === dirname(at)) return true;
  }
};

/**
 * The data folder: AMBER_DATA, else .data in the project. As root the database runs as a user of its own, who cannot
 * enter a closed home; then a folder under the system's state folder is used.
 */
export const dataFolder = () => {
  const asked = process.env.AMBER_DATA ? resolve(process.env.AMBER_DATA) : join(root, '.data');
  const name = createHash('sha256').update(root).digest('hex').slice(0, 12);
  const folder = isRoot && !openToAll(dirname(asked)) ? join('/var/lib/amber-junction', name) : asked;
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch (error) {
    if (error.code === 'ENOSPC')
      throw new Stop(`The disk that holds ${folder} is full.`, 'Free some space and start again.');
    throw new Stop(
      `The data folder ${folder} cannot be written (${error.code}).`,
      'Give yourself the right to write there, or set AMBER_DATA to another folder.',
    );
  }
  return folder;
};

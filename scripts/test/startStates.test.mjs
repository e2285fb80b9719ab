import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { databaseOn } from '../lib/alive.mjs';
import { startDatabase } from '../lib/database.mjs';
import { isRoot, root } from '../lib/paths.mjs';
import { openState, tablesIn } from './support/startStates.mjs';

/** A data folder that was used and stopped, with a job in it; every state is made of a copy. */
let base = '';
let whole = '';

const asked = async (url, statement) => {
  const connection = await createConnection(url);
  try {
    const [rows] = await connection.query(statement);
    return rows;
  } finally {
    await connection.end();
  }
};

beforeAll(async () => {
  base = mkdtempSync(join(tmpdir(), 'amber-states-'));
  if (isRoot) chmodSync(base, 0o755);
  whole = join(base, 'whole');
  mkdirSync(whole);
  const database = await startDatabase(whole);
  await asked(database.url, 'CREATE TABLE jobs (name varchar(40)) ENGINE=InnoDB');
  await asked(database.url, "INSERT INTO jobs VALUES ('Heron Yard')");
  await database.stop();
}, 60_000);

afterAll(() => rmSync(base, { recursive: true, force: true }));

const copyOf = (name) => {
  const folder = join(base, name.replace(/\W+/g, '-'));
  spawnSync('cp', ['-a', '--sparse=always', whole, folder]);
  return folder;
};

test.each(openState)(
  'a data folder $name is healed or told, and its job stays',
  async ({ name, spoil, healed, told }) => {
    const folder = copyOf(name);
    await spoil(folder);
    if (healed) {
      const database = await startDatabase(folder);
      try {
        expect(await asked(database.url, 'SELECT name FROM jobs')).toEqual([{ name: 'Heron Yard' }]);
        // One database, and it is known whose it is.
        expect(databaseOn(join(folder, 'mariadb/data'))).toMatchObject({ supervised: true });
        await expect(startDatabase(folder)).rejects.toThrow(/is in use \(process \d+\)/);
      } finally {
        await database.stop();
      }
      expect(existsSync(join(folder, 'running.json'))).toBe(false);
    } else {
      const kept = tablesIn(folder);
      await expect(startDatabase(folder)).rejects.toThrow(told);
      expect(tablesIn(folder)).toBe(kept);
      // What was refused holds nothing: the way out can be gone at once.
      expect(existsSync(join(folder, 'running.json'))).toBe(false);
    }
    expect(databaseOn(join(folder, 'mariadb/data'))).toBeNull();
    rmSync(folder, { recursive: true, force: true });
  },
  60_000,
);

test('a half-made database without jobs is made anew, and so is none at all', async () => {
  for (const [name, make] of [
    ['nothing', () => {}],
    ['empty', (folder) => mkdirSync(join(folder, 'mariadb/data'), { recursive: true })],
    [
      'half-made',
      (folder) => {
        mkdirSync(join(folder, 'mariadb/data'), { recursive: true });
        writeFileSync(join(folder, 'mariadb/data/aria_log_control'), '');
      },
    ],
  ]) {
    const folder = join(base, name);
    mkdirSync(folder);
    make(folder);
    const database = await startDatabase(folder);
    expect(await asked(database.url, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
    await database.stop();
  }
}, 60_000);

/** A start of a folder by a process of its own, and what it says. */
const startedApart = (folder, options) =>
  spawnSync(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `import { startDatabase } from './scripts/lib/database.mjs';
       import { run } from './scripts/lib/say.mjs';
       await run(async () => (await startDatabase(${JSON.stringify(folder)})).stop());`,
    ],
    { cwd: root, encoding: 'utf8', ...options },
  );

test('where short-lived files have no place it is told, and the folder is let go', () => {
  const folder = copyOf('no place');
  const { status, stderr } = startedApart(folder, {
    env: { ...process.env, TMPDIR: join(base, 'is-not-there') },
  });
  expect(stderr).toMatch(/no place for short-lived files[^]*TMPDIR/);
  expect(status).toBe(1);
  expect(existsSync(join(folder, 'running.json'))).toBe(false);
});

// Only root can become somebody else to try it.
(isRoot ? test : test.skip)('files of another user are told with the command that mends it', () => {
  const folder = copyOf('another user');
  chmodSync(folder, 0o777);
  const { status, stderr } = startedApart(folder, { uid: 65534, gid: 65534 });
  expect(stderr).toMatch(/cannot be read or written by you[^]*sudo chown -R/);
  expect(status).toBe(1);
});

/** A disk of so many megabytes laid over a folder; null where that is not allowed. */
const smallDisk = (name, megabytes) => {
  const folder = join(base, name);
  mkdirSync(folder);
  const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m,mode=755`, 'none', folder]);
  return status === 0 ? { folder, away: () => spawnSync('umount', [folder]) } : null;
};

// Only root can lay a small disk over a folder.
(isRoot ? test : test.skip)(
  'a full disk is told by its name, at the first start and later, and with room again it starts',
  async () => {
    const first = smallDisk('small', 20);
    const later = smallDisk('later', 300);
    // A machine that forbids disks of one's own, as some containers do.
    if (!first || !later) return console.warn('No disk can be laid over a folder here: not tried.');
    try {
      await expect(startDatabase(first.folder)).rejects.toThrow(
        /has \d+ MB free; the database needs about 300 MB/,
      );
      spawnSync('cp', ['-a', '--sparse=always', `${whole}/.`, later.folder]);
      const filler = join(later.folder, 'filler');
      spawnSync('sh', ['-c', `cat /dev/zero > ${filler} 2>/dev/null`]);
      await expect(startDatabase(later.folder)).rejects.toThrow(/The disk that holds .* is full/);
      rmSync(filler);
      const database = await startDatabase(later.folder);
      expect(await asked(database.url, 'SELECT name FROM jobs')).toEqual([{ name: 'Heron Yard' }]);
      await database.stop();
    } finally {
      first.away();
      later.away();
    }
  },
  60_000,
);

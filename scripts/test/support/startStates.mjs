import { spawn, spawnSync } from 'node:child_process';
import {
  appendFileSync,
  chmodSync,
  chownSync,
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { databaseOn } from '../../lib/alive.mjs';
import { isRoot, root } from '../../lib/paths.mjs';

const NOBODY = 65534;

/** Starts the database of a folder in a process of its own, which is then killed: nobody looks after it any more. */
export const abandon = (folder) =>
  new Promise((resolve, reject) => {
    const script = `
      import { startDatabase } from ${JSON.stringify(pathToFileURL(join(root, 'scripts/lib/database.mjs')).href)};
      await startDatabase(${JSON.stringify(folder)});
      process.stdout.write('up');
      setInterval(() => {}, 1000);`;
    const child = spawn(process.execPath, ['--input-type=module', '-e', script], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    child.stdout.once('data', () => child.kill('SIGKILL'));
    child.once('error', reject);
    child.once('exit', (_code, signal) =>
      signal === 'SIGKILL'
        ? resolve(databaseOn(join(folder, 'mariadb/data')).pid)
        : reject(new Error('It did not come up.')),
    );
  });

const running = (folder, value) => writeFileSync(join(folder, 'running.json'), value);
const inHome = (name) => (folder) => join(folder, 'mariadb', name);
const [data, password, ready, pid, log, initSql] = [
  'data',
  'password',
  'ready',
  'pid',
  'error.log',
  'init.sql',
].map(inHome);
const inData = (name) => (folder) => join(data(folder), name);
const remove =
  (...files) =>
  (folder) => {
    for (const file of files) rmSync(file(folder), { recursive: true, force: true });
  };
const give = (path) => spawnSync('chown', ['-R', `${NOBODY}:${NOBODY}`, path]);
/** A folder in the place of a file. */
const asFolder = (file) => (folder) => {
  rmSync(file(folder), { force: true });
  mkdirSync(file(folder));
};
const asFile = (file) => (folder) => {
  renameSync(file(folder), `${file(folder)}.kept`);
  writeFileSync(file(folder), '');
};

/**
 * States in which a kill, a copy or a full disk can leave a data folder, each made of a whole one that holds a job. `healed`: it starts and the job
 * is there. Else the words by which it is told; then nothing of the job may have been touched.
 */
export const STATES = [
  { name: 'left as it was', spoil: () => {}, healed: true },
  { name: 'running.json empty', spoil: (folder) => running(folder, ''), healed: true },
  { name: 'running.json cut', spoil: (folder) => running(folder, '{"supervisor":"41'), healed: true },
  { name: 'running.json no object', spoil: (folder) => running(folder, 'null'), healed: true },
  {
    name: 'running.json of before the machine was started anew',
    spoil: (folder) =>
      running(
        folder,
        JSON.stringify({ supervisor: `${process.pid}.1.another`, address: 'http://127.0.0.1:1' }),
      ),
    healed: true,
  },
  {
    name: 'running.json of an earlier version',
    spoil: (folder) =>
      running(folder, JSON.stringify({ supervisor: process.pid, database: process.pid, port: 3306 })),
    healed: true,
  },
  { name: 'running.json a folder', spoil: (folder) => mkdirSync(join(folder, 'running.json')), healed: true },
  {
    name: 'a draft of running.json left over',
    spoil: (folder) => writeFileSync(join(folder, `running.json.${process.pid}`), '{'),
    healed: true,
  },
  { name: 'the mark missing', spoil: remove(ready), healed: true },
  { name: 'the password empty', spoil: (folder) => truncateSync(password(folder), 0), healed: true },
  { name: 'the password cut', spoil: (folder) => truncateSync(password(folder), 7), healed: true },
  { name: 'the password missing', spoil: remove(password), healed: true },
  { name: 'mark and password missing', spoil: remove(password, ready), healed: true },
  {
    name: 'a line break after the password',
    spoil: (folder) => appendFileSync(password(folder), '\n'),
    healed: true,
  },
  {
    name: 'the password readable by all',
    spoil: (folder) => chmodSync(password(folder), 0o644),
    healed: true,
  },
  {
    name: 'statements of a first start left, cut',
    spoil: (folder) => writeFileSync(initSql(folder), 'CREATE DATA'),
    healed: true,
  },
  {
    name: 'a pid file that names another process',
    spoil: (folder) => writeFileSync(pid(folder), `${process.pid}\n`),
    healed: true,
  },
  { name: 'a pid file empty', spoil: (folder) => writeFileSync(pid(folder), ''), healed: true },
  { name: 'the log missing', spoil: remove(log), healed: true },
  {
    name: 'short-lived tables left over',
    spoil: (folder) => writeFileSync(inData('ibtmp1')(folder), 'x'.repeat(1000)),
    healed: true,
  },
  {
    name: 'the log of one engine missing',
    spoil: remove(inData('aria_log_control'), inData('aria_log.00000001')),
    healed: true,
  },
  {
    name: 'another that was being made',
    spoil: (folder) => mkdirSync(join(folder, 'mariadb/data.making/mysql'), { recursive: true }),
    healed: true,
  },
  { name: 'all of another owner', spoil: (folder) => give(folder), healed: true, rootOnly: true },
  {
    name: 'the data of another owner, closed',
    spoil: (folder) => (give(data(folder)), chmodSync(data(folder), 0o700)),
    healed: true,
    rootOnly: true,
  },
  {
    name: 'the log of another owner',
    spoil: (folder) => chownSync(log(folder), NOBODY, NOBODY),
    healed: true,
    rootOnly: true,
  },
  {
    name: 'reached by a link',
    spoil: (folder) => {
      renameSync(data(folder), join(folder, 'elsewhere'));
      symlinkSync(join(folder, 'elsewhere'), data(folder));
    },
    healed: true,
  },
  {
    name: 'killed while it ran',
    spoil: async (folder) => process.kill(await abandon(folder), 'SIGKILL'),
    healed: true,
  },
  { name: 'an orphan database', spoil: abandon, healed: true },
  {
    name: 'an orphan database, and running.json gone',
    spoil: async (folder) => {
      await abandon(folder);
      rmSync(join(folder, 'running.json'));
    },
    healed: true,
  },
  {
    name: 'an orphan database, and running.json empty',
    spoil: async (folder) => {
      await abandon(folder);
      running(folder, '');
    },
    healed: true,
  },
  {
    name: 'an orphan database that was halted',
    spoil: async (folder) => process.kill(await abandon(folder), 'SIGSTOP'),
    healed: true,
  },
  {
    name: 'an orphan database on a folder that was moved',
    spoil: async (folder) => {
      await abandon(folder);
      renameSync(data(folder), join(folder, 'elsewhere'));
      symlinkSync(join(folder, 'elsewhere'), data(folder));
    },
    healed: true,
  },
  {
    name: 'copied while it ran',
    spoil: async (folder) => {
      const orphan = await abandon(folder);
      const copy = `${folder}.copy`;
      cpSync(folder, copy, { recursive: true });
      process.kill(orphan, 'SIGKILL');
      rmSync(folder, { recursive: true });
      renameSync(copy, folder);
    },
    healed: true,
  },
  {
    name: 'the data gone',
    spoil: remove(data),
    told: /The database that was in .* is gone.[^]*npm run restore FILE/,
  },
  {
    name: 'the data emptied',
    spoil: (folder) => (remove(data)(folder), mkdirSync(data(folder))),
    told: /is gone/,
  },
  { name: 'the data a file', spoil: asFile(data), told: /a file where a folder belongs/ },
  {
    name: 'the home of it a file',
    spoil: asFile((folder) => join(folder, 'mariadb')),
    told: /a file where a folder belongs/,
  },
  { name: 'the password a folder', spoil: asFolder(password), told: /a folder where a file does/ },
  { name: 'the log a folder', spoil: asFolder(log), told: /a folder where a file does/ },
  {
    name: 'the main file of the tables missing',
    spoil: remove(inData('ibdata1')),
    told: /is not whole: ibdata1 is missing/,
  },
  {
    name: 'the main file of the tables empty',
    spoil: (folder) => truncateSync(inData('ibdata1')(folder), 0),
    told: /did not come up[^]*backups/,
  },
  {
    name: 'the users of the database missing',
    spoil: remove(inData('mysql')),
    told: /is not whole: mysql is missing/,
  },
  {
    name: 'the log of one engine torn',
    spoil: (folder) => writeFileSync(inData('aria_log_control')(folder), 'torn'),
    told: /did not come up. Its last words:[^]*untouched/,
  },
  {
    name: 'the log of changes spoiled',
    spoil: (folder) => writeFileSync(inData('ib_logfile0')(folder), 'no log'),
    told: /did not come up/,
  },
];

/** Does a folder still hold the tables of the jobs, wherever they were put? */
export const tablesIn = (folder) =>
  ['mariadb/data', 'mariadb/data.kept', 'mariadb.kept/data', 'elsewhere'].some((place) =>
    existsSync(join(folder, place, 'amber/jobs.ibd')),
  );

export const openState = STATES.filter(({ rootOnly }) => isRoot || !rootOnly);
export const textOf = (file) => readFileSync(file, 'utf8');

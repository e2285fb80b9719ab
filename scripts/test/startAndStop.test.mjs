import { spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { databaseOn } from '../lib/alive.mjs';
import { isRoot, root } from '../lib/paths.mjs';
import { freePort, pause } from '../lib/process.mjs';

/** Whatever is asked to end is gone after five seconds, whoever is connected; a busy machine adds to that. */
const LONGEST = 8_000;

let folder = '';
let port = 0;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'amber-start-'));
  if (isRoot) chmodSync(folder, 0o755);
  port = await freePort();
});

/** Those that were started, and their groups: none may outlive its test, also one that fails. */
const groups = new Set();
afterEach(() => {
  for (const group of groups)
    try {
      process.kill(-group, 'SIGKILL');
    } catch {
      // It has ended, as it should.
    }
  groups.clear();
  const left = databaseOn(join(folder, 'mariadb/data'));
  if (left) process.kill(left.pid, 'SIGKILL');
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Starts the program as somebody does, and gives what it says. */
const started = (command, args, more = {}) => {
  const child = spawn(command, args, {
    cwd: root,
    // A group of its own, as a terminal gives.
    detached: true,
    env: { ...process.env, AMBER_DATA: folder, PORT: String(port), ...more },
  });
  groups.add(child.pid);
  const run = { child, text: '' };
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (run.text += piece));
  run.ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve({ code, signal })));
  run.saying = async (words) => {
    for (let i = 0; i < 600 && !run.text.includes(words); i++) await pause(100);
    expect(run.text).toContain(words);
  };
  return run;
};

const asks = () => fetch(`http://127.0.0.1:${port}/api/health`).then(({ status }) => status);

/** Somebody who began to send something and never ends. */
const lingering = () =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.write(
        `PUT /api/jobs/a HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{`,
      );
      resolve(socket);
    });
    socket.on('error', () => {});
  });

const NODE = ['node', ['scripts/start.mjs']];
const NPM = ['npm', ['start', '--silent']];

test.each([
  // The start that is stopped on its way is ended by SIGTERM.
  ['SIGHUP to the script', NODE, 'SIGHUP'],
  ['SIGTERM to npm', NPM, 'SIGTERM'],
  ['SIGINT to npm', NPM, 'SIGINT'],
  ['SIGKILL to npm', NPM, 'SIGKILL'],
])(
  '%s stops everything in time, whoever is connected',
  async (_name, [command, args], signal) => {
    const one = started(command, args);
    await one.saying('is ready at');
    expect(await asks()).toBe(200);
    const socket = await lingering();
    const at = performance.now();
    one.child.kill(signal);
    await one.ended;
    // Of an npm that was killed the script outlives it for a moment, and lets the folder go last.
    const isHeld = () => existsSync(join(folder, 'running.json')) || databaseOn(join(folder, 'mariadb/data'));
    while (isHeld() && performance.now() - at < 20_000) await pause(20);
    // The last that is said is said when nothing answers any more.
    if (signal !== 'SIGKILL') await one.saying('Stopped.');
    expect(performance.now() - at).toBeLessThan(LONGEST);
    await expect(asks()).rejects.toThrow();
    expect(databaseOn(join(folder, 'mariadb/data'))).toBeNull();
    socket.destroy();
  },
  90_000,
);

test('a second start names the first, and one whose database ends says so', async () => {
  const one = started(...NODE);
  await one.saying('is ready at');
  const two = started(...NODE);
  expect(await two.ended).toEqual({ code: 1, signal: null });
  expect(two.text).toContain(`Amber Junction runs already at http://127.0.0.1:${port}.`);
  const other = started('node', ['scripts/start.mjs'], { AMBER_DATA: `${folder}/other` });
  expect((await other.ended).code).toBe(1);
  expect(other.text).toContain(`Port ${port} is taken by another program.`);
  process.kill(databaseOn(join(folder, 'mariadb/data')).pid, 'SIGKILL');
  expect(await one.ended).toEqual({ code: 1, signal: null });
  expect(one.text).toContain('The database ended by itself.');
  await expect(asks()).rejects.toThrow();
}, 90_000);

test('a start that is stopped on its way leaves nothing behind', async () => {
  const one = started(...NODE);
  for (let i = 0; i < 600 && !databaseOn(join(folder, 'mariadb/data')); i++) await pause(10);
  one.child.kill('SIGTERM');
  await one.ended;
  expect(databaseOn(join(folder, 'mariadb/data'))).toBeNull();
  await expect(asks()).rejects.toThrow();
}, 60_000);

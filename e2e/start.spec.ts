import { spawn, type ChildProcess } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { newJob, standardStock, type JobId } from '@amber/core';

const PORT = 4791;
const api = (path: string) => `http://127.0.0.1:${PORT}/api${path}`;

/** A data folder of its own, open to the user that the database runs as. */
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'amber-start-'));
  chmodSync(made, 0o755);
  return made;
};

interface Started {
  child: ChildProcess;
  output: () => string;
  ended: Promise<number | null>;
}

const start = (data: string, env: Record<string, string> = {}): Started => {
  const child = spawn('node', ['scripts/start.mjs'], {
    env: { ...process.env, AMBER_DATA: data, PORT: String(PORT), ...env },
  });
  let text = '';
  child.stdout.on('data', (chunk) => (text += String(chunk)));
  child.stderr.on('data', (chunk) => (text += String(chunk)));
  return { child, output: () => text, ended: new Promise((resolve) => child.once('exit', resolve)) };
};

const ready = async ({ output, ended }: Started) => {
  await Promise.race([
    expect.poll(output, { timeout: 120_000 }).toContain('ready at'),
    ended.then(() => {
      if (!output().includes('ready at')) throw new Error(output());
    }),
  ]);
};

const stop = async ({ child, ended, output }: Started) => {
  child.kill('SIGINT');
  expect(await ended).toBe(0);
  expect(output()).toContain('Stopped.');
};

/** The process that a start script has started and whose command holds this word. */
const childOf = ({ child }: Started, word: string): number => {
  for (const name of readdirSync('/proc').filter((one) => /^\d+$/.test(one))) {
    try {
      const parent = /^PPid:\s+(\d+)$/m.exec(readFileSync(`/proc/${name}/status`, 'utf8'))?.[1];
      if (Number(parent) === child.pid && readFileSync(`/proc/${name}/cmdline`, 'utf8').includes(word))
        return Number(name);
    } catch {
      // It ended while the list was read.
    }
  }
  throw new Error(`no child ${word}`);
};

test('what was saved is there after a stop, after a second start, and after a killed start', async ({
  request,
}) => {
  const data = folder();
  const first = start(data);
  await ready(first);
  const job = newJob('kept' as JobId, 'Kept', standardStock());
  expect((await request.post(api('/jobs'), { data: { saveId: 'a', document: job } })).status()).toBe(201);
  await stop(first);

  const second = start(data);
  await ready(second);
  expect(await (await request.get(api('/jobs/kept'))).json()).toMatchObject({ document: { name: 'Kept' } });
  // The demo was loaded once; deleted, it stays away.
  expect((await request.delete(api('/jobs/heron-yard'))).status()).toBe(200);
  second.child.kill('SIGKILL');
  await second.ended;

  // The killed start left its database behind; the next one ends it and goes on. The server saw its starter go.
  await expect
    .poll(
      () =>
        request.get(api('/health')).then(
          () => 'up',
          () => 'down',
        ),
      { timeout: 30_000 },
    )
    .toBe('down');
  const third = start(data);
  await ready(third);
  expect((await request.get(api('/jobs/kept'))).status()).toBe(200);
  expect((await request.get(api('/jobs/heron-yard'))).status()).toBe(404);

  const twice = start(data, { PORT: String(PORT + 1) });
  expect(await twice.ended).toBe(1);
  expect(twice.output()).toContain('already runs on the data folder');
  await stop(third);
  expect(existsSync(join(data, 'running.json'))).toBe(false);
  rmSync(data, { recursive: true });
});

test('an acknowledged save survives a killed server and a killed database', async ({ request }) => {
  const data = folder();
  for (const victim of ['mariadbd', 'packages/server/dist/main.js']) {
    const started = start(data);
    await ready(started);
    const job = newJob(`before-${victim.length}` as JobId, 'Acknowledged', standardStock());
    expect((await request.post(api('/jobs'), { data: { saveId: 'a', document: job } })).status()).toBe(201);
    process.kill(childOf(started, victim), 'SIGKILL');
    expect(await started.ended).toBe(1);
    expect(started.output()).toMatch(/The (database|server) ended by itself\./);
    const again = start(data);
    await ready(again);
    expect((await request.get(api(`/jobs/${job.id}`))).status()).toBe(200);
    await stop(again);
  }
  rmSync(data, { recursive: true });
});

test('a half-made database is moved aside and made anew', async ({ request }) => {
  const data = folder();
  mkdirSync(join(data, 'mariadb/data'), { recursive: true });
  writeFileSync(join(data, 'mariadb/data/ibdata1'), 'torn');
  const started = start(data);
  await ready(started);
  expect(started.output()).toContain('An earlier start left a half-made database');
  expect((await request.get(api('/health'))).ok()).toBe(true);
  await stop(started);
  expect(readdirSync(join(data, 'mariadb')).some((name) => name.startsWith('data.unfinished-'))).toBe(true);
  rmSync(data, { recursive: true });
});

test('a database that does not come up is told with its last words, and its folder is left alone', async () => {
  const data = folder();
  const first = start(data);
  await ready(first);
  await stop(first);
  const control = join(data, 'mariadb/data/aria_log_control');
  const kept = readFileSync(control);
  writeFileSync(control, 'torn');
  const broken = start(data);
  expect(await broken.ended).toBe(1);
  expect(broken.output()).toContain('The database did not come up. Its last words:');
  expect(broken.output()).toContain('untouched');
  writeFileSync(control, kept);
  const password = join(data, 'mariadb/password');
  const word = readFileSync(password);
  rmSync(password);
  const locked = start(data);
  expect(await locked.ended).toBe(1);
  expect(locked.output()).toContain('The password of the database is missing');
  writeFileSync(password, word);
  const mended = start(data);
  await ready(mended);
  await stop(mended);
  rmSync(data, { recursive: true });
});

test('a taken port, a bad port, an outside database that is not there: a sentence and a way out', async () => {
  const data = folder();
  const other = createServer().listen(PORT, '127.0.0.1');
  await new Promise((resolve) => other.once('listening', resolve));
  const taken = start(data);
  expect(await taken.ended).toBe(1);
  expect(taken.output()).toContain(`Port ${PORT} is taken by another program.`);
  expect(taken.output()).toContain(`PORT=${PORT + 1} npm start`);
  await new Promise((resolve) => other.close(resolve));

  const odd = start(data, { PORT: 'lots' });
  expect(await odd.ended).toBe(1);
  expect(odd.output()).toContain('PORT is "lots", which is no port.');

  const outside = start(data, { DATABASE_URL: 'mysql://nobody:x@127.0.0.1:1/none' });
  expect(await outside.ended).toBe(1);
  expect(outside.output()).toContain('The database at 127.0.0.1:1 cannot be used');
  expect(existsSync(join(data, 'mariadb'))).toBe(false);
  rmSync(data, { recursive: true });
});

test('a disk without room is told before anything is made', async () => {
  test.skip(process.getuid?.() !== 0, 'only root may mount a small disk');
  const data = folder();
  const { spawnSync } = await import('node:child_process');
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=20m,mode=755', 'tmpfs', data]).status === 0;
  test.skip(!mounted, 'this machine does not let a small disk be mounted');
  const started = start(data);
  expect(await started.ended).toBe(1);
  expect(started.output()).toMatch(/has \d+ MB free; the database needs about 300 MB/);
  spawnSync('umount', [data]);
  rmSync(data, { recursive: true });
});

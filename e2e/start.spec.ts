import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
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
  expect(twice.output()).toContain(`Amber Junction runs already at http://127.0.0.1:${PORT}.`);
  await stop(third);
  expect(existsSync(join(data, 'running.json'))).toBe(false);
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

import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { DataSource } from 'typeorm';
import { LIST_MOST, type Job } from '@amber/core';
import {
  BackupFault,
  CatalogStore,
  checkStore,
  JobStore,
  restoreBackup,
  verifyBackup,
  writeBackup,
} from '../src/index.js';
import { DeviceStore } from '../src/store/devices.js';
import { endLine, newHash } from '../src/keep/backupFile.js';
import { PictureEntity, RecordEntity, RevisionEntity } from '../src/store/entities.js';
import { apiOn, emptyJob, ownSource } from './support/api.js';

const folder = mkdtempSync(join(tmpdir(), 'amber-keep-'));
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
let url = '';
let source: DataSource;

let drop: () => Promise<void>;

beforeAll(async () => {
  ({ url, source, drop } = await ownSource('amber_keep_test'));
});
afterAll(async () => {
  await drop();
  rmSync(folder, { recursive: true, force: true });
});

const EVERY = { search: '', from: 0, count: LIST_MOST };
const file = (name: string) => join(folder, `${name}.amber`);
/** All that somebody would miss, as it is read through the program. */
const all = async () => {
  const store = new JobStore(source);
  const { jobs } = await store.list(EVERY);
  const rows = await source.query('SELECT * FROM records ORDER BY `row`');
  return {
    jobs,
    documents: await Promise.all(jobs.map(({ id }) => store.open(id))),
    revisions: await Promise.all(jobs.map(({ id }) => store.revisions(id))),
    records: rows as unknown,
    pictures: await source.getRepository(PictureEntity).find({ order: { hash: 'ASC' } }),
    catalog: await new CatalogStore(source).read(),
  };
};
const save = (job: Job, parent: number) => new JobStore(source).save(job, parent, randomUUID());
const begin = async (id: string, name: string): Promise<Job> => {
  const job = emptyJob(id, name);
  await new JobStore(source).create(job, randomUUID());
  return job;
};
/** A backup with its lines changed and its end made to fit again. */
const rewritten = (from: string, to: string, change: (lines: string[]) => string[]) => {
  const lines = change(
    gunzipSync(readFileSync(file(from)))
      .toString('utf8')
      .trimEnd()
      .split('\n')
      .slice(0, -1),
  );
  const hash = newHash();
  const rows: Record<string, number> = {};
  let table = '';
  for (const line of lines) {
    hash.update(`${line}\n`);
    const value = JSON.parse(line) as { table?: string; row?: object };
    if (value.table !== undefined) rows[(table = value.table)] = 0;
    if (value.row) rows[table] = (rows[table] ?? 0) + 1;
  }
  writeFileSync(file(to), gzipSync(`${[...lines, endLine(rows, hash)].join('\n')}\n`));
};

test('everything is taken back as it was: jobs, every revision, saves that lost, records, pictures and the shop', async () => {
  const job = await begin('keep-a', 'Boat house ¾ in³');
  expect(await save({ ...job, name: 'Second' }, 1)).toEqual({ kind: 'saved', revision: 2 });
  expect((await save({ ...job, name: 'Lost' }, 1)).kind).toBe('lost');
  await begin('keep-b', 'Slip');
  await new JobStore(source).remove('keep-b');
  const api = apiOn(source);
  await api.post('/api/pictures').set('Content-Type', 'image/png').send(PNG).expect(201);
  const record = (id: string) => ({
    ...{ id, kind: 'note', version: 1, body: { text: 'Cover “sharp” — ½ in.' }, retracts: null, by: 'RF' },
    about: { kind: 'job', id: 'keep-a', wiring: null, revision: 2, hash: null },
    at: '2026-11-20T10:00:00.123Z',
  });
  await api.post('/api/jobs/keep-a/records').send(record('n1')).expect(201);
  const before = await all();
  const tablet = await new DeviceStore(source).pair('Tablet', 'full');
  // As a version of before stored it: without what it is found by.
  await source.query("UPDATE jobs SET words = NULL WHERE id = 'keep-a'");
  const told = await writeBackup(source, file('whole'));
  expect(told.rows).toMatchObject({ jobs: 2, revisions: 4, records: 1, pictures: 1 });

  await save({ ...job, name: 'Third' }, 2);
  await api.post('/api/jobs/keep-a/records').send(record('n2')).expect(201);
  await begin('keep-c', 'Later');
  await source.query('DELETE FROM pictures');
  expect(await all()).not.toEqual(before);
  expect(await restoreBackup(url, file('whole'))).toMatchObject({ kind: 'restored', told });
  expect(await all()).toEqual(before);
  const found = await new JobStore(source).list({ ...EVERY, search: 'second' });
  expect(found.jobs.map(({ id }) => id)).toEqual(['keep-a']);
  // A device that may have been put out since does not come in by what was kept of before.
  expect(await new DeviceStore(source).byToken(tablet.token)).toBeNull();
  // What was deleted is still there to be brought back, and everything goes on from there.
  expect(await new JobStore(source).restore('keep-b')).toBe(true);
  expect(await save({ ...job, name: 'Third again' }, 2)).toEqual({ kind: 'saved', revision: 3 });
  const { upQueries } = await source.driver.createSchemaBuilder().log();
  expect(upQueries).toEqual([]);
});

test('a backup made while others save is of one moment: no head without its revision', async () => {
  const job = await begin('keep-busy', 'Busy');
  let going = true;
  let revision = 1;
  const saving = (async () => {
    while (going) {
      const outcome = await save({ ...job, name: `Busy ${revision}` }, revision);
      if (outcome.kind === 'saved') revision = outcome.revision;
    }
  })();
  await new Promise((resolve) => setTimeout(resolve, 50));
  const told = await writeBackup(source, file('busy'));
  going = false;
  await saving;
  expect(revision).toBeGreaterThan(2);
  expect(told.rows['revisions']).toBeGreaterThan(0);
  expect(await restoreBackup(url, file('busy'))).toMatchObject({ kind: 'restored' });
  expect(await checkStore(source)).toEqual([]);
});

test('a file that is cut, changed, of a later version or none of ours is refused with the reason, and nothing is touched', async () => {
  await writeBackup(source, file('good'));
  const before = await all();
  const whole = readFileSync(file('good'));
  writeFileSync(file('cut'), whole);
  truncateSync(file('cut'), whole.length - 200);
  const text = gunzipSync(whole).toString('utf8');
  writeFileSync(file('changed'), gzipSync(text.replace('Busy', 'Lazy')));
  writeFileSync(file('short'), gzipSync(text.split('\n').slice(0, -2).join('\n')));
  writeFileSync(file('other'), gzipSync('{"some":"thing"}\n'));
  writeFileSync(file('plain'), 'not packed at all');
  rewritten('good', 'later', ([head = '', ...lines]) => [
    head.replace('"format":1', '"format":99'),
    ...lines,
  ]);
  rewritten('good', 'broken', (lines) =>
    lines.map((line) =>
      line.replace(/"document":\{"bytes":"[^"]{20}/, '"document":{"bytes":"AAAAAAAAAAAAAAAAAAAA'),
    ),
  );
  const refusals: [string, RegExp][] = [
    ['cut', /cut short/],
    ['changed', /something in it was changed or lost/],
    ['short', /its end is missing/],
    ['other', /no backup of this program/],
    ['plain', /cut short or is no backup/],
    ['later', /later version \(format 99\)/],
    ['broken', /revision 1 of job keep-\w+ is damaged/],
    ['nowhere', /cannot be read/],
  ];
  for (const [name, why] of refusals) {
    const done = restoreBackup(url, file(name));
    await expect(done).rejects.toThrow(BackupFault);
    await expect(done).rejects.toThrow(why);
  }
  expect(await all()).toEqual(before);
  expect((await verifyBackup(file('good'))).rows['jobs']).toBe(before.jobs.length);
});

test('a restore that fails midway, or brings a job that cannot be opened, leaves what was there', async () => {
  await writeBackup(source, file('base'));
  const before = await all();
  rewritten('base', 'midway', (lines) =>
    lines.map((line) => line.replace('CREATE TABLE `revisions`', 'CREATE TABEL `revisions`')),
  );
  await expect(restoreBackup(url, file('midway'))).rejects.toThrow(/syntax/);
  const bad = gzipSync(JSON.stringify({ format: 1, id: 'keep-a', name: 'no job' })).toString('base64');
  rewritten('base', 'unreadable', (lines) =>
    lines.map((line) => line.replace(/"document":\{"bytes":"[^"]*"/, `"document":{"bytes":"${bad}"`)),
  );
  expect(await restoreBackup(url, file('unreadable'))).toMatchObject({ kind: 'damaged' });
  expect(await all()).toEqual(before);
  const left = await source.query<unknown[]>("SHOW DATABASES LIKE 'amber\\_keep\\_test\\_%'");
  expect(left).toEqual([]);
});

test('what is damaged is named, and only that', async () => {
  await writeBackup(source, file('sound'));
  expect(await checkStore(source)).toEqual([]);
  const revisions = source.getRepository(RevisionEntity);
  await revisions.update({ jobId: 'keep-a', revision: 1 }, { document: Buffer.from('torn') });
  await source.getRepository(RecordEntity).update({ id: 'n1' }, { body: '{' });
  await source.query("UPDATE pictures SET bytes = 'x'");
  await source.query("UPDATE jobs SET revision = 77 WHERE id = 'keep-busy'");
  const damage = await checkStore(source);
  expect(damage.map(({ what, which }) => `${what} ${which}`).sort()).toEqual([
    expect.stringMatching(/^head “Busy \d+”, revision 77$/),
    expect.stringMatching(/^picture [0-9a-f]{64}$/),
    expect.stringMatching(/^record record n1 of /),
    expect.stringMatching(/^revision “.*”, revision 1$/),
  ]);
  // And the backup of before mends all of it.
  await restoreBackup(url, file('sound'));
  expect(await checkStore(source)).toEqual([]);
});

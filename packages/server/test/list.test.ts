import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import type { DataSource } from 'typeorm';
import { CONTRACT, problemSchema, summariseJob, type Job } from '@amber/core';
import { JobStore, loadDemo, prepareDatabase } from '../src/index.js';
import { again } from '../src/store/again.js';
import { dataSourceOf } from '../src/store/dataSource.js';
import { JobEntity } from '../src/store/entities.js';
import { fillWords } from '../src/store/fillWords.js';
import { underLock } from '../src/store/lock.js';
import { openThreads } from '../src/summary/threads.js';
import { summariseDocument } from '../src/summary/summarise.js';
import { apiOn, demoFile, demoJob, emptyJob, ownSource } from './support/api.js';

let source: DataSource;
let drop: () => Promise<void>;
let api: ReturnType<typeof apiOn>;

beforeAll(async () => {
  ({ source, drop } = await ownSource('amber_list_test'));
  api = apiOn(source);
});
afterAll(() => drop());

const create = async (job: Job) => {
  await api.post('/api/jobs').send({ saveId: randomUUID(), document: job }).expect(201);
  return job;
};
const list = async (query: Record<string, string | number> = {}) =>
  CONTRACT.jobs.answer.parse((await api.get('/api/jobs').query(query).expect(200)).body);

test('the list comes page by page, the last changed first, and says how many there are', async () => {
  for (let i = 0; i < 7; i++) await create(emptyJob(`page-${i}`));
  // Two of one moment have an order all the same.
  await source.query("UPDATE jobs SET updated_at = '2026-01-01' WHERE id IN ('page-0', 'page-1')");
  const pages = await Promise.all([0, 3, 6, 9].map((from) => list({ from, count: 3 })));
  expect(pages.map(({ total }) => total)).toEqual([7, 7, 7, 7]);
  expect(pages.flatMap(({ jobs }) => jobs.map(({ id }) => id))).toEqual(
    [6, 5, 4, 3, 2, 0, 1].map((i) => `page-${i}`),
  );
  for (const [name, value] of [
    ['count', 0],
    ['count', 101],
    ['from', -1],
    ['from', 'x'],
  ] as const) {
    const refused = await api
      .get('/api/jobs')
      .query({ [name]: value })
      .expect(400);
    expect(refused.body).toMatchObject({ code: 'bad-request', path: name });
  }
});

test('a job is found by its name and by what is in it, whatever the case, and % and _ are no signs of their own', async () => {
  await create(demoJob('found'));
  await create(emptyJob('percent', '100% of_it'));
  const found = async (search: string) => (await list({ search })).jobs.map(({ id }) => id);
  for (const words of ['heron', 'ROPEWALK', 'Tar store', 'River door'])
    expect([words, await found(words)]).toEqual([words, ['found']]);
  expect(await found('0% o')).toEqual(['percent']);
  expect(await found('0_ o')).toEqual([]);
  // One that was stored before there was a search is found by its name, and by all of it when that was filled in.
  await source.query("UPDATE jobs SET words = NULL WHERE id = 'found'");
  expect([await found('Heron'), await found('Ropewalk')]).toEqual([['found'], []]);
  await fillWords(source);
  expect(await found('Ropewalk')).toEqual(['found']);
  // A save changes what it is found by.
  await api
    .put('/api/jobs/found')
    .send({ saveId: randomUUID(), parent: 1, document: { ...demoJob('found'), name: 'Quay' } })
    .expect(200);
  expect([await found('Heron'), await found('Quay')]).toEqual([[], ['found']]);
});

test('what a list shows of a saved job is pending until it is worked out, and then of that revision', async () => {
  const job = await create(demoJob('shown'));
  const heavy = new JobStore(source, async (document) => {
    await new Promise((resolve) => setTimeout(resolve, 900));
    return summariseDocument(document);
  });
  const changed = { ...job, circuits: job.circuits.map((one) => ({ ...one, name: `${one.name} anew` })) };
  await heavy.save(changed, 1, 'anew');
  const shown = async () => {
    const { jobs } = await heavy.list({ search: '', from: 0, count: 100 });
    return jobs.find(({ id }) => id === 'shown');
  };
  expect(await shown()).toMatchObject({ revision: 2, summary: null, pending: true });
  let now = await shown();
  while (now?.pending) now = await shown();
  expect(now).toMatchObject({ revision: 2, summary: summariseJob(changed), pending: false });
});

test('a summary that is worked out in a thread of its own is the same', async () => {
  const threads = openThreads();
  const document = gzipSync(JSON.stringify(demoJob('threaded')));
  try {
    expect(await threads.summarise(document)).toBe(summariseDocument(document));
    expect(await threads.summarise(gzipSync('{}'))).toBeNull();
    await expect(threads.summarise(Buffer.from('no gzip'))).rejects.toThrow(/header/);
  } finally {
    await threads.close();
  }
});

test('several servers that start on one empty database make it once, and load the demo once', async () => {
  const { url: fresh, source: first, drop: dropIt } = await ownSource('amber_start_test', { bare: true });
  const others = await Promise.all([1, 2].map(() => dataSourceOf(fresh).initialize()));
  try {
    await Promise.all(
      [first, ...others].map((one) => prepareDatabase(one, () => loadDemo(one, new JobStore(one), demoFile))),
    );
    expect(await first.query('SELECT id FROM jobs')).toEqual([{ id: 'heron-yard' }]);
    expect(await first.query('SELECT holder FROM preparing')).toEqual([{ holder: '' }]);
    // A later version of the program has been here.
    await first.query("INSERT INTO migrations (timestamp, name) VALUES (1, 'Later1')");
    await expect(prepareDatabase(first)).rejects.toThrow(/made by a later version of the program \(Later1\)/);
  } finally {
    await Promise.all(others.map((one) => one.destroy()));
    await dropIt();
  }
}, 60_000);

test('one server at a time is under the lock, and one that died lets it go', async () => {
  let inside = 0;
  let most = 0;
  const work = () =>
    underLock(source, async () => {
      most = Math.max(most, ++inside);
      await new Promise((resolve) => setTimeout(resolve, 50));
      inside -= 1;
    });
  await Promise.all([work(), work(), work()]);
  expect(most).toBe(1);
  await source.query("UPDATE preparing SET holder = 'dead', until = NOW(3) + INTERVAL 1 SECOND");
  const at = Date.now();
  await work();
  expect(Date.now() - at).toBeGreaterThan(500);
});

test('a transaction that was given up for another is done again; what is wrong is told at once', async () => {
  await source.query('CREATE TABLE two (id int PRIMARY KEY, n int) ENGINE=InnoDB');
  await source.query('INSERT INTO two VALUES (1, 0), (2, 0)');
  let tries = 0;
  const swap = (ids: readonly number[]) =>
    again(() => {
      tries += 1;
      return source.transaction(async (manager) => {
        for (const id of ids) {
          await manager.query('UPDATE two SET n = n + 1 WHERE id = ?', [id]);
          await new Promise((resolve) => setTimeout(resolve, 30));
        }
      });
    });
  // Each holds what the other wants.
  await Promise.all([swap([1, 2]), swap([2, 1]), swap([1, 2])]);
  expect(await source.query('SELECT n FROM two')).toEqual([{ n: 3 }, { n: 3 }]);
  expect(tries).toBeGreaterThan(3);
  let once = 0;
  const wrong = again(() => {
    once += 1;
    return source.query('SELECT none FROM nowhere');
  });
  await expect(wrong).rejects.toThrow(/nowhere/);
  expect(once).toBe(1);
});

describe('what a list shows of a job', () => {
  /** As it stands when all of it was worked out. */
  const summaryOf = async (id: string) => {
    for (;;) {
      const { jobs } = CONTRACT.jobs.answer.parse((await api.get('/api/jobs').expect(200)).body);
      const shown = jobs.find((one) => one.id === id);
      if (shown?.pending !== true) return shown;
    }
  };
  const rows = () => source.getRepository(JobEntity);

  test.each([
    ['by an earlier version', JSON.stringify({ edition: 2023, circuits: [] })],
    ['by a version to come', JSON.stringify({ version: 99, edition: 2023, circuits: [] })],
  ])('is made anew where it was made %s, and kept; when the job was changed stays', async (name, old) => {
    const id = `summed-${name.length}`;
    const job = await create(demoJob(id));
    const { updatedAt } = await rows().findOneByOrFail({ id });
    await source.query('UPDATE jobs SET summary = ? WHERE id = ?', [old, id]);
    const shown = await summaryOf(id);
    expect(shown?.summary).toEqual(summariseJob(job));
    const kept = await rows().findOneByOrFail({ id });
    expect(JSON.parse(kept.summary)).toEqual(shown?.summary);
    expect([kept.updatedAt, shown?.updatedAt]).toEqual([updatedAt, updatedAt.toISOString()]);
  });

  test('is nothing where the job cannot be read, which stays on the list and is told by path when it is opened', async () => {
    const job = await create(emptyJob('unread'));
    const later = gzipSync(JSON.stringify({ ...job, format: 99 }));
    await source.query("UPDATE revisions SET document = ? WHERE job_id = 'unread'", [later]);
    await source.query("UPDATE jobs SET summary = '{}' WHERE id = 'unread'");
    expect(await summaryOf('unread')).toMatchObject({ name: 'unread', summary: null });
    const refused = await api.get('/api/jobs/unread').expect(422);
    expect(problemSchema.parse(refused.body)).toMatchObject({ code: 'bad-job', path: 'format' });
  });
});

import type { DataSource } from 'typeorm';
import { randomUUID } from 'node:crypto';
import {
  CONTRACT,
  leastChange,
  pathOf,
  plannedWiring,
  problemSchema,
  readJob,
  wireAll,
  type Job,
  standingCircuits,
} from '@amber/core';
import { jest } from '@jest/globals';
import request from 'supertest';
import { createApp, JobStore, loadDemo, storesOn } from '../src/index.js';
import { apiOn, demoFile, demoJob, emptyJob, freshSource } from './support/api.js';

let source: DataSource;
let api: ReturnType<typeof apiOn>;

beforeAll(async () => {
  source = await freshSource();
  api = apiOn(source);
});
afterAll(() => source.destroy());

const create = async (job: Job) => {
  await api.post('/api/jobs').send({ saveId: randomUUID(), document: job }).expect(201);
  return job;
};
const save = (job: Job, parent: number, saveId: string = randomUUID()) =>
  api.put(`/api/jobs/${job.id}`).send({ saveId, parent, document: job });
const body = <T>(response: { body: unknown }) => response.body as T;

test('the migrations make exactly what the entities say', async () => {
  const { upQueries } = await source.driver.createSchemaBuilder().log();
  expect(upQueries.map((query) => query.query)).toEqual([]);
});

test('health asks the database, and says so when it is away', async () => {
  await api.get('/api/health').expect(200, { ok: true, database: 'answers' });
  const other = await freshSource();
  const down = apiOn(other);
  await other.destroy();
  const response = await down.get('/api/health').expect(503);
  expect(response.body).toMatchObject({ code: 'database-down' });
});

test('a job is created, listed with its state, opened and saved', async () => {
  const job = await create(demoJob('first'));
  const list = body<{ jobs: { id: string; summary: { circuits: object[] } }[] }>(
    await api.get('/api/jobs').expect(200),
  );
  const mine = list.jobs.find((one) => one.id === 'first');
  expect(mine?.summary.circuits.slice(0, 2)).toEqual([
    expect.objectContaining({
      name: 'Ropewalk',
      switches: 2,
      luminaires: 3,
      positions: 4,
      working: 4,
      violations: 0,
    }),
    expect.objectContaining({ name: 'Tar store', switches: 1, luminaires: 1, positions: 2, working: 2 }),
  ]);
  const opened = await api.get('/api/jobs/first').expect(200);
  expect(opened.body).toMatchObject({ revision: 1, document: job, made: { by: '', device: '' } });
  await save({ ...job, name: 'Renamed' }, 1).expect(200, { id: 'first', revision: 2 });
  expect(body<{ document: Job }>(await api.get('/api/jobs/first')).document.name).toBe('Renamed');
  expect((await api.get('/api/jobs/first/revisions/1').expect(200)).body).toMatchObject({
    ...{ revision: 1, document: job },
  });
});

test('a save that lost gets the newer revision back, and both are kept', async () => {
  const job = await create(emptyJob('contested'));
  await api
    .put('/api/jobs/contested')
    .send({ saveId: randomUUID(), parent: 1, document: { ...job, name: 'Mine' }, by: 'QW' })
    .expect(200);
  const lost = await save({ ...job, name: 'Theirs' }, 1).expect(409);
  expect(lost.body).toMatchObject({
    code: 'newer-revision',
    path: 'parent',
    current: { revision: 2, document: { name: 'Mine' }, made: { by: 'QW', device: '' } },
  });
  // When it was, too.
  const { current } = body<{ current: { made: { at: string } } }>(lost);
  expect(Math.abs(Date.parse(current.made.at) - Date.now())).toBeLessThan(120_000);
  const { revisions } = body<{ revisions: { revision: number | null; parent: number }[] }>(
    await api.get('/api/jobs/contested/revisions').expect(200),
  );
  expect(revisions.map((one) => [one.revision, one.parent])).toEqual([
    [null, 1],
    [2, 1],
    [1, 0],
  ]);
});

test('of many saves at once over the same revision exactly one wins', async () => {
  const job = await create(emptyJob('crowded'));
  const answers = await Promise.all(
    Array.from({ length: 8 }, (_, i) => save({ ...job, name: `Writer ${i}` }, 1)),
  );
  expect(answers.map((one) => one.status).sort()).toEqual([200, ...Array<number>(7).fill(409)]);
  const { revisions } = body<{ revisions: object[] }>(await api.get('/api/jobs/crowded/revisions'));
  expect(revisions).toHaveLength(9);
});

test('a save whose answer was lost may be sent again without a conflict', async () => {
  const job = await create(emptyJob('repeated'));
  const saveId = randomUUID();
  await save({ ...job, name: 'Once' }, 1, saveId).expect(200, { id: 'repeated', revision: 2 });
  await save({ ...job, name: 'Once' }, 1, saveId).expect(200, { id: 'repeated', revision: 2 });
  await save({ ...job, name: 'After' }, 2).expect(200, { id: 'repeated', revision: 3 });
  await save({ ...job, name: 'Once' }, 1, saveId).expect(200, { id: 'repeated', revision: 2 });
});

test('a deleted job is gone and comes back', async () => {
  await create(emptyJob('removed'));
  await api.delete('/api/jobs/removed').expect(200);
  await api.get('/api/jobs/removed').expect(404);
  await api.delete('/api/jobs/removed').expect(404);
  await api.post('/api/jobs/removed/restore').expect(200);
  await api.get('/api/jobs/removed').expect(200);
});

test('a copy has its own id and name and the same content', async () => {
  const job = await create(demoJob('original'));
  const { id } = body<{ id: string }>(await api.post('/api/jobs/original/duplicate').expect(201));
  const { document } = body<{ document: Job }>(await api.get(`/api/jobs/${id}`).expect(200));
  expect(document).toEqual({ ...job, id, name: 'Heron Yard (copy)' });
});

test('an exported file imports as a job of its own, the open one untouched', async () => {
  await create(emptyJob('travels', 'Лодочная мастерская <b>'));
  const file = await api.get('/api/jobs/travels/file').expect(200);
  expect(file.headers['content-disposition']).toContain('attachment');
  const { id } = body<{ id: string }>(
    await api.post('/api/jobs/import').type('text/plain').send(file.text).expect(201),
  );
  expect(id).not.toBe('travels');
  const { document } = body<{ document: Job }>(await api.get(`/api/jobs/${id}`));
  expect(document.name).toBe('Лодочная мастерская <b>');
  await api.get('/api/jobs/travels').expect(200);
});

test('every save is kept as a revision, newest first, and an older one opens as it was', async () => {
  const job = await create(emptyJob('kept'));
  for (const [parent, name] of [
    [1, 'Second'],
    [2, 'Third'],
  ] as const)
    await save({ ...job, name }, parent).expect(200);
  const { revisions } = body<{ revisions: { revision: number | null }[] }>(
    await api.get('/api/jobs/kept/revisions').expect(200),
  );
  expect(revisions.map((one) => one.revision)).toEqual([3, 2, 1]);
  const second = await api.get('/api/jobs/kept/revisions/2').expect(200);
  expect(body<{ document: Job }>(second).document.name).toBe('Second');
  await api.get('/api/jobs/kept/revisions/9').expect(404);
  for (const bad of ['0', '-1', '1.5', 'last']) {
    const refused = await api.get(`/api/jobs/kept/revisions/${bad}`).expect(400);
    expect(refused.body).toMatchObject({ code: 'bad-request', path: 'revision' });
  }
});

test('a small job that was planned is saved, and comes back with its box, its runs and its device', async () => {
  const job = await create(wireAll(demoJob('changed')));
  const outcome = leastChange(job, {
    kind: 'replaceDevice',
    slot: 'winch-slot' as never,
    role: 'occupancySensor',
    article: null,
  });
  if (!outcome.ok) throw new Error(outcome.refusal.title);
  const kept = outcome.value.job.wirings.filter(({ kind }) => kind !== 'planned');
  await save({ ...outcome.value.job, wirings: kept }, 1).expect(200);
  const { document } = body<{ document: Job }>(await api.get('/api/jobs/changed').expect(200));
  expect(document.slots.find((slot) => slot.id === 'winch-slot')).toMatchObject({ role: 'occupancySensor' });
  expect(document.choices).toEqual(outcome.value.job.choices);
}, 30_000);

describe('what is refused names path and reason in one shape', () => {
  const imported = (text: string) => api.post('/api/jobs/import').type('text/plain').send(text);
  test.each([
    ['not JSON', 'nonsense', 'file'],
    ['a later version', JSON.stringify({ ...emptyJob('x'), format: 99 }), 'format'],
    ['a dangling id', JSON.stringify({ ...demoJob('x'), boxes: [] }), 'slots.0.box'],
    [
      'a 12-digit length',
      JSON.stringify({
        ...emptyJob('x'),
        runFacts: [{ between: ['panel', 'panel'], length: 999_999_999_999 }],
      }),
      'runFacts.0.length',
    ],
  ])('%s', async (_name, text, path) => {
    const response = await imported(text).expect(422);
    expect(response.body).toMatchObject({ code: 'bad-job', path, message: expect.stringMatching(/.{10,}/) });
  });
  test('a document in a save is judged too', async () => {
    await create(emptyJob('strict'));
    const response = await api
      .put('/api/jobs/strict')
      .send({ saveId: 'a', parent: 1, document: { ...emptyJob('strict'), edition: 1999 } })
      .expect(422);
    expect(response.body).toMatchObject({ code: 'bad-job', path: 'document.edition' });
    await api
      .get('/api/jobs/strict')
      .expect(200)
      .expect(({ body: { revision } }) => expect(revision).toBe(1));
  });
  test('an envelope without its parts', async () => {
    await api
      .post('/api/jobs')
      .send({ document: {} })
      .expect(400)
      .expect(({ body: { path } }) => expect(path).toBe('saveId'));
    await api.post('/api/jobs').set('Content-Type', 'application/json').send('{').expect(400);
  });
  test('a body over 2 MB', async () => {
    const response = await imported('x'.repeat(2_200_000)).expect(413);
    expect(response.body).toMatchObject({ code: 'too-large', message: expect.stringContaining('2 MB') });
  });
  test('unknown jobs and addresses', async () => {
    await api
      .get('/api/jobs/nowhere')
      .expect(404)
      .expect(({ body: { code } }) => expect(code).toBe('missing'));
    await api
      .get('/api/nothing')
      .expect(404)
      .expect(({ body: { code } }) => expect(code).toBe('missing'));
  });
  test('an id in use is not overwritten', async () => {
    await create(emptyJob('taken'));
    const response = await api
      .post('/api/jobs')
      .send({ saveId: 'other', document: emptyJob('taken') })
      .expect(409);
    expect(response.body).toMatchObject({ code: 'id-taken' });
  });
  test('foreign hosts and origins', async () => {
    await api.get('/api/jobs').set('Host', 'evil.example').expect(403);
    await api.get('/api/jobs').set('Origin', 'http://evil.example').expect(403);
    const host = 'localhost:4747';
    await api.get('/api/jobs').set('Host', host).set('Origin', 'http://localhost:4747').expect(200);
    // Another port of this machine is elsewhere: any program may serve a page there.
    await create(emptyJob('not-to-be-copied'));
    const before = body<{ jobs: object[] }>(await api.get('/api/jobs')).jobs.length;
    for (const origin of ['http://localhost:5000', 'http://127.0.0.1:4747', 'null', 'http://localhost'])
      for (const ask of [
        () => api.post('/api/jobs/import').set('Content-Type', 'text/plain').send('{}'),
        () => api.post('/api/jobs/not-to-be-copied/duplicate'),
        () => api.get('/api/jobs'),
      ])
        expect((await ask().set('Host', host).set('Origin', origin)).body).toMatchObject({
          code: 'foreign-origin',
        });
    // A browser that names no origin still says where the page is from.
    for (const site of ['same-site', 'cross-site'])
      await api.post('/api/jobs/not-to-be-copied/duplicate').set('Sec-Fetch-Site', site).expect(403);
    await api
      .get('/api/jobs')
      .set('Sec-Fetch-Site', 'cross-site')
      .set('Sec-Fetch-Mode', 'navigate')
      .expect(403);
    for (const site of ['same-origin', 'none'])
      await api.get('/api/jobs').set('Sec-Fetch-Site', site).expect(200);
    expect(body<{ jobs: object[] }>(await api.get('/api/jobs')).jobs).toHaveLength(before);
  });
});

test('the demo is planned by the core, loaded once, and stays deleted', async () => {
  const store = new JobStore(source);
  await loadDemo(source, store, demoFile);
  const open = await store.open('heron-yard');
  if (open.kind !== 'open') throw new Error(open.kind);
  // Circuits that the file leaves open are wired by their least cost; old work stands as it is.
  const standing = standingCircuits(open.job.document);
  expect([...standing].sort()).toEqual(['net-store-outlet', 'rope-stair-light', 'sail-loft-light']);
  expect(open.job.document.choices.map((choice) => choice.circuit).sort()).toEqual(
    open.job.document.circuits
      .map((circuit) => circuit.id)
      .filter((id) => !standing.has(id))
      .sort(),
  );
  const slots = new Set(plannedWiring(open.job.document)?.devices.map((device) => device.slot));
  expect(slots.size).toBe(open.job.document.slots.length);
  expect(readJob(open.job.document).ok).toBe(true);
  await store.remove('heron-yard');
  await loadDemo(source, store, demoFile);
  expect((await store.open('heron-yard')).kind).toBe('missing');
}, 30_000);

test('every answer is what the contract says, and every refusal has a code of it', async () => {
  await create(emptyJob('contract'));
  for (const [endpoint, ids] of [
    [CONTRACT.health, {}],
    [CONTRACT.catalog, {}],
    [CONTRACT.jobs, {}],
    [CONTRACT.openJob, { id: 'contract' }],
    [CONTRACT.revisions, { id: 'contract' }],
    [CONTRACT.openRevision, { id: 'contract', revision: 1 }],
    [CONTRACT.records, { id: 'contract' }],
  ] as const) {
    const answer = await api.get(`/api${pathOf(endpoint, ids)}`).expect(200);
    expect([endpoint.path, endpoint.answer.safeParse(answer.body).error?.issues]).toEqual([
      endpoint.path,
      undefined,
    ]);
  }
  for (const path of ['/api/jobs/gone', '/api/attic', '/api/jobs/contract/revisions/0', '/api/jobs/%20'])
    expect([path, problemSchema.safeParse((await api.get(path)).body).success]).toEqual([path, true]);
});

test('a database that hangs is named as what does not answer, in time, and the rest goes on', async () => {
  const stores = storesOn(source);
  jest.spyOn(stores.store, 'list').mockReturnValue(new Promise(() => undefined));
  const hung = request(createApp({ ...stores, patience: 0.2 }));
  const began = Date.now();
  const { body: told } = await hung.get('/api/jobs').expect(503);
  expect(told).toMatchObject({
    code: 'database-down',
    message: expect.stringMatching(/has not answered for 0.2 seconds/),
  });
  expect(Date.now() - began).toBeLessThan(5000);
  await hung.get('/api/health').expect(200);
});

import type { DataSource } from 'typeorm';
import {
  CONTRACT,
  liveRecords,
  RECORD_KINDS,
  tickStates,
  type RecordKindName,
  type SiteRecord,
} from '@amber/core';
import { dataSourceOf } from '../src/index.js';
import { Records1700000000007 } from '../src/store/migrations.js';
import { apiOn, emptyJob, freshSource } from './support/api.js';

let source: DataSource;
beforeAll(async () => {
  source = await freshSource();
});
afterAll(() => source.destroy());

const AT = '2026-03-02T08:15:00.000Z';
const HASH = '0123456789abcdef';

const tick = (id: string, fact: string, more: object = {}) => ({
  ...{ id, kind: 'tick', about: { kind: 'fact', id: fact, hash: HASH }, body: {}, at: AT },
  ...more,
});
const retraction = (id: string, job: string, retracts: string) => ({
  ...{ id, kind: 'retraction', about: { kind: 'job', id: job }, body: {}, retracts, at: AT },
});

const newJobCalled = (id: string) =>
  apiOn(source)
    .post('/api/jobs')
    .send({ saveId: id, document: emptyJob(id) })
    .expect(201);
const add = (job: string, record: object) => apiOn(source).post(`/api/jobs/${job}/records`).send(record);
/** The records of a job, held to the contract. */
const recordsOf = async (job: string): Promise<SiteRecord[]> => {
  const answer = await apiOn(source).get(`/api/jobs/${job}/records`).expect(200);
  return CONTRACT.records.answer.parse(answer.body).records;
};
const ticked = async (job: string) => liveRecords(await recordsOf(job)).map((one) => one.about.id);

test('a tick is kept, can be taken back and made again, and all of it stays on record', async () => {
  await newJobCalled('ticked');
  await add('ticked', tick('t1', 'box/dead', { by: 'R. F.' })).expect(201, { id: 't1' });
  await add('ticked', tick('t2', 'box/check')).expect(201);
  await add('ticked', retraction('r1', 'ticked', 't1')).expect(201);
  expect(await ticked('ticked')).toEqual(['box/check']);
  await add('ticked', tick('t3', 'box/dead')).expect(201);
  expect(await ticked('ticked')).toEqual(['box/check', 'box/dead']);
  const all = await recordsOf('ticked');
  expect(all.map((one) => one.id)).toEqual(['t1', 't2', 'r1', 't3']);
  expect(all[0]).toEqual({
    ...{ id: 't1', kind: 'tick', version: 1, body: {}, retracts: null, by: 'R. F.', at: AT },
    about: { kind: 'fact', id: 'box/dead', wiring: null, revision: null, hash: HASH },
  });
  // One whose answer was lost comes again under its id, and stays where it first stood.
  await add('ticked', tick('t1', 'box/dead')).expect(201);
  await add('ticked', retraction('r1', 'ticked', 't1')).expect(201);
  expect((await recordsOf('ticked')).map((one) => one.id)).toEqual(['t1', 't2', 'r1', 't3']);
  const long = `${'b'.repeat(200)}/splice/${'c'.repeat(1500)}`;
  await add('ticked', tick('t4', long)).expect(201);
  expect(await ticked('ticked')).toContain(long);
});

test('records belong to one job, and a copy of it starts without them', async () => {
  for (const id of ['records-a', 'records-b']) await newJobCalled(id);
  await add('records-a', tick('a', 'box/dead')).expect(201);
  expect(await recordsOf('records-b')).toEqual([]);
  const { body } = await apiOn(source).post('/api/jobs/records-a/duplicate').expect(201);
  expect(await recordsOf((body as { id: string }).id)).toEqual([]);
  expect(await ticked('records-a')).toEqual(['box/dead']);
});

/** One of each kind, about the first thing that it may be about. */
const BODIES: Record<RecordKindName, object> = {
  tick: {},
  retraction: { why: 'It was the other box.' },
  note: { text: 'Panel cover has sharp edges.' },
  seen: { what: 'Two cables, one of them cloth.' },
  reading: { from: 'black', to: 'ground', value: 119.6, unit: 'V', live: true },
  testStep: { expected: 'lit', met: false, saw: 'dim' },
  observed: {
    seen: { question: { kind: 'look', box: 'box-1' }, answer: { kind: 'is', word: 'asDrawn' } },
    words: 'Looked into Box 1: all is as drawn.',
  },
  wiresOpened: {
    found: { stubs: [{ box: 'box-1', number: 1, wires: ['black', 'white'], ground: 'bare', loose: false }] },
  },
  wireRead: {
    reading: { question: { kind: 'rest', box: 'box-1' }, answer: { kind: 'pairs', shown: [] } },
    words: 'Box 1, no link on: no continuity anywhere.',
  },
  mended: { where: 'Box 1', what: 'two wires exchanged' },
  signOff: { stage: 'roughIn', initials: 'RF' },
  photo: { hash: 'a'.repeat(64), words: 'Before it was folded' },
  permit: { number: 'EL-2291', authority: 'Harbour office' },
  inspection: { walk: 'roughIn', state: 'held', on: '2026-11-20', note: 'Staples at the tar store.' },
  correction: { walk: 'roughIn', text: 'A plate at the second stud.' },
  cleared: { how: 'Plated.' },
  wallPhoto: {
    ...{ hash: 'b'.repeat(64), words: 'Before the board', wall: 2 },
    points: [
      { x: 0.1, y: 0.9, along: 0, height: 0 },
      { x: 0.1, y: 0.1, along: 0, height: 96 },
      { x: 0.9, y: 0.1, along: 120, height: 96 },
      { x: 0.9, y: 0.9, along: 120, height: 0 },
    ],
  },
  cut: { length: 246 },
  pulled: { length: null },
  fitted: { article: 'three-way-15' },
  delivered: { count: 250 },
};

test('every kind of record is kept as it was sent', async () => {
  await newJobCalled('kinds');
  for (const [kind, body] of Object.entries(BODIES) as [RecordKindName, object][]) {
    const record = {
      ...{ id: `one-${kind}`, kind, body, at: AT, by: 'R. F.' },
      about: { kind: RECORD_KINDS[kind].about[0], id: 'kinds' },
      retracts: kind === 'retraction' ? 'one-tick' : null,
    };
    await add('kinds', record).expect(201);
  }
  const kept = await recordsOf('kinds');
  expect(Object.fromEntries(kept.map(({ kind, body }) => [kind, body]))).toEqual(BODIES);
  expect(liveRecords(kept)).toHaveLength(Object.keys(BODIES).length - 2);
});

test.each([
  ['without a name', { id: '' }, 'id'],
  ['of a kind that there is not', { kind: 'wish' }, 'kind'],
  ['about nothing', { about: { kind: 'fact', id: '' } }, 'about.id'],
  ['about what its kind is not about', { about: { kind: 'article', id: 'a' } }, 'about.kind'],
  ['with a field that its kind has not', { body: { done: true } }, 'body'],
  ['of a version to come', { version: 2 }, 'version'],
  ['with a sum that is none', { about: { kind: 'fact', id: 'f', hash: 'zz' } }, 'about.hash'],
  ['at no time', { at: 'yesterday' }, 'at'],
  ['that takes something back and is no retraction', { retracts: 't1' }, 'retracts'],
])('a record %s is refused by path', async (_name, wrong, path) => {
  const refused = await add('ticked', { ...tick('wrong', 'box/dead'), ...wrong }).expect(422);
  expect(refused.body).toMatchObject({ code: 'bad-record', path });
  expect((await recordsOf('ticked')).some((one) => one.id === 'wrong')).toBe(false);
});

test('what was never there cannot be taken back, nor kept for a job that is not there', async () => {
  const refused = await add('ticked', retraction('r9', 'ticked', 'nothing')).expect(422);
  expect(refused.body).toMatchObject({ code: 'bad-record', path: 'retracts' });
  await add('nowhere', tick('t', 'box/dead')).expect(404);
  await apiOn(source).get('/api/jobs/nowhere/records').expect(404);
});

test('ticks of before become records: each tick one, what was unticked a retraction, in their order', async () => {
  const url = new URL(process.env['TEST_DATABASE_URL'] ?? '');
  const name = `amber_before_${process.pid}`;
  await source.query(`CREATE DATABASE ${name}`);
  url.pathname = `/${name}`;
  const other = dataSourceOf(url.href);
  try {
    await other.initialize();
    await other.runMigrations();
    const runner = other.createQueryRunner();
    const migration = new Records1700000000007();
    await migration.down(runner);
    for (const [job, id, step, done] of [
      ['old', null, 'box/dead', 1],
      ['old', 'n1', 'box/dead', 1],
      ['old', 'n2', 'box/check', 1],
      ['old', 'n3', 'box/dead', 0],
      ['old', null, 'box/fit', 0],
      ['old', 'n4', 'box/plate', 1],
      ['new', 'n4', 'box/check', 1],
    ] as const)
      await runner.query('INSERT INTO ticks (job_id, tick_id, step, done, at) VALUES (?, ?, ?, ?, ?)', [
        ...[job, id, step, done, new Date(AT)],
      ]);
    await migration.up(runner);
    // What came to the table later.
    await runner.query("ALTER TABLE records ADD device varchar(60) NOT NULL DEFAULT ''");
    const read = async (job: string) => {
      const answer = await apiOn(other).get(`/api/jobs/${job}/records`);
      return CONTRACT.records.answer.parse(answer.body).records;
    };
    await apiOn(other)
      .post('/api/jobs')
      .send({ saveId: 'old', document: emptyJob('old') })
      .expect(201);
    await apiOn(other)
      .post('/api/jobs')
      .send({ saveId: 'new', document: emptyJob('new') })
      .expect(201);
    const old = await read('old');
    const state = tickStates(old, { id: 'wiring:planned', planned: true });
    // A tick that does not say what it saw holds whatever became of its fact.
    const of = (id: string) => state({ id, hash: HASH });
    expect([of('box/dead'), of('box/check'), of('box/fit'), of('box/plate')]).toEqual([
      ...['open', 'done', 'open', 'done'],
    ]);
    expect(old.filter((one) => one.kind === 'retraction').map((one) => one.retracts)).toEqual([
      'tick-1',
      'n1',
    ]);
    expect(old.every((one) => one.at === AT)).toBe(true);
    expect((await read('new')).map((one) => one.about.id)).toEqual(['box/check']);
    // And back: what is ticked still is.
    await migration.down(runner);
    const back = (await runner.query("SELECT step FROM ticks WHERE job_id = 'old' ORDER BY id")) as {
      step: string;
    }[];
    expect(back.map((one) => one.step)).toEqual(['box/check', 'box/plate']);
    await migration.up(runner);
    await runner.release();
  } finally {
    if (other.isInitialized) await other.destroy();
    await source.query(`DROP DATABASE ${name}`);
  }
}, 30_000);

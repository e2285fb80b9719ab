import { jest } from '@jest/globals';
import { newJob, standardStock, tickStates, type About, type JobId, type SiteRecord } from '@amber/core';
import { jobsApi } from '../src/server/api.js';
import { keptHere } from '../src/server/kept.js';
import { createStore, type Store } from '../src/store/store.js';
import { newsHeard, opened } from '../src/store/jobSlice.js';
import { recorded, recordsHere, retracted } from '../src/store/recordSlice.js';
import { fakeBrowser, openTab } from './support/browser.js';
import { fakeServer, pass, type Sent } from './support/server.js';

const HASH = '0123456789abcdef';
const document = newJob('j' as JobId, 'j', standardStock());

let sent: Sent<SiteRecord>[];
let store: Store;
const about = (id: string): About => ({ kind: 'fact', id, wiring: null, revision: 3, hash: HASH });
const tick = (fact: string) => store.dispatch(recorded('j', 'tick', about(fact))).payload.record;
const pending = () => store.getState().records.pending.map(({ record }) => record.about.id);
const posts = () => sent.filter((one) => one.method === 'POST');
const open = () => store.dispatch(opened({ stored: { revision: 1, document }, draft: null }));

beforeEach(() => {
  jest.useFakeTimers();
  fakeBrowser();
  sent = fakeServer();
  store = createStore();
});
afterEach(() => jest.useRealTimers());

test('records go one after the other, in the order in which they were made, and show at once', async () => {
  const first = tick('a');
  store.dispatch(retracted('j', first.id));
  tick('b');
  const here = recordsHere([], store.getState().records.pending, 'j');
  const state = tickStates(here, { id: 'w', planned: true });
  expect(['a', 'b'].map((id) => state({ id, hash: HASH }))).toEqual(['open', 'done']);
  expect(recordsHere([], store.getState().records.pending, 'another job')).toEqual([]);
  await pass(0);
  expect(sent).toHaveLength(1);
  expect(sent[0]).toMatchObject({ method: 'POST', path: '/api/jobs/j/records' });
  for (let i = 0; i < 3; i++) {
    sent[i]?.answer(201, { id: sent[i]?.body.id ?? '' });
    await pass(0);
  }
  expect(sent.map(({ body }) => [body.kind, body.about.id, body.retracts])).toEqual([
    ['tick', 'a', null],
    ['retraction', 'j', first.id],
    ['tick', 'b', null],
  ]);
  expect(pending()).toEqual([]);
  expect(keptHere('records', 'j')).toBeNull();
});

test('one whose answer was lost is kept and sent again under its own id', async () => {
  tick('a');
  await pass(0);
  sent[0]?.vanish();
  await pass(0);
  expect(store.getState().records.waiting).toBe(true);
  expect(keptHere('records', 'j')).toHaveLength(1);
  await pass(2000);
  expect(sent[1]?.body.id).toBe(sent[0]?.body.id);
  sent[1]?.answer(201, { id: sent[1].body.id });
  await pass(0);
  expect([pending(), store.getState().records.waiting]).toEqual([[], false]);
});

test.each([
  [
    'a database that is down',
    (one: Sent<SiteRecord>) => one.answer(503, { code: 'database-down', message: 'x', path: '' }),
  ],
  ['something else than the server', (one: Sent<SiteRecord>) => one.babble(502)],
])('%s is waited for', async (_name, fail) => {
  tick('a');
  await pass(0);
  if (sent[0]) fail(sent[0]);
  await pass(2000);
  expect(sent).toHaveLength(2);
  expect(pending()).toEqual(['a']);
});

test('one that the server refuses for good is told with its reason and not sent again', async () => {
  tick('a');
  await pass(0);
  sent[0]?.answer(404, { code: 'missing', message: 'There is no job "j".', path: 'id' });
  await pass(60_000);
  expect(sent).toHaveLength(1);
  expect(pending()).toEqual([]);
  expect(store.getState().notice.current?.text).toContain('The server refused: There is no job "j". (id)');
});

test('a device that was put out keeps what it has on record, and sends it when it is let in again', async () => {
  tick('a');
  await pass(0);
  sent[0]?.answer(401, { code: 'no-access', message: 'It was put out.', path: '' });
  await pass(0);
  expect([pending(), store.getState().notice.current]).toEqual([['a'], null]);
  await pass(2100);
  await pass(100);
  expect(sent).toHaveLength(2);
  sent[1]?.answer(201, { id: sent[1]?.body.id ?? '' });
  await pass(0);
  expect(pending()).toEqual([]);
});

test('what was acknowledged stands among the records that the list knows, once', async () => {
  const asked = store.dispatch(jobsApi.endpoints.records.initiate('j'));
  await pass(0);
  sent[0]?.answer(200, { records: [] });
  await pass(0);
  const record = tick('a');
  await pass(0);
  sent[1]?.answer(201, { id: record.id });
  await pass(0);
  expect((await asked).data).toEqual([]);
  expect(jobsApi.endpoints.records.select('j')(store.getState()).data).toEqual([record]);
  asked.unsubscribe();
});

describe('what the server tells of', () => {
  const made = (id: string): SiteRecord => ({
    ...{ id, kind: 'tick', version: 1, body: {}, retracts: null, by: 'JS', at: '2026-01-05T10:00:00.000Z' },
    about: about(id),
  });
  const tell = (records: number) =>
    store.dispatch(newsHeard({ id: 'j', news: { revision: 1, gone: false, records, others: [] } }));
  const known = () => {
    const { data } = jobsApi.endpoints.records.select('j')(store.getState());
    const here = recordsHere(data ?? [], store.getState().records.pending, 'j');
    return here.map(({ id }) => id);
  };
  const gets = () => sent.filter((one) => one.method === 'GET');

  test('is asked for, and an answer from before something was put on record here does not take it away', async () => {
    const asked = store.dispatch(jobsApi.endpoints.records.initiate('j'));
    await pass(0);
    gets()[0]?.answer(200, { records: [] });
    await pass(0);
    tell(1);
    await pass(0);
    expect(gets()).toHaveLength(2);
    const { id } = tick('a');
    await pass(0);
    posts()[0]?.answer(201, { id });
    await pass(0);
    gets()[1]?.answer(200, { records: [made('theirs')] });
    await pass(0);
    expect(known()).toEqual(['theirs', id]);
    asked.unsubscribe();
  });

  test('while it is asked for is asked for again, in the order in which the server has it', async () => {
    const asked = store.dispatch(jobsApi.endpoints.records.initiate('j'));
    await pass(0);
    tell(1);
    await pass(0);
    tell(2);
    await pass(0);
    // The page's own question is waited for, and may be as old as it.
    expect(gets()).toHaveLength(1);
    gets()[0]?.answer(200, { records: [] });
    await pass(0);
    tell(3);
    await pass(0);
    expect(gets()).toHaveLength(2);
    gets()[1]?.answer(200, { records: [made('a'), made('c')] });
    await pass(0);
    expect(gets()).toHaveLength(3);
    gets()[2]?.answer(200, { records: [made('a'), made('b'), made('c')] });
    await pass(0);
    expect(known()).toEqual(['a', 'b', 'c']);
    tell(3);
    await pass(0);
    expect(gets()).toHaveLength(3);
    asked.unsubscribe();
  });

  test('and could not be had is asked for when the server tells it again', async () => {
    tell(2);
    await pass(0);
    gets()[0]?.vanish();
    await pass(0);
    tell(2);
    await pass(0);
    gets()[1]?.answer(200, { records: [made('a'), made('b')] });
    await pass(0);
    expect(gets()).toHaveLength(2);
  });
});

test('what a closed tab left behind is sent when the job is opened again, in this tab or another', async () => {
  tick('a');
  await pass(0);
  sent[0]?.vanish();
  openTab('second', { gone: ['first'] });
  store = createStore();
  open();
  await pass(0);
  expect(posts().map((one) => one.body.id)).toEqual([sent[0]?.body.id, sent[0]?.body.id]);
  sent[1]?.answer(201, { id: sent[1].body.id });
  await pass(0);
  expect(pending()).toEqual([]);
  expect(localStorage.length).toBe(0);
});

describe('ticks that a page of before left behind', () => {
  const left = (ticks: unknown[]) =>
    localStorage.setItem('amber-junction.ticks.j.gone', JSON.stringify(ticks));
  const kept: SiteRecord = {
    ...{
      id: 'kept',
      kind: 'tick',
      version: 1,
      body: {},
      retracts: null,
      by: '',
      at: '2026-01-05T10:00:00.000Z',
    },
    about: { kind: 'fact', id: 'box/check', wiring: null, revision: null, hash: null },
  };

  test('become records as soon as the server says what is on record', async () => {
    left([
      { id: 'o1', job: 'j', step: 'box/dead', done: true },
      { id: 'o2', job: 'j', step: 'box/check', done: false },
      { id: 'o3', job: 'j', step: 'box/dead', done: false },
      { id: 'o4', job: 'j', step: 'box/plate', done: true },
      'nonsense',
    ]);
    open();
    await pass(0);
    expect(sent.map((one) => [one.method, one.path])).toEqual([['GET', '/api/jobs/j/records']]);
    sent[0]?.answer(200, { records: [kept] });
    await pass(0);
    const made = store
      .getState()
      .records.pending.map(({ record }) => [record.id, record.kind, record.retracts]);
    expect(made).toEqual([
      ['o1', 'tick', null],
      ['o2', 'retraction', 'kept'],
      ['o3', 'retraction', 'o1'],
      ['o4', 'tick', null],
    ]);
    expect(localStorage.getItem('amber-junction.ticks.j.gone')).toBeNull();
  });

  test('stay where they are while the server does not answer', async () => {
    left([{ id: 'o1', job: 'j', step: 'box/dead', done: true }]);
    open();
    await pass(0);
    sent[0]?.vanish();
    await pass(60_000);
    expect(localStorage.getItem('amber-junction.ticks.j.gone')).toContain('o1');
    expect(pending()).toEqual([]);
  });
});

import { jest } from '@jest/globals';
import { newJob, standardStock, type Job, type JobId } from '@amber/core';
import { createStore, type Store } from '../src/app/store.js';
import { closed, edited, keptMine, opened } from '../src/editing/jobSlice.js';
import { findDraft } from '../src/editing/keptDraft.js';

const STOCK = standardStock();
const job = (name: string): Job => newJob('j' as JobId, name, STOCK);

/** A server that answers when it is told to. */
const fakeServer = () => {
  const sent: {
    parent: number;
    saveId: string;
    name: string;
    answer: (status: number, body: object) => void;
    vanish: () => void;
  }[] = [];
  globalThis.fetch = ((_path: string, init: { body: string }) =>
    new Promise((resolve, reject) => {
      const { parent, saveId, document } = JSON.parse(init.body) as {
        parent: number;
        saveId: string;
        document: Job;
      };
      sent.push({
        parent,
        saveId,
        name: document.name,
        answer: (status, body) => resolve({ ok: status < 400, status, json: () => Promise.resolve(body) }),
        vanish: () => reject(new TypeError('network')),
      });
    })) as unknown as typeof fetch;
  return sent;
};

/** The parts of a browser that keeping a draft needs. */
const fakeBrowser = () => {
  const kept = new Map<string, string>();
  globalThis.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  } as unknown as Storage;
  globalThis.addEventListener = (() => undefined) as typeof addEventListener;
};

const REST = 1500;
const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);
const saveOf = (store: Store) => store.getState().job.open?.save.kind;

let store: Store;
let sent: ReturnType<typeof fakeServer>;

beforeEach(() => {
  jest.useFakeTimers();
  fakeBrowser();
  sent = fakeServer();
  store = createStore();
  store.dispatch(opened({ stored: { revision: 1, document: job('a') }, draft: null }));
});
afterEach(() => jest.useRealTimers());

const type = (name: string) => store.dispatch(edited(job(name), 'name'));

test('typing is kept in the browser at once and saved once after a rest', async () => {
  type('b');
  await pass(1000);
  type('bc');
  expect(findDraft('j')?.document.name).toBe('bc');
  await pass(1000);
  expect(sent).toHaveLength(0);
  await pass(REST);
  expect(sent.map((one) => [one.name, one.parent])).toEqual([['bc', 1]]);
  sent[0]?.answer(200, { revision: 2 });
  await pass(0);
  expect(saveOf(store)).toBe('saved');
  expect(findDraft('j')).toBeNull();
});

test('what is typed during a slow save waits for its answer and goes on top of it', async () => {
  type('b');
  await pass(REST);
  type('bc');
  await pass(10_000);
  expect(sent).toHaveLength(1);
  sent[0]?.answer(200, { revision: 2 });
  await pass(2 * REST);
  expect(sent.map((one) => [one.name, one.parent])).toEqual([
    ['b', 1],
    ['bc', 2],
  ]);
  sent[1]?.answer(200, { revision: 3 });
  await pass(0);
  expect(saveOf(store)).toBe('saved');
});

test('a lost connection keeps the job and tries again under the same save id', async () => {
  type('b');
  await pass(REST);
  sent[0]?.vanish();
  await pass(0);
  expect(saveOf(store)).toBe('offline');
  expect(findDraft('j')?.document.name).toBe('b');
  await pass(2000);
  expect(sent).toHaveLength(2);
  expect(sent[1]?.saveId).toBe(sent[0]?.saveId);
  sent[1]?.answer(200, { revision: 2 });
  await pass(0);
  expect(saveOf(store)).toBe('saved');
});

test('a conflict waits for the user, however much is typed; mine on top goes over the newer revision', async () => {
  type('b');
  await pass(REST);
  const current = { revision: 5, document: job('theirs') };
  sent[0]?.answer(409, { code: 'newer-revision', message: 'newer', path: 'parent', current });
  await pass(0);
  expect(saveOf(store)).toBe('conflict');
  type('bc');
  await pass(60_000);
  expect(sent).toHaveLength(1);
  store.dispatch(keptMine());
  await pass(REST);
  expect(sent.slice(1).map((one) => [one.name, one.parent])).toEqual([['bc', 5]]);
});

test('a refused job is told and not sent again until it changes', async () => {
  type('b');
  await pass(REST);
  sent[0]?.answer(422, { code: 'bad-job', message: 'too long', path: 'document.name' });
  await pass(60_000);
  expect(store.getState().job.open?.save).toEqual({ kind: 'refused', message: 'document.name: too long' });
  expect(sent).toHaveLength(1);
  type('c');
  await pass(REST);
  expect(sent).toHaveLength(2);
});

test('leaving a job saves it at once', async () => {
  type('b');
  store.dispatch(closed());
  await pass(0);
  expect(sent.map((one) => one.name)).toEqual(['b']);
  sent[0]?.answer(200, { revision: 2 });
  await pass(0);
  expect(findDraft('j')).toBeNull();
});

test('a browser without room says so once the server is away too', async () => {
  globalThis.localStorage.setItem = () => {
    throw new Error('QuotaExceeded');
  };
  type('b');
  await pass(REST);
  sent[0]?.vanish();
  await pass(0);
  expect(store.getState().job.open).toMatchObject({ save: { kind: 'offline' }, held: false });
});

import { jest } from '@jest/globals';
import { newJob, standardStock, type Job, type JobId } from '@amber/core';
import { createStore, type Store } from '../src/store/store.js';
import { broughtBack, closed, edited, keptMine, opened } from '../src/store/jobSlice.js';
import { fakeBrowser, openTab } from './support/browser.js';
import { fakeServer, pass, type Sent } from './support/server.js';
import { findDraft } from '../src/store/keptDraft.js';
import { saySave } from '../src/store/saySave.js';

const STOCK = standardStock();
const job = (name: string): Job => newJob('j' as JobId, name, STOCK);

const REST = 1500;
const saveOf = (store: Store) => store.getState().job.open?.save.kind;

let store: Store;
interface Save {
  parent: number;
  saveId: string;
  document: Job;
}
let requests: Sent<Save>[];
/** The saves as they came, each with its state by name. */
const saves = () =>
  requests
    .filter(({ method }) => method === 'PUT')
    .map((one) => ({ ...one, ...one.body, name: one.body.document.name }));
/** Those from one on: the state that was sent, and the revision that it was to follow. */
const sent = (from = 0) =>
  saves()
    .slice(from)
    .map((one) => [one.name, one.parent]);

beforeEach(() => {
  jest.useFakeTimers();
  fakeBrowser();
  requests = fakeServer<Save>();
  store = createStore();
  store.dispatch(opened({ stored: { revision: 1, document: job('a') }, draft: null }));
});
afterEach(() => jest.useRealTimers());

const type = (name: string) => store.dispatch(edited(job(name), 'name'));

/** The server has the newest state: the answer to the nth save settles it, and nothing is kept in the browser any more. */
const settledBy = async (nth: number, revision: number) => {
  saves()[nth]?.answer(200, { id: 'j', revision });
  await pass(0);
  expect(saveOf(store)).toBe('saved');
  expect(await findDraft('j')).toBeNull();
};

test('typing is kept in the browser at once and saved once after a rest', async () => {
  type('b');
  await pass(1000);
  type('bc');
  expect((await findDraft('j'))?.document.name).toBe('bc');
  await pass(1000);
  expect(saves()).toHaveLength(0);
  await pass(REST);
  expect(sent()).toEqual([['bc', 1]]);
  await settledBy(0, 2);
});

test('what is typed during a slow save waits for its answer and goes on top of it', async () => {
  type('b');
  await pass(REST);
  type('bc');
  await pass(10_000);
  expect(saves()).toHaveLength(1);
  saves()[0]?.answer(200, { id: 'j', revision: 2 });
  await pass(2 * REST);
  expect(sent()).toEqual([
    ['b', 1],
    ['bc', 2],
  ]);
  saves()[1]?.answer(200, { id: 'j', revision: 3 });
  await pass(0);
  expect(saveOf(store)).toBe('saved');
});

test('a lost connection keeps the job and tries again under the same save id', async () => {
  type('b');
  await pass(REST);
  saves()[0]?.vanish();
  await pass(0);
  expect(saveOf(store)).toBe('offline');
  expect((await findDraft('j'))?.document.name).toBe('b');
  await pass(2000);
  expect(saves()).toHaveLength(2);
  expect(saves()[1]?.saveId).toBe(saves()[0]?.saveId);
  saves()[1]?.answer(200, { id: 'j', revision: 2 });
  await pass(0);
  expect(saveOf(store)).toBe('saved');
});

test.each([
  [503, 'database-down', /^The database does not answer: kept here, sent when it does$/],
  [507, 'disk-full', /^The disk of the server is full: kept here, sent when there is room$/],
  [500, 'internal', /^The server met a fault: kept here, sent again by itself$/],
])(
  'answered %i, %s, it says which it is, keeps the job and sends it again by itself',
  async (status, code, words) => {
    type('b');
    await pass(REST);
    saves()[0]?.answer(status, { code, message: 'away', path: '' });
    await pass(0);
    const { save } = store.getState().job.open ?? {};
    expect(save && saySave(save, true)).toMatch(words);
    expect((await findDraft('j'))?.document.name).toBe('b');
    await pass(2000);
    expect(saves()[1]?.saveId).toBe(saves()[0]?.saveId);
    saves()[1]?.answer(200, { id: 'j', revision: 2 });
    await pass(0);
    expect(saveOf(store)).toBe('saved');
  },
);

test('a conflict waits for the user, however much is typed; mine on top goes over the newer revision', async () => {
  type('b');
  await pass(REST);
  const current = { revision: 5, document: job('theirs') };
  saves()[0]?.answer(409, { code: 'newer-revision', message: 'newer', path: 'parent', current });
  await pass(0);
  expect(saveOf(store)).toBe('conflict');
  type('bc');
  await pass(60_000);
  expect(saves()).toHaveLength(1);
  store.dispatch(keptMine());
  await pass(REST);
  expect(sent(1)).toEqual([['bc', 5]]);
});

test('what somebody else saved and what was changed here are put together where they do not touch, and saved on top', async () => {
  store.dispatch(edited({ ...job('a'), existingEdition: 2008 }, 'edition'));
  await pass(REST);
  const current = { revision: 5, document: job('theirs') };
  saves()[0]?.answer(409, { code: 'newer-revision', message: 'newer', path: 'parent', current });
  await pass(0);
  // What both grew from is asked of the server.
  const base = requests.find(({ method }) => method === 'GET');
  expect(base?.path).toBe('/api/jobs/j/revisions/1');
  base?.answer(200, { revision: 1, document: job('a') });
  await pass(0);
  expect(store.getState().job.open).toMatchObject({
    document: { name: 'theirs', existingEdition: 2008 },
    parent: 5,
    save: { kind: 'unsaved' },
  });
  expect(store.getState().notice.current?.text).toMatch(/are both in it/);
  await pass(REST);
  expect(sent(1)).toEqual([['theirs', 5]]);
});

test('where both changed the same the user decides, with both before their eyes', async () => {
  type('mine');
  await pass(REST);
  const current = { revision: 5, document: job('theirs') };
  saves()[0]?.answer(409, { code: 'newer-revision', message: 'newer', path: 'parent', current });
  await pass(0);
  requests.find(({ method }) => method === 'GET')?.answer(200, { revision: 1, document: job('a') });
  await pass(0);
  expect(store.getState().job.open).toMatchObject({
    document: { name: 'mine' },
    save: {
      kind: 'conflict',
      clashes: [{ mine: ['The job: name from a to mine'], theirs: ['The job: name from a to theirs'] }],
    },
  });
  await pass(60_000);
  expect(saves()).toHaveLength(1);
});

test('a job that was deleted elsewhere is kept here, not sent again, and saved once it is there again', async () => {
  type('b');
  await pass(REST);
  saves()[0]?.answer(404, { code: 'missing', message: 'There is no job "j".', path: 'id' });
  await pass(0);
  expect(saveOf(store)).toBe('gone');
  type('bc');
  await pass(60_000);
  expect(saves()).toHaveLength(1);
  expect((await findDraft('j'))?.document.name).toBe('bc');
  store.dispatch(broughtBack());
  await pass(REST);
  expect(sent(1)).toEqual([['bc', 1]]);
});

test('a refused job is told and not sent again until it changes', async () => {
  type('b');
  await pass(REST);
  saves()[0]?.answer(422, { code: 'bad-job', message: 'too long', path: 'document.name' });
  await pass(60_000);
  expect(store.getState().job.open?.save).toEqual({
    kind: 'refused',
    message: 'The server refused: too long (document.name)',
  });
  expect(saves()).toHaveLength(1);
  type('c');
  await pass(REST);
  expect(saves()).toHaveLength(2);
});

test('leaving a job saves it at once', async () => {
  type('b');
  store.dispatch(closed());
  await pass(0);
  expect(saves().map((one) => one.name)).toEqual(['b']);
  saves()[0]?.answer(200, { id: 'j', revision: 2 });
  await pass(0);
  expect(await findDraft('j')).toBeNull();
});

test('a browser without room says so once the server is away too', async () => {
  globalThis.localStorage.setItem = () => {
    throw new Error('QuotaExceeded');
  };
  type('b');
  await pass(REST);
  saves()[0]?.vanish();
  await pass(0);
  expect(store.getState().job.open).toMatchObject({ save: { kind: 'offline' }, held: false });
});

describe('a save whose answer was lost', () => {
  const reopened = async (revision: number, name: string) => {
    store = createStore();
    store.dispatch(opened({ stored: { revision, document: job(name) }, draft: await findDraft('j') }));
  };

  test('is sent again under its own id and parent before anything newer, and nobody else saved', async () => {
    type('b');
    await pass(REST);
    saves()[0]?.vanish();
    await pass(0);
    type('bc');
    await pass(REST);
    expect(sent()).toEqual([
      ['b', 1],
      ['b', 1],
    ]);
    expect(saves()[1]?.saveId).toBe(saves()[0]?.saveId);
    // It had arrived: the server answers it the same again, and the newer state goes on top.
    saves()[1]?.answer(200, { id: 'j', revision: 2 });
    await pass(2 * REST);
    expect(sent(2)).toEqual([['bc', 2]]);
    await settledBy(2, 3);
  });

  test('is sent again when the tab was closed during it, and typing goes on', async () => {
    type('b');
    await pass(REST);
    // The tab is gone before the answer; the server had it, and shows revision 2.
    await reopened(2, 'b');
    expect(saveOf(store)).toBe('unsaved');
    type('bc');
    await pass(REST);
    expect(
      saves()
        .slice(1)
        .map((one) => [one.name, one.parent, one.saveId]),
    ).toEqual([['b', 1, saves()[0]?.saveId]]);
    saves()[1]?.answer(200, { id: 'j', revision: 2 });
    await pass(2 * REST);
    expect(sent(2)).toEqual([['bc', 2]]);
    saves()[2]?.answer(200, { id: 'j', revision: 3 });
    await pass(0);
    expect(saveOf(store)).toBe('saved');
  });

  test('is sent again after leaving to the list and coming back', async () => {
    type('b');
    store.dispatch(closed());
    await pass(0);
    expect(saves().map((one) => one.name)).toEqual(['b']);
    const draft = await findDraft('j');
    expect(draft?.sent?.saveId).toBe(saves()[0]?.saveId);
    store.dispatch(opened({ stored: { revision: 1, document: job('a') }, draft }));
    saves()[0]?.vanish();
    await pass(0);
    await pass(REST);
    expect(
      saves()
        .slice(1)
        .map((one) => [one.name, one.parent, one.saveId]),
    ).toEqual([['b', 1, saves()[0]?.saveId]]);
    await settledBy(1, 2);
  });

  test('left unanswered, what is newer follows it once the job is left', async () => {
    type('b');
    await pass(REST);
    saves()[0]?.vanish();
    await pass(0);
    type('bc');
    store.dispatch(closed());
    await pass(0);
    expect(
      saves()
        .slice(1)
        .map((one) => one.name),
    ).toEqual(['b']);
    saves()[1]?.answer(200, { id: 'j', revision: 2 });
    await pass(0);
    expect(sent(2)).toEqual([['bc', 2]]);
    saves()[2]?.answer(200, { id: 'j', revision: 3 });
    await pass(0);
    expect(await findDraft('j')).toBeNull();
  });

  test('that somebody else really overtook is a conflict, and nothing is dropped', async () => {
    type('b');
    await pass(REST);
    saves()[0]?.vanish();
    await pass(2000);
    const current = { revision: 4, document: job('theirs') };
    saves()[1]?.answer(409, { code: 'newer-revision', message: 'newer', path: 'parent', current });
    await pass(0);
    expect(saveOf(store)).toBe('conflict');
    expect((await findDraft('j'))?.document.name).toBe('b');
  });
});

describe('two tabs on one job', () => {
  test('hold each their own draft, and the save of one leaves that of the other', async () => {
    openTab('one');
    type('mine');
    openTab('two');
    const other = createStore();
    other.dispatch(opened({ stored: { revision: 1, document: job('a') }, draft: await findDraft('j') }));
    expect(other.getState().job.open?.document.name).toBe('a');
    other.dispatch(edited(job('theirs'), 'name'));
    await pass(REST);
    saves()
      .find((one) => one.name === 'theirs')
      ?.answer(200, { id: 'j', revision: 2 });
    await pass(0);
    expect(await findDraft('j')).toBeNull();
    openTab('one');
    expect((await findDraft('j'))?.document.name).toBe('mine');
  });

  test('a tab that is gone leaves its draft to the next one that opens the job', async () => {
    openTab('one');
    type('mine');
    openTab('two', { gone: ['one'] });
    expect((await findDraft('j'))?.document.name).toBe('mine');
    openTab('three', { gone: ['one'] });
    expect(await findDraft('j')).toBeNull();
  });
});

import { jest } from '@jest/globals';
import { newJob, standardStock, type Job, type JobNews } from '@amber/core';
import { sayOthers } from '../src/shell/bar/Others.js';
import { edited, newsHeard, opened, undone } from '../src/store/jobSlice.js';
import { createStore } from '../src/store/store.js';
import { fakeServer, pass, type Sent } from './support/server.js';

const NEWS: JobNews = { revision: 1, gone: false, records: 0, others: [] };
const job = (name: string): Job => newJob('yard' as Job['id'], name, standardStock());

let sent: Sent<{ document?: Job }>[];
let store: ReturnType<typeof createStore>;
const open = () => store.getState().job.open;
const hear = (news: Partial<JobNews>) =>
  store.dispatch(newsHeard({ id: 'yard', news: { ...NEWS, ...news } }));

beforeEach(() => {
  jest.useFakeTimers();
  sent = fakeServer();
  store = createStore();
  store.dispatch(opened({ stored: { revision: 1, document: job('As it was') }, draft: null }));
});
afterEach(() => {
  jest.useRealTimers();
  document.body.replaceChildren();
});

test('what was saved elsewhere comes in by itself, and undo has it out again', async () => {
  hear({ revision: 2 });
  await pass(10);
  expect(sent.map(({ method, path }) => [method, path])).toEqual([['GET', '/api/jobs/yard']]);
  sent[0]?.answer(200, { revision: 2, document: job('Saved there') });
  await pass(10);
  expect(open()).toMatchObject({ parent: 2, document: { name: 'Saved there' }, save: { kind: 'saved' } });
  // Whoever works by what was shown is told what is otherwise now, until they have read it.
  expect(store.getState().notice.current).toMatchObject({
    tone: 'problem',
    text: expect.stringMatching(
      /Look again before you work on\.\nThe job: name from As it was to Saved there/,
    ) as string,
  });
  store.dispatch(undone());
  expect(open()?.document.name).toBe('As it was');
});

test('it waits while somebody types, and what was changed meanwhile is put together with it', async () => {
  const field = document.createElement('input');
  document.body.append(field);
  field.focus();
  hear({ revision: 2 });
  await pass(5000);
  expect(sent).toEqual([]);
  store.dispatch(edited({ ...job('As it was'), edition: 2020 }, 'code edition'));
  await pass(1600);
  expect(sent.at(-1)).toMatchObject({ method: 'PUT', path: '/api/jobs/yard' });
  sent.at(-1)?.answer(409, {
    ...{ code: 'newer-revision', message: 'Saved elsewhere.', path: 'parent' },
    current: { revision: 2, document: job('Saved there') },
  });
  await pass(10);
  sent.at(-1)?.answer(200, { revision: 1, document: job('As it was') });
  await pass(2000);
  expect(open()?.document).toMatchObject({ name: 'Saved there', edition: 2020 });
  expect(sent.at(-1)).toMatchObject({ method: 'PUT', body: { parent: 2 } });
});

test('its own save is nothing new, also where it is told before it is answered', async () => {
  store.dispatch(edited(job('Typed here'), 'name'));
  await pass(1600);
  hear({ revision: 2 });
  await pass(100);
  sent[0]?.answer(200, { id: 'yard', revision: 2 });
  await pass(5000);
  expect(sent.filter(({ method, path }) => method === 'GET' && path === '/api/jobs/yard')).toEqual([]);
  expect(open()).toMatchObject({ parent: 2, document: { name: 'Typed here' } });
});

test('a job that is deleted elsewhere is told at once, and so is one that comes back', () => {
  hear({ gone: true });
  expect(open()?.save).toEqual({ kind: 'gone' });
  hear({ gone: false });
  expect(open()?.save).toEqual({ kind: 'unsaved' });
  // News of another job say nothing of this one.
  store.dispatch(newsHeard({ id: 'other', news: { ...NEWS, gone: true } }));
  expect(open()?.save).toEqual({ kind: 'unsaved' });
});

test.each([
  [[['x', 'AB']], 'AB'],
  [[['x', '']], 'somebody'],
  [[['here', 'CD']], 'another tab'],
  [
    [
      ['x', 'AB'],
      ['y', ''],
      ['z', ''],
      ['here', ''],
      ['here', ''],
      ['w', 'AB'],
    ],
    'AB, 2 others, 2 other tabs',
  ],
] as const)('who else has it open: %j is said as %s', (others, words) => {
  expect(
    sayOthers(
      others.map(([browser, called], i) => ({ editor: String(i), browser, called })),
      'here',
    ),
  ).toBe(words);
});

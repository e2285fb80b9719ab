import { jest } from '@jest/globals';
import { newJob, standardStock, type JobId } from '@amber/core';
import { createStore, type Store } from '../src/store/store.js';
import { keptHere } from '../src/server/kept.js';
import { opened } from '../src/store/jobSlice.js';
import { ticked, tickedSteps } from '../src/store/tickSlice.js';
import { fakeBrowser, openTab } from './support/browser.js';

interface Sent {
  id: string;
  step: string;
  done: boolean;
  answer: (status: number, body?: object) => void;
  vanish: () => void;
}

let sent: Sent[];
let store: Store;
const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);
const tick = (step: string, done = true) => store.dispatch(ticked({ job: 'j', step, done }));
const pending = () => store.getState().ticks.pending.map((one) => [one.step, one.done]);

beforeEach(() => {
  jest.useFakeTimers();
  fakeBrowser();
  sent = [];
  globalThis.fetch = ((_path: string, init: { body: string }) =>
    new Promise((resolve, reject) => {
      sent.push({
        ...(JSON.parse(init.body) as { id: string; step: string; done: boolean }),
        answer: (status, body = {}) =>
          resolve({ ok: status < 400, status, json: () => Promise.resolve(body) }),
        vanish: () => reject(new TypeError('network')),
      });
    })) as unknown as typeof fetch;
  store = createStore();
});
afterEach(() => jest.useRealTimers());

test('ticks go one after the other, in the order in which they were made, and show at once', async () => {
  tick('a');
  tick('a', false);
  tick('b');
  expect([...tickedSteps(['x'], store.getState().ticks.pending, 'j')]).toEqual(['x', 'b']);
  expect([...tickedSteps([], store.getState().ticks.pending, 'another job')]).toEqual([]);
  await pass(0);
  expect(sent).toHaveLength(1);
  for (let i = 0; i < 3; i++) {
    sent[i]?.answer(201);
    await pass(0);
  }
  expect(sent.map(({ step, done }) => [step, done])).toEqual([
    ['a', true],
    ['a', false],
    ['b', true],
  ]);
  expect(pending()).toEqual([]);
  expect(keptHere('ticks', 'j')).toBeNull();
});

test('one whose answer was lost is kept and sent again under its own id', async () => {
  tick('a');
  await pass(0);
  sent[0]?.vanish();
  await pass(0);
  expect(store.getState().ticks.waiting).toBe(true);
  expect(keptHere('ticks', 'j')).toHaveLength(1);
  await pass(2000);
  expect(sent.map((one) => one.id)).toEqual([sent[0]?.id, sent[0]?.id]);
  sent[1]?.answer(201);
  await pass(0);
  expect([pending(), store.getState().ticks.waiting]).toEqual([[], false]);
});

test('one that the server refuses for good is told and not sent again', async () => {
  tick('a');
  await pass(0);
  sent[0]?.answer(404, { code: 'missing', message: 'There is no job "j".', path: 'id' });
  await pass(60_000);
  expect(sent).toHaveLength(1);
  expect(pending()).toEqual([]);
  expect(JSON.stringify(store.getState().notice)).toContain('There is no job');
});

test('what a closed tab left behind is sent when the job is opened again, in this tab or another', async () => {
  tick('a');
  await pass(0);
  sent[0]?.vanish();
  openTab('second', { gone: ['first'] });
  store = createStore();
  const document = newJob('j' as JobId, 'j', standardStock());
  store.dispatch(opened({ stored: { revision: 1, document }, draft: null }));
  await pass(0);
  expect(sent.map((one) => one.id)).toEqual([sent[0]?.id, sent[0]?.id]);
  sent[1]?.answer(201);
  await pass(0);
  expect(pending()).toEqual([]);
  expect(localStorage.length).toBe(0);
});

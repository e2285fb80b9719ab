import { jest } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { Finding, Job } from '@amber/core';
import { useRemedies } from '../src/worker/useRemedies.js';
import { useAsked, useWork, type Ask } from '../src/worker/useWork.js';

/** A worker that never answers by itself; how many live, and how many were ended. */
let living = 0;
let ended = 0;
beforeEach(() => {
  [living, ended] = [0, 0];
  globalThis.Worker = class {
    readonly #listeners: ((event: { message: string }) => void)[] = [];
    constructor() {
      living += 1;
      workers.push(this);
    }
    postMessage() {}
    addEventListener(kind: string, listener: (event: { message: string }) => void) {
      if (kind === 'error') this.#listeners.push(listener);
    }
    removeEventListener() {}
    terminate() {
      ended += 1;
    }
    fail(message: string) {
      for (const listener of this.#listeners) listener({ message });
    }
  } as never;
});
let workers: { fail: (message: string) => void }[] = [];
beforeEach(() => {
  workers = [];
});

interface Waiting {
  question: string;
  tell: (soFar: string) => void;
  answer: (answer: string) => void;
  fail: (error: Error) => void;
}

/** Something to ask whose answers come when they are told to. */
const asking = () => {
  const waiting: Waiting[] = [];
  const ask: Ask<string> = (_planner, question, tell) =>
    new Promise((answer, fail) => void waiting.push({ question, tell, answer, fail }));
  return { ask, waiting };
};
const settled = () => act(async () => await Promise.resolve());

test('what is known after each step stands until the answer comes, and the worker is ended with it', async () => {
  const { ask, waiting } = asking();
  const { result } = renderHook(() => useWork('one', ask));
  expect(result.current.work).toEqual({ kind: 'working', soFar: null });
  act(() => waiting[0]?.tell('half'));
  expect(result.current.work).toEqual({ kind: 'working', soFar: 'half' });
  waiting[0]?.answer('whole');
  await settled();
  expect(result.current.work).toEqual({ kind: 'done', answer: 'whole' });
  expect(ended).toBe(1);
});

test('what is told in quick succession is shown with the next that is, and nothing of it is lost when it is stopped', async () => {
  const { ask, waiting } = asking();
  const { result } = renderHook(() => useWork('one', ask));
  act(() => waiting[0]?.tell('first'));
  act(() => {
    waiting[0]?.tell('second');
    waiting[0]?.tell('third');
  });
  expect(result.current.work).toEqual({ kind: 'working', soFar: 'first' });
  await waitFor(() => expect(result.current.work).toEqual({ kind: 'working', soFar: 'third' }));
  act(() => waiting[0]?.tell('fourth'));
  act(() => result.current.stop());
  expect(result.current.work).toEqual({ kind: 'stopped', soFar: 'fourth' });
});

test('an answer to what was asked before is never taken for one to what is asked now', async () => {
  const { ask, waiting } = asking();
  const { result, rerender } = renderHook(({ question }) => useAsked(question, ask), {
    initialProps: { question: 'one' },
  });
  rerender({ question: 'two' });
  expect(ended).toBe(1);
  act(() => waiting[0]?.tell('stale'));
  waiting[0]?.answer('stale');
  await settled();
  expect(result.current).toEqual({ kind: 'asking' });
  waiting[1]?.answer('fresh');
  await settled();
  expect(result.current).toEqual({ kind: 'known', answer: 'fresh' });
  // Not even for a moment after the question changes again.
  rerender({ question: 'three' });
  expect(result.current).toEqual({ kind: 'asking' });
});

test('while the next is worked out, what was known last still stands beside it', async () => {
  const { ask, waiting } = asking();
  const { result, rerender } = renderHook(({ question }) => useWork(question, ask), {
    initialProps: { question: 'one' },
  });
  waiting[0]?.answer('first');
  await settled();
  rerender({ question: 'two' });
  expect(result.current.work).toEqual({ kind: 'working', soFar: 'first' });
});

test('coming back to the last question costs nothing', async () => {
  const { ask, waiting } = asking();
  const first = renderHook(() => useWork('one', ask));
  waiting[0]?.answer('whole');
  await settled();
  first.unmount();
  const { result } = renderHook(() => useWork('one', ask));
  expect(result.current.work).toEqual({ kind: 'done', answer: 'whole' });
  expect(waiting).toHaveLength(1);
});

test('it can be stopped with what is known, and asked again', async () => {
  const { ask, waiting } = asking();
  const { result } = renderHook(() => useWork('one', ask));
  act(() => waiting[0]?.tell('half'));
  act(() => result.current.stop());
  expect(result.current.work).toEqual({ kind: 'stopped', soFar: 'half' });
  expect(ended).toBe(1);
  waiting[0]?.answer('too late');
  await settled();
  expect(result.current.work).toEqual({ kind: 'stopped', soFar: 'half' });
  act(() => result.current.again());
  waiting[1]?.answer('whole');
  await settled();
  expect(result.current.work).toEqual({ kind: 'done', answer: 'whole' });
});

test('what fails is told with its reason, whether the work or the worker failed', async () => {
  const one = asking();
  const first = renderHook(() => useAsked('one', one.ask));
  one.waiting[0]?.fail(new Error('no way'));
  await settled();
  expect(first.result.current).toEqual({ kind: 'failed', message: 'no way' });
  const two = asking();
  const second = renderHook(() => useAsked('two', two.ask));
  act(() => workers.forEach((worker) => worker.fail('the worker did not load')));
  expect(second.result.current).toEqual({ kind: 'failed', message: 'the worker did not load' });
});

test('whoever is gone leaves no worker behind, and no question needs none', () => {
  const { ask } = asking();
  const { unmount } = renderHook(() => useWork('one', ask));
  const before = ended;
  unmount();
  expect(ended).toBe(before + 1);
  const made = living;
  expect(renderHook(() => useAsked(null, ask)).result.current).toBeNull();
  expect(living).toBe(made);
});

describe('remedies', () => {
  const finding = (rule: string, severity: Finding['severity'] = 'violation') =>
    ({ rule, severity, at: { box: 'b' }, questions: [] }) as unknown as Finding;
  const job = { id: 'j' } as Job;

  test('are looked for once the user rests, not at every keystroke', () => {
    jest.useFakeTimers();
    const { rerender } = renderHook(({ of }) => useRemedies(of, found), { initialProps: { of: job } });
    const made = living;
    for (let i = 0; i < 10; i++) {
      act(() => jest.advanceTimersByTime(100));
      rerender({ of: { ...job } });
    }
    expect(living).toBe(made);
    act(() => jest.advanceTimersByTime(300));
    expect(living).toBeGreaterThan(made);
    jest.useRealTimers();
  });
  const found = [finding('a'), finding('b', 'caution')];

  test('are none where there is nothing to try, or where nothing may be changed', () => {
    jest.useFakeTimers();
    const made = living;
    const none: Finding[] = [finding('c', 'verify')];
    const first = renderHook(() => useRemedies(job, none));
    const second = renderHook(() => useRemedies(null, found));
    act(() => jest.advanceTimersByTime(1000));
    expect([first.result.current.size, second.result.current.size, living]).toEqual([0, 0, made]);
    jest.useRealTimers();
  });
});

import { whileIdle } from '../src/parts/whileIdle.js';

/** A browser that calls back when it is told to, with no time left each time. */
let waiting: IdleRequestCallback[];
beforeEach(() => {
  waiting = [];
  Object.assign(globalThis, {
    requestIdleCallback: (further: IdleRequestCallback) => waiting.push(further),
    cancelIdleCallback: () => (waiting = []),
  });
});
afterEach(() => {
  for (const name of ['requestIdleCallback', 'cancelIdleCallback']) Reflect.deleteProperty(globalThis, name);
});

/** Calls back until nothing waits; gives how often. */
const callBack = (left: number): number => {
  let times = 0;
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    times += 1;
    next({ didTimeout: left === 0, timeRemaining: () => left });
  }
  return times;
};

/** Work of so many short pieces: what `whileIdle` is given, and how many are left. */
const work = (pieces: number) => {
  const state = { left: pieces, done: 0 };
  return { state, step: () => --state.left > 0, done: () => void (state.done += 1) };
};

test('where nobody waits, a browser that never idles is asked for one piece at a time', () => {
  const { state, step, done } = work(20);
  whileIdle(step, done);
  expect(callBack(0)).toBe(20);
  expect(state).toEqual({ left: 0, done: 1 });
});

test('where somebody waits, many short pieces are done each time', () => {
  const { state, step, done } = work(20);
  whileIdle(step, done, 100);
  expect(callBack(0)).toBeLessThan(5);
  expect(state).toEqual({ left: 0, done: 1 });
});

test('while nothing else is due all of it is done at once, and what is left undone is never told', () => {
  const idle = work(20);
  whileIdle(idle.step, idle.done);
  expect(callBack(50)).toBe(1);
  const left = work(20);
  whileIdle(left.step, left.done)();
  expect(callBack(50)).toBe(0);
  expect([idle.state.done, left.state]).toEqual([1, { left: 20, done: 0 }]);
});

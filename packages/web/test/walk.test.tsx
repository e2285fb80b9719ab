import { fireEvent, screen } from '@testing-library/react';
import { whileIdle } from '../src/parts/whileIdle.js';
import { WalkBar } from '../src/shell/WalkBar.js';
import { isWalkLeft, pathOfStop, STOPS, walkedTo } from '../src/store/walk.js';
import { press, show } from './support/page.js';

beforeEach(() => localStorage.clear());

/** The bar over something that it can point at. */
const walk = (stop: number) =>
  show(
    <>
      <WalkBar />
      <section aria-label="The run">the run</section>
    </>,
    { at: pathOfStop(stop) },
  );

test('a stop says what it points at, frames it, keeps how far one is, and leads on', () => {
  const { where, unmount } = walk(2);
  expect(screen.getByRole('status', { name: 'The walk' }).textContent).toContain(STOPS[2]?.says);
  expect(screen.getByRole('region', { name: 'The run' }).hasAttribute('data-pointed-at')).toBe(true);
  expect([walkedTo(), isWalkLeft()]).toEqual([2, false]);
  fireEvent.click(screen.getByRole('link', { name: 'Next' }));
  expect(where()).toBe(pathOfStop(3));
  // What this stop does not point at is framed no more.
  expect(screen.getByRole('region', { name: 'The run' }).hasAttribute('data-pointed-at')).toBe(false);
  expect(walkedTo()).toBe(3);
  unmount();
});

test('it can be left, and its last stop leads nowhere further', () => {
  const { where } = walk(STOPS.length - 1);
  expect(screen.queryByRole('link', { name: 'Next' })).toBeNull();
  press('Done');
  expect(where()).toBe(pathOfStop(STOPS.length - 1).split('?')[0]);
  expect(screen.queryByRole('status', { name: 'The walk' })).toBeNull();
  expect([walkedTo(), isWalkLeft()]).toEqual([null, true]);
});

test('an address that is no stop shows no bar', () => {
  show(<WalkBar />, { at: '/jobs/heron-yard/boxes?walk=9' });
  expect(screen.queryByRole('status', { name: 'The walk' })).toBeNull();
});

describe('work while nothing else is to be done', () => {
  const waiting: ((deadline: { timeRemaining: () => number }) => void)[] = [];
  const held = globalThis as { requestIdleCallback?: unknown; cancelIdleCallback?: unknown };
  beforeEach(() => {
    waiting.length = 0;
    held.requestIdleCallback = (piece: (typeof waiting)[number]) => waiting.push(piece);
    held.cancelIdleCallback = () => void (waiting.length = 0);
  });
  afterEach(() => {
    delete held.requestIdleCallback;
    delete held.cancelIdleCallback;
  });
  const idle = (left: number) => waiting.shift()?.({ timeRemaining: () => left });

  test('is done as far as there is time, at least a piece each time, and told at its end', () => {
    let [left, ended] = [5, 0];
    whileIdle(
      () => --left > 0,
      () => (ended += 1),
    );
    expect(left).toBe(5);
    idle(0);
    expect([left, ended]).toEqual([4, 0]);
    idle(50);
    expect([left, ended]).toEqual([0, 1]);
    expect(waiting).toHaveLength(0);
  });

  test('what is left undone is never told as done', () => {
    let ended = 0;
    const leave = whileIdle(
      () => true,
      () => (ended += 1),
    );
    idle(0);
    leave();
    idle(50);
    expect(ended).toBe(0);
  });

  test('a browser that cannot tell when it idles does it at once', () => {
    delete held.requestIdleCallback;
    let ended = 0;
    whileIdle(
      () => true,
      () => (ended += 1),
    );
    expect(ended).toBe(1);
  });
});

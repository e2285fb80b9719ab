import { jest } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { newJob, standardStock, type Job } from '@amber/core';
import { resetTab } from '../src/server/tab.js';
import { UnreadBar } from '../src/shell/UnreadBar.js';
import { useAskBeforeLeaving } from '../src/shell/useAskBeforeLeaving.js';
import { closed, edited, heldChanged, opened, saved, undone } from '../src/store/jobSlice.js';
import { findDraft } from '../src/store/keptDraft.js';
import { keptHistory } from '../src/store/keptHistory.js';
import { createStore } from '../src/store/store.js';
import { show } from './support/page.js';
import { fakeServer } from './support/server.js';

const job = (name: string): Job => newJob('yard' as Job['id'], name, standardStock());
const keyOf = (kind: string) =>
  Object.keys(localStorage).find((key) => key.startsWith(`amber-junction.${kind}.`));

let sent: ReturnType<typeof fakeServer>;
beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  resetTab();
  sent = fakeServer();
});

const rest = () => new Promise((resolve) => setTimeout(resolve, 320));

test('undo goes on over a reload, and not where somebody else saved meanwhile', async () => {
  const store = createStore();
  store.dispatch(opened({ stored: { revision: 1, document: job('Before') }, draft: null }));
  store.dispatch(edited(job('After'), 'name'));
  await rest();
  // The page is loaded anew: what is unsaved comes back, and with it what can be undone.
  const draft = await findDraft('yard');
  const at = { saveId: draft?.saveId ?? null, revision: 1 };
  const again = createStore();
  again.dispatch(
    opened({ stored: { revision: 1, document: job('Before') }, draft, history: keptHistory('yard', at) }),
  );
  expect(again.getState().job.open?.document.name).toBe('After');
  again.dispatch(undone());
  expect(again.getState().job.open?.document.name).toBe('Before');
  // Saved, and loaded anew: it ends at that revision and at no other.
  const saveId = again.getState().job.open?.saveId ?? '';
  again.dispatch(saved({ id: 'yard', saveId, revision: 2, at: 0 }));
  await rest();
  expect(keptHistory('yard', { saveId: null, revision: 2 }).future).toHaveLength(1);
  expect(keptHistory('yard', { saveId: null, revision: 3 })).toEqual({ past: [], future: [] });
  expect(keptHistory('other', { saveId: null, revision: 2 })).toEqual({ past: [], future: [] });
  expect(sent.length).toBeGreaterThanOrEqual(0);
});

test('what this tab has no room for goes oldest first', async () => {
  const store = createStore();
  store.dispatch(opened({ stored: { revision: 1, document: job('a') }, draft: null }));
  for (const letter of ['b', 'c', 'd'])
    store.dispatch(
      edited({ ...job(letter), description: letter.repeat(450_000) } as unknown as Job, `to ${letter}`),
    );
  await rest();
  const { saveId = '' } = store.getState().job.open ?? {};
  const { past } = keptHistory('yard', { saveId, revision: 1 });
  expect(past.map(({ label }) => label)).toEqual(['to d']);
});

test.each([
  [
    'of a later version',
    JSON.stringify({ document: { ...job('Later'), format: 99 }, parent: 1, saveId: 's' }),
    /format/,
  ],
  ['that was cut', '{"document":{"format":12,"na', /It is not whole|object/i],
])('an unsaved state %s is kept, told, and can be saved as a file', async (_name, text, why) => {
  localStorage.setItem('amber-junction.unsaved.yard.x', text);
  sessionStorage.setItem('amber-junction.tab', 'x');
  resetTab();
  expect(await findDraft('yard')).toBeNull();
  const store = createStore();
  store.dispatch(opened({ stored: { revision: 1, document: job('Before') }, draft: null }));
  // Typed on: nothing is written over it.
  store.dispatch(edited(job('After'), 'name'));
  expect(keyOf('unread')).toBeDefined();
  const saves: Blob[] = [];
  URL.createObjectURL = (blob) => {
    saves.push(blob as Blob);
    return 'blob:x';
  };
  URL.revokeObjectURL = () => undefined;
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  show(<UnreadBar job={job('Before')} />);
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toMatch(/cannot be read by this version/);
  expect(alert.textContent).toMatch(why);
  const remove = screen.getByRole<HTMLButtonElement>('button', { name: 'Remove it here' });
  expect(remove.disabled).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'Save it as a file' }));
  expect(saves).toHaveLength(1);
  fireEvent.click(remove);
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  expect(keyOf('unread')).toBeUndefined();
});

test('where this browser has no room for what is unsaved, leaving asks first', () => {
  const Asks = () => {
    useAskBeforeLeaving();
    return null;
  };
  const { store } = show(<Asks />, { job: job('Before') });
  const leaves = () => !dispatchEvent(new Event('beforeunload', { cancelable: true }));
  expect(leaves()).toBe(false);
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  store.dispatch(edited(job('After'), 'name'));
  return waitFor(() => expect(leaves()).toBe(true)).then(() => {
    jest.restoreAllMocks();
    store.dispatch(heldChanged(true));
    return waitFor(() => expect(leaves()).toBe(false));
  });
});

test('a job that is left with nothing kept of it is sent on from this page until the server has it, or says why not', async () => {
  jest.useFakeTimers();
  try {
    // Of its own: what another test has still to save is sent meanwhile.
    const left = (name: string) => ({ ...job(name), id: 'left' as never });
    const store = createStore();
    store.dispatch(opened({ stored: { revision: 1, document: left('Before') }, draft: null }));
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    store.dispatch(edited(left('After'), 'name'));
    store.dispatch(closed());
    const puts = () => sent.filter(({ method, path }) => method === 'PUT' && path.endsWith('/left'));
    const notice = () => store.getState().notice.current?.text ?? '';
    await jest.advanceTimersByTimeAsync(100);
    puts()[0]?.vanish();
    await jest.advanceTimersByTimeAsync(2500);
    expect(notice()).toMatch(/“After” is not saved yet.*Leave this page open/);
    expect(puts()).toHaveLength(2);
    puts()[1]?.answer(409, { code: 'newer-revision', message: 'Saved elsewhere.', path: 'parent' });
    await jest.advanceTimersByTimeAsync(60_000);
    expect(notice()).toMatch(/was not saved on top of what is there now/);
    expect(puts()).toHaveLength(2);
  } finally {
    jest.restoreAllMocks();
    jest.useRealTimers();
  }
});

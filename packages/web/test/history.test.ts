import { newJob, standardStock, type Job, type JobId } from '@amber/core';
import type { KeptDraft } from '../src/store/keptDraft.js';
import { redo, remember, undo, type History } from '../src/store/history.js';
import {
  edited,
  jobReducer,
  keptMine,
  opened,
  redone,
  saved,
  saveFailed,
  saving,
  tookTheirs,
  undone,
} from '../src/store/jobSlice.js';

const job = (name: string): Job => newJob('j' as JobId, name, STOCK);
const STOCK = standardStock();
const none: History = { past: [], future: [] };

const after = (names: string[], gap: number): { job: Job; history: History } => {
  let now = job(names[0] ?? '');
  let history = none;
  names.slice(1).forEach((name, i) => {
    const next = job(name);
    history = remember(history, now, next, 'name', i * gap) ?? history;
    now = next;
  });
  return { job: now, history };
};

test('undo and redo walk the changes both ways', () => {
  const start = after(['a', 'b', 'c'], 5000);
  const back = undo(start.job, start.history);
  expect(back?.job.name).toBe('b');
  const further = undo(back!.job, back!.history);
  expect(further?.job.name).toBe('a');
  expect(undo(further!.job, further!.history)).toBeNull();
  const forth = redo(further!.job, further!.history);
  expect(forth?.job.name).toBe('b');
});

test('typing on in one field is one entry, another field or a pause is a new one', () => {
  expect(after(['a', 'ab', 'abc', 'abcd'], 300).history.past).toHaveLength(1);
  expect(undo(after(['a', 'ab', 'abc'], 300).job, after(['a', 'ab', 'abc'], 300).history)?.job.name).toBe(
    'a',
  );
  expect(after(['a', 'ab', 'abc'], 3000).history.past).toHaveLength(2);
});

test('a change holds only what differs, and no difference is no change', () => {
  const history = remember(none, job('a'), { ...job('b'), edition: 2011 }, 'x', 0);
  expect(history?.past[0]?.changes).toEqual([
    { entity: 'job', id: '', field: 'name', before: 'a', after: 'b' },
    { entity: 'job', id: '', field: 'edition', before: 2023, after: 2011 },
  ]);
  expect(remember(none, job('a'), job('a'), 'x', 0)).toBeNull();
});

test('a gesture that ends where it began leaves no entry', () => {
  expect(after(['a', 'ab', 'a'], 300).history.past).toEqual([]);
});

describe('the open job', () => {
  const reducer = jobReducer;
  const start = () =>
    reducer(undefined, opened({ stored: { revision: 3, document: job('a') }, draft: null }));

  test('a save acknowledged while typing goes on leaves the rest unsaved', () => {
    const typed = reducer(start(), edited(job('b'), 'name'));
    const sent = typed.open!.saveId;
    const sending = reducer(typed, saving({ document: typed.open!.document, parent: 3, saveId: sent }));
    const more = reducer(sending, edited(job('bc'), 'name'));
    const acknowledged = reducer(more, saved({ id: 'j', saveId: sent, revision: 4, at: 1 }));
    expect(acknowledged.open).toMatchObject({ parent: 4, save: { kind: 'unsaved' } });
    const last = reducer(
      acknowledged,
      saved({ id: 'j', saveId: acknowledged.open!.saveId, revision: 5, at: 2 }),
    );
    expect(last.open).toMatchObject({ parent: 5, save: { kind: 'saved' } });
  });

  test('an answer for a job that was left is not taken for the open one', () => {
    const typed = reducer(start(), edited(job('b'), 'name'));
    expect(reducer(typed, saved({ id: 'other', saveId: 'x', revision: 9, at: 1 }))).toBe(typed);
    expect(reducer(typed, saved({ id: 'j', saveId: 'of before', revision: 9, at: 1 }))).toBe(typed);
    expect(
      reducer(typed, saveFailed({ id: 'other', saveId: 'x', save: { kind: 'offline', why: 'noAnswer' } })),
    ).toBe(typed);
  });

  test('a conflict loses nothing, whichever version is chosen', () => {
    const current = { revision: 7, document: job('theirs') };
    const mine = reducer(start(), edited(job('mine'), 'name'));
    const { document, parent, saveId } = mine.open!;
    const torn = reducer(
      reducer(mine, saving({ document, parent, saveId })),
      saveFailed({ id: 'j', saveId, save: { kind: 'conflict', current } }),
    );
    expect(reducer(torn, edited(job('mine, more'), 'name')).open?.save.kind).toBe('conflict');
    expect(reducer(torn, keptMine()).open).toMatchObject({
      parent: 7,
      save: { kind: 'unsaved' },
      document: { name: 'mine' },
    });
    const theirs = reducer(torn, tookTheirs());
    expect(theirs.open).toMatchObject({ parent: 7, document: { name: 'theirs' } });
    expect(reducer(theirs, undone()).open?.document.name).toBe('mine');
    expect(reducer(reducer(theirs, undone()), redone()).open?.document.name).toBe('theirs');
  });

  test('what the browser kept is opened over what the server has, as a conflict where that moved on', () => {
    const draft: KeptDraft = { document: job('kept'), parent: 3, saveId: 's', sent: null };
    const open = (revision: number, sent: KeptDraft['sent'] = null) =>
      reducer(undefined, opened({ stored: { revision, document: job('server') }, draft: { ...draft, sent } }))
        .open;
    expect(open(3)).toMatchObject({ document: { name: 'kept' }, save: { kind: 'unsaved' } });
    expect(open(4)).toMatchObject({ document: { name: 'kept' }, save: { kind: 'conflict' } });
    // What was sent and not answered may be what made the newer revision: it is asked before anybody is told.
    expect(open(4, { document: job('sent'), parent: 3, saveId: 'r' })).toMatchObject({
      save: { kind: 'unsaved' },
    });
  });
});

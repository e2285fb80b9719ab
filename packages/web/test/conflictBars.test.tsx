import { act, screen, waitFor } from '@testing-library/react';
import { ConflictBar } from '../src/shell/ConflictBar.js';
import { GoneBar } from '../src/shell/GoneBar.js';
import { edited, saveFailed, saving } from '../src/store/jobSlice.js';
import { jobOf, press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { few } from './support/yard.js';

let sent: Sent[];
beforeEach(() => {
  sent = fakeServer();
  silencePlanner();
});
const answered = async (path: RegExp, body: object, status = 200): Promise<Sent> => {
  await waitFor(() => expect(sent.some((one) => path.test(one.path))).toBe(true));
  const one = sent.find(({ path: to }) => path.test(to)) as Sent;
  sent.splice(sent.indexOf(one), 1);
  await act(async () => {
    one.answer(status, body);
    await Promise.resolve();
  });
  return one;
};
const job = few('tar-store-light');

test('what both changed stands side by side, and mine is kept as a job of its own', async () => {
  const clashes = [
    { mine: ['Box Barrel rack: name from A to B'], theirs: ['Box Barrel rack was taken away'] },
  ];
  const { where } = show(
    <ConflictBar
      job={job}
      current={{
        ...{ revision: 5, document: job },
        made: { at: '2025-03-02T14:05:00.000Z', by: 'QW', device: 'Truck tablet' },
      }}
      clashes={clashes}
    />,
    { job },
  );
  // Who it was, on what, and when.
  expect(screen.getByRole('alert').textContent).toMatch(
    /revision 5, by QW on Truck tablet, 2 Mar 2025|revision 5, by QW on Truck tablet, Mar 2, 2025/,
  );
  expect(screen.getAllByRole('columnheader').map((one) => one.textContent)).toEqual([
    'Here',
    'Saved by QW on Truck tablet',
  ]);
  expect(screen.getAllByRole('cell').map((one) => one.textContent)).toEqual([
    'Box Barrel rack: name from A to B',
    'Box Barrel rack was taken away',
  ]);
  press('Keep both: mine as a new job');
  const { body } = await answered(/\/api\/jobs$/, { id: 'mine', revision: 1 }, 201);
  expect(body).toMatchObject({ document: { name: `${job.name} (my version)` } });
  await waitFor(() => expect(where()).toBe('/jobs/mine'));
});

test('a job that was deleted elsewhere is brought back with what was changed, or kept as a new one', async () => {
  const { store, where } = show(<GoneBar job={job} />, { job });
  const gone = () => {
    store.dispatch(edited({ ...jobOf(store), name: 'Changed here' }, 'name'));
    const { open } = store.getState().job;
    if (!open) throw new Error('no job is open');
    const { document, parent, saveId } = open;
    store.dispatch(saving({ document, parent, saveId }));
    store.dispatch(saveFailed({ id: job.id, saveId, save: { kind: 'gone' } }));
  };
  act(gone);
  expect(store.getState().job.open?.save.kind).toBe('gone');
  press('Bring it back');
  await answered(/\/restore$/, { code: 'missing', message: 'There is no job.', path: 'id' }, 404);
  expect(store.getState().notice.current?.text).toMatch(/^It was not brought back/);
  press('Bring it back');
  await answered(/\/restore$/, { id: job.id });
  await waitFor(() => expect(store.getState().job.open?.save.kind).toBe('unsaved'));
  expect(jobOf(store).name).toBe('Changed here');
  press('Keep as a new job');
  await answered(/\/api\/jobs$/, { id: 'kept', revision: 1 }, 201);
  await waitFor(() => expect(where()).toBe('/jobs/kept'));
});

import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Job } from '@amber/core';
import { DeletedJobs } from '../src/screens/jobs/DeletedJobs.js';
import { HistoryScreen } from '../src/screens/history/HistoryScreen.js';
import { undone } from '../src/store/jobSlice.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { few } from './support/yard.js';

let sent: Sent[];
beforeEach(() => {
  sent = fakeServer();
  silencePlanner();
});

const Shown = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <HistoryScreen job={job} /> : null;
};
const asked = async (method: string, path: RegExp): Promise<Sent> => {
  const find = () => sent.find((one) => one.method === method && path.test(one.path));
  await waitFor(() => expect(find()).toBeDefined());
  const one = find() as Sent;
  sent.splice(sent.indexOf(one), 1);
  return one;
};
const answer = async (method: string, path: RegExp, body: object, status = 200) => {
  const one = await asked(method, path);
  await act(async () => {
    one.answer(status, body);
    await Promise.resolve();
  });
  return one;
};
const save = (saveId: string, revision: number | null, parent: number, name: string | null = null) => ({
  ...{ saveId, revision, parent, name },
  ...{ by: 'RF', device: revision === 2 ? 'Tablet of the truck' : '' },
  savedAt: new Date(Date.now() - 1000 * (10 - (revision ?? 0))).toISOString(),
});
const revisions = (name: string | null = null) => ({
  revisions: [save('c', 3, 2), save('lost', null, 1), save('b', 2, 1, name), save('a', 1, 0)],
});

test('a state of before is compared, brought back as an edit that can be undone, and named', async () => {
  const job = few('tar-store-light');
  const older: Job = { ...job, name: 'Before the change' };
  const { store } = show(<Shown />, { job });
  await answer('GET', /\/revisions$/, revisions());
  await answer('GET', /\/saves\/c$/, { document: job });
  expect(await screen.findByText('Nothing is different.')).toBeTruthy();
  expect(screen.getByText('A save that lost')).toBeTruthy();
  press(/Revision 2$/);
  await answer('GET', /\/saves\/b$/, { document: older });
  expect(await screen.findByText(`The job: name from Before the change to ${job.name}.`)).toBeTruthy();
  expect(screen.getByText(/ · by RF on Tablet of the truck/)).toBeTruthy();
  // Against the one before it the same reads the other way.
  fireEvent.change(screen.getByLabelText('Compared with'), { target: { value: 'a' } });
  await answer('GET', /\/saves\/a$/, { document: job });
  expect(await screen.findByText(`The job: name from ${job.name} to Before the change.`)).toBeTruthy();
  const detail = within(screen.getByRole('region', { name: 'Revision 2' }));
  expect(detail.getByText('Tar store')).toBeTruthy();
  press('Bring this back');
  expect(jobOf(store).name).toBe('Before the change');
  act(() => void store.dispatch(undone()));
  expect(jobOf(store).name).toBe(job.name);
  fireEvent.change(screen.getByLabelText(/^Name; what has one/), { target: { value: 'As priced' } });
  press('Keep');
  const named = await answer('PUT', /\/saves\/b\/name$/, { ok: true });
  expect(named.body).toEqual({ name: 'As priced' });
  await answer('GET', /\/revisions$/, revisions('As priced'));
  expect(await screen.findByRole('heading', { name: 'As priced' })).toBeTruthy();
});

test('a history that does not come is told with a way on; a state that this version cannot read says so', async () => {
  show(<Shown />, { job: few('tar-store-light') });
  const lost = await asked('GET', /\/revisions$/);
  act(() => lost.vanish());
  expect(await screen.findByText(/The history cannot be read\. The server does not answer/)).toBeTruthy();
  press('Try again');
  await answer('GET', /\/revisions$/, revisions());
  await answer('GET', /\/saves\/c$/, { document: { format: 99 } });
  expect(await screen.findByText(/This state of the job cannot be shown/)).toBeTruthy();
});

test('deleted jobs are brought back from their list', async () => {
  const { store } = show(<DeletedJobs />);
  const gone = { id: 'gone', name: 'Old mill', revision: 4, deletedAt: new Date().toISOString() };
  await answer('GET', /\/deleted-jobs$/, { jobs: [gone] });
  expect(await screen.findByText(/kept for 90 days: 1/)).toBeTruthy();
  press('Bring back Old mill');
  await answer('POST', /\/jobs\/gone\/restore$/, { id: 'gone' });
  await waitFor(() => expect(store.getState().notice.current?.text).toBe('Old mill is back.'));
  await answer('GET', /\/deleted-jobs$/, { jobs: [] });
  await waitFor(() => expect(screen.queryByText('Old mill')).toBeNull());
});

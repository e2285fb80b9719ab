import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { summariseJob, withChoice, type Job, type JobHead } from '@amber/core';
import { JobsScreen } from '../src/screens/jobs/JobsScreen.js';
import { press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard } from './support/yard.js';

let sent: Sent[];
beforeEach(() => {
  sent = fakeServer();
  localStorage.clear();
});

const head = (id: string, name: string, more: Partial<JobHead> = {}): JobHead => ({
  ...{ id: id as never, name, revision: 1, updatedAt: '2026-03-02T09:30:00.000Z' },
  ...{ summary: null, pending: false, ...more },
});
const worked = (id: string, name: string, job: Job): JobHead =>
  head(id, name, { summary: summariseJob(job) });

/** The requests to a path that nobody answered yet. */
const open = (path: RegExp) => sent.filter((one) => path.test(one.path));
const LIST = /^\/api\/jobs\?/;
/** Answers the last request for the list. */
const answered = async (status: number, body: object) => {
  await waitFor(() => expect(open(LIST).length).toBeGreaterThan(0));
  await act(async () => {
    open(LIST).at(-1)?.answer(status, body);
    await Promise.resolve();
  });
  await waitFor(() => {
    expect(screen.queryByText('Reading the jobs …')).toBeNull();
    expect(screen.getByRole('region', { name: 'The jobs' }).getAttribute('aria-busy')).toBe('false');
  });
};
const card = (name: string): HTMLElement => {
  const found = screen.getByRole('heading', { name }).closest('li');
  if (!found) throw new Error(`no card of ${name}`);
  return found;
};

test('a card says of each circuit whether it works, is not planned yet, or what is wrong, and shows the rest when asked', async () => {
  show(<JobsScreen />);
  expect(screen.getByText('Reading the jobs …')).toBeTruthy();
  const job = yard();
  const [first, ...others] = job.circuits;
  if (!first) throw new Error('no circuit');
  const jobs = [
    worked('a', 'Heron Yard', job),
    worked('b', 'Half done', withChoice(job, first.id, null)),
    head('c', 'Saved now', { pending: true }),
    head('d', 'From another time'),
    worked('e', 'Empty', {
      ...job,
      circuits: [],
      groups: [],
      slots: [],
      luminaires: [],
      feeds: [],
      choices: [],
      wirings: [],
    }),
  ];
  await answered(200, { jobs, total: jobs.length });
  const whole = within(card('Heron Yard'));
  expect(whole.getAllByText(/of \d+ positions work$/).length).toBeGreaterThan(3);
  expect(whole.queryByText('not planned yet')).toBeNull();
  const rows = () => within(card('Heron Yard')).getAllByRole('listitem').length;
  expect(rows()).toBe(5);
  fireEvent.click(whole.getByRole('button', { name: `${others.length + 1 - 5} more` }));
  expect(rows()).toBe(job.circuits.length);
  expect(within(card('Half done')).getByText('not planned yet')).toBeTruthy();
  // What is only assumed of old work is never said to work.
  const stair = within(card('Heron Yard')).getByRole('link', { name: 'Rope stair' }).closest('li');
  expect(stair?.textContent).toMatch(/as it is; \d+ box(es)? to look into/);
  expect(stair?.textContent).not.toMatch(/positions work/);
  expect(within(card('Saved now')).getByText(/^Saved a moment ago/)).toBeTruthy();
  expect(within(card('From another time')).getByText(/cannot read it\. It is kept as it is\.$/)).toBeTruthy();
  expect(within(card('Empty')).getByText('No circuit yet.')).toBeTruthy();
});

test('as lines the worst of a job comes first, and the browser keeps how the list is looked at', async () => {
  const { unmount } = show(<JobsScreen />);
  const job = yard();
  const [first] = job.circuits;
  if (!first) throw new Error('no circuit');
  const jobs = [worked('b', 'Half done', withChoice(job, first.id, null))];
  await answered(200, { jobs, total: 1 });
  press('A line for each');
  expect(card('Half done').textContent).toContain(`${job.circuits.length} circuits, 1 not planned yet`);
  unmount();
  show(<JobsScreen />);
  expect(screen.getByRole('button', { name: 'A line for each' }).getAttribute('aria-pressed')).toBe('true');
});

test('a search is asked once it rests, says what it found, and nothing where there is nothing', async () => {
  show(<JobsScreen />);
  await answered(200, { jobs: [head('a', 'Boat house')], total: 1 });
  const list = () => screen.getByRole('region', { name: 'The jobs' });
  expect(list().getAttribute('aria-busy')).toBe('false');
  fireEvent.change(screen.getByRole('searchbox'), { target: { value: ' larder ' } });
  // What is shown is not what was asked for.
  expect(list().getAttribute('aria-busy')).toBe('true');
  await waitFor(() => expect(open(LIST).at(-1)?.path).toContain('search=larder&'));
  await answered(200, { jobs: [], total: 0 });
  expect(list().getAttribute('aria-busy')).toBe('false');
  expect(
    screen.getByText('No job has “larder” in its name or in those of its circuits, rooms, groups and boxes.'),
  ).toBeTruthy();
  // A search that finds nothing is no empty yard.
  expect(screen.queryByText('Start with one circuit')).toBeNull();
});

test('a list that does not come says why, and is asked again with a tap', async () => {
  show(<JobsScreen />);
  await answered(503, { error: { code: 'unavailable', message: 'The database is away.', path: null } });
  expect((await screen.findByRole('alert')).textContent).toMatch(/^The jobs cannot be listed\. \S/);
  const before = open(LIST).length;
  press('Try again');
  await waitFor(() => expect(open(LIST).length).toBe(before + 1));
  await answered(200, { jobs: [], total: 0 });
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  expect(screen.getByText('Start with one circuit')).toBeTruthy();
});

test('a deleted job is brought back by name, and what the server refuses is told', async () => {
  const { store } = show(<JobsScreen />);
  await answered(200, { jobs: [], total: 0 });
  await waitFor(() => expect(open(/deleted/).length).toBeGreaterThan(0));
  await act(async () => {
    open(/deleted/)
      .at(-1)
      ?.answer(200, {
        jobs: [{ id: 'old', name: 'Old mill', revision: 4, deletedAt: '2026-03-01T10:00:00.000Z' }],
      });
    await Promise.resolve();
  });
  fireEvent.click(await screen.findByText('Deleted jobs, kept for 90 days: 1'));
  fireEvent.click(screen.getByLabelText('Bring back Old mill'));
  const restore = () => sent.filter(({ method, path }) => method === 'POST' && /old/.test(path)).at(-1);
  await waitFor(() => expect(restore()).toBeTruthy());
  await act(async () => {
    restore()?.answer(500, {});
    await Promise.resolve();
  });
  await waitFor(() => expect(JSON.stringify(store.getState())).toContain('Old mill was not brought back.'));
});

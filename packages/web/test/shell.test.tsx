import { cleanup, act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { keepWalk } from '../src/store/walk.js';
import { Route, Routes } from 'react-router';
import { SUMMARY_VERSION, summariseJob, usualDefaults, type Job } from '@amber/core';
import { JOB_PATTERN } from '../src/parts/paths.js';
import { JOBS_A_PAGE } from '../src/server/api.js';
import { JobsScreen } from '../src/screens/jobs/JobsScreen.js';
import { resetTab } from '../src/server/tab.js';
import { Frame } from '../src/shell/Frame.js';
import { JobShell } from '../src/shell/JobShell.js';
import { noticed } from '../src/store/noticeSlice.js';
import { jobOf, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard, yardAsFound } from './support/yard.js';

let sent: Sent[];
beforeEach(() => {
  sent = fakeServer();
  localStorage.clear();
  sessionStorage.clear();
  resetTab();
  globalThis.Worker = class {
    postMessage() {}
    addEventListener() {}
    removeEventListener() {}
    terminate() {}
  } as never;
});

const program = (at: string) =>
  show(
    <Routes>
      <Route element={<Frame />}>
        <Route index element={<JobsScreen />} />
        <Route path={JOB_PATTERN} element={<JobShell />} />
      </Route>
    </Routes>,
    { at },
  );
/** The last request to a path, once it is asked. */
const asked = (method: string, path: string): Promise<Sent> =>
  waitFor(() => {
    const found = sent.filter((one) => one.method === method && one.path === `/api${path}`).at(-1);
    if (!found) throw new Error(`nobody asked ${method} ${path}`);
    return found;
  });
const answered = async (method: string, path: string, status: number, body: object) => {
  const request = await asked(method, path);
  await act(async () => {
    request.answer(status, body);
    await Promise.resolve();
  });
};
const openYard = async (at: string, document: Job = yard()) => {
  const shown = program(at);
  await answered('GET', `/jobs/${document.id}`, 200, { revision: 3, document });
  return shown;
};

describe('an address inside a job', () => {
  test('opens the job and shows its screen, with the rail at it', async () => {
    await openYard('/jobs/heron-yard/circuits/tar-store-light');
    expect(await screen.findByText('2 of 2 positions work')).toBeTruthy();
    const rail = within(screen.getByRole('navigation', { name: 'Stages' }));
    expect(
      rail
        .getAllByRole('link')
        .slice(1)
        .map((one) => one.textContent),
    ).toEqual(['Jobs', 'Layout', 'Runs', 'Bench', 'Boxes', 'Check', 'Order', 'Prove', 'Practice', 'Shop']);
    expect(rail.getByRole('link', { name: 'Bench' }).getAttribute('aria-current')).toBe('page');
    expect(rail.getByRole('link', { name: 'Layout' }).getAttribute('aria-current')).toBeNull();
    expect(screen.getByLabelText<HTMLInputElement>('Name of the job').value).toBe('Heron Yard');
  });

  test.each([
    ['without a circuit leads to the first', '/jobs/heron-yard', '/jobs/heron-yard/circuits/ropewalk-lights'],
    [
      'of a circuit that is gone leads to the first, on the same screen',
      '/jobs/heron-yard/circuits/gone/layout',
      '/jobs/heron-yard/circuits/ropewalk-lights/layout',
    ],
    [
      'of a wiring that is gone shows the planned one',
      '/jobs/heron-yard/circuits/tar-store-light?wiring=gone',
      '/jobs/heron-yard/circuits/tar-store-light?wiring=gone',
    ],
    [
      'by which a circuit was begun before leads there',
      '/jobs/heron-yard/circuits/new',
      '/jobs/heron-yard/start',
    ],
    ['of all circuits stays', '/jobs/heron-yard/bench', '/jobs/heron-yard/bench'],
  ])('%s', async (_name, at, to) => {
    const { where } = await openYard(at);
    await waitFor(() => expect(where()).toBe(to));
    expect(screen.queryByRole('status', { name: 'Which wiring is shown' })).toBeNull();
  });

  test('of a job without a circuit begins one', async () => {
    const empty = {
      ...yard(),
      id: 'empty' as never,
      circuits: [],
      groups: [],
      feeds: [],
      slots: [],
      luminaires: [],
      choices: [],
      wirings: [],
    };
    const { where } = await openYard('/jobs/empty', empty);
    await waitFor(() => expect(where()).toBe('/jobs/empty/start'));
    expect(await screen.findByRole('heading', { name: 'New circuit' })).toBeTruthy();
    expect(screen.getByRole('button', { name: /New circuit/ })).toBeTruthy();
  });

  test('of no screen, and of no job, says so', async () => {
    await openYard('/jobs/heron-yard/attic');
    expect(await screen.findByText('There is nothing at this address.')).toBeTruthy();
  });

  test('of a job that is not there says so', async () => {
    program('/jobs/nowhere');
    await answered('GET', '/jobs/nowhere', 404, {
      code: 'missing',
      message: 'There is no job "nowhere".',
      path: 'id',
    });
    expect(await screen.findByText('There is no such job.')).toBeTruthy();
  });

  test('is tried again when the server did not answer, and told what it refused', async () => {
    program('/jobs/heron-yard/circuits/tar-store-light');
    const first = await asked('GET', '/jobs/heron-yard');
    await act(async () => {
      first.vanish();
      await Promise.resolve();
    });
    expect((await screen.findByRole('alert')).textContent).toContain('The server does not answer');
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(sent.filter((one) => one.path === '/api/jobs/heron-yard')).toHaveLength(2));
    await answered('GET', '/jobs/heron-yard', 503, {
      code: 'database-down',
      message: 'The database does not answer. Nothing was stored.',
      path: '',
    });
    expect((await screen.findByRole('alert')).textContent).toContain(
      'The server refused: The database does not answer.',
    );
  });
});

describe('a job that brings a wiring as found', () => {
  test('says which is shown, and leads to the other and back', async () => {
    const { where } = await openYard('/jobs/heron-yard/circuits/long-shed-lights', yardAsFound());
    expect(await screen.findByText('16 of 16 positions work')).toBeTruthy();
    const bench = () => screen.getByRole('navigation', { name: 'Which wiring is shown' });
    const current = () => within(bench()).getByRole('link', { current: 'page' }).textContent;
    expect(current()).toBe('Planned');
    fireEvent.click(within(bench()).getByRole('link', { name: 'wiring as found' }));
    await waitFor(() => expect(where()).toBe('/jobs/heron-yard/circuits/long-shed-lights?wiring=found-1'));
    expect(current()).toBe('wiring as found');
    await waitFor(() => expect(screen.queryByText('16 of 16 positions work')).toBeNull());
    fireEvent.click(within(bench()).getByRole('link', { name: 'Planned' }));
    await waitFor(() => expect(where()).toBe('/jobs/heron-yard/circuits/long-shed-lights'));
  });

  test('is told of on a screen that does not show it', async () => {
    const { where } = await openYard('/jobs/heron-yard/circuits/long-shed-lights/layout', yardAsFound());
    const bar = await screen.findByRole('status', { name: 'Which wiring is shown' });
    expect(bar.textContent).toContain('Shown: the planned wiring. This job also holds a wiring as found');
    fireEvent.click(within(bar).getByRole('link', { name: 'Look at the wiring as found' }));
    await waitFor(() => expect(where()).toBe('/jobs/heron-yard/circuits/long-shed-lights?wiring=found-1'));
  });

  test('is narrowed to a circuit and widened again without leaving that wiring', async () => {
    const { where } = await openYard('/jobs/heron-yard/bench?wiring=found-1', yardAsFound());
    fireEvent.click(await screen.findByRole('button', { name: /All circuits/ }));
    fireEvent.click(await screen.findByRole('menuitem', { name: /Long shed/ }));
    await waitFor(() => expect(where()).toBe('/jobs/heron-yard/circuits/long-shed-lights?wiring=found-1'));
    fireEvent.click(screen.getByRole('button', { name: /Long shed/ }));
    fireEvent.click(await screen.findByRole('menuitem', { name: 'All circuits' }));
    await waitFor(() => expect(where()).toBe('/jobs/heron-yard/bench?wiring=found-1'));
  });
});

describe('the bar of a job', () => {
  test('takes a name that is one, keeps it, and lets it be undone and redone', async () => {
    const { store } = await openYard('/jobs/heron-yard/circuits/tar-store-light');
    const name = await screen.findByLabelText<HTMLInputElement>('Name of the job');
    fireEvent.change(name, { target: { value: '  ' } });
    expect(jobOf(store).name).toBe('Heron Yard');
    fireEvent.change(name, { target: { value: 'Heron Yard, slip' } });
    expect(jobOf(store).name).toBe('Heron Yard, slip');
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(jobOf(store).name).toBe('Heron Yard');
    fireEvent.click(screen.getByRole('button', { name: 'Redo' }));
    expect(jobOf(store).name).toBe('Heron Yard, slip');
  });

  test('judges by another edition at once', async () => {
    const { store } = await openYard('/jobs/heron-yard/circuits/tar-store-light');
    fireEvent.change(await screen.findByLabelText('Code edition'), { target: { value: '2014' } });
    expect(jobOf(store).edition).toBe(2014);
    expect(await screen.findByText(/Checked by the 2014 edition/)).toBeTruthy();
  });
});

describe('the list of jobs', () => {
  const head = (more: object) => ({
    ...{ id: 'heron-yard', name: 'Heron Yard', revision: 3, updatedAt: '2026-06-01T08:00:00.000Z' },
    ...{ summary: summariseJob(yard()), pending: false },
    ...more,
  });
  /** How a page of those that a search finds is asked for. */
  const page = (search = '', from = 0) =>
    `/jobs?${new URLSearchParams({ search, from: String(from), count: String(JOBS_A_PAGE) }).toString()}`;
  const list = (jobs: object[], total = jobs.length) => ({ jobs, total });

  test('shows each job with the state of its circuits, and searches both', async () => {
    program('/');
    const other = head({
      id: 'boathouse',
      name: 'Boathouse',
      summary: { version: SUMMARY_VERSION, edition: 2020, circuits: [], place: null },
    });
    await answered('GET', page(), 200, list([head({}), other]));
    const cards = () => screen.getAllByRole('heading', { level: 2 }).map((one) => one.textContent);
    await waitFor(() => expect(cards()).toEqual(['Heron Yard', 'Boathouse']));
    expect(screen.getByText('16 of 16 positions work')).toBeTruthy();
    expect(screen.getByText('No circuit yet.')).toBeTruthy();
    const search = (words: string) =>
      fireEvent.change(screen.getByLabelText(/^Search jobs/), { target: { value: words } });
    search('tar');
    search('tar sto');
    await answered('GET', page('tar sto'), 200, list([head({})]));
    await waitFor(() => expect(cards()).toEqual(['Heron Yard']));
    expect(screen.getByText('1 job with “tar sto”')).toBeTruthy();
    // The server is asked when the typing rests, not at each key.
    expect(sent.some(({ path }) => path === `/api${page('tar')}`)).toBe(false);
    expect(screen.getByRole('link', { name: 'Tar store' }).getAttribute('href')).toBe(
      '/jobs/heron-yard/circuits/tar-store-light',
    );
    search('lighthouse');
    await answered('GET', page('lighthouse'), 200, list([]));
    expect(await screen.findByText(/^No job has “lighthouse” in its name/)).toBeTruthy();
  });

  test('five circuits stand on a card and the others when they are asked for; a line tells the worst, and stays the way one looks', async () => {
    const { unmount } = program('/');
    const summary = summariseJob(yard());
    const violating = {
      ...summary,
      circuits: summary.circuits.map((one, i) => (i === 0 ? { ...one, violations: 2 } : one)),
    };
    await answered('GET', page(), 200, list([head({ summary: violating })]));
    await screen.findByRole('link', { name: 'Ropewalk' });
    const runs = () => screen.getAllByRole('img', { name: /^Run of / }).length;
    expect(runs()).toBe(5);
    fireEvent.click(screen.getByRole('button', { name: `${summary.circuits.length - 5} more` }));
    expect(runs()).toBeGreaterThan(5);
    expect(screen.queryByRole('button', { name: /more$/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'A line for each' }));
    expect(screen.getByText(`${summary.circuits.length} circuits, 1 with violations`)).toBeTruthy();
    unmount();
    program('/');
    await answered('GET', page(), 200, list([head({ summary: violating })]));
    expect(await screen.findByText(/1 with violations/)).toBeTruthy();
  });

  test('offers the walk through the demo to who is new, and no more when it was left', async () => {
    localStorage.removeItem('amber-junction.habit.walk');
    const { unmount } = program('/');
    await answered('GET', page(), 200, list([head({})]));
    const offered = await screen.findByRole('link', { name: 'Walk through Heron Yard' });
    expect(offered.getAttribute('href')).toBe('/jobs/heron-yard/circuits/ropewalk-lights/layout?walk=0');
    unmount();
    keepWalk(3);
    program('/');
    await answered('GET', page(), 200, list([head({})]));
    expect((await screen.findByRole('link', { name: /^Walk through/ })).getAttribute('href')).toContain(
      'walk=3',
    );
    cleanup();
    keepWalk(null);
    program('/');
    await answered('GET', page(), 200, list([head({})]));
    await screen.findByRole('link', { name: 'Ropewalk' });
    expect(screen.queryByRole('link', { name: /^Walk through/ })).toBeNull();
  });

  test('says of a job that was just saved that its state is being worked out, and asks again', async () => {
    program('/');
    await answered('GET', page(), 200, list([head({ summary: null, pending: true })]));
    expect(await screen.findByText(/its state is being worked out/)).toBeTruthy();
    await waitFor(() => expect(sent.filter(({ path }) => path === `/api${page()}`)).toHaveLength(2));
    await answered('GET', page(), 200, list([head({})]));
    expect(await screen.findByText('16 of 16 positions work')).toBeTruthy();
    expect(screen.queryByText(/its state is being worked out/)).toBeNull();
  });

  test('keeps a job on it that this version cannot read, and says so', async () => {
    program('/');
    await answered('GET', page(), 200, list([head({ summary: null })]));
    expect(await screen.findByText(/This version of the program cannot read it/)).toBeTruthy();
  });

  test('tells a refusal from silence', async () => {
    program('/');
    const request = await asked('GET', page());
    await act(async () => {
      request.vanish();
      await Promise.resolve();
    });
    expect((await screen.findByRole('alert')).textContent).toContain('The server does not answer');
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(sent.filter(({ path }) => path === `/api${page()}`)).toHaveLength(2));
    await answered('GET', page(), 503, {
      code: 'database-down',
      message: 'The database does not answer.',
      path: '',
    });
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toContain(
        'The server refused: The database does not answer.',
      ),
    );
  });

  test('makes a job from the catalog under the name that was typed', async () => {
    const { where } = program('/');
    await answered('GET', page(), 200, list([]));
    fireEvent.click((await screen.findAllByRole('button', { name: 'New job' }))[0]!);
    fireEvent.change(screen.getByLabelText('Name of the job'), { target: { value: 'Net loft' } });
    fireEvent.click(screen.getByRole('button', { name: 'Make the job' }));
    const { stock, labour, judgement } = yard();
    const defaults = { ...usualDefaults(), edition: 2020 };
    await answered('GET', '/catalog', 200, { articles: stock, labour, judgement, defaults });
    const made = await asked('POST', '/jobs');
    const { document } = made.body as { document: Job };
    expect([document.name, document.stock.length]).toEqual(['Net loft', stock.length]);
    // It begins with what the shop says.
    expect(document.edition).toBe(2020);
    await answered('POST', '/jobs', 201, { id: document.id, revision: 1 });
    await waitFor(() => expect(where()).toContain(`/jobs/${document.id}`));
  });

  test('says by path what is wrong with a file, and leaves everything as it is', async () => {
    const { where } = program('/');
    await answered('GET', page(), 200, list([]));
    const file = new File(['{"format": 9}'], 'later.json', { type: 'application/json' });
    file.text = () => Promise.resolve('{"format": 9}');
    fireEvent.change(screen.getByLabelText('Job file'), { target: { files: [file] } });
    await answered('POST', '/jobs/import', 422, {
      code: 'bad-job',
      message: 'This job file has format 9.',
      path: 'format',
    });
    const notice = await screen.findByText(/later\.json was not imported/);
    expect(notice.textContent).toContain('The server refused: This job file has format 9. (format)');
    expect(where()).toBe('/');
  });

  test('a job that was deleted can be had back from the notice at the foot', async () => {
    const { store } = program('/');
    await answered('GET', page(), 200, list([head({})]));
    fireEvent.click(await screen.findByRole('button', { name: 'More for Heron Yard' }));
    fireEvent.click(await screen.findByRole('menuitem', { name: 'Delete' }));
    await answered('DELETE', '/jobs/heron-yard', 200, { id: 'heron-yard' });
    expect(await screen.findByText('Heron Yard was deleted.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await answered('POST', '/jobs/heron-yard/restore', 200, { id: 'heron-yard' });
    await waitFor(() => expect(screen.queryByText('Heron Yard was deleted.')).toBeNull());
    act(() => void store.dispatch(noticed('The disk is full.', { tone: 'problem' })));
    expect(screen.getByRole('alert').textContent).toContain('The disk is full.');
    fireEvent.click(screen.getByRole('button', { name: 'Dismiss' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

test('the file that the page takes for the yard is one', () => expect(yard().id).toBe('heron-yard'));

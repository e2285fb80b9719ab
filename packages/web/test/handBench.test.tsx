import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Job } from '@amber/core';
import { BenchScreen } from '../src/screens/bench/BenchScreen.js';
import { TopBar } from '../src/shell/bar/TopBar.js';
import { lookNow, takeLook } from '../src/shell/look.js';
import { stepAsked } from '../src/store/wiringSlice.js';
import { jobOf, press, show } from './support/page.js';
import { seenAs } from './support/narrow.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard, yardAsFound } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
  seenAs({ narrow: true });
});

const bench = (job: Job, circuit: string, wiring: string | null = null) =>
  show(
    <BenchScreen job={job} circuit={job.circuits.find(({ id }) => id === circuit) ?? null} wiring={wiring} />,
    { job },
  );
const panes = () => within(screen.getByRole('group', { name: 'What is shown' }));
const turnTo = (pane: string) => fireEvent.click(panes().getByRole('button', { name: pane }));
const shown = () =>
  panes()
    .getAllByRole('button')
    .find((one) => one.getAttribute('aria-pressed') === 'true')?.textContent;

test('the steps of a box come first, its handles are at hand, and what they light is said', async () => {
  bench(yard(), 'galley-lights');
  expect(shown()).toBe('Steps');
  expect(await screen.findByRole('region', { name: /^Steps at / })).toBeTruthy();
  expect(screen.getByText(/Work dead/, { selector: 'summary strong' })).toBeTruthy();
  const lit = () =>
    within(screen.getByRole('list', { name: 'What is lit' }))
      .getAllByRole('listitem')
      .map((one) => one.textContent);
  const before = lit();
  expect(before).toHaveLength(2);
  const handles = within(screen.getByRole('region', { name: 'Handles' })).getAllByRole('button');
  fireEvent.click(handles[0] as HTMLElement);
  expect(lit()[0]).not.toBe(before[0]);
  expect(lit()[1]).toBe(before[1]);
});

test('what a step shows turns to the picture, and a step that is asked for turns back', async () => {
  const { store } = bench(yard(), 'ropewalk-lights');
  const steps = await screen.findByRole('region', { name: /^Steps at / });
  fireEvent.click(within(steps).getAllByRole('button', { name: /^Show: / })[0] as HTMLElement);
  expect(shown()).toBe('Box');
  // One box alone, whatever stands on the wide bench.
  expect(screen.getAllByRole('article')).toHaveLength(1);
  expect(screen.queryByRole('button', { name: 'All boxes' })).toBeNull();
  act(() => void store.dispatch(stepAsked('some step')));
  expect(shown()).toBe('Steps');
  turnTo('Run');
  expect(screen.getByRole('region', { name: 'The run' })).toBeTruthy();
});

test('violations are told over the steps, which do not say them', async () => {
  const job = yard();
  const tight: Job = {
    ...job,
    circuits: job.circuits.map((one) => (one.id === 'ropewalk-lights' ? { ...one, breaker: 20 } : one)),
  };
  bench(tight, 'ropewalk-lights');
  const against = await screen.findByRole('button', { name: /violation.*Look before you build it/ });
  fireEvent.click(against);
  expect(shown()).toBe('More');
  expect(await screen.findByText(/14 AWG on a 20 A breaker/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /Look before you build it/ })).toBeNull();
});

test('what is there has no steps: what is told of it comes first', () => {
  const job = yardAsFound();
  const existing = job.wirings.find(({ kind }) => kind === 'existing');
  bench(job, 'rope-stair-light', existing?.id ?? '');
  expect(shown()).toBe('What is there');
  expect(panes().queryByRole('button', { name: 'Steps' })).toBeNull();
});

test('the bar is one line, and the rest stands behind one button', async () => {
  const job = yard();
  const { store } = show(<TopBar job={job} circuit={job.circuits[0] ?? null} screen="" wiring={null} />, {
    job,
  });
  expect(screen.queryByLabelText('Code edition')).toBeNull();
  press('More of this job');
  fireEvent.change(await screen.findByLabelText('Code edition'), { target: { value: '2020' } });
  expect(jobOf(store).edition).toBe(2020);
  fireEvent.click(screen.getByRole('button', { name: '15 A · 14 AWG' }));
  fireEvent.change(await screen.findByLabelText('Breaker'), { target: { value: '20' } });
  await waitFor(() => expect(jobOf(store).circuits[0]?.breaker).toBe(20));
});

test('it looks as this browser likes it: light until it is said, dark, or as the device has it', () => {
  const look = () => document.documentElement.dataset['look'];
  expect(lookNow()).toBe('light');
  takeLook('dark');
  expect([look(), lookNow()]).toEqual(['dark', 'dark']);
  takeLook('device');
  expect([look(), lookNow()]).toEqual(['light', 'device']);
  seenAs({ dark: true });
  takeLook('device');
  expect(look()).toBe('dark');
  takeLook('light');
  expect(look()).toBe('light');
});

import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { newJob, reviewJob, standardStock, type JobId } from '@amber/core';
import { StartCircuit } from '../src/screens/start/StartCircuit.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace, silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const Start = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <StartCircuit job={job} /> : null;
};
const pick = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));
const wayCards = () => within(screen.getByRole('radiogroup', { name: 'How it runs' })).getAllByRole('radio');
const ways = () => wayCards().map((one) => one.getAttribute('aria-label'));
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const emptyJob = () => newJob('new-house' as JobId, 'New house', standardStock());

test('the everyday ways are there for each number of switches, and the one that is picked is how the circuit is wired', () => {
  const { store } = show(<Start />, { job: yard() });
  pick('Without a plan');
  expect(ways()).toContain('Light between the switches');
  expect(ways()).not.toContain('Power at the middle switch, the others to either side');
  fireEvent.change(screen.getByLabelText(/^Switch locations/), { target: { value: '3' } });
  expect(ways()).toContain('Power at the middle switch, the others to either side');
  const light = screen.getByRole('radio', { name: 'Power at the light, down to the switches' });
  // Each is drawn, priced by guesses, and judged.
  expect(within(light).getByText(/^about \$/)).toBeTruthy();
  expect(light.textContent).toMatch(/Against:.*lengths at a guess/);
  fireEvent.click(light);
  fireEvent.change(screen.getByLabelText('Room'), { target: { value: 'Sail store' } });
  fireEvent.click(screen.getByRole('button', { name: 'Plan it' }));
  const job = jobOf(store);
  const circuit = job.circuits.find(({ name }) => name === 'Sail store');
  const choice = job.choices.find((one) => one.circuit === circuit?.id);
  const lamp = job.luminaires.find(({ group }) =>
    job.groups.some((one) => one.id === group && one.circuit === circuit?.id),
  );
  expect(choice?.runs.find(({ from }) => from === 'panel')?.to).toBe(lamp?.box);
  const plan = reviewJob(job).plans.find((one) => one.circuit.id === circuit?.id);
  expect(plan?.outcome.ok).toBe(true);
});

test('where nothing is picked the first is taken, as a master would choose', () => {
  const { store } = show(<Start />, { job: yard() });
  pick('Without a plan');
  const [first] = wayCards();
  expect(first?.getAttribute('aria-checked')).toBe('true');
  fireEvent.click(screen.getByRole('button', { name: 'Plan it' }));
  const job = jobOf(store);
  const circuit = job.circuits.at(-1);
  const entry = job.choices
    .find((one) => one.circuit === circuit?.id)
    ?.runs.find(({ from }) => from === 'panel')?.to;
  expect(job.slots.some(({ box }) => box === entry)).toBe(true);
});

test('an everyday place is measured here and named, what a master would choose comes first, and the bench has it wired', async () => {
  plannerInPlace();
  const { store, where } = show(<Start />, { job: emptyJob() });
  pick('A hall with two ways in');
  expect(screen.queryByLabelText('Where')).toBeNull();
  fireEvent.change(screen.getByLabelText('Left to right'), { target: { value: '24-0' } });
  fireEvent.blur(screen.getByLabelText('Left to right'));
  fireEvent.change(screen.getByLabelText('Room'), { target: { value: 'Net hall' } });
  await screen.findByText(/a master would choose/);
  press('Plan it');
  const job = jobOf(store);
  expect(job.rooms).toMatchObject([{ name: 'Net hall', kind: 'hallway' }]);
  expect(Math.max(...(job.rooms[0]?.outline ?? []).map(({ x }) => x))).toBe(288);
  const [circuit] = job.circuits;
  await waitFor(() =>
    expect(where()).toBe(`/jobs/new-house/circuits/${encodeURIComponent(circuit?.id ?? '')}`),
  );
  const review = reviewJob(job);
  expect(review.proofs).toMatchObject([{ working: 4, of: 4 }]);
  // The first way was taken: power enters at a switch.
  const entry = job.choices[0]?.runs.find(({ from }) => from === 'panel')?.to;
  expect(job.slots.some(({ box }) => box === entry)).toBe(true);
}, 30_000);

test('a room that is too small to walk through is told, and nothing is begun of it', () => {
  const { store } = show(<Start />, { job: emptyJob() });
  pick('A garage');
  fireEvent.change(screen.getByLabelText('Top to bottom'), { target: { value: '1-0' } });
  fireEvent.blur(screen.getByLabelText('Top to bottom'));
  expect(screen.getByRole('alert').textContent).toMatch(/2'-6" at least/);
  expect(screen.getByRole('button', { name: 'Plan it' })).toHaveProperty('disabled', true);
  fireEvent.submit(screen.getByLabelText('Room').closest('form') as HTMLFormElement);
  expect(jobOf(store).circuits).toEqual([]);
});

test('what is there already is put on the plan as it is and not wired; its room may be one that is measured', async () => {
  const { store, where } = show(<Start />, { job: yard() });
  const before = jobOf(store);
  pick('Something does not work');
  expect(screen.getByRole('link', { name: /^Ropewalk/ }).getAttribute('href')).toBe(
    '/jobs/heron-yard/circuits/ropewalk-lights/prove?find',
  );
  press('Pick the place');
  const store1 = before.rooms.find(({ name }) => name === 'Net store');
  fireEvent.change(screen.getByLabelText('Where'), { target: { value: store1?.id } });
  expect(screen.queryByLabelText('Left to right')).toBeNull();
  expect(screen.queryByRole('radiogroup', { name: 'How it runs' })).toBeNull();
  press('Tell what is there');
  const job = jobOf(store);
  const made = job.boxes.filter(({ id }) => !before.boxes.some((one) => one.id === id));
  expect(made.map(({ work, room }) => [work, room])).toEqual([
    ['existing', store1?.id],
    ['existing', store1?.id],
  ]);
  expect(job.choices.some(({ circuit }) => circuit === job.circuits.at(-1)?.id)).toBe(false);
  // The bench opens as it is: there its cables are told.
  const existing = job.wirings.find(({ kind }) => kind === 'existing');
  await waitFor(() => expect(where()).toContain(`wiring=${existing?.id}`));
});

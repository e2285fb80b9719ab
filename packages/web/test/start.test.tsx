import { fireEvent, screen, within } from '@testing-library/react';
import { reviewJob } from '@amber/core';
import { StartCircuit } from '../src/screens/start/StartCircuit.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
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
const ways = () => screen.getAllByRole('radio').map((one) => one.getAttribute('aria-label'));

test('the everyday ways are there for each number of switches, and the one that is picked is how the circuit is wired', () => {
  const { store } = show(<Start />, { job: yard() });
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
  const [first] = screen.getAllByRole('radio');
  expect(first?.getAttribute('aria-checked')).toBe('true');
  fireEvent.click(screen.getByRole('button', { name: 'Plan it' }));
  const job = jobOf(store);
  const circuit = job.circuits.at(-1);
  const entry = job.choices
    .find((one) => one.circuit === circuit?.id)
    ?.runs.find(({ from }) => from === 'panel')?.to;
  expect(job.slots.some(({ box }) => box === entry)).toBe(true);
});

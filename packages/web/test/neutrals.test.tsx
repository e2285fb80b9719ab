import { fireEvent, screen, within } from '@testing-library/react';
import { Neutrals } from '../src/panels/circuit/Neutrals.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const Stated = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <Neutrals job={job} circuit={circuitOf(job, id)} /> : null;
};

test('the neutral is stated switch by switch, with the rule beside it, and what is against it is said to be', () => {
  const { store } = show(<Stated id="tar-store-light" />, { job: yard() });
  const list = screen.getByRole('region', { name: 'Neutral at each switch' });
  expect(within(list).getByText(/404\.2\(C\)/)).toBeTruthy();
  const [slot] = jobOf(store).slots.filter(({ box }) => box === 'tar-door');
  fireEvent.change(within(list).getByLabelText('Tar store door'), { target: { value: 'none' } });
  expect(jobOf(store).slots.find(({ id }) => id === slot?.id)?.neutral).toBe('none');
  fireEvent.change(within(list).getByLabelText('Tar store door'), { target: { value: 'brought' } });
  expect(jobOf(store).slots.find(({ id }) => id === slot?.id)?.neutral).toBe('brought');
  expect(within(list).queryByText('Against the rule.')).toBeNull();
});

test('two switches in one box are told by what they control', () => {
  show(<Stated id="galley-lights" />, { job: yard() });
  const names = screen
    .getAllByRole('combobox')
    .map((one) => (one as HTMLSelectElement).labels[0]?.textContent);
  expect(new Set(names).size).toBe(names.length);
  expect(names.length).toBeGreaterThan(1);
});

import { fireEvent, screen, within } from '@testing-library/react';
import { beforePower, type BeforePower } from '@amber/core';
import { ProveScreen } from '../src/screens/prove/ProveScreen.js';
import { reviewOf } from '../src/store/review.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, show, works } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  plannerInPlace();
  localStorage.clear();
});

const Prove = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <ProveScreen job={job} circuit={circuitOf(job, id)} /> : null;
};

const openAt = (id: string) => {
  const shown = show(<Prove id={id} />, { job: few(id) });
  fireEvent.click(screen.getByRole('tab', { name: /^Before power/ }));
  return shown;
};

/** What the buttons of a reading are called by: the link wire under which it stands, and what is done. */
const named = ({ link, step }: BeforePower['readings'][number]) => (link === null ? step : `${link} ${step}`);

/** What was worked out of a circuit beside the page, worked out here. */
const toldOf = (job: ReturnType<typeof few>, id: string): BeforePower => {
  const told = beforePower(reviewOf(job), id as never);
  if (typeof told === 'string') throw new Error(told);
  return told;
};

test('every dead reading is asked for with what is expected, by its link wire, and what they cannot see is told', async () => {
  const { store } = openAt('ropewalk-lights');
  const told = toldOf(jobOf(store), 'ropewalk-lights');
  expect(
    await screen.findByText(
      `${told.readings.length} readings show ${told.mistakes.length} of ${told.tried} single mistakes in the splices of Ropewalk.`,
    ),
  ).toBeTruthy();
  for (const one of told.readings) {
    const under = screen.getByRole('region', { name: one.link ?? 'Without a link wire' });
    expect(within(under).getByRole('button', { name: `As expected: ${named(one)}` })).toBeTruthy();
  }
  expect(screen.getByText(/^Before power is there: no device in/)).toBeTruthy();
  const blind = screen.getByRole('region', { name: 'What they cannot see' });
  expect(within(blind).getByText(/^Anything at a screw/)).toBeTruthy();
  // Nobody answers before it is known who reads.
  for (const one of screen.getAllByRole<HTMLButtonElement>('button', { name: /^As expected: / }))
    expect(one.disabled).toBe(true);
});

test('a reading that comes out otherwise names the mistakes that give it, fewer with each reading more, and is taken back', async () => {
  const { store } = openAt('ropewalk-lights');
  const told = toldOf(jobOf(store), 'ropewalk-lights');
  works('Somebody else');
  const [mistake] = told.mistakes.filter(({ shows }) => shows.some(Boolean));
  if (!mistake) throw new Error('No reading shows anything.');
  const answer = async (at: number) => {
    const name = `${mistake.shows[at] ? 'Not so' : 'As expected'}: ${named(told.readings[at]!)}`;
    fireEvent.click(await screen.findByRole('button', { name }));
  };
  const first = mistake.shows.findIndex(Boolean);
  await answer(first);
  const fits = (answered: readonly number[]) =>
    told.mistakes.filter(({ shows }) => answered.every((at) => shows[at] === mistake.shows[at])).length;
  const words = (count: number) => (count === 1 ? 'One mistake gives this:' : `${count} mistakes give this`);
  expect(screen.getByRole('alert').textContent).toContain(words(fits([first])));
  const others = told.readings.map((_, at) => at).filter((at) => at !== first);
  for (const at of others) await answer(at);
  const left = fits(told.readings.map((_, at) => at));
  expect(left).toBeLessThanOrEqual(fits([first]));
  expect(screen.getByRole('alert').textContent).toContain(words(left));
  if (left <= 8)
    expect(screen.getByRole('alert').textContent).toContain(`${mistake.where}: ${mistake.what}.`);
  const records = store.getState().records.pending.map(({ record }) => record);
  expect(records).toHaveLength(told.readings.length);
  for (const one of told.readings.filter((_, at) => mistake.shows[at]))
    fireEvent.click(screen.getByRole('button', { name: `Take back: ${named(one)}` }));
  expect(screen.queryByRole('alert')).toBeNull();
});

test('a circuit of which part is there already is never read dead as a whole', async () => {
  openAt('winch-lights');
  expect(await screen.findByText(/^Part of this circuit is there already and may be live\./)).toBeTruthy();
  expect(screen.queryByRole('button', { name: /^As expected: / })).toBeNull();
});

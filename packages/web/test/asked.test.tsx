import { fireEvent, screen, within } from '@testing-library/react';
import { findPlans, forcedEntry, setRunFact, type Job, type PlanSet } from '@amber/core';
import { Asked } from '../src/screens/runs/Asked.js';
import { boxesOf } from '../src/plan/view.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, press, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const ID = 'ropewalk-lights';

/** What is asked of the ropewalk, in the job as it is then. */
const Shown = ({ found }: { found: PlanSet }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <Asked job={job} circuit={circuitOf(job, ID)} found={found} /> : null;
};

const ask = (job: Job) => show(<Shown found={findPlans(job, ID as never, { mostSteps: 50_000 })} />, { job });
const runs = () => screen.getByRole('region', { name: 'Runs of which something is asked' });
/** The box that power is asked to enter. */
const entryOf = (job: Job) => forcedEntry(job, boxesOf(job, ID as never));

test('where power enters is asked for with a button of its own, and may be wherever is best again', () => {
  const { store } = ask(few(ID));
  const where = screen.getByLabelText<HTMLSelectElement>('Power enters');
  expect(screen.queryByRole('button', { name: 'Ask for it' })).toBeNull();
  const names = [...where.options].map(({ text }) => text);
  expect(names).toEqual(expect.arrayContaining(['wherever is best', 'at Creek end', 'at Yard end']));
  const yardEnd = [...where.options].find(({ text }) => text === 'at Yard end')?.value ?? '';
  fireEvent.change(where, { target: { value: yardEnd } });
  // To look at another is no demand yet.
  expect(entryOf(jobOf(store))).toBeNull();
  press('Ask for it');
  expect(entryOf(jobOf(store))).toBe(yardEnd);
  expect(screen.queryByRole('button', { name: 'Ask for it' })).toBeNull();
  fireEvent.change(where, { target: { value: '' } });
  press('Ask for it');
  expect(entryOf(jobOf(store))).toBeNull();
});

test('what is asked of a run stands in feet and inches with its ends, and is taken back one by one', () => {
  const job = few(ID);
  const [a, b] = ['creek-end', 'yard-end'] as never[];
  const [first] = job.luminaires.map(({ box }) => box);
  const asked = setRunFact(
    setRunFact(job, a as never, b as never, { rule: 'forbidden', length: 706 }),
    b as never,
    first as never,
    { rule: 'forced' },
  );
  const { store } = ask(asked);
  const row = (words: RegExp) =>
    within(runs())
      .getAllByRole('listitem')
      .filter(({ textContent }) => words.test(textContent));
  const forbidden = /^Creek end to Yard end must not be taken, measured 58'-10"/;
  const forced = /^Yard end to .* must be taken/;
  const before = row(/./).length;
  expect([row(forbidden).length, row(forced).length]).toEqual([1, 1]);
  fireEvent.click(within(row(forbidden)[0]!).getByRole('button', { name: 'Take back' }));
  expect([row(forbidden).length, row(forced).length]).toEqual([0, 1]);
  expect(jobOf(store).runFacts.flatMap(({ rule }) => rule ?? [])).toEqual(['forced']);
  fireEvent.click(within(row(forced)[0]!).getByRole('button', { name: 'Take back' }));
  expect(row(/./)).toHaveLength(before - 2);
});

test('where nothing is asked it says how to ask', () => {
  ask({ ...few(ID), runFacts: [] });
  expect(within(runs()).getByText(/^Nothing is asked of any run/)).toBeTruthy();
});

test('a neutral at every switch is a habit of the whole job, with what it costs here', () => {
  const { store } = ask(few(ID));
  const every = screen.getByRole<HTMLInputElement>('checkbox', {
    name: /^A neutral at every switch of the job/,
  });
  expect(every.checked).toBe(false);
  expect(every.closest('label')?.textContent).toMatch(/, (\$[\d.]+ more here|nothing more here)$/);
  fireEvent.click(every);
  expect(jobOf(store).preferences.neutral).toBe('everySwitch');
  expect(every.closest('label')?.textContent).toBe('A neutral at every switch of the job');
  fireEvent.click(every);
  expect(jobOf(store).preferences.neutral).toBe('byEdition');
});

test('who has said nothing of where power comes from is sent to say it', () => {
  const job = few(ID);
  ask({ ...job, feeds: [] });
  expect(screen.getByText(/^Nobody has said where its power comes from\./)).toBeTruthy();
  expect(screen.queryByLabelText('Power enters')).toBeNull();
});

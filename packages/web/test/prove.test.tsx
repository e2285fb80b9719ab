import { act, fireEvent, screen, within } from '@testing-library/react';
import { sheetOf } from '@amber/core';
import { ProveScreen } from '../src/screens/prove/ProveScreen.js';
import { recorded } from '../src/store/recordSlice.js';
import { reviewOf } from '../src/store/review.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, press, show, works } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  localStorage.clear();
});

const Prove = ({ id = null }: { id?: string | null }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <ProveScreen job={job} circuit={id === null ? null : circuitOf(job, id)} /> : null;
};

test('a pair is walked from where its handles are, each answer is one on record, and every set comes once', () => {
  const { store } = show(<Prove id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  const answer = () => screen.getByRole<HTMLButtonElement>('button', { name: 'As expected' });
  expect(answer().disabled).toBe(true);
  works('Somebody else');
  // The far handle stands down when the walk begins.
  press(/^Yard end: up\. Flip\.$/);
  expect(screen.getByText('Move nothing: look at it as it is.')).toBeTruthy();
  const told: (string | null)[] = [];
  for (let i = 0; i < 4; i++) {
    if (i > 0) told.push(screen.getByText(/^Move the handle at/).textContent);
    fireEvent.click(answer());
  }
  expect(
    told.every((words) => /^Move the handle at (Creek|Yard) end to (up|down)\.$/.test(words ?? '')),
  ).toBe(true);
  expect(screen.getByText(/Every set of positions was tried/)).toBeTruthy();
  const records = store.getState().records.pending.map(({ record }) => record);
  expect(records.map(({ kind, by, body }) => [kind, by, body['met']])).toEqual(
    Array.from({ length: 4 }, () => ['testStep', 'JS', true]),
  );
  const { rows } = sheetOf(reviewOf(jobOf(store)), null).groups[0]!;
  expect(records.map(({ about }) => about.id).sort()).toEqual(rows.map(({ id }) => id).sort());
  expect(screen.getByText('Every group was tried in every position.')).toBeTruthy();
  fireEvent.click(screen.getAllByRole('button', { name: /^Take back: / })[0]!);
  expect(screen.getByText('Not proved yet.')).toBeTruthy();
});

test('handles stand as the last answer left them, whoever gave it, and one that is taken back moves none', () => {
  const { store } = show(<Prove id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  works('Somebody else');
  press('As expected');
  press('As expected');
  const standing = () =>
    within(screen.getByRole('group', { name: 'The handles as they are now' }))
      .getAllByRole('button')
      .map((one) => one.getAttribute('aria-label'));
  const before = standing();
  expect(screen.getByText(/^As the last answer left them \(JS,/)).toBeTruthy();
  // Somebody else answers, on another device, and has moved a handle for it.
  const { rows } = sheetOf(reviewOf(jobOf(store)), null).groups[0]!;
  const answered = new Set(store.getState().records.pending.map(({ record }) => record.about.id));
  const row = rows.find(({ id }) => !answered.has(id))!;
  const about = { kind: 'fact' as const, id: row.id, wiring: null, revision: null, hash: row.hash };
  act(
    () =>
      void store.dispatch(
        recorded(jobOf(store).id, 'testStep', about, { expected: row.expect, met: true, saw: '' }, 'QW'),
      ),
  );
  expect(screen.getByText(/^As the last answer left them \(QW,/)).toBeTruthy();
  expect(standing()).not.toEqual(before);
  const after = standing();
  fireEvent.click(screen.getAllByRole('button', { name: /^Take back: / })[0]!);
  expect(standing()).toEqual(after);
});

test('what is not as expected stops the walk until it is mended; a breaker that tripped stops every group on it', () => {
  show(<Prove id="galley-lights" />, { job: few('galley-lights') });
  works('An electrician');
  press('Not so');
  press('the breaker tripped');
  expect(screen.getByRole('alert').textContent).toMatch(
    /stop here.*Breaker off, and proved dead.*not tried again/s,
  );
  expect(screen.queryByRole('button', { name: 'As expected' })).toBeNull();
  const groups = screen.getByLabelText<HTMLSelectElement>('Group');
  const other = [...groups.options].find(({ value }) => value !== groups.value)!;
  const first = groups.value;
  fireEvent.change(groups, { target: { value: other.value } });
  expect(screen.getByRole('alert').textContent).toMatch(
    /breaker of this circuit tripped at .*: leave it off/,
  );
  // Nothing else on that breaker is touched either.
  fireEvent.click(screen.getByRole('tab', { name: /^Points to touch/ }));
  expect(screen.getAllByRole('alert').length).toBeGreaterThan(3);
  expect(screen.queryByRole('button', { name: 'As expected' })).toBeNull();
  fireEvent.click(screen.getByRole('tab', { name: 'Test sheet' }));
  fireEvent.change(screen.getByLabelText('Group'), { target: { value: first } });
  press(/It is mended/);
  press('Not so');
  fireEvent.change(screen.getByLabelText('Something else that was seen'), { target: { value: 'smoke' } });
  press('Say it');
  const answered = within(screen.getByRole('list', { name: /^Answers of/ }));
  expect(answered.getByText('seen: smoke')).toBeTruthy();
  // One that is wrong and did not trip leaves the others to be tried.
  fireEvent.change(screen.getByLabelText('Group'), { target: { value: other.value } });
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.getByText(/^Expect:/)).toBeTruthy();
});

test('of what nobody has looked into nothing is expected: what is seen is put on record', () => {
  const { store } = show(<Prove id="rope-stair-light" />, { job: few('rope-stair-light') });
  works('An electrician');
  expect(screen.getByText(/Nobody has looked into it, so nothing is expected/)).toBeTruthy();
  press('lit');
  const [{ record } = { record: null }] = store.getState().records.pending;
  expect(record?.body).toEqual({ expected: 'not known', met: true, saw: 'lit' });
});

test('live readings are shown to an electrician alone, asked for each day; who signs is one', async () => {
  const { store } = show(<Prove id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  works('Somebody else');
  fireEvent.click(screen.getByRole('tab', { name: /^Points to touch/ }));
  expect(screen.queryAllByText(/Live reading/)).toEqual([]);
  expect(screen.getByText(/3 live readings are for an electrician/)).toBeTruthy();
  fireEvent.click(screen.getByRole('tab', { name: 'Sign' }));
  const sign = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Sign: Rough-in' });
  expect(sign().disabled).toBe(true);
  press('Change');
  press('An electrician');
  fireEvent.click(sign());
  // A tab is pressed again in a turn of its own.
  await act(() => Promise.resolve());
  expect(screen.getByRole('button', { name: 'Take back: Rough-in' })).toBeTruthy();
  expect(store.getState().records.pending.at(-1)?.record).toMatchObject({
    kind: 'signOff',
    body: { stage: 'roughIn', initials: 'JS' },
  });
  fireEvent.click(screen.getByRole('tab', { name: /^Points to touch/ }));
  expect(screen.getAllByText(/Live reading, for qualified people alone/)).toHaveLength(3);
  // Yesterday's answer is not today's.
  localStorage.setItem(
    'amber-works',
    JSON.stringify({ initials: 'JS', electrician: true, day: 'yesterday' }),
  );
  show(<Prove id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  expect(screen.getAllByText('Who works here today').length).toBeGreaterThan(0);
});

test('where a box bites is told with what shows it; a live reading is named to an electrician alone, and nothing of what is not known', async () => {
  plannerInPlace();
  show(<Prove />, { job: few('galley-lights', 'rope-stair-light') });
  works('Somebody else');
  fireEvent.click(screen.getByRole('tab', { name: 'Where it bites' }));
  const pick = (name: string) => {
    const boxes = screen.getByLabelText<HTMLSelectElement>('Box');
    const box = [...boxes.options].find(({ text }) => text === name);
    fireEvent.change(boxes, { target: { value: box?.value } });
  };
  pick('Galley door');
  const bites = within(await screen.findByRole('list', { name: 'Where Galley door bites' }));
  expect(bites.getAllByText(/Shelf light.* would not be grounded$/).length).toBeGreaterThan(0);
  expect(bites.getAllByText(/^Dead: there must be continuity/).length).toBeGreaterThan(0);
  expect(bites.queryByText(/^Live, by an electrician/)).toBeNull();
  expect(bites.getAllByText(/a live reading, for an electrician/).length).toBeGreaterThan(0);
  press('Change');
  press('An electrician');
  expect(bites.getAllByText(/^Live, by an electrician/).length).toBeGreaterThan(0);
  pick('Stair foot');
  expect(await screen.findByText(/Not all of its circuits is known/)).toBeTruthy();
}, 60_000);

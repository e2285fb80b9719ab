import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { setBoxArticles, withoutCircuit, type BoxId, type Job, type Outcome } from '@amber/core';
import { CheckScreen } from '../src/screens/check/CheckScreen.js';
import { sayCost } from '../src/panels/findings/OutcomeWords.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace, silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
  Element.prototype.scrollIntoView = () => undefined;
});

const Check = ({ id = null }: { id?: string | null }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <CheckScreen job={job} circuit={id === null ? null : circuitOf(job, id)} /> : null;
};

const KEPT = ['landing-lights', 'slip-light', 'ropewalk-lights'];
/** Three circuits of the yard, one ceiling box of them far too small. */
const crowded = (): Job => {
  const whole = yard();
  const few = whole.circuits
    .filter(({ id }) => !KEPT.includes(id))
    .reduce((job, { id }) => withoutCircuit(job, id), whole);
  return setBoxArticles(few, 'slip' as BoxId, ['pancake-4' as never]);
};

const ready = (walk: 'roughIn' | 'final') => screen.getByTestId(`ready-${walk}`).textContent ?? '';
const stop = (name: string) => screen.findByRole('region', { name });
const tab = (name: RegExp) => fireEvent.click(screen.getByRole('tab', { name }));

test('what was seen is counted, signed, and taken back; the sentence never says that anything is approved', async () => {
  const { store } = show(<Check />, { job: crowded() });
  const box = within(await stop('Box Creek end'));
  const before = /(\d+) things? to see/.exec(ready('roughIn'))?.[1];
  fireEvent.change(screen.getByLabelText('Initials'), { target: { value: 'RF' } });
  const [tick] = box.getAllByRole<HTMLInputElement>('checkbox');
  if (!tick) throw new Error('nothing to see');
  fireEvent.click(tick);
  expect(box.getByText(/^Seen by RF today/)).toBeTruthy();
  expect(ready('roughIn')).toContain(`${Number(before) - 1} things to see`);
  const records = store.getState().records.pending.map(({ record }) => record);
  expect(records).toMatchObject([
    { kind: 'seen', by: 'RF', about: { kind: 'fact', wiring: 'wiring:planned' } },
  ]);
  fireEvent.click(tick);
  expect(ready('roughIn')).toContain(`${before ?? ''} things to see`);
  fireEvent.click(box.getByRole('button', { name: /^All seen at/ }));
  expect(box.getAllByRole<HTMLInputElement>('checkbox').every(({ checked }) => checked)).toBe(true);
  expect(document.body.textContent).not.toMatch(/approved|passes/i);
});

test('the box is changed: what was seen in it says so, and counts as open', async () => {
  const { store } = show(<Check />, { job: crowded() });
  const box = within(await stop('Box Slip mast'));
  // Nobody has said who is there: nothing is signed.
  const all = box.getByRole<HTMLButtonElement>('button', { name: /^All seen at/ });
  expect(all.disabled).toBe(true);
  expect(box.getAllByRole<HTMLInputElement>('checkbox').every(({ disabled }) => disabled)).toBe(true);
  fireEvent.change(screen.getByLabelText('Initials'), { target: { value: 'RF' } });
  fireEvent.click(all);
  expect(box.queryByText(/Changed since/)).toBeNull();
  plannerInPlace();
  fireEvent.click(box.getByRole('button', { name: 'What it costs to mend' }));
  const offers = await box.findByRole('list', { name: 'Remedies' });
  expect(within(offers).getByText('Settles')).toBeTruthy();
  expect(within(offers).getByText(/^\$\d+\.\d\d (more|less)|^No cost/)).toBeTruthy();
  const [first] = within(offers).getAllByRole('button', { name: /^Do it/ });
  if (!first) throw new Error('no remedy');
  fireEvent.click(first);
  await waitFor(() =>
    expect(jobOf(store).boxes.find(({ id }) => id === 'slip')?.article).not.toBe('pancake-4'),
  );
  expect((await within(await stop('Box Slip mast')).findAllByText(/Changed since/)).length).toBeGreaterThan(
    0,
  );
  expect(screen.getByRole('button', { name: /^Rough-in/ }).textContent).toContain('changed since');
});

test('a finding is told as deep as is asked, and its place is one tap away', async () => {
  show(<Check />, { job: crowded() });
  const box = within(await stop('Box Slip mast'));
  expect(
    within(screen.getByRole('region', { name: 'To mend first' })).getByRole('button', { name: /Slip mast/ }),
  ).toBeTruthy();
  expect(box.queryByText(/314\.16, the 2023 edition/)).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'The code' }));
  expect(box.getByText(/314\.16, the 2023 edition/)).toBeTruthy();
  // At the final walk what is open of the rough-in counts too, and is not listed again.
  fireEvent.click(screen.getByRole('button', { name: /^Final/ }));
  expect(ready('final')).toMatch(/Not ready for the final inspection: .*violation/);
  expect(screen.queryByRole('region', { name: 'To mend first' })).toBeNull();
});

test('every remedy below a price is looked at and taken at once; a price that is none is refused in words', async () => {
  plannerInPlace();
  const { store } = show(<Check />, { job: crowded() });
  await stop('Box Slip mast');
  const price = screen.getByLabelText('All remedies that cost under, dollars');
  fireEvent.change(price, { target: { value: '-3' } });
  expect(screen.getByRole('alert').textContent).toBe('A price from 0 to 100000');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Look' }).disabled).toBe(true);
  fireEvent.change(price, { target: { value: '5' } });
  fireEvent.click(screen.getByRole('button', { name: 'Look' }));
  const together = within(await screen.findByRole('region', { name: 'Remedies together' }));
  // Looked at, nothing is changed yet.
  expect(jobOf(store).boxes.find(({ id }) => id === 'slip')?.article).toBe('pancake-4');
  fireEvent.click(together.getByRole('button', { name: /^Take/ }));
  expect(jobOf(store).boxes.find(({ id }) => id === 'slip')?.article).not.toBe('pancake-4');
  expect(ready('roughIn')).not.toContain('violation');
});

test('questions of one kind are answered for all alike; what each answer changes is told before', async () => {
  plannerInPlace();
  const job = crowded();
  const asked: Job = { ...job, rooms: job.rooms.map((room) => ({ ...room, kind: 'unknown' as const })) };
  const { store } = show(<Check />, { job: asked });
  await stop('Box Creek end');
  tab(/^Questions · \d+/);
  const rooms = within(screen.getByRole('region', { name: 'About the rooms' }));
  fireEvent.click(rooms.getByRole('button', { name: /^All \d+ alike: what each/ }));
  const changes = await rooms.findByRole('list', { name: 'What each answer would change' });
  expect(within(changes).getAllByText('Settles').length).toBeGreaterThan(0);
  const open = () =>
    Number(/\d+/.exec(screen.getByRole('tab', { name: /^Questions/ }).textContent ?? '')?.[0] ?? 0);
  const before = open();
  fireEvent.change(rooms.getByLabelText(/^All \d+ alike: What kind/), { target: { value: 'hallway' } });
  const kinds = () =>
    jobOf(store)
      .rooms.filter(({ id }) => asked.groups.some((group) => group.room === id))
      .map(({ kind }) => kind);
  expect(new Set(kinds())).toEqual(new Set(['hallway']));
  await waitFor(() => expect(open()).toBeLessThan(before));
  // What was answered stays in its row, and is put right there.
  const [one] = rooms.getAllByLabelText<HTMLSelectElement>(/^What kind of room is (?!…)/);
  if (!one) throw new Error('no row is left');
  expect(one.value).toBe('hallway');
  fireEvent.change(one, { target: { value: 'garage' } });
  expect(kinds().filter((kind) => kind === 'garage')).toHaveLength(1);
  expect(rooms.getByLabelText<HTMLSelectElement>(/^All \d+ alike: What kind/).value).toBe('');
});

test('one circuit is walked alone, with what is to be seen of it and of no other', async () => {
  show(<Check id="slip-light" />, { job: crowded() });
  await stop('Box Slip mast');
  expect(screen.queryByRole('region', { name: 'Box Creek end' })).toBeNull();
  expect(screen.getByRole('link', { name: 'The whole job' }).getAttribute('href')).toBe(
    `/jobs/${yard().id}/check`,
  );
});

test('the sheet has every box with its fill, the neutrals as they are known, and what is open', async () => {
  show(<Check />, { job: yard() });
  await stop('Box Creek end');
  tab(/^Sheet/);
  const sheet = within(screen.getByRole('article', { name: 'Sheet for the inspector' }));
  const row = (part: string, name: RegExp) =>
    within(sheet.getByRole('region', { name: new RegExp(`^${part}`) })).getByRole('row', { name });
  expect(row('Boxes', /^Creek end/).textContent).toContain('16.0 of 20.0 in³');
  expect(row('Neutral', /^Stair head/).textContent).toContain('not known: nobody has looked');
  expect(row('Neutral', /^Creek end/).textContent).toContain('planned');
  expect(sheet.getByText(/^Nobody has looked into Loft ceiling and Stair head/)).toBeTruthy();
  expect(sheet.getByText(/It licenses nothing/)).toBeTruthy();
});

test('a price is said with what it rests on, and not at all where that is not known', () => {
  const outcome: Outcome = {
    gone: [],
    come: [],
    cost: 12_300,
    unknown: '',
    about: false,
    minutes: 4,
    takeOff: [],
    boxes: [],
  };
  expect(sayCost(outcome)).toBe('$1.23 more, 4 minutes more');
  expect(sayCost({ ...outcome, cost: -12_300, minutes: -1 })).toBe('$1.23 less, 1 minute less');
  expect(sayCost({ ...outcome, cost: 0, minutes: 0 })).toBe('No cost');
  expect(sayCost({ ...outcome, about: true })).toMatch(/^About \$1\.23/);
  expect(sayCost({ ...outcome, cost: null, unknown: 'The breaker is not among what is priced here.' })).toBe(
    'Price not known. The breaker is not among what is priced here.',
  );
});

import type { queries } from '@testing-library/react';
import { fireEvent, screen, within } from '@testing-library/react';
import type { Job, SiteRecord } from '@amber/core';
import { CheckScreen } from '../src/screens/check/CheckScreen.js';
import { useAppSelector, type Store } from '../src/store/store.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
  Element.prototype.scrollIntoView = () => undefined;
});

const Check = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <CheckScreen job={job} circuit={null} /> : null;
};
const ready = (walk: 'roughIn' | 'final') => screen.getByTestId(`ready-${walk}`).textContent ?? '';
const onRecord = (store: Store): SiteRecord[] => store.getState().records.pending.map(({ record }) => record);

const opened = async (words: RegExp, job: Job = yard()) => {
  const { store } = show(<Check />, { job });
  await screen.findByTestId('ready-roughIn');
  fireEvent.click(screen.getByRole('tab', { name: words }));
  return store;
};
const part = (name: string) => within<typeof queries>(screen.getByRole('region', { name }));
type Part = ReturnType<typeof part>;
const fill = (view: Part, label: string | RegExp, value: string) =>
  fireEvent.change(view.getByLabelText(label), { target: { value } });
const press = (view: Part, name: string | RegExp) => fireEvent.click(view.getByRole('button', { name }));

test('a permit is noted once, and taken back where it was another', async () => {
  const store = await opened(/^Permit/);
  expect(part('Permit').getByRole<HTMLButtonElement>('button', { name: 'Note it' }).disabled).toBe(true);
  fill(part('Permit'), 'Permit number', ' EL-2291 ');
  fill(part('Permit'), 'Given by', 'Harbour office');
  press(part('Permit'), 'Note it');
  expect(part('Permit').getByText('EL-2291')).toBeTruthy();
  press(part('Permit'), 'It is another');
  expect(part('Permit').getByLabelText<HTMLInputElement>('Permit number').value).toBe('');
  // Nothing on record is changed or taken out: it is taken back by another record.
  expect(onRecord(store)).toMatchObject([
    { kind: 'permit', body: { number: 'EL-2291', authority: 'Harbour office' } },
    { kind: 'retraction', retracts: onRecord(store)[0]?.id },
  ]);
});

test('an inspection is noted with its day, and none without one', async () => {
  const store = await opened(/^Permit/);
  const inspections = part('Inspections');
  fill(inspections, 'On', '');
  expect(inspections.getByRole<HTMLButtonElement>('button', { name: 'Note it' }).disabled).toBe(true);
  fill(inspections, 'On', '2026-11-20');
  fill(inspections, 'Inspection', 'final');
  fill(inspections, 'It was', 'held');
  fill(inspections, 'What the inspector said', 'Nothing to correct.');
  press(inspections, 'Note it');
  expect(inspections.getByText('Final held').parentElement?.textContent).toContain('Nothing to correct.');
  expect(onRecord(store)).toMatchObject([
    { kind: 'inspection', body: { walk: 'final', state: 'held', on: '2026-11-20' } },
  ]);
  press(inspections, 'Take it back');
  expect(inspections.queryByText('Final held')).toBeNull();
});

test('a correction stands against its walk and the later one until it is cleared by who says how', async () => {
  const store = await opened(/^Permit/);
  const corrections = part('Corrections');
  fill(corrections, 'Where', 'yard-end');
  fill(corrections, 'What is to be put right', 'A plate at the second stud.');
  press(corrections, 'Note it');
  expect(ready('roughIn')).toContain('1 correction of the inspector to clear');
  expect(ready('final')).toContain('1 correction of the inspector to clear');
  expect(corrections.getByText(/Rough-in · Yard end/)).toBeTruthy();
  // Nobody has said who cleared it.
  expect(corrections.getByRole<HTMLButtonElement>('button', { name: 'Cleared' }).disabled).toBe(true);
  fireEvent.change(screen.getByLabelText('Initials'), { target: { value: 'RF' } });
  fill(corrections, /^How it was put right/, 'Plated.');
  press(corrections, 'Cleared');
  expect(corrections.getByText(/^Cleared today.*by RF: Plated\./)).toBeTruthy();
  expect(ready('roughIn')).not.toContain('correction');
  press(corrections, 'It is open still');
  expect(ready('roughIn')).toContain('1 correction of the inspector to clear');
  expect(onRecord(store).map(({ kind }) => kind)).toEqual(['correction', 'cleared', 'retraction']);
  press(corrections, 'Noted in error');
  expect(ready('final')).not.toContain('correction');
});

test('two editions stand side by side, and the job goes by the other with a tap', async () => {
  const store = await opened(/^Editions/);
  fireEvent.change(screen.getByLabelText('The other edition'), { target: { value: '2014' } });
  expect(part('Only by 2023').getByText(/Terminals tightened to their marked torque/)).toBeTruthy();
  expect(part('Only by 2014').getByText('Nothing that 2023 does not say too.')).toBeTruthy();
  press(part('Planned by 2014'), 'Go by 2014');
  expect(jobOf(store).edition).toBe(2014);
});

test('what the authority decides holds where it was said, with its note, and is taken out again', async () => {
  const store = await opened(/^Walk/);
  fireEvent.click(screen.getByRole('button', { name: /^Final/ }));
  const finding = within(
    within(screen.getByRole('region', { name: 'Box Yard end' }))
      .getByText(/a traveler runs on the re-identified white/)
      .closest('li') as HTMLElement,
  );
  press(finding, 'The local authority sees it otherwise');
  const where = finding.getByLabelText<HTMLSelectElement>('Where');
  expect([...where.options].map(({ text }) => text)).toEqual([
    'In the whole job',
    'In Ropewalk',
    'At Yard end alone',
  ]);
  fireEvent.change(where, { target: { value: '2' } });
  fill(finding, 'It is taken as', 'violation');
  fill(finding, 'Who says so, and why', 'The harbour inspector, by letter.');
  press(finding, 'Keep');
  expect(jobOf(store).amendments).toMatchObject([
    {
      kind: 'severity',
      scope: { box: 'yard-end' },
      severity: 'violation',
      note: 'The harbour inspector, by letter.',
    },
  ]);
  expect(part('To mend first').getByRole('button', { name: /a traveler runs on/ })).toBeTruthy();
  fireEvent.click(screen.getByRole('tab', { name: /^Editions/ }));
  const decided = part('What the authority decided');
  expect(decided.getByText('It touches 1 finding now.')).toBeTruthy();
  press(decided, 'Take it out');
  expect(jobOf(store).amendments).toEqual([]);
});

test('what nobody has looked into leads there, and cannot be ticked away', async () => {
  await opened(/^Walk/);
  const unseen = part('Old boxes to look into');
  const link = unseen.getByRole('link', { name: 'Stair head' });
  expect(link.getAttribute('href')).toMatch(/wiring=/);
  expect(ready('roughIn')).toContain('2 old boxes to look into');
  // A missing neutral names the box of which not all was seen.
  expect(
    await screen.findByText(/No neutral at Stair foot, Stair head \(not all of it was seen\)/),
  ).toBeTruthy();
});

import { jest } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { judgementSchema, labourSchema, standardStock, usualDefaults, wireAll, type Job } from '@amber/core';
import { OrderScreen } from '../src/screens/order/OrderScreen.js';
import { edited } from '../src/store/jobSlice.js';
import { useAppSelector } from '../src/store/store.js';
import { hallBegun } from '../../core/test/support/hall.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';
import { few } from './support/yard.js';

const blobs: Blob[] = [];
beforeEach(() => {
  fakeServer();
  plannerInPlace();
  localStorage.clear();
  blobs.length = 0;
  URL.createObjectURL = (blob) => {
    blobs.push(blob as Blob);
    return 'blob:x';
  };
  URL.revokeObjectURL = () => undefined;
  globalThis.print = jest.fn();
  HTMLAnchorElement.prototype.click = () => undefined;
});

const Order = ({ id = null }: { id?: string | null }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <OrderScreen job={job} circuit={id === null ? null : circuitOf(job, id)} /> : null;
};

/** Two circuits of the yard, so that little is planned again: one with a /4 cable. */
const two = (): Job => few('ropewalk-lights', 'tar-store-light');

const sign = () => fireEvent.change(screen.getByLabelText('Initials'), { target: { value: 'JS' } });
const tab = (name: RegExp) => fireEvent.click(screen.getByRole('tab', { name }));
const row = (name: string) => {
  const found = screen.getByRole('button', { name }).closest('tbody');
  if (!found) throw new Error(`no line of ${name}`);
  return within(found);
};

test('what is in the truck is not bought, and what came is ticked with initials and taken back', () => {
  const { store } = show(<Order />, { job: two() });
  expect(screen.getByText(/lines, \d+ to come: \$[\d,.]+ at the counter\./)).toBeTruthy();
  expect(row('14/4').getByText('28 ft', { selector: 'strong' })).toBeTruthy();
  fireEvent.change(row('14/4').getByLabelText('In the truck: 14/4'), { target: { value: '20' } });
  expect(row('14/4').getByText('8 ft', { selector: 'strong' })).toBeTruthy();
  expect(jobOf(store).order.fromTruck).toEqual({ '14-4': 20 });
  const came = () => row('14/4').getByRole<HTMLButtonElement>('button', { name: 'It came: 14/4' });
  expect(came().disabled).toBe(true);
  sign();
  fireEvent.click(came());
  expect(row('14/4').getByRole('button', { name: 'It did not come: 14/4' })).toBeTruthy();
  // More is needed than came: the rest is short.
  fireEvent.change(row('14/4').getByLabelText('In the truck: 14/4'), { target: { value: '15' } });
  expect(came().textContent).toBe('5 ft short');
  fireEvent.click(came());
  fireEvent.click(row('14/4').getByRole('button', { name: 'It did not come: 14/4' }));
  expect(came().textContent).toBe('It came');
});

test('luminaires are the owner’s until their price is typed in, and are then in the sum', () => {
  const { store } = show(<Order />, { job: two() });
  const line = screen
    .getAllByRole('button', { name: /^Luminaire/ })
    .map((one) => one.textContent)
    .at(0);
  if (!line) throw new Error('no luminaires');
  expect(row(line).getByText(/^\d+ from the owner$/)).toBeTruthy();
  fireEvent.click(row(line).getByRole('button', { name: line }));
  fireEvent.change(row(line).getByLabelText(`Price each: ${line}`), { target: { value: '42.5' } });
  expect(new Set(Object.values(jobOf(store).order.luminaires))).toEqual(new Set([425_000]));
  expect(row(line).queryByText(/from the owner$/)).toBeNull();
  fireEvent.change(row(line).getByLabelText(`Price each: ${line}`), { target: { value: '' } });
  expect(jobOf(store).order.luminaires).toEqual({});
});

test('a line is added by hand and taken off; one without a price is told, and then no customer’s sum is', () => {
  const { store } = show(<Order />, { job: two() });
  fireEvent.change(screen.getByLabelText('One more line'), { target: { value: 'Wall anchors' } });
  fireEvent.click(screen.getByRole('button', { name: 'Add' }));
  expect(jobOf(store).order.extra).toMatchObject([{ name: 'Wall anchors', price: null, quantity: 1 }]);
  expect(row('Wall anchors').getByText('no price')).toBeTruthy();
  expect(screen.getByText(/without 1 line without a price/)).toBeTruthy();
  tab(/^Labour/);
  expect(screen.getByText('No sum yet')).toBeTruthy();
  expect(screen.getByText('Not told, because Wall anchors has no price.')).toBeTruthy();
  tab(/^Buy/);
  fireEvent.click(screen.getByRole('button', { name: 'Wall anchors' }));
  fireEvent.click(screen.getByRole('button', { name: 'Off the list' }));
  expect(jobOf(store).order.extra).toEqual([]);
});

test('what is not at the counter is planned without, once it was seen what that changes, and is to be had again', async () => {
  const { store } = show(<Order />, { job: two() });
  fireEvent.click(screen.getByRole('button', { name: '14/4' }));
  fireEvent.click(screen.getByRole('button', { name: 'Not at the counter: 14/4' }));
  const take = await waitFor(() => screen.getByRole('button', { name: 'Plan without it' }));
  expect(screen.getByText(/^Without it: \$/)).toBeTruthy();
  fireEvent.click(take);
  expect(screen.queryByRole('button', { name: '14/4' })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: '14/4 is to be had again' }));
  expect(jobOf(store).stock.find(({ id }) => id === '14-4')?.absent).toBe(false);
}, 40_000);

test('where the shop counts its truck, what comes goes onto it, and what is pulled and fitted comes off it', async () => {
  const sent = fakeServer();
  const { store } = show(<Order />, { job: two() });
  let served = 0;
  const settle = async () => {
    for (let quiet = 0; quiet < 8; quiet++)
      await act(async () => {
        if (served < sent.length) quiet = 0;
        for (; served < sent.length; served++) {
          const { path, answer } = sent[served]!;
          if (path === '/api/catalog/truck')
            answer(200, {
              amounts: [
                { article: '14-4', amount: 12.5 },
                { article: 'lever-2', amount: 0 },
              ],
            });
          else if (path === '/api/catalog')
            answer(200, {
              ...{ articles: standardStock(), labour: labourSchema.parse({}) },
              ...{ judgement: judgementSchema.parse({}), defaults: { ...usualDefaults(), drawsDown: true } },
            });
        }
        await new Promise((resolve) => setTimeout(resolve, 3));
      });
  };
  await settle();
  const draws = () =>
    store.getState().records.pending.map(({ record }) => [record.kind, record.body['draws']]);
  expect(row('14/4').getByText(/truck has 12\.5 ft/)).toBeTruthy();
  fireEvent.click(row('14/4').getByRole('button', { name: 'Take 12 ft from the truck: 14/4' }));
  expect(jobOf(store).order.fromTruck).toEqual({ '14-4': 12 });
  sign();
  fireEvent.click(row('14/4').getByRole('button', { name: 'It came: 14/4' }));
  fireEvent.click(screen.getByRole('button', { name: 'Three-way switch, 15 A' }));
  const fitted = row('Three-way switch, 15 A').getByRole<HTMLInputElement>('checkbox', {
    name: 'Fitted in Creek end: Three-way switch, 15 A',
  });
  fireEvent.click(fitted);
  expect(fitted.checked).toBe(true);
  tab(/^Cut and pull/);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Pulled: number 1' }));
  const [came, fit, pulled] = draws();
  expect(came).toEqual(['delivered', { article: '14-4', amount: -16 }]);
  expect(fit).toEqual(['fitted', { article: expect.any(String) as string, amount: 1 }]);
  expect(pulled).toEqual([
    'pulled',
    { article: expect.stringContaining('14-') as string, amount: expect.any(Number) as number },
  ]);
  tab(/^Buy/);
  fireEvent.click(screen.getByRole('button', { name: 'Three-way switch, 15 A' }));
  fireEvent.click(row('Three-way switch, 15 A').getByRole('checkbox', { name: /^Fitted in Creek end/ }));
  expect(draws().at(-1)).toEqual(['retraction', undefined]);
});

test('another article is put where one goes, once it was seen what that changes', async () => {
  const { store } = show(<Order />, { job: two() });
  fireEvent.click(screen.getByRole('button', { name: 'Three-way switch, 15 A' }));
  const instead = screen.getByLabelText<HTMLSelectElement>('Instead of Three-way switch, 15 A');
  const other = [...instead.options].find(({ text }) => text.startsWith('Three-way switch, 20 A'));
  fireEvent.change(instead, { target: { value: other?.value } });
  const take = await waitFor(() => screen.getByRole('button', { name: 'Plan with it' }));
  expect(screen.getByText(/^With Three-way switch, 20 A instead: \$[\d.]+ more/)).toBeTruthy();
  fireEvent.click(take);
  expect(screen.queryByRole('button', { name: 'Three-way switch, 15 A' })).toBeNull();
  expect(screen.getByRole('button', { name: 'Three-way switch, 20 A' })).toBeTruthy();
  expect(jobOf(store).slots.some(({ article }) => article === other?.value)).toBe(true);
}, 40_000);

test('a cut is ticked when cut and when pulled; its run is measured anew, and the ticks fall open', () => {
  const { store } = show(<Order id="ropewalk-lights" />, { job: two() });
  tab(/^Cut and pull · 0 of/);
  const cut = () => screen.getByRole<HTMLInputElement>('checkbox', { name: 'Cut: number 1' });
  expect(cut().disabled).toBe(true);
  sign();
  fireEvent.click(cut());
  fireEvent.click(screen.getByRole('checkbox', { name: 'Pulled: number 1' }));
  expect(cut().checked).toBe(true);
  expect(screen.getByRole('tab', { name: /^Cut and pull · 1 of/ })).toBeTruthy();
  const measured = screen.getAllByLabelText(/^Measured from Panel/)[0];
  if (!measured) throw new Error('no such run');
  fireEvent.change(measured, { target: { value: "60'" } });
  fireEvent.blur(measured);
  expect(jobOf(store).runFacts.some(({ length }) => length === 720)).toBe(true);
  expect(screen.getAllByText('changed since')).toHaveLength(2);
  expect(cut().checked).toBe(false);
});

test('printed, the numbers of the tags stay with their cables; in three sizes there are two tags a cable', async () => {
  const { store } = show(<Order />, { job: two() });
  tab(/^Tags/);
  const tags = () => within(screen.getByRole('group', { name: 'Pages of tags' })).getAllByText(/^at /);
  const many = tags().length;
  const cables = new Set(Object.keys(jobOf(store).order.numbers));
  expect(cables.size).toBe(0);
  fireEvent.click(screen.getByRole('button', { name: 'Plain strips to cut' }));
  expect(tags()).toHaveLength(many);
  fireEvent.click(screen.getByRole('button', { name: `Print ${many} tags` }));
  await waitFor(() => expect(globalThis.print).toHaveBeenCalled());
  expect(Object.keys(jobOf(store).order.numbers)).toHaveLength(many / 2);
});

test('tables are saved as CSV with all their lines', async () => {
  show(<Order />, { job: two() });
  fireEvent.click(screen.getByRole('button', { name: 'Take-off as CSV' }));
  const [blob] = blobs;
  const text = await new Promise<string>((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsText(blob as Blob);
  });
  expect(text).toMatch(/aisle,article,name/);
  expect(text).toMatch(/cable,14-4,14\/4,28,0,28,foot,28 ft/);
});

test('markup, contingency and tax are asked and added; the customer sees as much of it as is wanted', () => {
  const { store } = show(<Order />, { job: two() });
  tab(/^Labour/);
  const sum = () =>
    within(screen.getByRole('region', { name: /customer/ })).getByRole('status').textContent ?? '';
  const before = Number(/[\d,]+\.\d\d/.exec(sum())?.[0].replace(',', ''));
  fireEvent.change(screen.getByLabelText('Contingency, %'), { target: { value: '10' } });
  expect(jobOf(store).order.terms.contingency).toBe(10);
  const after = Number(/[\d,]+\.\d\d/.exec(sum())?.[0].replace(',', ''));
  expect(after).toBeCloseTo(before * 1.1, 1);
  fireEvent.click(screen.getByRole('button', { name: 'One sum' }));
  expect(screen.queryByText('Material', { selector: 'dt' })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Every line' }));
  expect(screen.getByText('14/4', { selector: 'dt' })).toBeTruthy();
});

test('a cable whose length rests on a room that nobody has measured says so where it is cut, and no more once it is measured', () => {
  const job = wireAll(hallBegun());
  const { store } = show(<Order />, { job });
  tab(/^Cut and pull/);
  const rows = screen.getAllByLabelText(/^Cut: number \d/);
  const rough = () => screen.queryAllByText('rough: measure before you cut');
  expect(rough()).toHaveLength(rows.length);
  // One that is measured along its way rests on no wall.
  const [first] = screen.getAllByLabelText(/^Measured from /);
  if (!first) throw new Error('no length is asked');
  fireEvent.change(first, { target: { value: "12'" } });
  fireEvent.blur(first);
  expect(rough()).toHaveLength(rows.length - 1);
  act(() => {
    const open = jobOf(store);
    store.dispatch(
      edited({ ...open, rooms: open.rooms.map((room) => ({ ...room, rough: false })) }, 'measured'),
    );
  });
  expect(rough()).toEqual([]);
});

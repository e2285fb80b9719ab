import { jest } from '@jest/globals';
import { configureStore } from '@reduxjs/toolkit';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { Provider } from 'react-redux';
import { readPocketTicks, withoutCircuit, writePocketTicks, type Job, type SiteRecord } from '@amber/core';
import { PocketApp } from '../src/pocket/PocketApp.js';
import { HOLDER, pocketFile, readPocket, type Pocket } from '../src/pocket/pocket.js';
import { OrderScreen } from '../src/screens/order/OrderScreen.js';
import { useAppSelector } from '../src/store/store.js';
import { undone } from '../src/store/jobSlice.js';
import { wiringSlice } from '../src/store/wiringSlice.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { yard } from './support/yard.js';

const PAGE = `<head><script type="application/json" id="${HOLDER}">null</script></head>`;

const textOf = (blob: Blob): Promise<string> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsText(blob);
  });

/** One circuit of the yard, so that little is planned again. */
const ropewalk = (): Job =>
  yard()
    .circuits.filter(({ id }) => id !== 'ropewalk-lights')
    .reduce((job, { id }) => withoutCircuit(job, id), yard());

const pocketOf = (job: Job, records: SiteRecord[] = []): Pocket => ({
  job,
  circuit: circuitOf(job, 'ropewalk-lights').id,
  records,
  made: 'November 29, 2026',
  state: 'revision 1',
});

const heldIn = (file: string): string =>
  new DOMParser().parseFromString(file, 'text/html').getElementById(HOLDER)?.textContent ?? '';

const blobs: Blob[] = [];
beforeEach(() => {
  localStorage.clear();
  blobs.length = 0;
  URL.createObjectURL = (blob) => {
    blobs.push(blob as Blob);
    return 'blob:x';
  };
  URL.revokeObjectURL = () => undefined;
  HTMLAnchorElement.prototype.click = () => undefined;
});

test('no name in a job can end the file that holds it, and what is damaged is told', () => {
  const job = { ...ropewalk(), name: '</script><script>alert(1)</script> $& $1' };
  const file = pocketFile(PAGE, pocketOf(job));
  expect(file.match(/<script/g)).toHaveLength(1);
  const read = readPocket(heldIn(file));
  expect(read).toMatchObject({
    job: { name: job.name },
    circuit: 'ropewalk-lights',
    made: 'November 29, 2026',
  });
  expect(readPocket('null')).toMatch(/holds no circuit/);
  expect(readPocket('{"job":')).toMatch(/damaged/);
  expect(readPocket(JSON.stringify({ ...pocketOf(job), job: { ...job, format: 99 } }))).toMatch(
    /cannot be read \(format: .*up to/,
  );
  expect(readPocket(JSON.stringify({ ...pocketOf(job), circuit: 'gone' }))).toMatch(/not in its job/);
  expect(readPocket(JSON.stringify({ ...pocketOf(job), records: [{ kind: 'tick' }] }))).toMatch(
    /ticked before cannot be read/,
  );
  expect(() => pocketFile('<html></html>', pocketOf(job))).toThrow(/no place/);
});

const open = (pocket: Pocket) =>
  render(
    <Provider store={configureStore({ reducer: { wiring: wiringSlice.reducer } })}>
      <PocketApp pocket={pocket} />
    </Provider>,
  );
const boxes = () =>
  within(screen.getByRole('region', { name: 'Steps' })).getAllByRole<HTMLInputElement>('checkbox');
const savedTicks = async () => {
  fireEvent.click(screen.getByRole('button', { name: 'Save the ticks' }));
  return textOf(blobs.at(-1)!);
};

test('ticks made away from the program are kept, come back as records, and can be taken back there', async () => {
  const job = ropewalk();
  const first = open(pocketOf(job));
  fireEvent.change(screen.getByLabelText('Your initials'), { target: { value: 'JS' } });
  fireEvent.click(boxes()[0]!);
  expect(boxes()[0]!.checked).toBe(true);
  const read = readPocketTicks(await savedTicks(), job.id);
  if (!read.ok) throw new Error('not read');
  expect(read.records).toMatchObject([{ kind: 'tick', by: 'JS' }]);
  // The next one is made with it on record; there it is taken back.
  first.unmount();
  localStorage.clear();
  open(pocketOf(job, read.records));
  expect(boxes()[0]!.checked).toBe(true);
  fireEvent.click(boxes()[0]!);
  expect(boxes()[0]!.checked).toBe(false);
  expect(readPocketTicks(await savedTicks(), job.id)).toMatchObject({
    records: [{ kind: 'retraction', retracts: read.records[0]!.id }],
  });
});

test('a browser that keeps nothing for a file says so', () => {
  const refused = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('no', 'SecurityError');
  });
  try {
    open(pocketOf(ropewalk()));
    fireEvent.click(boxes()[0]!);
    expect(screen.getByText(/keeps nothing for a file/)).toBeTruthy();
    expect(boxes()[0]!.checked).toBe(true);
  } finally {
    refused.mockRestore();
  }
});

const Order = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <OrderScreen job={job} circuit={null} /> : null;
};

test('numbers in a pocket circuit are given for good, and no undo takes them back', async () => {
  fakeServer();
  const served = globalThis.fetch;
  globalThis.fetch = (asked, init) =>
    asked === '/pocket.html'
      ? Promise.resolve({ ok: true, text: () => Promise.resolve(PAGE) } as Response)
      : served(asked, init);
  const job = ropewalk();
  const { store } = show(<Order />, { job });
  fireEvent.click(screen.getByRole('tab', { name: 'Packet' }));
  fireEvent.click(screen.getByRole('button', { name: 'Save the pocket circuit' }));
  await screen.findByText(/^It is made: [\d,]+ kB\./);
  const numbers = jobOf(store).order.numbers;
  expect(Object.keys(numbers).length).toBe(5);
  expect(readPocket(heldIn(await textOf(blobs.at(-1)!)))).toMatchObject({
    job: { order: { numbers } },
  });
  store.dispatch(undone());
  expect(jobOf(store).order.numbers).toEqual(numbers);
  expect(store.getState().job.open?.save.kind).toBe('unsaved');
});

test('what comes back for another job is refused with where, and nothing is put on record', async () => {
  fakeServer();
  const { store } = show(<Order />, { job: ropewalk() });
  fireEvent.click(screen.getByRole('tab', { name: 'Packet' }));
  const text = writePocketTicks({
    pocketTicks: 1,
    job: 'other' as never,
    circuit: 'c' as never,
    records: [],
  });
  const file = new File([text], 'ticks.json');
  file.text = () => Promise.resolve(text);
  fireEvent.change(screen.getByLabelText('Ticks of a pocket circuit'), { target: { files: [file] } });
  await waitFor(() =>
    expect(screen.getByRole('alert').textContent).toMatch(/ticks\.json\. job: .*another job/),
  );
  expect(store.getState().records.pending).toEqual([]);
});

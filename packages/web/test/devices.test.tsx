import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { CONTRACT, existingDocument } from '@amber/core';
import { jobsApi } from '../src/server/api.js';
import { ask } from '../src/server/client.js';
import { DevicesScreen } from '../src/screens/devices/DevicesScreen.js';
import { Gate } from '../src/shell/Gate.js';
import { Tags } from '../src/screens/order/Tags.js';
import { useOrder } from '../src/screens/order/useOrder.js';
import { useTelling } from '../src/store/useTelling.js';
import { circuitOf, jobOf, press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { few, yard } from './support/yard.js';

let sent: Sent[];
beforeEach(() => {
  localStorage.clear();
  history.replaceState(null, '', '/');
  sent = fakeServer();
});

const asked = (method: string, path: string): Promise<Sent> =>
  waitFor(() => {
    const found = sent.filter((one) => one.method === method && one.path === `/api${path}`).at(-1);
    if (!found) throw new Error(`nobody asked ${method} ${path}`);
    return found;
  });
const answered = async (method: string, path: string, status: number, body: object) => {
  const one = await asked(method, path);
  await act(async () => {
    one.answer(status, body);
    await Promise.resolve();
  });
  return one;
};
const me = (role: 'full' | 'field' | null) => ({
  ...{ shared: true, device: role === null ? null : 'Telephone', role, certificate: true },
});
/** A page on a device that the server knows as this. */
const on = async (
  role: 'full' | 'field',
  part: Parameters<typeof show>[0],
  options: Parameters<typeof show>[1] = {},
) => {
  const shown = show(part, options);
  await act(() => shown.store.dispatch(jobsApi.util.upsertQueryData('me', undefined, me(role))));
  // The store tells of it with the next frame.
  await act(() => new Promise<void>((resolve) => requestAnimationFrame(() => resolve())));
  return shown;
};

test('whoever was not let in is shown the way in, with the code that came by the address', async () => {
  history.replaceState(null, '', '/#code=T22H-D3YV');
  show(<Gate>The program</Gate>);
  // Nobody waits for the answer.
  expect(screen.getByText('The program')).toBeTruthy();
  await answered('GET', '/access/me', 200, me(null));
  expect(await screen.findByRole('heading', { name: 'Let this device in' })).toBeTruthy();
  expect(screen.queryByText('The program')).toBeNull();
  expect(screen.getByLabelText<HTMLInputElement>('Access code').value).toBe('T22H-D3YV');
  fireEvent.change(screen.getByLabelText('Name of this device'), { target: { value: ' Tablet ' } });
  press('Let it in');
  const pair = await answered('POST', '/access/pair', 403, {
    ...{ code: 'wrong-code', message: 'This is not the code.', path: 'code' },
  });
  expect(pair.body).toEqual({ code: 'T22H-D3YV', name: 'Tablet' });
  expect((await screen.findByRole('alert')).textContent).toBe('This is not the code.');
});

test('a device that is put out meanwhile is shown the way in', async () => {
  show(<Gate>The program</Gate>);
  await answered('GET', '/access/me', 200, me('full'));
  const listed = ask(CONTRACT.devices);
  await answered('GET', '/access/devices', 401, { code: 'no-access', message: 'It was put out.', path: '' });
  expect(await listed).toMatchObject({ kind: 'refused', status: 401 });
  await waitFor(() => expect(sent.filter(({ path }) => path === '/api/access/me')).toHaveLength(2));
  await answered('GET', '/access/me', 200, me(null));
  expect(await screen.findByRole('heading', { name: 'Let this device in' })).toBeTruthy();
});

test('devices are listed with what they may, and put out', async () => {
  show(<DevicesScreen />);
  const at = new Date().toISOString();
  const device = (id: string, name: string, role: string) => ({ id, name, role, pairedAt: at, seenAt: at });
  await answered('GET', '/access/devices', 200, {
    devices: [device('a', 'Tablet of the truck', 'full'), device('b', 'Telephone', 'field')],
  });
  expect(await screen.findByText(/^Field view: ticks, records, photographs/)).toBeTruthy();
  press('Put out Tablet of the truck');
  await answered('DELETE', '/access/devices/a', 200, { ok: true });
  await waitFor(() => expect(sent.filter(({ path }) => path === '/api/access/devices')).toHaveLength(2));
  await answered('GET', '/access/devices', 200, { devices: [] });
  expect(await screen.findByText('None has come in yet.')).toBeTruthy();
});

test('the field view puts nothing on record of a box that it cannot sign', async () => {
  const job = yard();
  const there = existingDocument(job);
  const box = there?.wiring.cables[0]?.to;
  if (!there || !box) throw new Error('nothing is there');
  const Sign = () => {
    const { sign } = useTelling(job, there.id);
    return (
      <button type="button" onClick={() => sign(box, 'RF')}>
        I looked
      </button>
    );
  };
  const { store } = await on('field', <Sign />, { job });
  press('I looked');
  expect(store.getState().records.pending).toEqual([]);
  expect(jobOf(store)).toBe(job);
  expect(store.getState().notice.current?.text).toMatch(/^This device has the field view/);
});

test('the field view prints no tags: numbers that are not kept would go to other cables', async () => {
  const job = few('tar-store-light');
  const Shown = () => <Tags view={useOrder(job, circuitOf(job, 'tar-store-light'))} />;
  const printed: string[] = [];
  globalThis.print = () => void printed.push('printed');
  const { store } = await on('field', <Shown />, { job });
  press(/^Print \d+ tags$/);
  await new Promise((resolve) => requestAnimationFrame(() => resolve(null)));
  expect(printed).toEqual([]);
  expect(store.getState().notice.current?.text).toMatch(/^This device has the field view/);
  expect(jobOf(store).order.numbers).toEqual(job.order.numbers);
});

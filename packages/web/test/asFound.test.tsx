import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { existingDocument, type Job } from '@amber/core';
import { BeginExisting } from '../src/panels/asFound/BeginExisting.js';
import { BenchScreen } from '../src/screens/bench/BenchScreen.js';
import { jobOf, show } from './support/page.js';
import { silencePlanner } from './support/worker.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard } from './support/yard.js';
import { useAppSelector } from '../src/store/store.js';

let sent: Sent[];
beforeEach(() => {
  sent = fakeServer();
  silencePlanner();
  localStorage.clear();
});

/** The bench of the job as it stands in the store, so that what is told is seen. */
const Bench = ({ circuit }: { circuit: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  const found = job?.circuits.find((one) => one.id === circuit);
  return job && found ? <BenchScreen job={job} circuit={found} wiring="existing" /> : null;
};
const asItIs = async (circuit: string, job: Job = yard()) => {
  const shown = show(<Bench circuit={circuit} />, { job });
  return { ...shown, panel: await screen.findByRole('region', { name: /^What is in / }) };
};
const BeginLanding = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  const circuit = job?.circuits.find(({ id }) => id === 'landing-lights');
  return job && circuit ? <BeginExisting job={job} circuit={circuit} /> : null;
};
const told = (job: Job) => {
  const document = existingDocument(job);
  if (!document) throw new Error('nothing is told');
  return document;
};
const nextBox = () =>
  fireEvent.click(screen.getAllByRole('button', { name: 'Next box' }).at(-1) as HTMLElement);
const toBox = async (name: string) => {
  for (let i = 0; i < 5 && !screen.queryByRole('region', { name: `What is in ${name}` }); i++) nextBox();
  return await screen.findByRole('region', { name: `What is in ${name}` });
};

test('a wire that is told otherwise by the list is one entry of the history, and opens its box again', async () => {
  const { store } = await asItIs('rope-stair-light');
  const foot = await toBox('Stair foot');
  const select = within(foot).getByRole<HTMLSelectElement>('combobox', {
    name: 'The black of the 14/3 two blacks to Stair head is',
  });
  expect(select.selectedOptions[0]?.textContent).toContain('brass screw');
  fireEvent.change(select, { target: { value: 'loose' } });
  expect(told(jobOf(store)).certainty['stair-foot' as never]).toBe('partlySeen');
  expect(store.getState().job.open?.history.past.at(-1)?.label).toContain('black of the 14/3');
  await waitFor(() => expect(foot.textContent).toContain('Partly seen'));
});

test('a box is signed with initials, and the record says who saw what', async () => {
  const { store } = await asItIs('rope-stair-light');
  const head = await toBox('Stair head');
  expect(head.textContent).toContain('nobody has looked into this box');
  const sign = within(head).getByRole<HTMLButtonElement>('button', { name: 'I looked: it is as drawn' });
  expect(sign.disabled).toBe(true);
  fireEvent.change(within(head).getByLabelText('Initials'), { target: { value: 'K.T.' } });
  fireEvent.click(sign);
  expect(told(jobOf(store)).certainty['stair-head' as never]).toBe('seen');
  const [{ record }] = store.getState().records.pending as unknown as [
    { record: { kind: string; by: string; about: object } },
  ];
  expect(record).toMatchObject({
    kind: 'seen',
    by: 'K.T.',
    about: { kind: 'box', id: 'stair-head', wiring: 'existing' },
  });
  expect(sent.some(({ path }) => path.includes('records'))).toBe(true);
  await waitFor(() => expect(head.textContent).toContain('K.T. looked at it'));
});

test('one assumed wire is said to be so, and the others stay assumed', async () => {
  const { store } = await asItIs('rope-stair-light');
  const head = await toBox('Stair head');
  const before = within(head).getAllByText('assumed').length;
  fireEvent.click(
    within(head).getByRole('button', { name: 'The red of the 14/3 two blacks to Stair foot: so it is' }),
  );
  await waitFor(() => expect(within(head).getAllByText('assumed')).toHaveLength(before - 1));
  expect(told(jobOf(store)).assumedEnds.some(({ colour }) => colour === 'red')).toBe(false);
});

test('a tap takes a wire in hand, the next says where it is, and what is of another box is taken instead', async () => {
  const { store, container } = await asItIs('rope-stair-light');
  const at = (selector: string) => {
    const found = container.querySelector(selector);
    if (!found) throw new Error(`no ${selector}`);
    return found;
  };
  const inFoot = 'article[aria-label="Box Stair foot"] ';
  fireEvent.click(at(`${inFoot}[data-wire="conductor|stair-travelers|red"]`));
  const hand = await screen.findByRole('status', { name: 'Wire in hand' });
  expect(hand.textContent).toContain('red of the 14/3 two blacks to Stair head');
  fireEvent.click(at(`${inFoot}[data-screw="device|device:stair-foot-slot|traveler 1"]`));
  await waitFor(() => expect(screen.queryByRole('status', { name: 'Wire in hand' })).toBeNull());
  const landing = told(jobOf(store)).wiring.landings.find(
    ({ wire }) =>
      'end' in wire &&
      wire.end.cable === 'stair-travelers' &&
      wire.end.side === 'from' &&
      wire.end.colour === 'red',
  );
  expect(landing?.terminal).toEqual({ device: 'device:stair-foot-slot', name: 'traveler 1' });
  fireEvent.click(at(`${inFoot}[data-wire="conductor|stair-loop|black"]`));
  fireEvent.click(at('article[aria-label="Box Stair ceiling"] [data-wire="conductor|stair-loop|white"]'));
  expect((await screen.findByRole('status', { name: 'Wire in hand' })).textContent).toContain(
    'white of the 14/2',
  );
});

test('what nobody recognised is put down with its caution, and nothing is planned through it', async () => {
  const { store } = await asItIs('net-store-outlet');
  const outlet = await toBox('Net outlet');
  fireEvent.change(within(outlet).getByLabelText('What it is'), { target: { value: 'other' } });
  const form = await within(outlet).findByRole('group', { name: 'As it was found' });
  fireEvent.change(within(form).getByLabelText('Made of'), { target: { value: 'aluminium' } });
  expect(within(form).getByRole('alert').textContent).toContain('Stop here');
  fireEvent.click(within(form).getByRole('button', { name: 'So it is' }));
  const cable = told(jobOf(store)).wiring.cables.find(({ id }) => id.startsWith('found:'));
  const article = jobOf(store).stock.find(({ id }) => id === cable?.article);
  expect(article).toMatchObject({ metal: 'aluminium', found: true });
  expect(told(jobOf(store)).wiring.unseen.filter((end) => end.cable === cable?.id)).toHaveLength(2);
});

test('what is usual is begun with only when a cable brings power, or is said to leave every wire not looked at', async () => {
  const { store } = show(<BeginLanding />, { job: yard() });
  const form = await screen.findByRole('region', { name: 'Begin with what is usual' });
  expect(form.textContent).toContain('No cable brings power yet');
  fireEvent.change(within(form).getByLabelText('to'), { target: { value: 'landing-switches' } });
  fireEvent.click(within(form).getByRole('button', { name: 'Add' }));
  expect(form.textContent).not.toContain('No cable brings power yet');
  expect(within(form).getByRole('list', { name: 'Cables that lie there' }).textContent).toContain(
    'the panel to Stage gate',
  );
  fireEvent.click(within(form).getByRole('button', { name: 'Draw what is usual' }));
  const { wiring, certainty } = told(jobOf(store));
  const found = wiring.cables.filter(({ to }) => to === 'landing-switches');
  expect(found).toMatchObject([{ from: 'panel', existing: true, length: null, lengthSource: 'unknown' }]);
  expect(certainty['landing-switches' as never] ?? 'assumed').toBe('assumed');
});

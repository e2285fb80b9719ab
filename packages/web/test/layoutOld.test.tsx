import { fireEvent, screen, within } from '@testing-library/react';
import { hasDevice, newBox, type Job } from '@amber/core';
import { FeedsOf } from '../src/screens/layout/FeedsOf.js';
import { LayoutScreen } from '../src/screens/layout/LayoutScreen.js';
import { EditionOfRoom } from '../src/panels/asFound/EditionOfExisting.js';
import { WhatIsThere } from '../src/screens/layout/WhatIsThere.js';
import { markOf } from '../src/plan/marks.js';
import { lettersAt } from '../src/plan/letters.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const boxOf = (job: Job, id: string) => {
  const found = job.boxes.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

/** An old box in the wall, of which nobody has told anything. */
const withOldBox = (): Job => ({
  ...yard(),
  boxes: [
    ...yard().boxes,
    newBox({
      id: 'old-box',
      name: 'Old box',
      article: null,
      work: 'existing',
      accessible: 'no',
      room: 'net-store',
    }),
  ],
});

const There = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <WhatIsThere job={job} box={boxOf(job, id)} /> : null;
};

test('an existing box is asked what is in it, and what is said is there on the plan', () => {
  const { store } = show(<There id="old-box" />, { job: withOldBox() });
  const what = screen.getByLabelText<HTMLSelectElement>('What is in it');
  expect(what.selectedOptions[0]?.text).toBe('splices only, or nobody knows');
  fireEvent.change(what, { target: { value: 'receptacle' } });
  const circuit = screen.getByLabelText<HTMLSelectElement>('Always hot on');
  fireEvent.change(circuit, { target: { value: 'net-store-outlet' } });
  fireEvent.click(screen.getByRole('button', { name: 'It is there' }));
  const job = jobOf(store);
  const outlet = job.slots.find(({ box }) => box === 'old-box');
  expect(outlet?.role).toBe('receptacle');
  expect(hasDevice(job, outlet?.id ?? '')).toBe(true);
  expect(store.getState().job.open?.history.past.at(-1)?.label).toBe('what Old box is');
  // It is said once; what more is in it is told on the bench.
  expect(screen.queryByLabelText('What is in it')).toBeNull();
  expect(screen.getByRole('link', { name: /on the bench, as it is/ }).getAttribute('href')).toContain(
    'net-store-outlet?wiring=existing',
  );
});

test('a switch that is there is said with its group, and a group is named with its circuit where they differ', () => {
  const { store } = show(<There id="old-box" />, { job: withOldBox() });
  fireEvent.change(screen.getByLabelText('What is in it'), { target: { value: 'switch' } });
  const group = screen.getByLabelText<HTMLSelectElement>('Of the group');
  const stair = [...group.options].find(({ value }) => value === 'stair-group');
  fireEvent.change(group, { target: { value: stair?.value } });
  fireEvent.click(screen.getByRole('button', { name: 'It is there' }));
  const told = jobOf(store).slots.find(({ box }) => box === 'old-box');
  expect(told).toMatchObject({ role: 'switch', group: 'stair-group' });
  expect(hasDevice(jobOf(store), told?.id ?? '')).toBe(true);
});

test('of a box that is told its cables stand there, how sure that is, and where none knows it leads', () => {
  show(<There id="stair-head" />, { job: yard() });
  const section = screen.getByRole('region', { name: 'What is there' });
  expect(section.textContent).toContain('what is usual is drawn; nobody has looked');
  expect(within(section).getByRole('listitem').textContent).toBe('14/3 two blacks to Stair foot');
  expect(within(section).queryByLabelText('What is in it')).toBeNull();
  const lost: Job = {
    ...yard(),
    wirings: yard().wirings.map((document) => ({
      ...document,
      wiring: {
        ...document.wiring,
        cables: document.wiring.cables.map((cable) =>
          cable.id === 'stair-travelers'
            ? { ...cable, from: 'stair-head' as never, to: 'place~unknown' as never }
            : cable,
        ),
      },
    })),
  };
  show(<WhatIsThere job={lost} box={boxOf(lost, 'stair-head')} />, { job: lost });
  expect(screen.getAllByRole('listitem').at(-1)?.textContent).toContain('nobody knows where it leads');
});

test('a receptacle alone and a feed that goes on have signs of their own, and a device that comes out has no letter', () => {
  const job = yard();
  expect(markOf(job, boxOf(job, 'net-outlet'))).toMatchObject({
    sign: 'receptacle',
    existing: true,
    fed: true,
  });
  expect(markOf(job, boxOf(job, 'stair-ceiling'))).toMatchObject({ sign: null, luminaires: 1 });
  const [lamp] = job.luminaires.filter(({ box }) => box === 'stair-ceiling');
  const onward: Job = {
    ...job,
    luminaires: job.luminaires.map((one) => (one === lamp ? { ...one, unit: 'onward' } : one)),
  };
  expect(markOf(onward, boxOf(onward, 'stair-ceiling'))).toMatchObject({ sign: 'onward', luminaires: 0 });
  const left: Job = {
    ...job,
    slots: job.slots.map((slot) => (slot.id === 'stair-head-slot' ? { ...slot, leaves: true } : slot)),
  };
  expect([lettersAt(job, 'stair-head'), lettersAt(left, 'stair-head')]).toEqual([['S3'], []]);
  expect(lettersAt(left, 'stair-foot')).toEqual(['S']);
});

test('a room that was built at another time says so', () => {
  const job = yard();
  const room = job.rooms.find(({ id }) => id === 'net-store');
  if (!room) throw new Error('no store');
  const { store } = show(<EditionOfRoom job={job} room={room} />, { job });
  const select = screen.getByLabelText<HTMLSelectElement>('Existing work in it was built by');
  fireEvent.change(select, { target: { value: '2008' } });
  expect(jobOf(store).rooms.find(({ id }) => id === 'net-store')?.builtBy).toBe(2008);
});

const Layout = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? (
    <LayoutScreen job={job} circuit={job.circuits.find(({ id }) => id === 'rope-stair-light') ?? null} />
  ) : null;
};

test('boxes without a place wait at the side, and a change is reached from the circuit that something is there of', () => {
  show(<Layout />, { job: withOldBox() });
  const waiting = screen.getByRole('region', { name: 'Not placed yet' });
  const button = within(waiting).getByRole('button', { name: 'Old box' });
  expect(button.getAttribute('aria-pressed')).toBe('false');
  fireEvent.click(button);
  expect(button.getAttribute('aria-pressed')).toBe('true');
  fireEvent.click(button);
  expect(button.getAttribute('aria-pressed')).toBe('false');
  const stair = screen.getByRole('region', { name: 'Rope stair' });
  expect(within(stair).getByRole('link', { name: 'Change what is there …' }).getAttribute('href')).toBe(
    '/jobs/heron-yard/circuits/rope-stair-light/runs?change',
  );
  const ropewalk = screen.getByRole('region', { name: 'Ropewalk' });
  expect(within(ropewalk).queryByRole('link', { name: 'Change what is there …' })).toBeNull();
});

const Feeds = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <FeedsOf job={job} at={id as never} legend="Power is here" /> : null;
};

test('where power is said to be and cannot serve, the reason stands at the spot', () => {
  const { store } = show(<Feeds id="loft-door" />, { job: yard() });
  const feeds = screen.getByRole('group', { name: 'Power is here' });
  // The end of a two-wire loop: its hot is there, and no neutral.
  expect(within(feeds).getByText(/as in a switch loop: nothing can be fed from here/)).toBeTruthy();
  expect(within(feeds).queryByText(/The power here is of Sail loft/)).toBeNull();
  fireEvent.click(within(feeds).getByRole('checkbox', { name: /^Galley bench/ }));
  expect(within(feeds).getByText('The power here is of Sail loft, and of no other.')).toBeTruthy();
  expect(
    jobOf(store).feeds.some(({ at, circuit }) => at === 'loft-door' && circuit === 'galley-lights'),
  ).toBe(true);
});

test('the only feed of a circuit may be taken from it', () => {
  const { store } = show(<Feeds id="panel" />, { job: yard() });
  fireEvent.click(screen.getByRole('checkbox', { name: 'Galley bench its only feed' }));
  expect(jobOf(store).feeds.some(({ circuit }) => circuit === 'galley-lights')).toBe(false);
});

test('of a box that nobody has told of it is asked what is tapped, and a receptacle what it is', () => {
  show(<Feeds id="shed-junction" />, { job: yard() });
  const tapped = screen.getByLabelText<HTMLSelectElement>(/^What is tapped for Long shed/);
  expect(screen.queryByLabelText(/^The receptacle for Long shed/)).toBeNull();
  fireEvent.change(tapped, { target: { value: 'receptacle' } });
  expect(screen.getByLabelText(/^The receptacle for Long shed/)).toBeTruthy();
});

test('a receptacle that is tapped is asked what it is, and says what to heed', () => {
  const { store } = show(<Feeds id="net-outlet" />, { job: yard() });
  fireEvent.click(screen.getByRole('checkbox', { name: /^Slip light/ }));
  // The box is told on the bench, so what is tapped in it is not asked.
  expect(screen.queryByLabelText('What is tapped for Slip light')).toBeNull();
  expect(screen.getAllByText('from a receptacle, as the box is told on the bench').length).toBeGreaterThan(0);
  const what = screen.getByLabelText<HTMLSelectElement>('The receptacle for Slip light is');
  expect(what.selectedOptions[0]?.text).toBe('nobody has tested it');
  expect(screen.getAllByRole('note')[0]?.textContent).toContain('test both halves');
  const feed = () =>
    jobOf(store).feeds.find(({ at, circuit }) => at === 'net-outlet' && circuit === 'slip-light');
  fireEvent.change(what, { target: { value: 'multiwire' } });
  expect(feed()?.source).toBe('multiwire');
  expect(screen.getAllByRole('note')[0]?.textContent).toContain('210.4(B)');
  // Behind a ground-fault device is told once, wherever it is asked.
  fireEvent.change(screen.getByLabelText('The receptacle for Slip light is'), {
    target: { value: 'loadSide' },
  });
  expect(feed()?.gfciSide).toBe('load');
  fireEvent.change(screen.getByLabelText('The receptacle for Slip light is'), { target: { value: 'live' } });
  expect([feed()?.source, feed()?.gfciSide]).toEqual(['live', 'unknown']);
  expect(screen.getAllByRole('note')).toHaveLength(1);
});

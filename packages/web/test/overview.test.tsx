import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import {
  layoutFaults,
  newJob,
  standardStock,
  type BoxId,
  type GroupId,
  type Job,
  type JobId,
} from '@amber/core';
import { layoutPath } from '../src/parts/paths.js';
import { Overview } from '../src/screens/layout/Overview.js';
import type { Pointing, Selected, Tool } from '../src/screens/layout/selection.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, press, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  localStorage.clear();
});

const ID = 'galley-lights';

/** What was pointed at, by the last tap of each kind. */
interface Pointed {
  selected: Selected;
  tool: Tool;
  group: GroupId | null;
  placing: BoxId | null;
}

let pointed: Pointed;

/** The overview of the job as it is then, with what it points at. */
const Shown = ({ circuit }: { circuit: string | null }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  const [now, setNow] = useState<Pointed>({ selected: null, tool: 'select', group: null, placing: null });
  pointed = now;
  const set = (some: Partial<Pointed>) => setNow((before) => ({ ...before, ...some }));
  const pointing: Pointing = {
    ...now,
    ...{ hung: { unit: 'luminaire' } as never, setHung: () => undefined },
    ...{ power: null, setPower: () => undefined, marks: [], setMarks: () => undefined },
    select: (selected) => set({ selected }),
    take: (tool) => set({ tool }),
    setGroup: (group) => set({ group }),
    place: (placing) => set({ placing }),
  };
  return job ? (
    <Overview
      job={job}
      circuit={circuit === null ? null : circuitOf(job, circuit)}
      pointing={pointing}
      onShowLevel={() => undefined}
    />
  ) : null;
};

const overview = (job: Job, circuit: string | null = ID) => show(<Shown circuit={circuit} />, { job });
const section = (name: string) => within(screen.getByRole('region', { name }));

test('of an empty job it says what to do first, and takes the tool for it', () => {
  overview(newJob('empty' as JobId, 'Empty', standardStock()), null);
  expect(screen.getByRole('heading', { name: 'Measure the place' })).toBeTruthy();
  expect(screen.getByRole('link', { name: 'everyday place' }).getAttribute('href')).toBe('/jobs/empty/start');
  press('Draw a room');
  expect(pointed.tool).toBe('room');
});

test('the circuit that is open comes first, with its groups, and a way on once each has a switch and a light', () => {
  const job = few(ID, 'tar-store-light');
  overview(job, 'tar-store-light');
  const names = screen.getAllByRole('heading', { level: 2 }).map(({ textContent }) => textContent);
  const [open, other] = ['tar-store-light', ID].map((id) => circuitOf(job, id));
  expect(names[0]).toBe(`${open?.name} ${open?.breaker} A`);
  expect(names).toContain(`${other?.name} ${other?.breaker} A`);
  const ways = screen.getAllByRole('link', { name: 'See the ways to wire it' });
  expect(ways.map((link) => link.getAttribute('href'))).toEqual([
    '/jobs/heron-yard/circuits/tar-store-light/runs',
  ]);
});

test('of a circuit that stands as it was found the way on is to what is there, as nothing is planned of it', () => {
  overview(few('rope-stair-light', 'tar-store-light'), 'rope-stair-light');
  expect(screen.queryByRole('link', { name: 'See the ways to wire it' })).toBeNull();
  expect(screen.getByRole('link', { name: 'See what is there' }).getAttribute('href')).toBe(
    '/jobs/heron-yard/circuits/rope-stair-light',
  );
  expect(section('Rope stair').getByRole('link', { name: 'Change what is there …' })).toBeTruthy();
});

test('a group without a light has no way on yet', () => {
  const job = few('tar-store-light');
  overview({ ...job, luminaires: [] }, 'tar-store-light');
  expect(screen.queryByRole('link', { name: 'See the ways to wire it' })).toBeNull();
});

test('a group is taken, renamed and removed, with what it has told beside it', () => {
  const { store } = overview(few(ID));
  const [group] = jobOf(store).groups.filter(({ circuit }) => circuit === ID);
  if (!group) throw new Error('no group');
  const row = section(circuitOf(jobOf(store), ID).name).getByRole('button', {
    name: new RegExp(`^${group.name}`),
  });
  const switches = jobOf(store).slots.filter((slot) => slot.group === group.id).length;
  expect(row.textContent).toContain(`${switches} switch`);
  fireEvent.click(row);
  expect(pointed.group).toBe(group.id);
  const name = screen.getByLabelText('Name of the group');
  fireEvent.change(name, { target: { value: 'Over the counter' } });
  fireEvent.blur(name);
  expect(jobOf(store).groups.find(({ id }) => id === group.id)?.name).toBe('Over the counter');
  press('Remove');
  expect(jobOf(store).groups.some(({ id }) => id === group.id)).toBe(false);
  expect(jobOf(store).slots.some((slot) => slot.group === group.id)).toBe(false);
});

test('a control group is added to the open circuit in a room, by the name of the room where none is given', () => {
  const { store } = overview(few(ID));
  const before = jobOf(store).groups.length;
  press('Control group');
  press('Cancel');
  expect(screen.queryByLabelText(/^Control group on/)).toBeNull();
  press('Control group');
  const [, second] = jobOf(store).rooms;
  fireEvent.change(screen.getByLabelText('Room'), { target: { value: second?.id } });
  press('Add');
  expect(jobOf(store).groups).toHaveLength(before + 1);
  const added = jobOf(store).groups.at(-1);
  expect(added).toMatchObject({ circuit: ID, room: second?.id, name: second?.name });
  expect(pointed.group).toBe(added?.id);
});

test('a new circuit comes with a group and a feed, its address is gone to, and its first switch is put next', () => {
  const { store, where } = overview(few(ID));
  press('Circuit');
  fireEvent.change(screen.getByLabelText('Circuit'), { target: { value: 'Back stair' } });
  press('Add');
  const made = jobOf(store).circuits.find(({ name }) => name === 'Back stair');
  if (!made) throw new Error('no circuit was made');
  expect(jobOf(store).groups.filter(({ circuit }) => circuit === made.id)).toHaveLength(1);
  expect(jobOf(store).feeds.filter(({ circuit }) => circuit === made.id)).toHaveLength(1);
  expect(where()).toBe(layoutPath(jobOf(store).id, made.id));
});

test('a box that waits for its place is taken and put back, and what cannot be so leads to where it is', () => {
  const job = few(ID);
  const [box] = job.boxes.filter(({ id }) => job.slots.some((slot) => slot.box === id));
  if (!box) throw new Error('no box');
  const loose: Job = {
    ...job,
    boxes: job.boxes.map((one) => (one.id === box.id ? { ...one, at: null } : one)),
    rooms: job.rooms.map((room, i) => (i === 0 ? { ...room, rough: true } : room)),
    routing: { ...job.routing, panel: null },
  };
  overview(loose);
  const waiting = () => section('Not placed yet').getByRole('button', { name: box.name });
  fireEvent.click(waiting());
  expect(pointed.placing).toBe(box.id);
  expect(waiting().getAttribute('aria-pressed')).toBe('true');
  fireEvent.click(waiting());
  expect(pointed.placing).toBeNull();
  expect(screen.getByText(/The panel is not on the plan/)).toBeTruthy();
  const [room] = loose.rooms;
  fireEvent.click(section('Not measured yet').getByRole('button', { name: room?.name ?? '' }));
  expect(pointed.selected).toEqual({ kind: 'room', id: room?.id });
});

test('what cannot be so is told first, and its place is pointed at by a tap', () => {
  const job = few(ID);
  const [door] = job.doors;
  if (!door) throw new Error('no door');
  const wide: Job = {
    ...job,
    doors: job.doors.map((one) => (one.id === door.id ? { ...one, width: 4000 } : one)),
  };
  const faults = layoutFaults(wide);
  expect(faults.length).toBeGreaterThan(0);
  overview(wide);
  const told = section('What cannot be so').getAllByRole('button');
  expect(told.map(({ textContent }) => textContent)).toEqual(
    faults.map(({ sentence }) => expect.stringContaining(sentence) as string),
  );
  const at = faults.findIndex((one) => 'door' in one.at);
  fireEvent.click(told[at] as HTMLElement);
  expect(pointed.selected).toMatchObject({ kind: 'door' });
});

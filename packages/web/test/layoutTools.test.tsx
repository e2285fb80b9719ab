import { fireEvent, screen, within } from '@testing-library/react';
import { addReceptacle, beginPlace, newJob, standardStock, type Job, type JobId } from '@amber/core';
import { LayoutScreen } from '../src/screens/layout/LayoutScreen.js';
import { drawnApart } from '../src/plan/apart.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, press, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const Layout = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <LayoutScreen job={job} circuit={job.circuits[0] ?? null} /> : null;
};
const empty = (): Job => newJob('house' as JobId, 'House', standardStock());
const begun = (place: 'room' | 'bath'): Job => beginPlace(empty(), { place, stem: 'p', name: 'Den' });
const fill = (label: string, value: string) =>
  fireEvent.change(screen.getAllByLabelText(label)[0] as HTMLElement, { target: { value } });
const pressed = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');

test('after a room is added the form is empty for the next, and each is called as it was', () => {
  const { store } = show(<Layout />, { job: empty() });
  press('Room');
  for (const [name, wide] of [
    ['Bunk room', '12-0'],
    ['Drying loft', '3.5 m'],
  ] as const) {
    fill('Name', name);
    fill('Left to right', wide);
    fill('Top to bottom', '9ft 6in');
    press('Add the room');
    // The room that was added is selected, and has a name to be corrected; the form above it is empty again.
    expect(screen.getAllByLabelText<HTMLInputElement>('Name').map(({ value }) => value)).toEqual(['', name]);
    expect(screen.getByLabelText<HTMLInputElement>('Left to right').value).toBe('');
  }
  expect(jobOf(store).rooms.map(({ name }) => name)).toEqual(['Bunk room', 'Drying loft']);
});

test('a switch without a circuit asks for which room, and begins it there', () => {
  const bare: Job = { ...empty(), rooms: begun('room').rooms };
  const { store } = show(<Layout />, { job: bare });
  press('Switch');
  press('Den');
  expect(jobOf(store).circuits.map(({ name }) => name)).toEqual(['Den']);
  expect(pressed('Switch')).toBe('true');
  press('Add at the next door');
  press('Add at the next door');
  const job = jobOf(store);
  expect(job.slots.map(({ group }) => group)).toEqual([job.groups[0]?.id, job.groups[0]?.id]);
});

test('one more group of the circuit is made in the list of groups, and new switches join it', () => {
  const { store } = show(<Layout />, { job: begun('room') });
  press('Switch');
  fireEvent.change(screen.getByLabelText(/^Control group/), { target: { value: 'new' } });
  const made = jobOf(store).groups.at(-1);
  expect(made).toMatchObject({ name: 'Den 2', room: jobOf(store).groups[0]?.room });
  press('Add at the next door');
  const job = jobOf(store);
  // It goes into the box that stands at the door.
  expect(job.slots.map(({ box, gang }) => [box, gang])).toEqual([
    [job.boxes.find(({ name }) => name === 'Door')?.id, 0],
    [job.boxes.find(({ name }) => name === 'Door')?.id, 1],
  ]);
});

test('a group or a circuit that is made while one floor is looked at leaves the other floor as it is', () => {
  const stair = beginPlace(empty(), { place: 'stair', stem: 'p', name: 'Stair' });
  const { store, unmount } = show(<Layout />, { job: stair });
  press('Switch');
  fireEvent.change(screen.getByLabelText(/^Control group/), { target: { value: 'new' } });
  const whole = (job: Job) => [job.rooms.length, job.doors.length, job.boxes.length, job.levels.length];
  expect(whole(jobOf(store))).toEqual(whole(stair));
  expect(jobOf(store).groups).toHaveLength(2);
  unmount();
  const bare: Job = {
    ...stair,
    ...{ circuits: [], groups: [], feeds: [], slots: [], luminaires: [] },
  };
  const second = show(<Layout />, { job: bare });
  press('Switch');
  press('Stair');
  expect(whole(jobOf(second.store))).toEqual(whole(stair));
  expect(jobOf(second.store).circuits).toHaveLength(1);
});

test('what is ready to be wired leads on to its ways, what is not says what is missing', () => {
  const { unmount } = show(<Layout />, { job: begun('bath') });
  expect(screen.getByRole('link', { name: 'See the ways to wire it' }).getAttribute('href')).toContain(
    '/runs',
  );
  unmount();
  const lacking = { ...begun('bath'), luminaires: begun('bath').luminaires.slice(1) };
  show(<Layout />, { job: lacking });
  expect(screen.queryByRole('link', { name: 'See the ways to wire it' })).toBeNull();
  expect(screen.getByText(/Bath ceiling has a switch and nothing that it controls/)).toBeTruthy();
});

test('a receptacle takes its power from the circuit or with a group, in the room that is worked on; a feed goes on; a fan hangs', () => {
  const { store } = show(<Layout />, { job: begun('bath') });
  press('Receptacle');
  press('Put it on a wall');
  const [group] = jobOf(store).groups;
  fireEvent.change(screen.getByLabelText('Its power'), { target: { value: `group ${group?.id ?? ''}` } });
  press('Put it on a wall');
  press('Onward feed');
  expect(screen.getByLabelText<HTMLSelectElement>('It goes on').selectedOptions[0]?.textContent).toMatch(
    /^Switched with /,
  );
  press('Put it on a wall');
  press('Luminaire');
  fill('What hangs there', 'ventFan');
  press('Add one in the middle');
  const job = jobOf(store);
  const powered = job.slots.filter(({ role }) => role === 'receptacle').map((slot) => slot.group);
  const hot = job.groups.filter(({ control }) => control === 'hot').map(({ id }) => id);
  expect(powered).toEqual([...hot, group?.id]);
  expect(job.luminaires.slice(-2)).toMatchObject([
    { unit: 'onward', group: group?.id, va: 180 },
    { unit: 'ventFan' },
  ]);
  expect(job.boxes.slice(-4).map(({ room }) => room)).toEqual(Array(4).fill(group?.room));
});

test('what stands over another on the plan is drawn beside it, each to be picked by itself', () => {
  const job = begun('room');
  const [door] = job.boxes;
  const under = addReceptacle(job, {
    ...{ box: 'under' as never, slot: 'us' as never, at: door?.at ?? { x: 0, y: 0 } },
    from: { circuit: job.circuits[0]?.id as never, hotGroup: 'hot' as never },
  });
  const apart = drawnApart(under.boxes);
  expect([...apart]).toEqual([
    [door?.id, -16],
    ['under', 16],
  ]);
  expect(drawnApart(job.boxes).size).toBe(0);
});

test('a room as an everyday place begins with it says that nobody has measured it, until somebody has', () => {
  const { store } = show(<Layout />, { job: begun('bath') });
  const rough = () => jobOf(store).rooms.filter((room) => room.rough).length;
  const there = rough();
  expect(there).toBeGreaterThan(0);
  const [room] = jobOf(store).rooms;
  const list = within(screen.getByRole('region', { name: 'Not measured yet' }));
  fireEvent.click(list.getByRole('button', { name: room?.name ?? '' }));
  // Its form says so, too; a wall that was corrected is not yet all of it.
  expect(screen.getByText('Nobody has measured it yet.')).toBeTruthy();
  const [wall] = screen.getAllByPlaceholderText(`12'-6"`);
  fireEvent.change(wall as HTMLElement, { target: { value: `9'-0"` } });
  fireEvent.blur(wall as HTMLElement);
  expect(rough()).toBe(there);
  press('It is measured');
  expect(rough()).toBe(there - 1);
  expect(screen.queryByText('Nobody has measured it yet.')).toBeNull();
});

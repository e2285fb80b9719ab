import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import {
  articlesOf,
  findBox,
  newWorksheet,
  othersIn,
  withCount,
  withoutCircuit,
  type Job,
} from '@amber/core';
import { BoxesScreen } from '../src/screens/boxes/BoxesScreen.js';
import { keepSheets } from '../src/store/keptSheets.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  plannerInPlace();
  localStorage.clear();
  Element.prototype.scrollTo = () => undefined;
});

const Boxes = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <BoxesScreen job={job} circuit={null} /> : null;
};

/** The galley alone, so that little is planned again. */
const galley = (): Job =>
  yard()
    .circuits.filter(({ id }) => id !== 'galley-lights')
    .reduce((job, { id }) => withoutCircuit(job, id), yard());

const open = (name: string) => {
  fireEvent.click(screen.getByRole('button', { name: `Box ${name}` }));
  return within(screen.getByRole('region', { name: `Fill of ${name}` }));
};

test('a box is drawn to scale from what it measures inside; what cannot be is refused, and what is not known is not drawn', () => {
  const { store } = show(<Boxes />, { job: galley() });
  const one = open('Galley door');
  expect(
    one.getByRole('img', { name: /^To scale: 3 15\/16" x 3 1\/2" and 2 3\/8" deep inside/ }),
  ).toBeTruthy();
  fireEvent.click(one.getByRole('button', { name: 'The one at hand measures otherwise' }));
  const depth = one.getByLabelText('Depth inside of 2-gang nonmetallic 32 in³');
  const draw = (text: string) => {
    fireEvent.change(depth, { target: { value: text } });
    fireEvent.blur(depth);
    fireEvent.click(one.getByRole('button', { name: 'Draw it so' }));
  };
  draw('2');
  expect(one.getByRole('alert').textContent).toMatch(
    /inside is 27\.5625 in³ at most, and it is counted at 32\.0 in³/,
  );
  draw('2 3/4');
  expect(one.queryByRole('alert')).toBeNull();
  expect(one.getByRole('img', { name: /2 3\/4" deep inside/ })).toBeTruthy();
  const inside = () => articlesOf(jobOf(store).stock, 'box').find(({ id }) => id === 'wall-2-32')?.inside;
  expect(inside()?.depth).toBe(2.75);
  fireEvent.click(one.getByRole('button', { name: 'Not known' }));
  expect(one.queryByRole('img', { name: /^To scale/ })).toBeNull();
  expect(one.getByText(/it is not drawn to scale/)).toBeTruthy();
  expect(inside()).toBeNull();
});

test('gangs change places, and the order is that of the box as one stands before it', () => {
  const { store } = show(<Boxes />, { job: galley() });
  const gangs = within(open('Galley door').getByRole('region', { name: 'Gangs of Galley door' }));
  const order = () => gangs.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(order()).toEqual(['1Pendants', '2Shelf light']);
  fireEvent.click(gangs.getByRole('button', { name: 'Shelf light to the left' }));
  expect(order()).toEqual(['1Shelf light', '2Pendants']);
  const gangOf = (id: string) => jobOf(store).slots.find((slot) => slot.id === id)?.gang ?? -1;
  expect(gangOf('shelf-timer')).toBeLessThan(gangOf('pendant-switch'));
});

test('another box, way or gangs stand in one table with what each comes to, and one is taken', async () => {
  const { store } = show(<Boxes />, { job: galley() });
  const one = open('Galley door');
  const before = jobOf(store).boxes.length;
  fireEvent.click(one.getByRole('button', { name: 'Plan and price them' }));
  const parted = await waitFor(() =>
    one.getByRole('button', { name: 'Do it: Shelf light in a box of its own beside it' }),
  );
  // A new box is named by its name, never by what the program calls it.
  expect(one.getByRole('table', { name: /Against the box as it is now/ }).textContent).not.toMatch(
    /box:[0-9a-f]{8}/,
  );
  fireEvent.click(parted);
  expect(jobOf(store).boxes).toHaveLength(before + 1);
  expect(jobOf(store).slots.filter(({ box }) => box === 'galley-switches')).toHaveLength(1);
}, 40_000);

test('a box counted on a worksheet comes into the job with all that is in it, once it is told what it is made of', () => {
  const sheet = withCount(withCount(newWorksheet('Attic splice'), 'conductors', 14, 6), 'grounds', 14, 3);
  keepSheets([{ id: 'a', sheet }]);
  const { store, where } = show(<Boxes />, { job: galley(), at: '/jobs/heron-yard/boxes?worksheet=a' });
  const asked = within(screen.getByRole('region', { name: 'A box from a worksheet' }));
  expect(asked.getByText(/14\.0 in³ needed of 18\.0 in³/)).toBeTruthy();
  const put = asked.getByRole<HTMLButtonElement>('button', { name: 'Put it into the job' });
  expect(put.disabled).toBe(true);
  fireEvent.click(asked.getByRole('button', { name: 'Nonmetallic' }));
  fireEvent.click(put);
  expect(where()).toBe('/jobs/heron-yard/boxes');
  const job = jobOf(store);
  const box = job.boxes.find(({ name }) => name === 'Attic splice');
  if (!box) throw new Error('not put in');
  expect(box).toMatchObject({ work: 'existing', at: null });
  expect(othersIn(job, box.id)).toEqual(sheet.contents);
  expect(findBox(job, box.id)).toBe(box);
  const row = within(screen.getByRole('region', { name: 'Fill of Attic splice' }));
  expect(row.getByText(/^fits, 4\.0 in³ left/)).toBeTruthy();
  // What is in it is told there too, and counted at once.
  fireEvent.change(row.getByLabelText('Grounds, 12 AWG'), { target: { value: '1' } });
  fireEvent.blur(row.getByLabelText('Grounds, 12 AWG'));
  expect(row.getByText(/^full, 3\.75 in³ left/)).toBeTruthy();
});

test('a worksheet that is not kept here is said to be, and nothing is put in', () => {
  show(<Boxes />, { job: galley(), at: '/jobs/heron-yard/boxes?worksheet=gone' });
  const asked = within(screen.getByRole('region', { name: 'A box from a worksheet' }));
  expect(asked.getByText(/That sheet is not kept in this browser/)).toBeTruthy();
  fireEvent.click(asked.getByRole('button', { name: 'Leave it out' }));
  expect(screen.queryByRole('region', { name: 'A box from a worksheet' })).toBeNull();
});

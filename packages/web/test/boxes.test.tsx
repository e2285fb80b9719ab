import { fireEvent, screen, within } from '@testing-library/react';
import { setBoxArticles, type BoxId } from '@amber/core';
import { BoxesScreen } from '../src/screens/boxes/BoxesScreen.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
  Element.prototype.scrollTo = () => undefined;
});

const Boxes = ({ id = null }: { id?: string | null }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <BoxesScreen job={job} circuit={id === null ? null : circuitOf(job, id)} /> : null;
};
const names = () =>
  screen.getAllByRole('button', { name: /^Box / }).map((one) => one.getAttribute('aria-label')?.slice(4));

/** The yard with a switch box of the passage far too small. */
const crowded = () => setBoxArticles(yard(), 'creek-end' as BoxId, ['steel-1-7.5' as never]);

test('the tightest stands first, the table sorts by its heads, and is searched by name', () => {
  show(<Boxes />, { job: crowded() });
  expect(screen.getByText(/boxes: 1 too small/)).toBeTruthy();
  expect(names()[0]).toBe('Creek end');
  const head = within(screen.getByRole('columnheader', { name: /^Box/ })).getByRole('button');
  fireEvent.click(head);
  expect(screen.getByRole('columnheader', { name: /^Box/ }).getAttribute('aria-sort')).toBe('ascending');
  const sorted = names();
  expect(sorted).toEqual(
    [...sorted].sort((a, b) => (a ?? '').localeCompare(b ?? '', 'en', { numeric: true })),
  );
  fireEvent.change(screen.getByRole('searchbox', { name: 'Find a box' }), { target: { value: 'winch' } });
  expect(names().length).toBeGreaterThan(0);
  expect(names().length).toBeLessThan(sorted.length);
  fireEvent.change(screen.getByRole('searchbox', { name: 'Find a box' }), { target: { value: 'no such' } });
  expect(screen.getByText('No box is called so, or is as asked.')).toBeTruthy();
});

test('a box that is too small says by how much, line by line, and one of the stock makes it fit', () => {
  const { store } = show(<Boxes id="ropewalk-lights" />, { job: crowded() });
  fireEvent.change(screen.getByLabelText('Which boxes'), { target: { value: 'too small' } });
  expect(names()).toEqual(['Creek end']);
  fireEvent.click(screen.getByRole('button', { name: 'Box Creek end' }));
  const one = screen.getByRole('region', { name: 'Fill of Creek end' });
  expect(within(one).getByText(/^too small by/)).toBeTruthy();
  expect(within(one).getByText(/1 device yoke/)).toBeTruthy();
  fireEvent.click(within(one).getByRole('button', { name: 'Take 1-gang nonmetallic 22.5 in³' }));
  expect(jobOf(store).boxes.find(({ id }) => id === 'creek-end')?.article).toBe('wall-1-22.5');
  expect(within(screen.getByRole('region', { name: 'Fill of Creek end' })).getByText(/^fits, /)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Let the program choose' }));
  expect(jobOf(store).boxes.find(({ id }) => id === 'creek-end')?.article).toBeNull();
});

test('pointed at, a line shows in the opened box what it counts, and nothing else', () => {
  show(<Boxes id="ropewalk-lights" />, { job: yard() });
  fireEvent.click(screen.getByRole('button', { name: 'Box Creek end' }));
  const one = within(screen.getByRole('region', { name: 'Fill of Creek end' }));
  expect(one.getByText(/^Point at a line below/)).toBeTruthy();
  const [conductors] = one.getAllByRole('button', { name: /conductors, 14 AWG/ });
  if (!conductors) throw new Error('no line of conductors');
  const counted = Number(/^(\d+)/.exec(conductors.textContent ?? '')?.[1]);
  fireEvent.click(conductors);
  expect(conductors.getAttribute('aria-pressed')).toBe('true');
  expect(
    one.getByText(`These ${counted} stand out. Tails come from no cable and do not count.`),
  ).toBeTruthy();
  fireEvent.click(one.getByRole('button', { name: /device yoke/ }));
  expect(one.getByText(/^The device of this box/)).toBeTruthy();
  fireEvent.click(one.getByRole('button', { name: /^Grounds/ }));
  expect(one.getByText(/grounds come in with the cables/)).toBeTruthy();
});

test('a steel box without a mark is measured and counted as the least that it has; a nonmetallic one is not measured', () => {
  const { store } = show(<Boxes />, { job: yard() });
  fireEvent.click(screen.getByRole('button', { name: 'Box Winch ceiling' }));
  const one = within(screen.getByRole('region', { name: 'Fill of Winch ceiling' }));
  fireEvent.click(one.getByRole('button', { name: 'No volume is marked in it' }));
  fireEvent.change(one.getByLabelText('Its form'), { target: { value: 'round' } });
  expect(one.getByText(/near none of the standard boxes/)).toBeTruthy();
  for (const what of ['Width', 'Height'])
    fireEvent.change(one.getByLabelText(`${what} inside`), { target: { value: '4' } });
  fireEvent.change(one.getByLabelText('Depth inside'), { target: { value: '1.5' } });
  // 1 1/4 and 1 1/2 in deep are too far apart to be taken for one another.
  expect(one.getByText('15.5 in³', { selector: 'strong' })).toBeTruthy();
  fireEvent.click(one.getByRole('button', { name: 'It is Steel octagon 4 x 1 1/2' }));
  expect(jobOf(store).boxes.find(({ name }) => name === 'Winch ceiling')?.article).toBe('octagon-15.5');
  fireEvent.click(one.getByRole('button', { name: 'Nonmetallic' }));
  expect(one.getByText(/Without a mark it stays not known/)).toBeTruthy();
  expect(one.queryByLabelText('Depth inside')).toBeNull();
});

test('what is in an old box is asked beside what is planned, or told as found where the existing wiring tells of it', () => {
  show(<Boxes />, { job: yard() });
  fireEvent.click(screen.getByRole('button', { name: 'Box Winch ceiling' }));
  const told = 'In it beside what is planned here';
  expect(screen.getByText(told)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Box Loft ceiling' }));
  expect(screen.queryByText(told)).toBeNull();
  expect(screen.getByRole('link', { name: /as found|was seen/ }).getAttribute('href')).toMatch(/wiring=/);
});

test('of what is not all known no more is said than is known', () => {
  show(<Boxes />, { job: yard() });
  fireEvent.change(screen.getByLabelText('Which boxes'), { target: { value: 'not known' } });
  expect(names().length).toBeGreaterThan(0);
  for (const text of screen.getAllByText(/^not known/)) expect(text.textContent).not.toMatch(/room for/);
});

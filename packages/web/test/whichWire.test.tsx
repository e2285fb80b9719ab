import { act, fireEvent, screen, within } from '@testing-library/react';
import { existingDocument, liveRecords } from '@amber/core';
import { ProveScreen } from '../src/screens/prove/ProveScreen.js';
import { CameOut } from '../src/screens/prove/wires/CameOut.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, press, show, works } from './support/page.js';
import { fakeServer } from './support/server.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  localStorage.clear();
});

const Prove = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <ProveScreen job={job} circuit={circuitOf(job, id)} /> : null;
};
const told = () => screen.getByRole('region', { name: 'What is told' });
const endOf = (box: string, number: number) => {
  const heading = within(told()).getByRole('heading', { name: box });
  const list = heading.nextElementSibling as HTMLElement;
  return within(list).getAllByRole('listitem')[number - 1]?.textContent;
};
const begin = (who: 'An electrician' | 'Somebody else') => {
  const { store } = show(<Prove id="rope-stair-light" />, { job: few('rope-stair-light') });
  fireEvent.click(screen.getByRole('tab', { name: 'Which wire is which' }));
  works(who);
  press('That is what comes in');
  expect(screen.getByText(/touch no wire, and prove every wire dead/)).toBeTruthy();
  press('Every box is open, dead and parted');
  for (let box = 0; box < 3; box++) press('None does');
  return store;
};

test('three boxes of wires that nobody knows are told, tagged and put on file; each reading is on record', () => {
  const store = begin('An electrician');
  expect(endOf('Stair head', 1)).toMatch(/Not told: cable 2 of Stair foot or a place that is not open here/);
  expect(screen.getByRole('img', { name: 'cable 1: black to white, then black to bare' })).toBeTruthy();
  press(/^black to white$/i);
  press(/^black to red$/i);
  expect(endOf('Stair foot', 1)).toMatch(/The other end is cable 1 of Stair ceiling.*To Stair ceiling, 1$/);
  expect(endOf('Stair head', 1)).toMatch(/The other end is cable 2 of Stair foot\..*To Stair foot, 2$/);
  // What is left leads elsewhere: the reading at the panel comes first, a live one may be made instead.
  expect(screen.getByText(/supply terminals stay live with the main off/)).toBeTruthy();
  press(/^Read it live instead/);
  expect(screen.getByText(/Nobody at any other box/)).toBeTruthy();
  press('black');
  press('Those that are marked, no other');
  expect(screen.getByText('Every cable is told, and the feed.')).toBeTruthy();
  expect(endOf('Stair ceiling', 2)).toMatch(/It brings the power; black is hot.*FEED$/);
  expect(screen.getByText(/3 cables, is replaced/)).toBeTruthy();
  fireEvent.click(screen.getByLabelText(/all grounds are in one splice/));
  press('Put on file');
  const document = existingDocument(jobOf(store));
  expect(document?.certainty['stair-head' as never]).toBe('seen');
  expect(document?.wiring.cables.filter(({ id }) => id.startsWith('told:'))).toHaveLength(3);
  const kinds = liveRecords(store.getState().records.pending.map(({ record }) => record)).map(
    ({ kind }) => kind,
  );
  expect(kinds).toEqual(['wiresOpened', ...Array<string>(6).fill('wireRead'), 'seen', 'seen', 'seen']);
});

test('who is no electrician is asked for no reading at the panel or live, and the feed stays open', () => {
  begin('Somebody else');
  press(/^black to white$/i);
  press(/^black to red$/i);
  expect(screen.getByText(/Which one brings the power is read by an electrician/)).toBeTruthy();
  expect(endOf('Stair ceiling', 2)).toMatch(/no dead reading in these boxes tells which.*take for live$/);
  expect(screen.queryByText(/At the panel, the breaker/)).toBeNull();
  fireEvent.click(screen.getByText('One switch came out, the others stay in'));
  expect(screen.getByText(/These are live readings, for an electrician/)).toBeTruthy();
});

test('a reading is taken back and answered otherwise, and all is begun anew', () => {
  begin('Somebody else');
  press(/^black to white$/i);
  press(/^Take back: Stair foot, cable 1/);
  expect(endOf('Stair foot', 1)).toMatch(/^.*Not told/);
  press(/^None of them$/i);
  expect(endOf('Stair foot', 1)).toMatch(/no dead reading in these boxes tells which/);
  press('Begin anew with what comes in');
  expect(screen.getByRole('button', { name: 'That is what comes in' })).toBeTruthy();
});

test('what comes in is told box by box: other colours, a wire of a raceway, a box that stays shut, another box', () => {
  show(<Prove id="rope-stair-light" />, { job: few('rope-stair-light') });
  fireEvent.click(screen.getByRole('tab', { name: 'Which wire is which' }));
  works('Somebody else');
  press('Stair head stays shut');
  press('Another cable or wire in Stair ceiling');
  fireEvent.change(screen.getByLabelText('Stair ceiling, 3'), { target: { value: 'looseRed' } });
  fireEvent.change(screen.getByLabelText('Stair foot, 1'), { target: { value: 'own' } });
  const foot = within(screen.getByRole('group', { name: 'Stair foot' }));
  fireEvent.change(foot.getAllByLabelText('Colour of wire 1')[0] as HTMLElement, {
    target: { value: 'purple' },
  });
  fireEvent.change(foot.getByLabelText('Stair foot, 1: ground'), { target: { value: 'none' } });
  press('Stair foot, 2: not there');
  press('That is what comes in');
  const opening = within(screen.getByRole('region', { name: 'Before the first reading' }));
  expect(opening.getAllByRole('heading', { level: 3 }).map((one) => one.textContent)).toEqual([
    'Stair foot',
    'Stair ceiling',
  ]);
  expect(opening.getByText('cable: purple, white')).toBeTruthy();
  expect(opening.getByText('wire: red')).toBeTruthy();
});

test('one switch out, the others in: its wires are told as a handle of another moves, and the last reading is taken back', async () => {
  show(<CameOut electrician />, { job: few('rope-stair-light') });
  expect(screen.getByText(/Live, by an electrician alone/)).toBeTruthy();
  press('A');
  press('No other does');
  expect(screen.getByText(/^Breaker off\. Move the handle of one other switch/)).toBeTruthy();
  press('C');
  press('No other does');
  expect(screen.getByText('B is the switch leg: on the common, the dark screw.')).toBeTruthy();
  expect(screen.getByText('A and C are the travelers: on the two brass screws.')).toBeTruthy();
  press('Take the last reading back');
  press('A');
  press('No other does');
  expect(screen.getByText('A is the hot that comes in: on the common, the dark screw.')).toBeTruthy();
  press('Four wires');
  await act(() => Promise.resolve());
  for (const wire of ['B', 'B', 'D']) {
    press(wire);
    press('No other does');
  }
  expect(screen.getByText(/B and D are one pair, A and C the other/)).toBeTruthy();
});

import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { liveRecords } from '@amber/core';
import { UnmarkedSwitch } from '../src/screens/prove/find/UnmarkedSwitch.js';
import { ProveScreen } from '../src/screens/prove/ProveScreen.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, press, show, works } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  plannerInPlace();
  localStorage.clear();
});

const Prove = ({ id = null }: { id?: string | null }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <ProveScreen job={job} circuit={id === null ? null : circuitOf(job, id)} /> : null;
};
const tab = (name: string) => fireEvent.click(screen.getByRole('tab', { name }));
/** The next question is there once what was asked before has been reckoned through. */
const settled = () => waitFor(() => expect(screen.queryByText(/is reckoned out/)).toBeNull());
const seen = () =>
  within(screen.getByRole('region', { name: 'What was seen' }))
    .getAllByRole('listitem')
    .map((one) => one.textContent);

test('what the sheet saw is where the search begins; the box is opened, held against its picture, and what was found is on record', async () => {
  const { store } = show(<Prove id="tar-store-light" />, { job: few('tar-store-light') });
  works('Somebody else');
  press('As expected');
  press('Not so');
  press('lit');
  expect(screen.getByText(/It does not do what it should: stop here/)).toBeTruthy();
  press('Find what is wrong');
  press('It worked for long');
  await settled();
  // Both positions were seen on the sheet: no handle is asked for again.
  expect(seen()).toEqual(['Tar store door on: lit. test sheet', 'Tar store door off: lit. test sheet']);
  expect(screen.getByText(/^Open Tar store door, and pull nothing apart yet/)).toBeTruthy();
  expect(screen.getByText(/Prove it dead with a two-pole tester/)).toBeTruthy();
  expect(screen.getByRole('group', { name: 'Wires in Tar store door' })).toBeTruthy();
  press('Something is otherwise');
  await settled();
  const [first] = screen.getAllByRole('button', { name: /is stuck|have changed places|are one/ });
  if (!first) throw new Error('no suspect');
  fireEvent.click(first);
  expect(screen.getByText('How it is mended')).toBeTruthy();
  press('It is mended: walk the test sheet again');
  expect(screen.getByText('Not proved yet.')).toBeTruthy();
  expect(screen.getByText(/Move the handle at Tar store door|Move nothing/)).toBeTruthy();
  const records = liveRecords(store.getState().records.pending.map(({ record }) => record));
  expect(records.map(({ kind }) => kind)).toEqual(['observed', 'mended']);
  expect(records[1]?.body).toMatchObject({ where: 'Tar store door' });
  // Found and mended, nothing of it is carried into the next search.
  tab('Find the fault');
  await settled();
  expect(screen.queryByRole('region', { name: 'What was seen' })).toBeNull();
});

test('loads that are not alike are told one by one, an answer is taken back, another question is answered instead', async () => {
  show(<Prove id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  works('Somebody else');
  tab('Find the fault');
  press('New: it never worked');
  await settled();
  press('Not all alike …');
  press('First bay: Dark');
  press('Middle bay: Lit');
  press('Last bay: Lit');
  press('That is what they do');
  await settled();
  await waitFor(() =>
    expect(seen()[0]).toMatch(
      /^Creek end up and Yard end up: First bay dark; Middle bay and Last bay lit\. JS/,
    ),
  );
  const where = within(screen.getByRole('region', { name: 'What is still possible' }));
  expect(where.getAllByRole('listitem')[0]?.textContent).toMatch(/first bay/i);
  press(/^Take back: /);
  await settled();
  expect(screen.queryByRole('region', { name: 'What was seen' })).toBeNull();
  fireEvent.click(screen.getByText('Answer something else instead'));
  const [other] = screen.getAllByRole('button', { name: /breaker of Ropewalk.*Is it on\?/ });
  if (!other) throw new Error('the breaker is not offered');
  fireEvent.click(other);
  expect(screen.getByText(/somebody may be at the wires/)).toBeTruthy();
  press('It is off');
  await settled();
  expect(screen.getByText(/^It is at the breaker of Ropewalk/)).toBeTruthy();
});

test('nobody answers before it is said who works, and the circuit is picked first where there are several', async () => {
  show(<Prove />, { job: few('tar-store-light', 'ropewalk-lights') });
  tab('Find the fault');
  expect(screen.queryByText('What was done before', { exact: false })).toBeNull();
  fireEvent.change(screen.getByLabelText('Which circuit does not work?'), {
    target: { value: 'tar-store-light' },
  });
  press('A device was changed');
  await settled();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Lit' }).disabled).toBe(true);
  works('Somebody else');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Lit' }).disabled).toBe(false);
});

test('before power is there the make-up is read dead; what is not so leaves the mistakes that give it, and an old circuit has no such readings', async () => {
  const { store } = show(<Prove id="tar-store-light" />, { job: few('tar-store-light') });
  works('Somebody else');
  tab('Before power');
  await waitFor(() => expect(screen.getByText(/3 readings show \d+ of \d+ single mistakes/)).toBeTruthy());
  expect(screen.getByText(/nobody goes into the panel for it/)).toBeTruthy();
  const so = screen.getAllByRole('button', { name: /^As expected: / });
  expect(so).toHaveLength(3);
  fireEvent.click(screen.getByRole('button', { name: /^As expected: .* held together/ }));
  // The white does not go through.
  fireEvent.click(screen.getByRole('button', { name: /^Not so: .*between the white of the 12\/2/ }));
  expect(screen.getByText(/mistakes? gives? this/)).toBeTruthy();
  expect(screen.getAllByText(/the white of the 12\/2 .* has slipped out of its splice/).length).toBe(2);
  const bodies = store.getState().records.pending.map(({ record }) => record.body);
  expect(bodies).toMatchObject([
    { met: true, expected: 'no continuity' },
    { met: false, saw: 'none', expected: 'continuity' },
  ]);
  fireEvent.click(screen.getByRole('button', { name: /^Take back: .*the white of the 12\/2/ }));
  expect(screen.queryByText(/mistakes? gives? this/)).toBeNull();
});

test('of a circuit that is there already nothing is read dead as a whole', async () => {
  show(<Prove id="rope-stair-light" />, { job: few('rope-stair-light') });
  tab('Before power');
  await waitFor(() => expect(screen.getByText(/Part of this circuit is there already/)).toBeTruthy());
});

test('a switch without marks is told its common by continuity in both positions; one that reads like none is called so', () => {
  show(<UnmarkedSwitch />);
  const said: string[] = [];
  // B is the common: joined with A first, with C after.
  for (let k = 0; k < 6 && screen.queryByText(/^Continuity tester between/); k++) {
    if (screen.queryByText(/Move its handle/)) said.push('moved');
    const [, a = '', b = ''] =
      /between (\w) and (\w)/.exec(screen.getByText(/^Continuity tester between/).textContent ?? '') ?? [];
    const pair = said.includes('moved') ? ['B', 'C'] : ['A', 'B'];
    press(pair.includes(a) && pair.includes(b) ? 'Continuity' : 'None');
  }
  expect(said).toEqual(['moved']);
  expect(screen.getByText('B is the common; the other two are the travelers.')).toBeTruthy();
  press('Another switch');
  press('Four screws and the green');
  for (let k = 0; k < 12 && screen.queryByText(/^Continuity tester between/); k++) press('None');
  expect(screen.getByText(/No switch of this kind that works reads so/)).toBeTruthy();
  press('Take the last back');
  expect(screen.getByText(/^Continuity tester between/)).toBeTruthy();
});

test('a breaker that tripped while the fault was looked for holds the test sheet too', async () => {
  show(<Prove id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  works('An electrician');
  tab('Find the fault');
  press('New: it never worked');
  await settled();
  press('The breaker tripped …');
  press('At once');
  await settled();
  expect(screen.getByText(/^Open .*, and pull nothing apart yet\.$/)).toBeTruthy();
  tab('Test sheet');
  expect(
    screen.getByText(/The breaker of this circuit tripped at a position that was tried under Find the fault/),
  ).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'As expected' })).toBeNull();
});

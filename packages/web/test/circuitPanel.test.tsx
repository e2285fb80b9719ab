import { fireEvent, screen, within } from '@testing-library/react';
import { CircuitPanel } from '../src/panels/circuit/CircuitPanel.js';
import { StepsPanel } from '../src/panels/steps/StepsPanel.js';
import { DevicesOf } from '../src/screens/layout/BoxContents.js';
import { AddLoad, LuminairesOf } from '../src/screens/layout/LoadsOf.js';
import { useAppSelector } from '../src/store/store.js';
import { useSubject } from '../src/wiring/useSubject.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const Panel = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <CircuitPanel job={job} circuit={circuitOf(job, id)} /> : null;
};

test('of a circuit with several groups its facts are changed all the same', () => {
  const { store } = show(<Panel id="galley-lights" />, { job: yard() });
  const galley = () => circuitOf(jobOf(store), 'galley-lights');
  fireEvent.change(screen.getByLabelText('Breaker'), { target: { value: '20' } });
  fireEvent.change(screen.getByLabelText('Conductors'), { target: { value: '12' } });
  fireEvent.change(screen.getByLabelText('Ground-fault protection'), { target: { value: 'no' } });
  expect(galley()).toMatchObject({ breaker: 20, awg: 12, gfci: 'no', afci: 'yes' });
  expect(screen.getByText(/Its places are changed on Layout/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText(/^Kind of Galley/), { target: { value: 'laundry' } });
  expect(jobOf(store).rooms.find(({ id }) => id === 'galley')?.kind).toBe('laundry');
});

test('a habit holds for the whole job, and the steps follow', () => {
  const { store } = show(<Panel id="galley-lights" />, { job: yard() });
  fireEvent.click(screen.getByRole('button', { name: 'Habits of this job' }));
  fireEvent.change(screen.getByLabelText('Connectors'), { target: { value: 'twistOn' } });
  fireEvent.change(screen.getByLabelText('Before a twist-on'), { target: { value: 'always' } });
  fireEvent.change(screen.getByLabelText('Free conductor past the sheath'), { target: { value: '8' } });
  fireEvent.change(screen.getByLabelText('Room left free in new boxes'), { target: { value: '0' } });
  fireEvent.click(screen.getByRole('checkbox', { name: /A port left free/ }));
  expect(jobOf(store).preferences).toMatchObject({
    connectors: 'twistOn',
    preTwist: 'always',
    freeConductor: 8,
    roomToSpare: 0,
    sparePort: !yard().preferences.sparePort,
  });
});

const Lamp = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  const box = job?.boxes.find(({ id }) => id === 'pendant-1');
  return job && box ? <LuminairesOf job={job} box={box} /> : null;
};

test('a luminaire is told by kind, weight and what its wires meet where it stands', () => {
  const { store } = show(<Lamp />, { job: yard() });
  const lamp = () => jobOf(store).luminaires.find(({ id }) => id === 'pendant-lamp-1');
  fireEvent.change(screen.getByLabelText('What is hung'), { target: { value: 'fan' } });
  fireEvent.change(screen.getByLabelText('Made of'), { target: { value: 'no' } });
  const weight = screen.getByLabelText('Weight, pounds');
  fireEvent.change(weight, { target: { value: '' } });
  fireEvent.blur(weight);
  expect(lamp()).toMatchObject({ unit: 'fan', metal: false, pounds: null, group: lamp()?.group });
});

test('which location is the four-way is said in the order of the switches, and left to the program again', () => {
  const { store } = show(<Panel id="long-shed-lights" />, { job: yard() });
  const order = screen.getByRole('region', { name: 'Order of the switches' });
  const duties = () =>
    within(order)
      .getAllByRole('listitem')
      .map((one) => one.textContent ?? '');
  const before = duties();
  expect(before).toHaveLength(4);
  expect(before.map((text) => /three-way|four-way/.exec(text)?.[0])).toEqual([
    'three-way',
    'four-way',
    'four-way',
    'three-way',
  ]);
  const [, second] = within(order).getAllByRole('button', { name: /nearer to the load/ });
  fireEvent.click(second!);
  const chains = () =>
    Object.values(jobOf(store).choices.find((one) => one.circuit === 'long-shed-lights')?.chains ?? {});
  expect(chains()).toHaveLength(1);
  expect(duties()[2]).toContain(before[1]!.split('four-way')[0]!);
  fireEvent.click(within(order).getByRole('button', { name: 'Let the program choose the order' }));
  expect(chains()).toEqual([]);
});

const Loads = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  const box = job?.boxes.find(({ id }) => id === 'pendant-1');
  return job && box ? (
    <>
      <LuminairesOf job={job} box={box} />
      <AddLoad job={job} box={box} />
    </>
  ) : null;
};

test('a fan gets a light under it, on its neutral and ground, and loses it again', () => {
  const { store } = show(<Loads />, { job: yard() });
  const here = () => jobOf(store).luminaires.filter(({ box }) => box === 'pendant-1');
  fireEvent.change(screen.getByLabelText('What is hung'), { target: { value: 'fan' } });
  fireEvent.change(screen.getByLabelText('Kind of the other load'), { target: { value: 'lightUnder' } });
  fireEvent.click(screen.getByRole('button', { name: 'Add' }));
  expect(here()).toHaveLength(2);
  expect(here()[1]).toMatchObject({ unit: 'luminaire', partOf: here()[0]?.id, pounds: null });
  // A recessed light says that the space of its driver box is to be read.
  fireEvent.change(screen.getByLabelText('Kind of the other load'), { target: { value: 'recessed' } });
  fireEvent.click(screen.getByRole('button', { name: 'Add' }));
  expect(here()[2]).toMatchObject({ driverBox: 50_000, partOf: null });
  expect(screen.getByLabelText(/Wiring space of its driver box/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: `Take ${here()[0]!.name} out` }));
  expect(here()).toHaveLength(1);
});

const Gangs = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  const box = job?.boxes.find(({ id }) => id === 'galley-switches');
  return job && box ? <DevicesOf job={job} box={box} /> : null;
};

test('the gangs of a box change places', () => {
  const { store } = show(<Gangs />, { job: yard() });
  const order = () =>
    jobOf(store)
      .slots.filter((slot) => slot.box === 'galley-switches')
      .sort((a, b) => a.gang - b.gang)
      .map(({ id }) => id);
  const [left, right] = order();
  expect(screen.getByRole('button', { name: 'Gang 1 to the left' }).hasAttribute('disabled')).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'Gang 1 to the right' }));
  expect(order()).toEqual([right, left]);
});

const yardNow = yard();

const Steps = () => {
  const subject = useSubject(yardNow, null, circuitOf(yardNow, 'ropewalk-lights'));
  return <StepsPanel subject={subject} />;
};

test('the parts of the work stand in the order in which they are done', async () => {
  show(<Steps />, { job: yardNow });
  const steps = await screen.findByRole('region', { name: /^Steps at / });
  const parts = within(steps)
    .getAllByRole('region')
    .map((one) => one.getAttribute('aria-label'));
  expect(parts.slice(0, 4)).toEqual([
    'Mark out and open',
    'Rough in',
    'Rough-in check, before the wall is closed',
    'Power off',
  ]);
  expect(parts.indexOf('Prove')).toBeGreaterThan(parts.indexOf('Fold and close'));
});

test('one part of the work is done through every box, and a tick counts in both orders', async () => {
  show(<Steps />, { job: yardNow });
  fireEvent.click(await screen.findByRole('button', { name: 'Part by part' }));
  const part = screen.getByRole('region', { name: 'Mark out and open, in every box' });
  const boxes = within(part)
    .getAllByRole('region')
    .map((one) => one.getAttribute('aria-label'));
  expect(boxes).toEqual(['Creek end', 'First bay', 'Middle bay', 'Last bay', 'Yard end']);
  const [first] = within(part).getAllByRole('checkbox');
  fireEvent.click(first!);
  expect(within(part).getByRole('status').textContent).toContain('1 of 5 done');
  fireEvent.click(within(part).getByRole('button', { name: 'Next part' }));
  expect(screen.getByRole('region', { name: 'Rough in, in every box' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Box by box' }));
  const steps = screen.getByRole('region', { name: /^Steps at / });
  expect(within(steps).getByRole('status').textContent).toContain('1 of ');
});

const fromLuminaire = {
  ...yardNow,
  preferences: { ...yardNow.preferences, boxOrder: 'fromLuminaire' as const },
};

const StepsBack = () => {
  const subject = useSubject(fromLuminaire, null, circuitOf(fromLuminaire, 'ropewalk-lights'));
  return <StepsPanel subject={subject} />;
};

test('where boxes are worked from the luminaire back, parts and the next box go that way', async () => {
  show(<StepsBack />, { job: fromLuminaire });
  fireEvent.click(await screen.findByRole('button', { name: 'Part by part' }));
  const part = screen.getByRole('region', { name: 'Mark out and open, in every box' });
  const boxes = within(part)
    .getAllByRole('region')
    .map((one) => one.getAttribute('aria-label'));
  expect(boxes).toEqual(['Yard end', 'Last bay', 'Middle bay', 'First bay', 'Creek end']);
  fireEvent.click(screen.getByRole('button', { name: 'Box by box' }));
  fireEvent.click(screen.getByRole('button', { name: 'Next box' }));
  expect(screen.getByRole('region', { name: 'Steps at Yard end' })).toBeTruthy();
});

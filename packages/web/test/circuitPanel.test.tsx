import { fireEvent, screen, within } from '@testing-library/react';
import type { Circuit, Job } from '@amber/core';
import { CircuitPanel } from '../src/panels/circuit/CircuitPanel.js';
import { StepsPanel } from '../src/panels/steps/StepsPanel.js';
import { LuminairesOf } from '../src/screens/layout/BoxContents.js';
import { useAppSelector } from '../src/store/store.js';
import { useSubject } from '../src/wiring/useSubject.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const circuitOf = (job: Job, id: string): Circuit => {
  const found = job.circuits.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

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
});

test('a habit holds for the whole job, and the steps follow', () => {
  const { store } = show(<Panel id="galley-lights" />, { job: yard() });
  fireEvent.click(screen.getByRole('button', { name: 'Habits of this job' }));
  fireEvent.change(screen.getByLabelText('Connectors'), { target: { value: 'twistOn' } });
  fireEvent.change(screen.getByLabelText('Before a twist-on'), { target: { value: 'always' } });
  fireEvent.change(screen.getByLabelText('Free conductor past the sheath'), { target: { value: '8' } });
  fireEvent.click(screen.getByRole('checkbox', { name: /A port left free/ }));
  expect(jobOf(store).preferences).toMatchObject({
    connectors: 'twistOn',
    preTwist: 'always',
    freeConductor: 8,
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

import { act, fireEvent, screen, within } from '@testing-library/react';
import type { Job } from '@amber/core';
import { MetersPanel } from '../src/panels/meters/MetersPanel.js';
import { useAppSelector } from '../src/store/store.js';
import { wireFollowed } from '../src/store/wiringSlice.js';
import { useSubject } from '../src/wiring/useSubject.js';
import { circuitOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { few } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
});

const Shown = ({ job, id }: { job: Job; id: string }) => {
  const subject = useSubject(job, null, circuitOf(job, id));
  const positions = useAppSelector((state) => state.wiring.positions);
  return <MetersPanel subject={subject} positions={positions} />;
};
const Meters = ({ id }: { id: string }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <Shown job={job} id={id} /> : null;
};
const says = (name: RegExp) => {
  const term = screen.getByText(name, { selector: 'dt' });
  return term.parentElement?.querySelector('strong')?.textContent;
};

test('probes go on what is tapped, and each meter says what it would: volts, ghosts, a glow, and a refusal', () => {
  const { store } = show(<Meters id="ropewalk-lights" />, { job: few('ropewalk-lights') });
  const tap = (cable: string, colour: string) =>
    act(() => void store.dispatch(wireFollowed(`conductor|cable:ropewalk-lights:${cable}|${colour}`)));
  tap('panel>creek-end', 'black');
  expect(screen.getByText(/^black, the panel to Creek end/)).toBeTruthy();
  expect(says(/^Two-pole/)).toBe('two points');
  expect(says(/^Non-contact/)).toBe('glows');
  tap('panel>creek-end', 'white');
  expect([says(/^Two-pole/), says(/^Meter of high/), says(/^Continuity/)]).toEqual([
    '120 V',
    '120 V',
    'not on what is live: off first',
  ]);
  // The traveler that hangs in the air beside the live one.
  tap('creek-end>first-bay', 'red');
  expect(screen.getByText('tap another')).toBeTruthy();
  tap('panel>creek-end', 'white');
  expect([says(/^Two-pole/), says(/^Non-contact/)]).toEqual(['0 V', 'glows']);
  expect(Number.parseInt(says(/^Meter of high/) ?? '', 10)).toBeGreaterThan(10);
  expect(screen.getByText(/^Ghost volts: one of the two hangs in the air/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Breakers off' }));
  expect([says(/^Two-pole/), says(/^Continuity/), says(/^Non-contact/)]).toEqual([
    '0 V',
    'none',
    'stays dark',
  ]);
  fireEvent.click(screen.getByRole('button', { name: 'Take the probes off' }));
  expect(screen.queryByLabelText('What each meter says')).toBeNull();
  // Its outlet is another circuit's.
  expect(screen.queryByLabelText('Receptacle tester')).toBeNull();
});

test('a receptacle tester stands at each outlet that is shown', () => {
  show(<Meters id="net-store-outlet" />, { job: few('net-store-outlet') });
  const outlets = within(screen.getByLabelText('Receptacle tester'));
  expect(outlets.getByText('wired right, as far as it can tell')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Breakers off' }));
  expect(outlets.getByText('dead, or hot open')).toBeTruthy();
});

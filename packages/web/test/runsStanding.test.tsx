import { fireEvent, screen, within } from '@testing-library/react';
import { reviewCircuit, reviewJob, type Job } from '@amber/core';
import { RunsScreen } from '../src/screens/runs/RunsScreen.js';
import { useStanding } from '../src/screens/runs/Standing.js';
import { circuitOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { plannerInPlace } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  plannerInPlace();
});

const open = (id: string) => {
  const job = yard();
  return show(<RunsScreen job={job} circuit={circuitOf(job, id)} />, { job });
};
const said = () => screen.getAllByRole('status')[0]?.textContent ?? '';

test('of a circuit that stands as it was found nothing is sought, it is said, and the bench is a tap away', () => {
  open('rope-stair-light');
  expect(said()).toBe('It stands as it was found: nothing is planned of it.');
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('What is there of Rope stair');
  expect(screen.queryByRole('list', { name: 'Plans' })).toBeNull();
  expect(screen.queryByText(/No way of wiring/)).toBeNull();
  const panel = within(screen.getByRole('region', { name: 'It stands as it was found' }));
  expect(panel.getByText(/look before you cut or drill/)).toBeTruthy();
  expect(panel.getByRole('heading').textContent).toBe('Rope stair stands as it was found');
  expect(panel.getByRole('link', { name: 'See it on the bench' }).getAttribute('href')).toBe(
    '/jobs/heron-yard/circuits/rope-stair-light',
  );
  expect(screen.getByRole('img', { name: 'What lies there over the layout' })).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Change what is there …' })).toBeTruthy();
});

test('ways to wire it anew are sought when they are asked for, and why there is none is told', async () => {
  open('rope-stair-light');
  fireEvent.click(screen.getByRole('button', { name: 'Seek ways to wire it anew' }));
  expect(await screen.findByText('No way of wiring Rope stair meets all that is asked')).toBeTruthy();
  expect(screen.queryByRole('region', { name: 'It stands as it was found' })).toBeNull();
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Ways to wire Rope stair');
});

test('with a switch more it is searched at once', () => {
  const old = yard();
  const [slot] = old.slots.filter(({ id }) => id === 'stair-foot-slot');
  if (!slot) throw new Error('the stair has no switch');
  const job: Job = { ...old, slots: [...old.slots, { ...slot, id: 'second' as never, gang: 1 }] };
  show(<RunsScreen job={job} circuit={circuitOf(job, 'rope-stair-light')} />, { job });
  expect(said()).toBe('Searching …');
  expect(screen.queryByText(/stands as it was found/)).toBeNull();
});

test('a control of which nothing is placed yet is named, with the way to place it, and counts among no positions', () => {
  const old = yard();
  const [group] = old.groups.filter(({ circuit }) => circuit === 'rope-stair-light');
  if (!group) throw new Error('the stair has no group');
  const job: Job = { ...old, groups: [...old.groups, { ...group, id: 'lamp' as never, name: 'Stair lamp' }] };
  show(<RunsScreen job={job} circuit={circuitOf(job, 'rope-stair-light')} />, { job });
  const panel = within(screen.getByRole('region', { name: 'It stands as it was found' }));
  const told = panel.getByText(/no switch and no luminaire yet/);
  expect(told.textContent).toBe(
    'Stair lamp has no switch and no luminaire yet: place them on Layout, and the ways to wire them are sought here.',
  );
  expect(within(told).getByRole('link').getAttribute('href')).toBe(
    '/jobs/heron-yard/circuits/rope-stair-light/layout',
  );
  expect(panel.getByText(/^Nothing else of it is to be changed/)).toBeTruthy();
  const { findings, proofs } = reviewCircuit(reviewJob(job), 'rope-stair-light' as never);
  expect(findings.filter(({ severity }) => severity === 'unfinished').map(({ what }) => what)).toEqual([
    'Stair lamp has no switch',
    'Stair lamp has no luminaire',
  ]);
  expect(proofs.map(({ positions }) => positions)).toEqual([4]);
});

test('a circuit that is planned is searched at once', async () => {
  open('tar-store-light');
  expect(said()).toBe('Searching …');
  expect(await screen.findByText(/^\d+ plans?\. .*proved/i)).toBeTruthy();
  expect(screen.queryByRole('region', { name: 'It stands as it was found' })).toBeNull();
});

test('what is drawn of it are its cables as they lie, and no others', () => {
  const job = yard();
  const seen: ReturnType<typeof useStanding>[] = [];
  const Probe = ({ id }: { id: string }) => {
    seen.push(useStanding(job, circuitOf(job, id)));
    return null;
  };
  show(<Probe id="rope-stair-light" />, { job });
  const runs = seen[0]?.runs ?? [];
  expect(runs.map(({ from, to, feet }) => [from, to, feet])).toEqual([
    ['panel', 'stair-ceiling', 60],
    ['stair-ceiling', 'stair-foot', 20],
    ['stair-foot', 'stair-head', 27.5],
  ]);
  expect(runs.every(({ existing }) => existing)).toBe(true);
  expect(runs).toHaveLength(
    reviewCircuit(reviewJob(job), circuitOf(job, 'rope-stair-light').id).cables.length,
  );
  show(<Probe id="tar-store-light" />, { job });
  expect(seen.at(-1)).toBeNull();
});

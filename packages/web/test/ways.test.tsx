import { fireEvent, screen, within } from '@testing-library/react';
import { findPlans, nearestWays, planJob, withoutBox, type Candidate, type Job } from '@amber/core';
import { WayCards } from '../src/panels/ways/NearestWays.js';
import { RunMini } from '../src/parts/RunMini.js';
import { NamedWays } from '../src/screens/runs/NamedWays.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

test('the named ways are drawn, priced and judged for the place, and one is taken with a tap', () => {
  const job = yard();
  const found = findPlans(job, circuitOf(job, 'ropewalk-lights').id);
  const chosen: Candidate[] = [];
  const looked: string[] = [];
  show(
    <NamedWays
      job={job}
      found={found}
      letter="A"
      onPick={(letter) => looked.push(letter)}
      onChoose={(plan) => chosen.push(plan)}
    />,
  );
  const ways = within(screen.getByRole('list', { name: 'Named ways' })).getAllByRole('listitem');
  expect(ways).toHaveLength(found.familiar.length);
  const between = ways.find((one) => within(one).queryByText('Light between the switches'));
  if (!between) throw new Error('not drawn');
  expect(between.textContent).toMatch(/\$\d/);
  expect(between.textContent).toMatch(/Against:.*travelers spliced in a luminaire or junction box/);
  fireEvent.click(within(between).getByRole('button', { name: 'Look at it' }));
  fireEvent.click(within(between).getByRole('button', { name: 'Wire it this way' }));
  expect(chosen.map(({ familiar }) => familiar)).toEqual([expect.arrayContaining(['between'])]);
  expect(looked).toEqual([chosen[0]?.letter]);
});

const Cards = ({ id, ways }: { id: string; ways: readonly Candidate[] }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <WayCards job={job} circuit={circuitOf(job, id)} ways={ways} /> : null;
};

test('a circuit whose way was broken by the layout is wired anew by the nearest one', () => {
  const whole = yard();
  const choice = whole.choices.find(({ circuit }) => circuit === 'ropewalk-lights');
  const lamp = whole.luminaires.find(({ group }) =>
    whole.groups.some((one) => one.id === group && one.circuit === 'ropewalk-lights'),
  );
  if (!choice || !lamp) throw new Error('the passage is not wired');
  // A luminaire goes: the way that led through its box goes with it.
  const job = withoutBox(whole, lamp.box);
  const isWired = (one: Job) =>
    planJob(one).circuits.some(({ circuit, outcome }) => circuit.id === 'ropewalk-lights' && outcome.ok);
  expect(isWired(job)).toBe(false);
  const ways = nearestWays(findPlans(job, choice.circuit).candidates, choice);
  expect(ways).toHaveLength(3);
  const { store } = show(<Cards id="ropewalk-lights" ways={ways} />, { job });
  fireEvent.click(screen.getAllByRole('button', { name: 'Wire it this way' })[0] as HTMLElement);
  expect(isWired(jobOf(store))).toBe(true);
  expect(jobOf(store).choices.find(({ circuit }) => circuit === 'ropewalk-lights')?.runs).toEqual(
    ways[0]?.choice.runs,
  );
});

test('in the small picture two cables between the same two boxes lie side by side, and gangs stay inside their sign', () => {
  const node = (column: number, letters: string[]) => ({
    column,
    row: 0,
    letters,
    luminaires: 0,
    panel: false,
    sign: null,
  });
  show(
    <RunMini
      label="Run"
      run={{
        nodes: [node(0, ['S3', 'S3', 'S', 'S']), node(1, ['S3', 'S3'])],
        edges: [
          { from: 0, to: 1, insulated: 3 },
          { from: 0, to: 1, insulated: 3 },
        ],
        columns: 2,
        rows: 1,
      }}
    />,
  );
  const picture = screen.getByRole('img', { name: 'Run' });
  const lines = [...picture.querySelectorAll('path')].map((one) => one.getAttribute('d'));
  expect(new Set(lines).size).toBe(6);
  const [sign] = picture.querySelectorAll('rect');
  const [left, width] = [Number(sign?.getAttribute('x')), Number(sign?.getAttribute('width'))];
  for (const letter of [...picture.querySelectorAll('text')].slice(0, 4)) {
    const x = Number(letter.getAttribute('x'));
    expect(x).toBeGreaterThan(left + 6);
    expect(x).toBeLessThan(left + width - 6);
  }
});

test('in the small picture a run that leads back goes over the places between, and lies on no other', () => {
  const node = (column: number, letters: string[], luminaires = 0) => ({
    ...{ column, row: 0, letters, luminaires, panel: false, sign: null },
  });
  show(
    <RunMini
      label="Back"
      run={{
        nodes: [node(0, [], 1), node(1, ['S3']), node(2, ['S3'])],
        edges: [
          { from: 0, to: 1, insulated: 2 },
          { from: 1, to: 2, insulated: 3 },
          { from: 0, to: 2, insulated: 2 },
        ],
        columns: 3,
        rows: 1,
      }}
    />,
  );
  const picture = screen.getByRole('img', { name: 'Back' });
  const lines = [...picture.querySelectorAll('path')].map((one) => one.getAttribute('d') ?? '');
  const over = lines.filter((d) => /V[\d.]+H[\d.]+V/.test(d));
  expect(over).toHaveLength(2);
  const signTop = Math.min(
    ...[...picture.querySelectorAll('rect')].map((one) => Number(one.getAttribute('y'))),
  );
  for (const d of over) {
    const level = Number(/V([\d.]+)H/.exec(d)?.[1]);
    expect(level).toBeLessThan(signTop);
    expect(level).toBeGreaterThan(0);
  }
});

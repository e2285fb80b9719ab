import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fireEvent, screen, within } from '@testing-library/react';
import { findPlans, parseJobFile, type Candidate, type Job, type LaidRun } from '@amber/core';
import { Compare } from '../src/screens/runs/Compare.js';
import { PlanCard } from '../src/screens/runs/PlanCard.js';
import { PlanFacts } from '../src/screens/runs/PlanFacts.js';
import { circuitOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';

const FILE = join(import.meta.dirname, '../../core/test/fixtures/shapes/hall-14.json');

/** A hall with two pairs at the same two doors, an old cable of three between the doors. */
const hall = ((): Job => {
  const read = parseJobFile(readFileSync(FILE, 'utf8'));
  if (!read.ok) throw new Error('the hall is not read');
  return read.job;
})();
const found = findPlans(hall, circuitOf(hall, 'c').id, { mostSteps: 200_000 });
const [first, ...others] = found.candidates;
const plan = (): Candidate => {
  if (!first) throw new Error('no plan');
  return first;
};

beforeEach(() => {
  fakeServer();
  silencePlanner();
});

const rows = () => within(screen.getByRole('region', { name: 'Runs' })).getAllByRole('button');

test('of two runs between the same doors each says whose it is, and one that it lies there', () => {
  const picked: LaidRun[] = [];
  show(<PlanFacts job={hall} plan={plan()} picked={null} onPickRun={(run) => picked.push(run)} />, {
    job: hall,
  });
  const doors = rows().filter(({ textContent }) => /Front door to Back door/.test(textContent));
  expect(doors).toHaveLength(2);
  const [old, fresh] = [
    doors.find(({ textContent }) => textContent.includes('existing')),
    doors.find(({ textContent }) => !textContent.includes('existing')),
  ];
  expect(old?.textContent).toMatch(/, (Ceiling|Wall)14\/3, 20'-0", existing$/);
  expect(fresh?.textContent).toMatch(/, (Ceiling|Wall)14\/3, \d+'-\d+"$/);
  // Not both of the same group.
  const groupOf = (row: HTMLElement | undefined) => /, (Ceiling|Wall)/.exec(row?.textContent ?? '')?.[1];
  expect(groupOf(old)).not.toBe(groupOf(fresh));
  if (!old || !fresh) throw new Error('not both');
  fireEvent.click(old);
  fireEvent.click(fresh);
  expect(picked.map(({ existing }) => existing)).toEqual([true, false]);
  // What is bought is what is new alone.
  const bought = plan().runs.filter(({ existing }) => !existing);
  const feet = bought.reduce((sum, run) => sum + (run.feet ?? 0), 0);
  expect(plan().measures.feet).toBeCloseTo(feet, 6);
});

test('the run that is picked stays told among its like', () => {
  const [, second] = plan().runs.filter(({ told }) => told !== '');
  show(<PlanFacts job={hall} plan={plan()} picked={second ?? null} onPickRun={() => undefined} />, {
    job: hall,
  });
  const pressed = rows().filter((row) => row.getAttribute('aria-pressed') === 'true');
  expect(pressed.map(({ textContent }) => textContent)).toEqual([
    expect.stringContaining(second?.told ?? 'none'),
  ]);
});

test('the card says what it takes, and wires it with a tap', () => {
  let chosen = 0;
  const card = (more: object) => (
    <PlanCard
      {...{ job: hall, circuit: circuitOf(hall, 'c').id, plan: plan(), why: 'It is cheaper.' }}
      {...{ chosen: false, picked: true, provisional: false, ...more }}
      onPick={() => undefined}
      onHover={() => undefined}
      onChoose={() => (chosen += 1)}
    />
  );
  const { unmount } = show(card({}), { job: hall });
  const text = screen.getByRole('button', { name: 'Plan A' }).textContent;
  expect(text).toContain('Power enters at Front door');
  expect(text).toContain(`in ${plan().measures.runs} runs`);
  expect(text).toMatch(/neutral at 4 of 4/);
  fireEvent.click(screen.getByRole('button', { name: 'Wire it this way' }));
  expect(chosen).toBe(1);
  unmount();
  const wired = show(card({ chosen: true, why: null }), { job: hall });
  expect(screen.getByText('Wired this way')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Wire it this way' })).toBeNull();
  expect(screen.getByText('No other plan was found.')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'To the bench' }).getAttribute('href')).toBe(
    '/jobs/hall/circuits/c',
  );
  wired.unmount();
  // Before the search has ended nobody knows whether there is another.
  const early = show(card({ provisional: true, why: null }), { job: hall });
  expect(screen.getByText('The best so far. Others are still searched.')).toBeTruthy();
  expect(screen.queryByText('No other plan was found.')).toBeNull();
  early.unmount();
  // One that goes on being sought says so of the first alone.
  show(card({ provisional: true }), { job: hall });
  expect(screen.getByText('The best so far. It is cheaper.')).toBeTruthy();
});

test('two plans stand side by side, and another may be put in the place of the one', () => {
  const looked: string[] = [];
  show(<Compare job={hall} found={found} plan={plan()} onPick={(letter) => looked.push(letter)} />, {
    job: hall,
  });
  expect(others.length).toBeGreaterThan(1);
  const table = () => screen.getAllByRole('table')[0]?.textContent ?? '';
  const before = table();
  expect(before).toContain(others[0]?.letter);
  const last = others.at(-1)?.letter ?? '';
  fireEvent.change(screen.getByRole('combobox'), { target: { value: last } });
  expect(table()).not.toBe(before);
});

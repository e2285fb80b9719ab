import { fireEvent, screen, within } from '@testing-library/react';
import { type CircuitId, type PlannedPart } from '@amber/core';
import { AllCircuits, sayPart } from '../src/screens/runs/AllCircuits.js';
import { useAppSelector } from '../src/store/store.js';
import { show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

beforeEach(() => {
  fakeServer();
  silencePlanner();
  localStorage.clear();
});

const All = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <AllCircuits job={job} /> : null;
};

test('what nobody has wired is ticked, what is wired is not, and what stands is not asked about', () => {
  const whole = yard();
  const job = { ...whole, choices: whole.choices.filter(({ circuit }) => circuit !== 'slip-light') };
  show(<All />, { job });
  const list = screen.getByRole('group', { name: /To be planned/ });
  const box = (name: RegExp) => within(list).getByRole<HTMLInputElement>('checkbox', { name });
  expect(box(/^Slip light/).checked).toBe(true);
  expect(box(/^Ropewalk/).checked).toBe(false);
  expect(within(list).queryByRole('checkbox', { name: /^Sail loft/ })).toBeNull();
  fireEvent.click(box(/^Landing/));
  fireEvent.click(screen.getByRole('button', { name: 'Plan 2 circuits together' }));
  expect(screen.getByText(/^Planning/).textContent).toContain('Planning 2 circuits');
  // What is asked for is no longer what is ticked.
  fireEvent.click(box(/^Landing/));
  expect(screen.getByRole('button', { name: 'Plan 1 circuit together' })).toBeTruthy();
});

test('what is known of circuits planned together is said as it is', () => {
  const job = yard();
  const part = (more: Partial<PlannedPart>): PlannedPart => ({
    circuits: ['landing-lights', 'slip-light'] as CircuitId[],
    ...{ proved: true, gap: 0, turns: 1, failed: [], leftOut: false, unsure: [] },
    ...more,
  });
  expect(sayPart(job, part({}))).toMatch(/: least by cost and judgement, together, proved\.$/);
  expect(sayPart(job, part({ proved: false, gap: 3.21 }))).toMatch(
    /: the best found, together, at most 3\.2 % above the least\.$/,
  );
  expect(sayPart(job, part({ proved: false, gap: 0 }))).not.toContain('proved');
  // What rests on something that nobody knows is not called proved.
  const unsure = sayPart(job, part({ unsure: ['Nobody has measured Hall yet.'] }));
  expect(unsure).toMatch(/: the best found, together\. Nobody has measured Hall yet\.$/);
  expect(sayPart(job, part({ leftOut: true }))).toMatch(/proved\. Some ways are not tried/);
  const failed = sayPart(job, part({ proved: false, gap: null, failed: ['slip-light'] as CircuitId[] }));
  expect(failed).toMatch(/cannot be wired as asked\.$/);
  expect(failed).not.toContain('together');
});

import { act, fireEvent, screen, within } from '@testing-library/react';
import { findPlans, setFromTruck, type ArticleId, type Candidate, type Job } from '@amber/core';
import { Kinds } from '../src/screens/runs/FoundParts.js';
import { InTruck } from '../src/screens/runs/InTruck.js';
import { PlanFacts } from '../src/screens/runs/PlanFacts.js';
import { useAppSelector } from '../src/store/store.js';
import { circuitOf, jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { silencePlanner } from './support/worker.js';
import { yard } from './support/yard.js';

const THREE = '14-3' as ArticleId;
let sent: ReturnType<typeof fakeServer>;
beforeEach(() => {
  sent = fakeServer();
  silencePlanner();
  localStorage.clear();
});

const Held = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <InTruck job={job} circuit={circuitOf(job, 'ropewalk-lights')} /> : null;
};

test('cable in the truck is told by its kind, taken as the shop has counted it, and counts as the job says', async () => {
  const { store } = show(<Held />, { job: yard() });
  const part = within(screen.getByRole('region', { name: 'In the truck' }));
  expect(part.getByText(/costs 20 % of its price, as far as it reaches/)).toBeTruthy();
  // Of another size than the circuit nothing is asked.
  expect(part.queryByLabelText(/^12/)).toBeNull();
  fireEvent.change(part.getByLabelText(/^14\/2, feet$/), { target: { value: '45' } });
  expect(jobOf(store).order.fromTruck['14-2' as ArticleId]).toBe(45);
  await act(async () => {
    sent
      .find(({ path }) => path.endsWith('/catalog/truck'))
      ?.answer(200, { amounts: [{ article: THREE, amount: 60.5 }] });
    await Promise.resolve();
  });
  fireEvent.click(await part.findByRole('button', { name: 'The truck has 60 ft: take it' }));
  expect(jobOf(store).order.fromTruck[THREE]).toBe(60);
  expect(part.queryByRole('button', { name: /^The truck has/ })).toBeNull();
  fireEvent.change(part.getByLabelText(/^Counts, percent/), { target: { value: '135' } });
  expect(part.getByRole('alert').textContent).toContain('From 0 to 100 %');
  expect(jobOf(store).order.truckShare).toBe(20);
  fireEvent.change(part.getByLabelText(/^Counts, percent/), { target: { value: '0' } });
  expect(jobOf(store).order.truckShare).toBe(0);
});

test('the plan that buys least is one tap away, and says what comes off for cable in the truck', () => {
  const job: Job = setFromTruck(yard(), THREE, 200);
  const found = findPlans(job, circuitOf(job, 'tar-store-light').id);
  const picked: string[] = [];
  const profile = found.profiles.find(({ id }) => id === 'buyLeast');
  const { unmount } = show(<Kinds found={found} letter={null} onPick={(one) => picked.push(one)} />, { job });
  fireEvent.click(screen.getByRole('button', { name: `Buy least ${profile?.letter}` }));
  expect(picked).toEqual([profile?.letter]);
  unmount();
  const facts = (plan: Candidate) => {
    const shown = show(<PlanFacts job={job} plan={plan} picked={null} onPickRun={() => undefined} />, {
      job,
    });
    const said = screen.queryByText('By buying least')?.nextElementSibling?.textContent ?? null;
    shown.unmount();
    return said;
  };
  for (const plan of found.candidates) {
    const uses = plan.measures.cable.some(({ article, feet }) => article === THREE && feet > 0);
    if (uses) expect(facts(plan)).toMatch(/^\$\d+\.\d\d, \$\d+\.\d\d off for cable in the truck$/);
    else expect(facts(plan)).toBeNull();
  }
});

import { fireEvent, screen, within } from '@testing-library/react';
import {
  dollars,
  expectedOf,
  findPlansExpecting,
  latersOf,
  laterTable,
  type Candidate,
  type CircuitId,
  type FoundPlans,
  type Job,
  type Later,
  type LaterRow,
} from '@amber/core';
import { LaterTable } from '../src/screens/runs/LaterPrices.js';
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

interface Shown {
  found: FoundPlans;
  plans: Candidate[];
  here: Later[];
  rows: LaterRow[] | null;
}
const Table = (shown: Shown) => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <LaterTable job={job} {...shown} /> : null;
};

/** The search is the same in every test: it is made once. */
let once: { job: Job; id: CircuitId; found: FoundPlans } | undefined;
const searched = () => {
  const job = yard();
  const { id } = circuitOf(job, 'tar-store-light');
  once ??= { job, id, found: findPlansExpecting(job, id) };
  return once;
};

test('what may come is priced plan by plan, and what is ticked is expected', () => {
  const { job, id, found } = searched();
  const plans = found.candidates.slice(0, 2);
  const here = latersOf(job, id).filter(({ what }) => what === 'sensor' || what === 'dimmer');
  const choices = plans.map(({ choice }) => choice);
  const rows = laterTable(job, id, choices, here);
  const { store } = show(<Table found={found} plans={plans} here={here} rows={rows} />, { job });
  const line = screen.getByRole('row', { name: /A sensor/ });
  for (const price of rows.find(({ later }) => later.what === 'sensor')?.prices ?? [])
    if (price?.ok)
      expect(within(line).getAllByText(`about ${dollars(price.cost)}`).length).toBeGreaterThan(0);
    else expect(within(line).getByText('not')).toBeTruthy();
  fireEvent.click(within(line).getByRole('checkbox', { name: 'A sensor' }));
  expect(expectedOf(jobOf(store), id).map(({ what }) => what)).toEqual(['sensor']);
  expect(within(line).getByRole<HTMLInputElement>('checkbox', { name: 'A sensor' }).checked).toBe(true);
  expect(screen.getByText(/Nothing of this is proved/)).toBeTruthy();
});

test('before it is worked out no price is shown, and of what cannot be had the reason is', () => {
  const { job, id, found } = searched();
  const plans = found.candidates.slice(0, 1);
  const here = latersOf(job, id).slice(0, 2);
  const why = 'The stock has none of that kind.';
  const [first, second] = here;
  if (!first || !second) throw new Error('nothing may come');
  const rows: LaterRow[] = [
    { later: first, prices: [null] },
    { later: second, prices: [{ ok: false, why }] },
  ];
  show(<Table found={found} plans={plans} here={here} rows={rows} />, { job });
  expect(screen.queryByText(/about \$/)).toBeNull();
  expect(screen.getByText(why)).toBeTruthy();
});

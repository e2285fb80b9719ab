import { render, screen } from '@testing-library/react';
import { findPlansExpecting, type FoundPlans } from '@amber/core';
import { PlanCard } from '../src/screens/runs/PlanCard.js';
import { asBefore } from '../src/worker/usePlans.js';
import { yard } from './support/yard.js';

const job = yard();
const CIRCUIT = 'landing-lights' as never;

/** As it comes from a worker: the same, and no object of it. */
const copied = (found: FoundPlans): FoundPlans => JSON.parse(JSON.stringify(found)) as FoundPlans;

/** What a search tells, each time anew as it comes from a worker. */
const told: FoundPlans[] = [];
beforeAll(() => {
  const last = findPlansExpecting(job, CIRCUIT, {
    onProgress: (found) => void told.push(copied(found)),
  });
  told.push(copied(last));
});

const steps = () => {
  let last: FoundPlans | null = null;
  return told.map((found) => (last = asBefore(last, found)));
};

test('what is told again says the same as what came', () => {
  expect(told.length).toBeGreaterThan(3);
  steps().forEach((kept, i) => expect(kept).toEqual(told[i]));
});

test('a plan keeps its runs and its picture whatever comes before it, and is another as soon as something of it is', () => {
  const all = steps();
  let [moved, changed] = [0, 0];
  all.slice(1).forEach((now, i) => {
    for (const plan of now.candidates) {
      const was = all[i]?.candidates.find(
        ({ choice }) => JSON.stringify(choice) === JSON.stringify(plan.choice),
      );
      if (!was) continue;
      expect(plan.runs).toBe(was.runs);
      expect(plan.sketch).toBe(was.sketch);
      const isAsWas = JSON.stringify(plan) === JSON.stringify(was);
      expect(plan === was).toBe(isAsWas);
      if (plan.letter !== was.letter) moved++;
      if (!isAsWas) changed++;
    }
  });
  expect(moved).toBeGreaterThan(0);
  expect(changed).toBeGreaterThanOrEqual(moved);
});

test('a card is drawn again only when its plan is another', () => {
  const last = told.at(-1);
  if (!last) throw new Error('nothing was found');
  let drawn = 0;
  // A card reads its picture whenever it is drawn.
  const first: FoundPlans = {
    ...last,
    candidates: last.candidates.map(({ sketch, ...plan }) => ({
      ...plan,
      get sketch() {
        drawn += 1;
        return sketch;
      },
    })),
  };
  const nothing = () => undefined;
  const list = ({ candidates }: FoundPlans) => (
    <ol>
      {candidates.map((plan) => (
        <PlanCard
          key={plan.letter}
          {...{ job, circuit: CIRCUIT, plan, why: null, chosen: false, picked: false, provisional: false }}
          {...{ onPick: nothing, onHover: nothing, onChoose: nothing }}
        />
      ))}
    </ol>
  );
  const { rerender } = render(list(first));
  expect(drawn).toBeGreaterThanOrEqual(first.candidates.length);
  const same = asBefore(first, copied(last));
  drawn = 0;
  rerender(list(same));
  expect(drawn).toBe(0);
  const again = copied(last);
  const [plan, ...others] = again.candidates;
  if (!plan) throw new Error('no plan');
  const longer = { ...plan, measures: { ...plan.measures, feet: plan.measures.feet + 7 } };
  const other = asBefore(first, { ...again, candidates: [longer, ...others] });
  rerender(list(other));
  expect(screen.getByRole('button', { name: 'Plan A' }).textContent).toContain(`${longer.measures.feet} ft`);
});

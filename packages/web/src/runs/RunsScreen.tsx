import {
  isChosen,
  wiredChoice,
  withChoice,
  type Candidate,
  type Circuit,
  type Job,
  type PlanSet,
} from '@amber/core';
import { useAppDispatch } from '../app/store.js';
import { reviewOf, useEdit } from '../editing/review.js';
import { noticed } from '../shared/noticeSlice.js';
import { plural } from '../shared/format.js';
import { Button, SeverityMark } from '../shared/ui.js';
import { PlanAside } from './PlanAside.js';
import { PlanCard } from './PlanCard.js';
import { usePlans, type Search } from './usePlans.js';

const headline = (search: Search): string => {
  if (search.kind === 'failed') return 'The search broke off';
  const count = search.found?.candidates.length ?? 0;
  const plans = plural(count, 'plan');
  if (search.kind === 'searching') return count > 0 ? `${plans} so far, searching on …` : 'Searching …';
  if (search.kind === 'stopped') return `${plans} when it was stopped`;
  const least = search.found?.profiles.find((one) => one.id === 'leastCost');
  return count > 0 && least?.proved ? `${plans}. That A costs least is proved.` : plans;
};

const Refusals = ({ found }: { found: PlanSet }) => (
  <ul className="flex flex-col gap-4">
    {found.refusals.map((one) => (
      <li key={one.title} className="flex gap-3 rounded-lg border border-line bg-sheet p-4">
        <SeverityMark severity="unfinished" />
        <div>
          <p className="font-bold">{one.title}</p>
          <p className="mt-0.5 text-[14px]">{one.reason}</p>
          <p className="mt-1 text-[14px]">
            <strong>Remedy:</strong> {one.remedy}
          </p>
        </div>
      </li>
    ))}
  </ul>
);

/** Which way is best? Every sensible way to wire the circuit, the cheapest first. */
export const RunsScreen = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const { search, stop, again } = usePlans(job, circuit);
  const edit = useEdit();
  const wired = wiredChoice(reviewOf(job).plans, circuit.id);
  const dispatch = useAppDispatch();
  const found = search.kind === 'failed' ? null : search.found;
  const choose = (plan: Candidate) => {
    edit(withChoice(job, circuit.id, plan.choice), `wire ${circuit.name} by plan ${plan.letter}`);
    dispatch(noticed(`${circuit.name} is wired by plan ${plan.letter}. Undo brings back what was there.`));
  };
  const why = (plan: Candidate, index: number) =>
    found?.comparisons.find((one) => one.other === plan.letter || (index === 0 && one.better === plan.letter))
      ?.sentence ?? null;
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col gap-3 p-4 lg:min-h-0 lg:flex-1 lg:overflow-y-auto">
        <div className="flex min-h-10 flex-wrap items-center gap-x-4 gap-y-1">
          <h1 className="text-[19px] font-bold">Ways to wire {circuit.name}</h1>
          <p role="status" className="text-[14px] text-quiet">
            {headline(search)}
          </p>
          <span className="ml-auto flex gap-2">
            {search.kind === 'searching' && stop ? <Button onClick={stop}>Stop</Button> : null}
            {search.kind === 'stopped' || search.kind === 'failed' ? (
              <Button onClick={again}>Search again</Button>
            ) : null}
          </span>
        </div>
        {search.kind === 'failed' ? (
          <p role="alert" className="text-violation">
            {search.message}
          </p>
        ) : null}
        {found && found.refusals.length > 0 ? <Refusals found={found} /> : null}
        <ol aria-label="Plans" className="flex flex-col gap-3">
          {found?.candidates.map((plan, index) => (
            <PlanCard
              key={plan.letter}
              job={job}
              plan={plan}
              why={why(plan, index)}
              chosen={isChosen(wired, plan)}
              provisional={search.kind === 'searching'}
              onChoose={() => choose(plan)}
            />
          ))}
        </ol>
      </main>
      {found ? <PlanAside found={found} /> : null}
    </div>
  );
};

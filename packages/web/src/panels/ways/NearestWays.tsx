import {
  FAMILIAR_TITLES,
  findBox,
  nearestWays,
  profileOf,
  type Candidate,
  type Circuit,
  type Job,
} from '@amber/core';
import { Link } from 'react-router';
import { runsPath } from '../../parts/paths.js';
import { RunMini } from '../../parts/RunMini.js';
import { Button } from '../../parts/ui.js';
import { usePlans } from '../../worker/usePlans.js';
import { priceOf, useChoosePlan } from './choosePlan.js';

const titleOf = ({ bestAt, familiar }: Candidate): string =>
  [...bestAt.map((id) => profileOf(id).title), ...familiar.map((id) => FAMILIAR_TITLES[id])][0] ?? '';

/** Ways to wire a circuit that is not wired, each made with one tap. */
export const WayCards = ({
  job,
  circuit,
  ways,
}: {
  job: Job;
  circuit: Circuit;
  ways: readonly Candidate[];
}) => {
  const choose = useChoosePlan(job, circuit);
  return (
    <ol className="mt-3 grid gap-3 sm:grid-cols-3">
      {ways.map((plan) => (
        <li
          key={plan.letter}
          className="flex flex-col gap-2 rounded-lg border border-line bg-white p-3 text-left"
        >
          <span className="flex items-baseline justify-between gap-2">
            <strong className="text-[14px]">Power at {findBox(job, plan.entry)?.name ?? ''}</strong>
            <span className="shrink-0 text-[14px] font-bold">{priceOf(plan)}</span>
          </span>
          <span className="min-h-5 text-[13px] text-quiet">{titleOf(plan)}</span>
          {plan.sketch ? (
            <span className="max-w-full overflow-x-auto">
              <RunMini run={plan.sketch} label={`Run of plan ${plan.letter}`} />
            </span>
          ) : null}
          {plan.measures.violations > 0 ? (
            <span className="text-[13px] font-semibold text-violation">violates the code</span>
          ) : null}
          <Button className="mt-auto" look="main" onClick={() => choose(plan)}>
            Wire it this way
          </Button>
        </li>
      ))}
    </ol>
  );
};

/**
 * In place of an empty bench: the three ways that are nearest to the one that was chosen and can no longer be wired, or, where none is chosen,
 * the first three.
 */
export const NearestWays = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const { search } = usePlans(job, circuit);
  const chosen = job.choices.find((one) => one.circuit === circuit.id);
  if (search.kind === 'failed')
    return (
      <p role="alert" className="text-[14px]">
        {search.message}
      </p>
    );
  const candidates = search.found?.candidates ?? [];
  const ways = chosen ? nearestWays(candidates, chosen) : candidates.slice(0, 3);
  if (ways.length === 0)
    return (
      <p role="status" className="text-[14px]">
        {search.kind === 'searching' ? 'Searching for ways to wire it …' : 'No way to wire it was found.'}
      </p>
    );
  return (
    <section aria-label="Nearest ways">
      <h3 className="text-[15px] font-bold">
        {chosen
          ? 'The way that was chosen can no longer be wired. Nearest to it:'
          : 'Not wired yet. It could be:'}
      </h3>
      <WayCards job={job} circuit={circuit} ways={ways} />
      <p className="mt-3 text-[13.5px]">
        <Link className="underline" to={runsPath(job.id, circuit.id)}>
          All ways, over the plan
        </Link>
      </p>
    </section>
  );
};

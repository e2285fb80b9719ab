import { cheapestOf, forAndAgainst, type Candidate, type Job, type PlanSet } from '@amber/core';
import { priceOf } from '../../panels/ways/choosePlan.js';
import { RunMini } from '../../parts/RunMini.js';
import { Button } from '../../parts/ui.js';

/** The everyday arrangements by name, drawn small, each priced and judged for this place; and why one cannot be wired here. */
export const NamedWays = ({
  job,
  found,
  letter,
  onPick,
  onChoose,
}: {
  job: Job;
  found: PlanSet;
  /** Of the plan that is looked at. */
  letter: string | null;
  onPick: (letter: string) => void;
  onChoose: (plan: Candidate) => void;
}) => {
  const cheapest = cheapestOf(found.candidates);
  if (found.familiar.length === 0)
    return (
      <p className="text-[14px] text-quiet">
        {found.complete
          ? 'No way that has a name fits this circuit.'
          : 'The named ways are worked out last …'}
      </p>
    );
  return (
    <ul aria-label="Named ways" className="grid gap-3 md:grid-cols-2">
      {found.familiar.map(({ id, title, letter: at, problems }) => {
        const plan = found.candidates.find((one) => one.letter === at);
        const said = plan ? forAndAgainst(job, plan, cheapest) : null;
        return (
          <li
            key={id}
            className={`flex flex-col gap-1.5 rounded-lg border p-3 ${at !== null && at === letter ? 'border-ink bg-white' : 'border-line'}`}
          >
            <span className="flex items-baseline justify-between gap-3">
              <strong className="text-[14px]">{title}</strong>
              <span className="shrink-0 text-[14px] font-bold">{plan ? priceOf(plan) : ''}</span>
            </span>
            {plan?.sketch ? (
              <span className="max-w-full overflow-x-auto">
                <RunMini run={plan.sketch} label={`Run of: ${title}`} />
              </span>
            ) : null}
            {said ? (
              <p className="text-[13px]">
                {said.pro === '' ? null : (
                  <>
                    <strong>For:</strong> {said.pro}.{' '}
                  </>
                )}
                {said.con === '' ? null : (
                  <>
                    <strong>Against:</strong> {said.con}.
                  </>
                )}
              </p>
            ) : (
              <p className="text-[13px] text-quiet">Not here. {problems.join('. ')}</p>
            )}
            {plan ? (
              <span className="mt-auto flex gap-2">
                <Button aria-pressed={at === letter} onClick={() => onPick(plan.letter)}>
                  Look at it
                </Button>
                <Button look="main" onClick={() => onChoose(plan)}>
                  Wire it this way
                </Button>
              </span>
            ) : null}
          </li>
        );
      })}
    </ul>
  );
};

import type { Finding, Job, PricedRemedy } from '@amber/core';
import { Button } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useEdit } from '../../store/review.js';
import { usePriced } from '../../worker/useChecked.js';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';

const Offer = ({ job, remedy }: { job: Job; remedy: PricedRemedy }) => {
  const edit = useEdit();
  return (
    <li className="rounded-md border border-line bg-white p-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <p className="min-w-0">
          <strong className="break-words">{remedy.words}</strong>
          <span className="block text-[13.5px]">{sayCost(remedy.outcome)}</span>
        </p>
        <Button
          look="main"
          aria-label={`Do it: ${remedy.words}`}
          onClick={() => edit(remedy.job, remedy.words)}
        >
          Do it
        </Button>
      </div>
      <div className="mt-2">
        <OutcomeWords job={job} outcome={remedy.outcome} />
      </div>
    </li>
  );
};

/** What the program can do about a finding: each planned, inspected and priced before it is offered. */
export const RemedyOffers = ({ job, finding }: { job: Job; finding: Finding }) => {
  const priced = usePriced(job, finding);
  if (priced?.kind !== 'known') return <NotYet asked={priced} words="Planned and priced …" />;
  if (priced.answer.length === 0)
    return (
      <p className="text-[13.5px]">
        What the program can do by itself does not settle this without bringing something graver. Do as is
        said above.
      </p>
    );
  return (
    <ul aria-label="Remedies" className="mt-1 flex flex-col gap-2">
      {priced.answer.map((remedy) => (
        <Offer key={remedy.words} job={job} remedy={remedy} />
      ))}
    </ul>
  );
};

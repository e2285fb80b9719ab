import type { BoxCandidate, BoxId, Job } from '@amber/core';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';
import { Button } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useEdit } from '../../store/review.js';
import { useSmaller } from '../../worker/useChecked.js';

/** With what a box that is too small would do: each way planned and priced before it is offered. */
export const SmallerBox = ({ job, box, candidate }: { job: Job; box: BoxId; candidate: BoxCandidate }) => {
  const edit = useEdit();
  const found = useSmaller(job, box, candidate.articles);
  if (found?.kind !== 'known') return <NotYet asked={found} words="Other ways are planned and priced …" />;
  if (found.answer.offers.length === 0)
    return (
      <p className="text-[13.5px]">
        None of the {found.answer.tried} ways that were planned leaves it enough room without bringing
        something graver.
      </p>
    );
  const { name } = candidate;
  return (
    <ul aria-label={`What would make ${name} do`} className="flex flex-col gap-2">
      {found.answer.offers.map(({ words, job: changed, outcome }, i) => (
        <li key={`${words} ${i}`} className="rounded-md border border-line bg-white p-3">
          <div className="flex flex-wrap items-center justify-between gap-2">
            <p className="min-w-0 flex-1 basis-52">
              <strong className="break-words">{words}</strong>
              <span className="block text-[13.5px]">{sayCost(outcome)}</span>
            </p>
            <Button aria-label={`Do it: ${words}`} onClick={() => edit(changed, `${name}: ${words}`)}>
              Do it
            </Button>
          </div>
          <div className="mt-1">
            <OutcomeWords job={job} outcome={outcome} />
          </div>
        </li>
      ))}
    </ul>
  );
};

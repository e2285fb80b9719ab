import { useState } from 'react';
import type { ArticleId, Job } from '@amber/core';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { NotYet } from '../../worker/NotYet.js';
import { useNotToHave } from '../../worker/useChecked.js';

/** An article is not at the counter: what the plan would be without it is seen before it is taken. */
export const NotAtCounter = ({ job, article, name }: { job: Job; article: ArticleId; name: string }) => {
  const edit = useEdit();
  const [asked, setAsked] = useState(false);
  const found = useNotToHave(job, asked ? article : null);
  if (!asked)
    return (
      <Button className="mt-2" aria-label={`Not at the counter: ${name}`} onClick={() => setAsked(true)}>
        Not at the counter
      </Button>
    );
  if (found?.kind !== 'known') return <NotYet asked={found} words="It is planned without it …" />;
  const { job: changed, outcome } = found.answer;
  return (
    <div className="mt-2 max-w-2xl rounded-md border border-line bg-white p-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <strong>Without it: {sayCost(outcome)}</strong>
        <span className="flex gap-2">
          <Button onClick={() => setAsked(false)}>Leave it</Button>
          <Button
            look="main"
            onClick={() => {
              edit(changed, `${name} is not to be had`);
              setAsked(false);
            }}
          >
            Plan without it
          </Button>
        </span>
      </div>
      <div className="mt-1">
        {outcome.takeOff.some((one) => one.name === name && one.quantity < 0) ? null : (
          <p className="text-[13.5px] font-semibold text-caution">
            It is asked for all the same: it was chosen by hand, or nothing else of the stock serves.
          </p>
        )}
        <OutcomeWords job={job} after={changed} outcome={outcome} />
      </div>
    </div>
  );
};

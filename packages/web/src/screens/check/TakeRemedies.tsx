import { useState } from 'react';
import { dollars, type Job } from '@amber/core';
import { plural } from '../../parts/format.js';
import { Button, controlLook } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { useTaken } from '../../worker/useChecked.js';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';

/** Every remedy below a price at once: worked out first, looked at, then taken as one edit that can be undone. */
export const TakeRemedies = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const [text, setText] = useState('5');
  const [asked, setAsked] = useState<{ job: Job; most: number } | null>(null);
  const most = Number(text);
  const isPrice = text.trim() !== '' && most >= 0 && most <= 100_000;
  // What was worked out for the job of before is not for this one.
  const current = asked?.job === job ? asked.most : null;
  const taken = useTaken(job, current);
  return (
    <div className="flex flex-col gap-2">
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (isPrice) setAsked({ job, most: Math.round(most * 10_000) });
        }}
      >
        <label className="flex items-center gap-2 text-[14px]">
          All remedies that cost under $
          <input
            aria-label="All remedies that cost under, dollars"
            inputMode="decimal"
            value={text}
            onChange={(event) => setText(event.target.value)}
            className={`${controlLook} w-20! ${isPrice ? '' : 'border-2 border-violation!'}`}
          />
        </label>
        <Button type="submit" disabled={!isPrice}>
          Look
        </Button>
        {isPrice ? null : (
          <span role="alert" className="text-[13px] text-violation">
            A price from 0 to 100000
          </span>
        )}
      </form>
      {taken === null ? null : taken.failed !== null ? (
        <p role="alert" className="text-[13.5px] text-violation">
          This could not be worked out: {taken.failed}
        </p>
      ) : taken.done === null ? (
        <p className="flex items-center gap-3 text-[13.5px] text-quiet">
          {taken.stopped
            ? 'Stopped; nothing was changed.'
            : `Each is planned and priced: ${taken.soFar} so far …`}
          <Button look="bare" onClick={taken.stopped ? taken.again : taken.stop}>
            {taken.stopped ? 'Go on' : 'Stop'}
          </Button>
        </p>
      ) : taken.done.taken.length === 0 ? (
        <p className="text-[13.5px]">There is none that helps and whose price is known to be below that.</p>
      ) : (
        <section aria-label="Remedies together" className="rounded-md border border-line bg-white p-3">
          <div className="flex flex-wrap items-center justify-between gap-2">
            <p>
              <strong>{plural(taken.done.taken.length, 'remedy', 'remedies')}</strong>
              <span className="block text-[13.5px]">{sayCost(taken.done.outcome)}</span>
            </p>
            <Button
              look="main"
              onClick={() => {
                const { done } = taken;
                if (done) edit(done.job, plural(done.taken.length, 'remedy', 'remedies'));
              }}
            >
              Take {taken.done.taken.length === 1 ? 'it' : `all ${taken.done.taken.length}`}
            </Button>
          </div>
          <ul className="mt-2 list-disc pl-5 text-[13.5px]">
            {taken.done.taken.map((one, i) => (
              <li key={`${one.title} ${i}`} className="break-words">
                {one.words} ({dollars(one.cost)}): {one.title}
              </li>
            ))}
          </ul>
          <div className="mt-2">
            <OutcomeWords job={job} outcome={taken.done.outcome} />
          </div>
        </section>
      )}
    </div>
  );
};

import { useMemo, useState } from 'react';
import { dollars, replacementsOf, type ArticleId, type Job } from '@amber/core';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';
import { Button, Select } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import { NotYet } from '../../worker/NotYet.js';
import { useNotToHave } from '../../worker/useChecked.js';

/** An article is not at the counter, or another one is wanted in its place: what the plan would be then is seen before it is taken. */
export const NotAtCounter = ({ job, article, name }: { job: Job; article: ArticleId; name: string }) => {
  const edit = useEdit();
  const [asked, setAsked] = useState<{ by: ArticleId | null } | null>(null);
  const others = useMemo(() => replacementsOf(job, article), [job, article]);
  const found = useNotToHave(job, asked && article, asked?.by ?? null);
  if (!asked)
    return (
      <div className="mt-2 flex flex-wrap gap-2">
        <Button aria-label={`Not at the counter: ${name}`} onClick={() => setAsked({ by: null })}>
          Not at the counter
        </Button>
        {others.length > 0 ? (
          <Select
            aria-label={`Instead of ${name}`}
            value=""
            className="max-w-72"
            onChange={(event) => setAsked({ by: event.target.value as ArticleId })}
          >
            <option value="">Put another instead …</option>
            {others.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}, {dollars(one.price)}
              </option>
            ))}
          </Select>
        ) : null}
      </div>
    );
  const other = others.find(({ id }) => id === asked.by);
  if (found?.kind !== 'known')
    return <NotYet asked={found} words={`It is planned ${other ? `with ${other.name}` : 'without it'} …`} />;
  const { job: changed, outcome } = found.answer;
  const stays = !outcome.takeOff.some((one) => one.name === name && one.quantity < 0);
  return (
    <div className="mt-2 max-w-2xl rounded-md border border-line bg-white p-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <strong>
          {other ? `With ${other.name} instead` : 'Without it'}: {sayCost(outcome)}
        </strong>
        <span className="flex gap-2">
          <Button onClick={() => setAsked(null)}>Leave it</Button>
          <Button
            look="main"
            onClick={() => {
              edit(changed, other ? `${other.name} instead of ${name}` : `${name} is not to be had`);
              setAsked(null);
            }}
          >
            {other ? 'Plan with it' : 'Plan without it'}
          </Button>
        </span>
      </div>
      <div className="mt-1">
        {stays ? (
          <p className="text-[13.5px] font-semibold text-caution">
            {other
              ? 'Nothing is bought otherwise: no place of the plan takes it.'
              : 'It is asked for all the same: it was chosen by hand, or nothing else of the stock serves.'}
          </p>
        ) : null}
        <OutcomeWords job={job} after={changed} outcome={outcome} />
      </div>
    </div>
  );
};

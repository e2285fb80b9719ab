import { useState } from 'react';
import type { Job, Question } from '@amber/core';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';
import { Button } from '../../parts/ui.js';
import { useAnswers } from '../../worker/useChecked.js';
import { NotYet } from '../../worker/NotYet.js';

/** Of a long list of answers the first are enough to see whether anything hangs on it; the others are worked out when somebody asks. */
const FIRST_TRIED = 4;

/** What each answer would change, given to one or to all alike, before any is given. */
export const WhatItChanges = ({
  job,
  of,
  questions,
  options,
}: {
  job: Job;
  /** Whom it is about: "All 3", "Loft door". */
  of: string;
  questions: readonly Question[];
  options: Question['options'];
}) => {
  const [all, setAll] = useState(false);
  const tried = all ? options : options.slice(0, FIRST_TRIED);
  const outcomes = useAnswers(job, {
    questions: questions.map(({ kind, of: id }) => ({ kind, of: id })),
    values: tried.map(({ value }) => value),
  });
  return (
    <div>
      <h3 className="text-[13.5px] font-bold break-words">{of}: what each answer would change</h3>
      {outcomes?.kind !== 'known' ? (
        <NotYet asked={outcomes} words="Each answer is planned and priced …" />
      ) : (
        <ul aria-label="What each answer would change" className="divide-y divide-line">
          {tried.map(({ value, words }, i) => {
            const outcome = outcomes.answer[i];
            return outcome ? (
              <li key={value} className="py-2">
                <p className="text-[13.5px]">
                  <strong>{words}.</strong> {sayCost(outcome)}
                </p>
                <OutcomeWords job={job} outcome={outcome} />
              </li>
            ) : null;
          })}
        </ul>
      )}
      {options.length > tried.length ? (
        <Button
          look="bare"
          className="text-[13.5px] underline underline-offset-3"
          onClick={() => setAll(true)}
        >
          The other {options.length - tried.length} answers
        </Button>
      ) : null}
    </div>
  );
};

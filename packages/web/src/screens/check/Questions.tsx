import { useState } from 'react';
import { answerAlike, openQuestions, type Alike, type Finding, type Job } from '@amber/core';
import { Answers } from '../../panels/findings/Answers.js';
import { Button } from '../../parts/ui.js';
import { NotYet } from '../../worker/NotYet.js';
import { useEdit } from '../../store/review.js';
import { useAnswers } from '../../worker/useChecked.js';
import { OutcomeWords, sayCost } from '../../panels/findings/OutcomeWords.js';

/** Answers beyond these are not all tried: of a list of boxes or rooms the first are enough to see whether anything hangs on it. */
const MOST_TRIED = 6;

const WhatChanges = ({ job, alike }: { job: Job; alike: Alike }) => {
  const options = alike.options.slice(0, MOST_TRIED);
  const outcomes = useAnswers(job, {
    questions: alike.asked.map(({ question: { kind, of } }) => ({ kind, of })),
    values: options.map(({ value }) => value),
  });
  if (outcomes?.kind !== 'known')
    return <NotYet asked={outcomes} words="Each answer is planned and priced …" />;
  return (
    <ul aria-label="What each answer would change" className="grid gap-2 sm:grid-cols-2">
      {options.map(({ value, words }, i) => {
        const outcome = outcomes.answer[i];
        return outcome ? (
          <li key={value} className="rounded-md border border-line bg-white p-3">
            <p>
              <strong>{words}</strong>
              <span className="block text-[13.5px]">{sayCost(outcome)}</span>
            </p>
            <div className="mt-1">
              <OutcomeWords job={job} outcome={outcome} />
            </div>
          </li>
        ) : null;
      })}
      {alike.options.length > options.length ? (
        <li className="self-center text-[13.5px] text-quiet">
          The first {options.length} of {alike.options.length} answers.
        </li>
      ) : null}
    </ul>
  );
};

const AlikeCard = ({ job, alike }: { job: Job; alike: Alike }) => {
  const edit = useEdit();
  const [looking, setLooking] = useState(false);
  const questions = alike.asked.map(({ question }) => question);
  const many = questions.length > 1;
  return (
    <li className="rounded-lg border border-line bg-sheet p-4">
      <p className="text-[13.5px]">{alike.why}</p>
      <ul className="mt-1 flex flex-col">
        {alike.asked.map(({ question, sections }) => (
          <li key={question.of} className="border-b border-line py-2 last:border-0">
            <p className="font-semibold break-words">
              {question.text}
              {sections === '' ? null : (
                <span className="text-[13px] font-normal text-quiet"> · {sections}</span>
              )}
            </p>
            <Answers job={job} question={question} />
          </li>
        ))}
      </ul>
      {many && alike.options.length > 0 ? (
        <label className="mt-2 flex flex-wrap items-center gap-2 text-[14px] font-semibold">
          All {questions.length} alike:
          <select
            value=""
            onChange={(event) => {
              const option = alike.options.find(({ value }) => String(value) === event.target.value);
              if (option) edit(answerAlike(job, questions, option.value), `${questions.length} answers`);
            }}
            className="min-h-10 max-w-full rounded-md border border-line bg-white px-2.5 font-normal"
          >
            <option value="">Not answered</option>
            {alike.options.map(({ value, words }) => (
              <option key={value} value={String(value)}>
                {words}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      {alike.options.length > 0 ? (
        <Button
          look="bare"
          className="mt-1 underline underline-offset-3"
          aria-expanded={looking}
          onClick={() => setLooking(!looking)}
        >
          What each answer would change{many ? ', given to all' : ''}
        </Button>
      ) : null}
      {looking ? <WhatChanges job={job} alike={alike} /> : null}
    </li>
  );
};

/** Every open question once, by what it is about, answered in place for one or for all alike. */
export const Questions = ({ job, findings }: { job: Job; findings: readonly Finding[] }) => {
  const groups = openQuestions(findings);
  if (groups.length === 0) return <p className="py-6 text-center text-[15px]">Every question is answered.</p>;
  return (
    <div className="flex flex-col gap-6">
      {groups.map(({ title, alike }) => (
        <section key={title} aria-label={title}>
          <h2 className="mb-2 text-[17px] font-bold">{title}</h2>
          <ul className="flex flex-col gap-3">
            {alike.map((one) => (
              <AlikeCard key={one.kind} job={job} alike={one} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
};

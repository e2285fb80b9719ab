import { answerAlike, answerQuestion, type Job, type Question, type QuestionTable } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Button, controlLook } from '../../parts/ui.js';
import { WhatItChanges } from './WhatItChanges.js';

/** Answers that stand side by side, so that a column of them is one answer; more are picked from a list. */
const SIDE_BY_SIDE = 3;

const Answer = ({
  label,
  options,
  answer,
  onAnswer,
}: {
  label: string;
  options: Question['options'];
  answer: string | number | null;
  onAnswer: (value: string | number) => void;
}) =>
  options.length > SIDE_BY_SIDE ? (
    <select
      aria-label={label}
      value={answer === null ? '' : String(answer)}
      onChange={(event) => {
        const picked = options.find(({ value }) => String(value) === event.target.value);
        if (picked) onAnswer(picked.value);
      }}
      className={controlLook}
    >
      <option value="" disabled={answer !== null}>
        Not answered
      </option>
      {options.map(({ value, words }) => (
        <option key={value} value={String(value)}>
          {words}
        </option>
      ))}
    </select>
  ) : (
    <div role="group" aria-label={label} className="grid auto-cols-fr grid-flow-col gap-2">
      {options.map(({ value, words }) => (
        <button
          key={value}
          type="button"
          aria-pressed={answer === value}
          onClick={() => onAnswer(value)}
          className="min-h-10 rounded-md border border-edge bg-sheet px-2 py-1 text-[14px] leading-tight font-semibold hover:bg-rail aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
        >
          {words}
        </button>
      ))}
    </div>
  );

const ALL = 'all';

/** One question as a table: a row for each thing it is asked of, and one for all alike; beside it what each answer would change. */
export const QuestionCard = ({
  job,
  table: { text, why, sections, rows, options },
  looked,
  onLook,
}: {
  job: Job;
  table: QuestionTable;
  /** Of which row it is told what the answers would change, by its id; of all alike; null for none. */
  looked: string | null;
  onLook: (row: string) => void;
}) => {
  const edit = useEdit();
  const questions = rows.map(({ question }) => question);
  const many = rows.length > 1 && options.length > 0;
  const given = new Set(rows.map(({ answer }) => answer));
  const [alike] = given.size === 1 ? given : [null];
  const one = rows.find(({ question }) => question.of === looked);
  const line = `grid items-center gap-x-3 gap-y-1 py-1.5 ${
    (rows[0]?.question.options.length ?? 0) > SIDE_BY_SIDE
      ? 'sm:grid-cols-[minmax(0,1fr)_minmax(0,17rem)]'
      : 'sm:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]'
  }`;
  const name = (row: string, words: string) => (
    <button
      type="button"
      aria-pressed={looked === row}
      aria-label={`${words}: what each answer would change`}
      onClick={() => onLook(row)}
      className="min-h-10 rounded-md px-1.5 text-left font-semibold break-words underline decoration-line decoration-2 underline-offset-4 hover:decoration-ink aria-pressed:decoration-ink"
    >
      {words}
    </button>
  );
  return (
    <li className="rounded-lg border border-line bg-sheet p-4">
      <h3 className="text-[15.5px] font-bold break-words">
        {text}
        {sections === '' ? null : <span className="text-[13px] font-normal text-quiet"> · {sections}</span>}
      </h3>
      <p className="text-[13.5px] text-quiet">{why}</p>
      <div className="mt-1 grid gap-x-6 xl:grid-cols-[minmax(0,1fr)_17rem]">
        <ul aria-label={text} className="divide-y divide-line">
          {many ? (
            <li className={line}>
              {name(ALL, `All ${rows.length} alike`)}
              <Answer
                label={`All ${rows.length} alike: ${text}`}
                options={options}
                answer={alike ?? null}
                onAnswer={(value) => edit(answerAlike(job, questions, value), `${questions.length} answers`)}
              />
            </li>
          ) : null}
          {rows.map(({ question, name: words, answer }) => (
            <li key={question.of} className={line}>
              {name(question.of, words)}
              <Answer
                label={question.text}
                options={question.options}
                answer={answer}
                onAnswer={(value) => edit(answerQuestion(job, question, value), 'answer')}
              />
            </li>
          ))}
        </ul>
        <div className="border-line pt-2 xl:border-l xl:pl-4">
          {one ? (
            <WhatItChanges
              key={one.question.of}
              job={job}
              of={one.name}
              questions={[one.question]}
              options={one.question.options}
            />
          ) : looked === ALL ? (
            <WhatItChanges job={job} of={`All ${rows.length}`} questions={questions} options={options} />
          ) : (
            <Button
              look="bare"
              className="text-left text-[13.5px] underline underline-offset-3"
              onClick={() => onLook(many ? ALL : (rows[0]?.question.of ?? ALL))}
            >
              What each answer would change
            </Button>
          )}
        </div>
      </div>
    </li>
  );
};

import { answerQuestion, type Job, type Question } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Button, Select } from '../../parts/ui.js';

/** The answers that a question offers; a tap gives one. */
export const Answers = ({ job, question }: { job: Job; question: Question }) => {
  const edit = useEdit();
  const answer = (value: string | number) => edit(answerQuestion(job, question, value), 'answer');
  if (question.options.length > 3)
    return (
      <Select
        aria-label={question.text}
        value=""
        onChange={(event) => event.target.value && answer(event.target.value)}
        className="mt-1.5"
      >
        <option value="">Not answered</option>
        {question.options.map(({ value, words }) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
    );
  return (
    <div role="group" aria-label={question.text} className="mt-1.5 flex flex-wrap gap-2">
      {question.options.map(({ value, words }) => (
        <Button key={value} onClick={() => answer(value)}>
          {words}
        </Button>
      ))}
    </div>
  );
};

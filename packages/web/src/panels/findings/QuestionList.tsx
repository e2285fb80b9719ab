import type { Finding, Job, Question } from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';
import { Answers } from './Answers.js';

/** Is the finding the question itself, so that its words need not be said again? */
const isSaid = ({ kind, questions, what }: Finding, question: Question): boolean =>
  kind === 'question' ? question === questions[0] : question.text === what;

/** The question that the finding itself asks comes first, right under its words. */
const inOrder = (finding: Finding): Question[] =>
  [...finding.questions].sort((a, b) => Number(isSaid(finding, b)) - Number(isSaid(finding, a)));

/** What only people can know, asked once, with its reason and the sections that want it. */
export const QuestionList = ({ job, findings }: { job: Job; findings: readonly Finding[] }) => (
  <section aria-label="To answer" className="border-t border-line pt-3">
    <h2 className="font-bold">To answer</h2>
    <ul className="mt-1 flex flex-col gap-3">
      {findings.map((finding, i) => (
        <li key={`${finding.rule} ${i}`} className="flex gap-3">
          <SeverityMark severity="verify" />
          <div className="min-w-0 flex-1">
            <p className="font-semibold break-words">
              {finding.title}
              {finding.section === '' ? null : (
                <span className="text-[13px] font-normal text-quiet"> · {finding.section}</span>
              )}
            </p>
            <p className="mt-0.5 text-[13.5px]">{finding.reason}</p>
            {inOrder(finding).map((question) => (
              <div key={`${question.kind} ${question.of}`} className="mt-1">
                {isSaid(finding, question) ? null : <p className="text-[13.5px]">{question.text}</p>}
                <Answers job={job} question={question} />
              </div>
            ))}
          </div>
        </li>
      ))}
    </ul>
  </section>
);

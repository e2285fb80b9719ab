import { useState } from 'react';
import { eraWord, findBox, RULES, type Finding, type FindingAction, type Job } from '@amber/core';
import { Answers } from '../../panels/findings/Answers.js';
import { FindingNotes } from '../../panels/findings/FindingNotes.js';
import { JudgeOtherwise } from '../../panels/findings/JudgeOtherwise.js';
import { Button, SEVERITY_WORD, SeverityMark } from '../../parts/ui.js';
import { RemedyOffers } from './RemedyOffers.js';

const ruleOf = ({ kind, rule }: Finding) =>
  kind === 'rule' ? RULES.find(({ id }) => id === rule) : undefined;

const PAINT: Partial<Record<Finding['severity'], string>> = {
  violation: 'text-violation',
  unfinished: 'text-violation',
  caution: 'text-caution',
  waived: 'text-quiet',
};

/** One finding of a walk, told as deep as is asked: what to do, why, and the code behind it; and what the program can do about it. */
export const FindingRow = ({
  job,
  finding,
  depth,
  onAction,
}: {
  job: Job;
  finding: Finding;
  depth: number;
  onAction: (action: FindingAction) => void;
}) => {
  const [asked, setAsked] = useState(false);
  const rule = ruleOf(finding);
  return (
    <li className="flex gap-3">
      <SeverityMark severity={finding.severity} />
      <div className="min-w-0 flex-1">
        <p className="font-semibold break-words">
          <span className={PAINT[finding.severity] ?? ''}>{SEVERITY_WORD[finding.severity]}:</span>{' '}
          {finding.what}
        </p>
        <p className="text-[13.5px]">{finding.remedy}</p>
        {depth > 0 ? <p className="mt-1 text-[13.5px] text-quiet">{finding.reason}</p> : null}
        {depth > 1 && rule ? (
          <p className="mt-1 text-[13.5px] text-quiet">
            {finding.section === ''
              ? 'No section: it rests on the simulation or on the job. '
              : `${finding.section}, ${eraWord(job.edition)}. `}
            {rule.rests}
          </p>
        ) : null}
        {finding.assumed === null ? null : (
          <p className="mt-1 text-[13.5px] font-semibold">
            Nobody has looked into {findBox(job, finding.assumed)?.name ?? 'this box'} yet: look, and tell
            what is there.
          </p>
        )}
        {finding.questions.map((question) => (
          <div key={`${question.kind} ${question.of}`} className="mt-1">
            <p className="text-[13.5px]">{question.text}</p>
            <Answers job={job} question={question} />
          </div>
        ))}
        {finding.follows === null ? null : (
          <p className="mt-1 text-[13.5px]">It most likely goes with another finding: mend that first.</p>
        )}
        <FindingNotes finding={finding} />
        <div className="mt-1 flex flex-wrap items-center gap-x-4">
          {rule?.mends && finding.severity !== 'verify' ? (
            <button
              type="button"
              aria-expanded={asked}
              onClick={() => setAsked(!asked)}
              className="min-h-10 font-semibold underline underline-offset-3"
            >
              What it costs to mend
            </button>
          ) : null}
          {finding.actions.map((action) => (
            <Button key={action.do} onClick={() => onAction(action)}>
              Take this run out
            </Button>
          ))}
          {finding.kind === 'rule' ? <JudgeOtherwise finding={finding} /> : null}
        </div>
        {asked ? <RemedyOffers job={job} finding={finding} /> : null}
      </div>
    </li>
  );
};

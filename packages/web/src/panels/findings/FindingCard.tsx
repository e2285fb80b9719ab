import { findingKey, type Finding, type FindingAction, type Remedy } from '@amber/core';
import { useEdit } from '../../store/review.js';
import { Button, SEVERITY_WORD, SeverityMark } from '../../parts/ui.js';
import { FindingNotes } from './FindingNotes.js';
import { JudgeOtherwise } from './JudgeOtherwise.js';

const WORD_PAINT: Record<Finding['severity'], string> = {
  violation: 'text-violation',
  unfinished: 'text-violation',
  caution: 'text-caution',
  verify: 'text-ink',
  waived: 'text-quiet',
};

const ACTION_WORDS: Record<FindingAction['do'], string> = { takeOutRun: 'Take this run out' };

/** One finding: how grave, by which section, what, why, the way out, and what the program can do about it. */
export const FindingCard = ({
  finding,
  what,
  alike,
  following,
  remedies,
  onAction,
}: {
  finding: Finding;
  /** What is wrong at several places alike, where it can be said once. */
  what: string | null;
  /** The titles of this and of others like it, where they are told together; none where it stands alone. */
  alike: readonly { title: string; onShow: (() => void) | null }[];
  /** What most likely goes with it once it is mended. */
  following: readonly Finding[];
  remedies: readonly Remedy[];
  /** Does what the finding itself offers; null where nothing can be done here. */
  onAction: ((action: FindingAction) => void) | null;
}) => {
  const edit = useEdit();
  return (
    <li className="flex gap-3">
      <SeverityMark severity={finding.severity} />
      <div className="min-w-0 flex-1">
        <p className="text-[13px]">
          <strong className={WORD_PAINT[finding.severity]}>{SEVERITY_WORD[finding.severity]}</strong>
          {finding.section ? <span className="text-quiet"> · {finding.section}</span> : null}
        </p>
        {alike.length === 0 ? <p className="font-bold break-words">{finding.title}</p> : null}
        {what === null ? null : <p className="font-bold break-words first-letter:uppercase">{what}</p>}
        <p className="mt-0.5 text-[13.5px]">{finding.reason}</p>
        <p className="mt-1 text-[13.5px]">
          <strong>Remedy:</strong> {finding.remedy}
        </p>
        <FindingNotes finding={finding} />
        {(onAction ? finding.actions : []).map((action) => (
          <Button key={action.do} className="mt-2" onClick={() => onAction?.(action)}>
            {ACTION_WORDS[action.do]}
          </Button>
        ))}
        {remedies.map((remedy) => (
          <Button
            key={remedy.words}
            className="mt-2 text-left"
            onClick={() => edit(remedy.job, remedy.words)}
          >
            {remedy.words}
          </Button>
        ))}
        {alike.map(({ title, onShow }) =>
          onShow ? (
            <button
              key={title}
              type="button"
              onClick={onShow}
              className="block min-h-10 text-left font-semibold break-words underline underline-offset-3"
            >
              {title}
            </button>
          ) : (
            <p key={title} className="font-semibold break-words">
              {title}
            </p>
          ),
        )}
        {following.length === 0 ? null : (
          <details className="mt-1">
            <summary className="min-h-10 cursor-pointer py-2 font-semibold">
              {following.length === 1 ? 'One more that' : `${following.length} more that`} most likely{' '}
              {following.length === 1 ? 'goes' : 'go'} with it
            </summary>
            <p className="text-[13.5px]">Mend this first, then look again: what is left stands for itself.</p>
            <ul className="mt-1 flex list-disc flex-col gap-1 pl-5 text-[13.5px]">
              {following.map((one) => (
                <li key={findingKey(one)} className="break-words">
                  {one.title}
                  {one.section ? <span className="text-quiet"> · {one.section}</span> : null}
                </li>
              ))}
            </ul>
          </details>
        )}
        {finding.kind === 'refusal' || finding.kind === 'local' ? null : <JudgeOtherwise finding={finding} />}
      </div>
    </li>
  );
};

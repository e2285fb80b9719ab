import { eraWord, type Finding } from '@amber/core';
import { plural, sayWorking } from '../../parts/format.js';
import { SeverityMark } from '../../parts/ui.js';
import { foldedOf } from './grouping.js';
import type { Subject } from '../../wiring/useSubject.js';

/** Patterns that light the lamp and are dangerous all the same: that it works says nothing for them. */
const DANGEROUS: ReadonlySet<string> = new Set([
  'old-pattern',
  'borrowed-neutral',
  'switch-hot-only',
  'shell-on-neutral',
]);

/** What a verdict rests on. */
type Judged = Pick<Subject, 'kind' | 'open' | 'proofs' | 'edition'>;

/** What nobody has seen of a wiring, in a sentence; null where all of it was seen, or is planned. */
const openWords = ({ open: { assumedBoxes, ends } }: Judged): string | null => {
  if (assumedBoxes + ends === 0) return null;
  const said = [
    ...(assumedBoxes > 0 ? [`${plural(assumedBoxes, 'box', 'boxes')} nobody has looked into`] : []),
    ...(ends > 0 ? [`${plural(ends, 'wire end')} nobody has looked at`] : []),
  ];
  return `There ${assumedBoxes + ends === 1 ? 'is' : 'are'} ${said.join(' and ')}.`;
};

const Unfinished = ({ children }: { children: string }) => (
  <div className="flex gap-3">
    <SeverityMark severity="unfinished" />
    <p className="font-bold">{children}</p>
  </div>
);

/** The answer first: does it work, and would it pass? Null stands for findings that are still being worked out. */
export const Verdict = ({ subject, findings }: { subject: Judged; findings: readonly Finding[] | null }) => {
  const positions = subject.proofs.reduce((sum, proof) => sum + proof.positions, 0);
  const working = subject.proofs.reduce((sum, proof) => sum + proof.working, 0);
  const of = subject.proofs.reduce((sum, proof) => sum + proof.of, 0);
  const { roots } = foldedOf(findings ?? []);
  const count = (severity: string) => roots.filter((one) => one.severity === severity).length;
  const violations = count('violation');
  const cautions = count('caution');
  const questions = (findings ?? []).filter((one) => one.questions.length > 0).length;
  const onSite = count('verify') - questions;
  const left = [
    cautions > 0 ? plural(cautions, 'caution') : '',
    questions > 0 ? `${plural(questions, 'question')} to answer` : '',
    onSite > 0 ? `${onSite} to verify on site` : '',
  ].filter(Boolean);
  const isUnfinished = count('unfinished') > 0;
  if (isUnfinished && positions === 0) return <Unfinished>This circuit cannot be planned yet</Unfinished>;
  // Nothing to prove yet: why is among the findings.
  if (findings === null && positions === 0) return <p className="text-quiet">Inspecting …</p>;
  const works = working === positions && positions > 0;
  const open = openWords(subject);
  const mark = open === null ? (works ? 'pass' : 'violation') : 'verify';
  const dangerous = (findings ?? []).some(({ rule }) => DANGEROUS.has(rule));
  return (
    <div className="flex flex-col gap-2">
      {isUnfinished ? <Unfinished>Not all that is asked for can be planned yet</Unfinished> : null}
      <div className="flex gap-3">
        <SeverityMark severity={mark} />
        <p>
          <strong className={mark === 'pass' ? 'text-pass' : mark === 'violation' ? 'text-violation' : ''}>
            {open === null ? '' : 'If it is as drawn: '}
            {sayWorking({ working, positions, of })}
          </strong>
          <span className="block text-[13px] text-quiet">
            {open === null ? '' : `${open} `}
            {works
              ? of === 1
                ? 'There is no handle here: what is always hot has power, by simulation.'
                : `Every handle changes the light from every ${of > positions ? 'one of these' : 'position'}, by simulation.`
              : 'In the others a handle changes nothing, or something is shorted, dim, not known or live that may not be, by simulation.'}
            {works && dangerous ? ' It works, and it is dangerous: read on.' : ''}
          </span>
        </p>
      </div>
      {findings === null ? (
        <p className="ml-8 text-quiet">Inspecting …</p>
      ) : (
        <div className="flex gap-3">
          <SeverityMark severity={violations > 0 ? 'violation' : open === null ? 'pass' : 'verify'} />
          <p>
            <strong className={violations > 0 ? 'text-violation' : open === null ? 'text-pass' : ''}>
              {violations > 0 ? plural(violations, 'violation') : 'No violation found'}
            </strong>
            <span className="block text-[13px] text-quiet">
              Checked by {eraWord(subject.edition)}.{left.length > 0 ? ` Left: ${left.join(', ')}.` : ''}
            </span>
          </p>
        </div>
      )}
    </div>
  );
};

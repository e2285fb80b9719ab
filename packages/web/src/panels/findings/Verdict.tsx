import type { Finding } from '@amber/core';
import { plural, sayWorking } from '../../parts/format.js';
import { SeverityMark } from '../../parts/ui.js';
import type { Subject } from '../../wiring/useSubject.js';

/** The answer first: does it work, and would it pass? Null stands for findings that are still being worked out. */
export const Verdict = ({ subject, findings }: { subject: Subject; findings: readonly Finding[] | null }) => {
  const positions = subject.proofs.reduce((sum, proof) => sum + proof.positions, 0);
  const working = subject.proofs.reduce((sum, proof) => sum + proof.working, 0);
  const of = subject.proofs.reduce((sum, proof) => sum + proof.of, 0);
  const count = (severity: string) => (findings ?? []).filter((one) => one.severity === severity).length;
  const violations = count('violation');
  const cautions = count('caution');
  const questions = (findings ?? []).filter((one) => one.questions.length > 0).length;
  const onSite = count('verify') - questions;
  const left = [
    cautions > 0 ? plural(cautions, 'caution') : '',
    questions > 0 ? `${plural(questions, 'question')} to answer` : '',
    onSite > 0 ? `${onSite} to verify on site` : '',
  ].filter(Boolean);
  if (count('unfinished') > 0)
    return (
      <div className="flex gap-3">
        <SeverityMark severity="unfinished" />
        <p className="font-bold">This circuit cannot be planned yet</p>
      </div>
    );
  // Nothing to prove yet: why is among the findings.
  if (findings === null && positions === 0) return <p className="text-quiet">Inspecting …</p>;
  const works = working === positions && positions > 0;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex gap-3">
        <SeverityMark severity={works ? 'pass' : 'violation'} />
        <p>
          <strong className={works ? 'text-pass' : 'text-violation'}>
            {sayWorking({ working, positions, of })}
          </strong>
          <span className="block text-[13px] text-quiet">
            {works
              ? `Every handle changes the light from every ${of > positions ? 'one of these' : 'position'}, by simulation.`
              : 'In the others a handle changes nothing, or something is shorted, dim or live that may not be, by simulation.'}
          </span>
        </p>
      </div>
      {findings === null ? (
        <p className="ml-8 text-quiet">Inspecting …</p>
      ) : (
        <div className="flex gap-3">
          <SeverityMark severity={violations > 0 ? 'violation' : 'pass'} />
          <p>
            <strong className={violations > 0 ? 'text-violation' : 'text-pass'}>
              {violations > 0 ? plural(violations, 'violation') : 'No violation found'}
            </strong>
            <span className="block text-[13px] text-quiet">
              Checked by the {subject.edition} edition.
              {left.length > 0 ? ` Left: ${left.join(', ')}.` : ''}
            </span>
          </p>
        </div>
      )}
    </div>
  );
};

import type { Finding } from '@amber/core';
import { useAppDispatch } from '../app/store.js';
import { useEdit } from '../editing/review.js';
import { Button, SEVERITY_WORD, SeverityMark } from '../shared/ui.js';
import { boxChosen } from './benchSlice.js';
import type { Bench } from './useBench.js';

const WORD_PAINT: Record<Finding['severity'], string> = {
  violation: 'text-violation',
  unfinished: 'text-violation',
  caution: 'text-caution',
  verify: 'text-ink',
  waived: 'text-quiet',
};

/** Findings with section, reason and remedy; each leads to its box. */
export const FindingList = ({ bench }: { bench: Bench }) => {
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const { job, circuit } = bench;
  /** Takes out the one run of the circuit's choice that the finding names. */
  const takeOut = ({ at: { run } }: Finding) =>
    edit(
      {
        ...job,
        choices: job.choices.map((choice) =>
          choice.circuit === circuit.id
            ? { ...choice, runs: choice.runs.filter((one) => !(one.from === run?.from && one.to === run.to)) }
            : choice,
        ),
      },
      'take out a run',
    );
  const placeOf = (finding: Finding) => bench.job.boxes.find((box) => box.id === finding.at.box);
  return (
    <ul className="flex flex-col gap-3">
      {bench.findings.map((finding, i) => {
        const place = placeOf(finding);
        return (
          <li key={`${finding.rule} ${i}`} className="flex gap-3 border-t border-line pt-3">
            <SeverityMark severity={finding.severity} />
            <div className="min-w-0 flex-1">
              <p className="text-[13px]">
                <strong className={WORD_PAINT[finding.severity]}>{SEVERITY_WORD[finding.severity]}</strong>
                {finding.section ? <span className="text-quiet"> · {finding.section}</span> : null}
              </p>
              <p className="font-bold break-words">{finding.title}</p>
              <p className="mt-0.5 text-[13.5px]">{finding.reason}</p>
              <p className="mt-1 text-[13.5px]">
                <strong>Remedy:</strong> {finding.remedy}
              </p>
              {finding.rule === 'RingOfCables' ? (
                <Button className="mt-2" onClick={() => takeOut(finding)}>
                  Take this run out
                </Button>
              ) : null}
              {place && bench.drawings.some((drawing) => drawing.box === place.id) ? (
                <button
                  type="button"
                  onClick={() => dispatch(boxChosen(place.id))}
                  className="mt-1 min-h-10 text-left font-semibold underline underline-offset-3"
                >
                  Show {place.name}
                </button>
              ) : null}
            </div>
          </li>
        );
      })}
    </ul>
  );
};

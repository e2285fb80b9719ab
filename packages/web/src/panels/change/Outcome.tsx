import { dollars, sayRough, wiringOrEmpty, type Finding, type LeastChange } from '@amber/core';
import { aboutWord, plural } from '../../parts/format.js';
import { SEVERITY_WORD, SeverityMark } from '../../parts/ui.js';
import { ChangeParts, Part } from './ChangeParts.js';

const Asks = ({ findings }: { findings: readonly Finding[] }) => (
  <ul className="flex flex-col gap-1.5">
    {findings.map((finding, i) => (
      <li key={i} className="flex gap-2">
        <SeverityMark severity={finding.severity} />
        <span className="min-w-0 break-words">
          <span className="text-[13px] text-quiet">
            {SEVERITY_WORD[finding.severity]}
            {finding.section ? ` · ${finding.section}` : ''}
          </span>
          <br />
          {finding.title}
        </span>
      </li>
    ))}
  </ul>
);

/** What a change comes to: the price first, then what is different, and what the code asks then. */
export const Outcome = ({ value }: { value: LeastChange }) => {
  const { job, cost, measures, asks } = value;
  const verify = asks.filter((one) => one.severity === 'verify');
  const graver = asks.filter((one) => one.severity !== 'verify');
  return (
    <div className="flex flex-col gap-2.5">
      <p>
        <strong className="text-[18px]">
          {aboutWord(measures)}
          {dollars(cost.cost)}
        </strong>{' '}
        <span className="text-[13.5px] text-quiet">
          {value.together ? 'together with what was asked before; ' : ''}
          {value.lookFirst.length > 0 ? 'if it is as is usual; ' : ''}
          material {dollars(cost.material)}, work {Math.round(cost.minutes)} min
          {value.luminaires.length > 0 ? '; the luminaire not counted' : ''}
        </span>
      </p>
      {measures.rough.length > 0 ? (
        <p className="text-[14px] font-semibold text-caution">{sayRough(job, measures.rough)}</p>
      ) : null}
      {value.partial ? (
        <p className="text-[13.5px] text-quiet">
          There are more ways than were tried: it is the least that was found.
        </p>
      ) : null}
      <ChangeParts job={job} wiring={wiringOrEmpty(job)} change={value} keeping={value.keeping} />
      <Part title="Today’s rules then ask">
        {asks.length === 0 ? 'Nothing more.' : <Asks findings={graver} />}
        {verify.length > 0 ? (
          <details>
            <summary className="min-h-10 cursor-pointer py-2 font-semibold">
              {plural(verify.length, 'thing')} to verify on site
            </summary>
            <Asks findings={verify} />
          </details>
        ) : null}
      </Part>
    </div>
  );
};

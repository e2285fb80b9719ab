import { useMemo, useState } from 'react';
import { BUILT, drawJudging, findLuminaire, listed, type Job } from '@amber/core';
import { Button } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useAppSelector } from '../../store/store.js';
import { useSubject } from '../../wiring/useSubject.js';
import { BoxPicture } from './BoxPicture.js';
import { deadOf } from './deadOf.js';
import type { BenchAsked } from './kept.js';
import { titleOf } from './kinds.js';
import type { Ways } from './ways.js';
import { HintSteps } from './HintSteps.js';
import { Another, LookedAt } from './LookedAt.js';

interface Judged extends Ways {
  asked: BenchAsked;
}

const JUDGE_ASKS = ['Hint', 'Why?', 'Show where'] as const;

const Board = ({ job, asked, onAnswered, onHelp, onAnother, onLeave }: Judged & { job: Job }) => {
  const { rules, findings } = useMemo(() => drawJudging(asked), [asked]);
  const told = useSubject(job, BUILT, null);
  const { positions } = useAppSelector((state) => state.wiring);
  const subject = useMemo(() => deadOf(told, positions), [told, positions]);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const [judged, setJudged] = useState(false);
  const where = [
    ...new Set(
      findings.flatMap(({ at }) => {
        const box = at.box ?? findLuminaire(job, at.luminaire ?? null)?.box;
        return box ? [placeName(job, box)] : [];
      }),
    ),
  ];
  const wrong = rules.filter(({ id, broken }) => ticked.includes(id) !== broken);
  return (
    <LookedAt
      title={titleOf(asked)}
      onLeave={onLeave}
      board={subject.drawings.map(({ box }) => (
        <BoxPicture key={box} job={job} subject={subject} box={box} />
      ))}
    >
      <p className="text-[14.5px]">
        Every handle does what it should. Would it pass by NEC {asked.edition}? Tick what is broken here.
      </p>
      <fieldset className="flex flex-col gap-1" disabled={judged}>
        <legend className="sr-only">Rules</legend>
        {rules.map(({ id, title, section, broken }) => (
          <label
            key={id}
            className={`flex min-h-11 items-start gap-2.5 rounded-md border p-2 text-[14px] ${judged && broken ? 'border-2 border-violation' : 'border-line'}`}
          >
            <input
              type="checkbox"
              className="mt-0.5 size-5 shrink-0 accent-ink"
              checked={ticked.includes(id)}
              onChange={() =>
                setTicked(ticked.includes(id) ? ticked.filter((one) => one !== id) : [...ticked, id])
              }
            />
            <span>
              {title}
              {section === '' ? null : <span className="text-quiet"> · {section}</span>}
              {judged ? <strong className="block">{broken ? 'Broken' : 'Kept'}</strong> : null}
            </span>
          </label>
        ))}
      </fieldset>
      {judged ? null : (
        <HintSteps
          steps={[
            'In which order does an inspector look at an open box?',
            'Grounds first: all together, to the metal and to each yoke. Then whites: are those that are hot marked? Then one wire a screw, every splice in a connector that takes it, and room enough for all of it.',
            <p key="where">Look at {where.length > 0 ? listed(where) : 'every box'}.</p>,
          ]}
          asks={JUDGE_ASKS}
          onHelp={onHelp}
        />
      )}
      {judged ? (
        <section aria-label="How it comes out" className="flex flex-col gap-3">
          <p role="status" className="text-[15.5px] font-bold">
            {wrong.length === 0 ? 'Right.' : `${rules.length - wrong.length} of ${rules.length} right.`}
          </p>
          <ul aria-label="What an inspector says" className="flex flex-col gap-2 text-[14px]">
            {findings.map(({ title, reason, section }, i) => (
              <li key={`${title} ${i}`} className="rounded-md border border-line bg-white p-2.5">
                <strong>{title}</strong>
                {section === '' ? null : <span className="text-quiet"> · {section}</span>}
                <span className="block">{reason}</span>
              </li>
            ))}
          </ul>
          <Another onAnother={onAnother} />
        </section>
      ) : (
        <Button
          look="main"
          className="self-start"
          disabled={ticked.length === 0}
          onClick={() => {
            setJudged(true);
            onAnswered(wrong.length === 0);
          }}
        >
          So I judge it
        </Button>
      )}
    </LookedAt>
  );
};

/** A circuit that works and would not pass: which rules does it break? */
export const JudgeBench = (judged: Judged) => {
  const job = useAppSelector((state) => state.job.open?.document ?? null);
  return job ? <Board job={job} {...judged} /> : null;
};

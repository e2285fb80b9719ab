import { useMemo, useState } from 'react';
import { BUILT, cubicInches, drawSizing, judgeSizing, sayFillLine, type Job } from '@amber/core';
import { FillLines } from '../../panels/fill/FillLines.js';
import { NumberInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { useAppSelector } from '../../store/store.js';
import { useSubject } from '../../wiring/useSubject.js';
import { HintSteps } from './HintSteps.js';
import { Another, LookedAt } from './LookedAt.js';
import { BoxPicture } from './BoxPicture.js';
import { deadOf } from './deadOf.js';
import type { BenchAsked } from './kept.js';
import { titleOf } from './kinds.js';
import type { Ways } from './ways.js';

interface Sized extends Ways {
  asked: BenchAsked;
}

const CUBIC_INCH = 10_000;
const SIZE_ASKS = ['Hint', 'Why?', 'Show what counts'] as const;

const Board = ({ job, asked, onAnswered, onHelp, onAnother, onLeave }: Sized & { job: Job }) => {
  const sizing = useMemo(() => drawSizing(asked), [asked]);
  const { box, article, fill } = sizing;
  const told = useSubject(job, BUILT, null);
  const { positions } = useAppSelector((state) => state.wiring);
  const subject = useMemo(() => deadOf(told, positions), [told, positions]);
  const [needed, setNeeded] = useState<number | null>(null);
  const [answer, setAnswer] = useState<{ needed: number; fits: boolean } | null>(null);
  const judged = answer && judgeSizing(sizing, answer);
  const say = (fits: boolean) => {
    if (needed === null) return;
    const said = { needed: Math.round(needed * CUBIC_INCH), fits };
    setAnswer(said);
    const { volume, verdict } = judgeSizing(sizing, said);
    onAnswered(volume && verdict);
  };
  return (
    <LookedAt
      title={titleOf(asked)}
      onLeave={onLeave}
      board={<BoxPicture job={job} subject={subject} box={box} />}
    >
      <p className="text-[14.5px]">
        How many cubic inches does what is in this box need, by NEC {asked.edition}? And does the box hold it?
      </p>
      <Field label="Cubic inches needed">
        <NumberInput
          value={needed}
          least={0}
          most={200}
          unit="in³"
          onChange={setNeeded}
          onEmpty={() => setNeeded(null)}
        />
      </Field>
      <div className="flex gap-2">
        <Button look="main" disabled={needed === null || answer !== null} onClick={() => say(true)}>
          It fits
        </Button>
        <Button look="main" disabled={needed === null || answer !== null} onClick={() => say(false)}>
          Too small
        </Button>
      </div>
      {answer ? null : (
        <HintSteps
          steps={[
            'What counts once for all, what counts twice, and what does not count?',
            `Each insulated wire that comes in or passes counts once, a tail not at all. All grounds together count once by the largest${asked.edition >= 2020 ? ', and a quarter of that more for each over four' : ''}; clamps inside once; each yoke twice, by its largest wire.`,
            <ul key="lines" className="list-disc pl-5">
              {fill.lines.map((line) => (
                <li key={`${line.what} ${line.awg}`}>{sayFillLine(line)}</li>
              ))}
            </ul>,
          ]}
          asks={SIZE_ASKS}
          onHelp={onHelp}
        />
      )}
      {answer && judged ? (
        <section aria-label="How it comes out" className="flex flex-col gap-3">
          <p role="status" className="text-[15.5px] font-bold">
            {judged.volume && judged.verdict
              ? 'Right.'
              : `${judged.volume ? 'The volume is right' : `You said ${cubicInches(answer.needed)}; it needs ${cubicInches(fill.needed)}`}, and it ${fill.verdict === 'fits' ? 'fits' : 'does not fit'}.`}
          </p>
          <FillLines fill={fill} caption="Line by line" held={article} />
          <Another onAnother={onAnother} />
        </section>
      ) : null}
    </LookedAt>
  );
};

/** A box to be sized in the head; its lines are shown afterwards. */
export const SizeBench = (sized: Sized) => {
  const job = useAppSelector((state) => state.job.open?.document ?? null);
  return job ? <Board job={job} {...sized} /> : null;
};

import { ChevronLeft } from 'lucide-react';
import { useMemo, useState } from 'react';
import { BUILT, cubicInches, drawSizing, judgeSizing, MAKE_UP_LEVELS, type Job } from '@amber/core';
import { FillLines } from '../../panels/fill/FillLines.js';
import { NumberInput } from '../../parts/inputs.js';
import { Button, Field, SafetyLine } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { useAppSelector } from '../../store/store.js';
import { OpenBox } from '../../wiring/OpenBox.js';
import { lookThrough } from '../../wiring/lenses.js';
import { useSubject } from '../../wiring/useSubject.js';
import { deadOf } from './dead.js';
import type { PracticeAsked } from './kept.js';

interface Sized {
  asked: PracticeAsked;
  onRight: () => void;
  onAnother: () => void;
  onLeave: () => void;
}

const CUBIC_INCH = 10_000;

const Bench = ({ job, asked, onRight, onAnother, onLeave }: Sized & { job: Job }) => {
  const sizing = useMemo(() => drawSizing(asked), [asked]);
  const { box, article, fill } = sizing;
  const told = useSubject(job, BUILT, null);
  const { positions } = useAppSelector((state) => state.wiring);
  const subject = useMemo(() => deadOf(told, positions), [told, positions]);
  const seen = useMemo(() => lookThrough('live', subject, positions), [subject, positions]);
  const [needed, setNeeded] = useState<number | null>(null);
  const [answer, setAnswer] = useState<{ needed: number; fits: boolean } | null>(null);
  const drawing = subject.drawings.find((one) => one.box === box);
  const judged = answer && judgeSizing(sizing, answer);
  const say = (fits: boolean) => {
    if (needed === null) return;
    const said = { needed: Math.round(needed * CUBIC_INCH), fits };
    setAnswer(said);
    const { volume, verdict } = judgeSizing(sizing, said);
    if (volume && verdict) onRight();
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 flex-col lg:min-h-0 lg:flex-1">
        <header className="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-line bg-sheet px-3 py-1.5">
          <Button look="bare" onClick={onLeave}>
            <ChevronLeft size={18} /> All exercises
          </Button>
          <h1 className="min-w-48 flex-1 text-[17px] font-bold">
            Size it: {MAKE_UP_LEVELS[asked.level].title}
          </h1>
        </header>
        <section aria-label="The box" className="bg-board p-3 lg:min-h-0 lg:flex-1 lg:overflow-y-auto">
          <h2 className="text-[16px] font-bold">{placeName(job, box)}</h2>
          <p className="mb-2 text-[14px]">
            {article}
            {fill.available === null || article.includes('in³') ? '' : `: ${cubicInches(fill.available)}`}
          </p>
          {drawing ? (
            <OpenBox
              subject={subject}
              drawing={drawing}
              positions={positions}
              seen={seen}
              followed={null}
              onFlip={() => undefined}
              onFollow={() => undefined}
              className="h-auto max-w-full"
            />
          ) : null}
        </section>
      </main>
      <aside
        aria-label="What is asked"
        className="flex shrink-0 flex-col border-line bg-sheet max-lg:border-t lg:min-h-0 lg:w-92 lg:border-l"
      >
        <div className="flex min-h-0 flex-1 flex-col gap-4 p-4 lg:overflow-y-auto">
          <p className="text-[14.5px]">
            How many cubic inches does what is in this box need, by NEC {asked.edition}? And does the box hold
            it?
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
          {answer && judged ? (
            <section aria-label="How it comes out" className="flex flex-col gap-3">
              <p role="status" className="text-[15.5px] font-bold">
                {judged.volume && judged.verdict
                  ? 'Right.'
                  : `${judged.volume ? 'The volume is right' : `You said ${cubicInches(answer.needed)}; it needs ${cubicInches(fill.needed)}`}, and it ${fill.verdict === 'fits' ? 'fits' : 'does not fit'}.`}
              </p>
              <FillLines fill={fill} caption="Line by line" held={article} />
              <Button look="main" className="self-start" onClick={onAnother}>
                Another of this kind
              </Button>
            </section>
          ) : null}
        </div>
        <SafetyLine className="shrink-0 border-t border-line px-4 py-1" />
      </aside>
    </div>
  );
};

/** A box to be sized in the head; its lines are shown afterwards. */
export const SizeBench = (sized: Sized) => {
  const job = useAppSelector((state) => state.job.open?.document ?? null);
  return job ? <Bench job={job} {...sized} /> : null;
};

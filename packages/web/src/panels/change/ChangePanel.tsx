import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { dollars, type Circuit, type Job, type LeastChange } from '@amber/core';
import { aboutWord, plural } from '../../parts/format.js';
import { Button, SafetyNote, SeverityMark } from '../../parts/ui.js';
import { changeOf, startOf, type ChangeDraft } from './draft.js';
import { Outcome } from './Outcome.js';
import { ChangeForm } from './ChangeForm.js';
import type { ChangeAnswer } from '../../worker/useLeastChange.js';

/** A draft that is kept while the panel is open, and what it asks for. */
export const useChange = (job: Job, circuit: Circuit, begun: boolean) => {
  const [draft, setDraft] = useState<ChangeDraft | null>(begun ? startOf(job, circuit) : null);
  /** Which of the ways is looked at. */
  const [way, setWay] = useState(0);
  const asked = useMemo(() => (draft ? changeOf(job, circuit, draft) : null), [job, circuit, draft]);
  return {
    draft,
    setDraft: (next: ChangeDraft) => {
      setWay(0);
      setDraft(next);
    },
    way,
    setWay,
    open: () => setDraft(startOf(job, circuit)),
    close: () => setDraft(null),
    asked,
    change: asked && 'change' in asked ? asked.change : null,
  };
};

/** A way in a line: what is opened, what comes new, what of today's rules it leaves open. */
const sayWay = (job: Job, { opened, fresh, asks }: LeastChange): string => {
  const boxes = opened.filter((box) => job.boxes.some(({ id }) => id === box)).length;
  const wrong = asks.filter(({ severity }) => severity === 'violation').length;
  return [
    `${plural(boxes, 'box', 'boxes')} opened`,
    `${plural(fresh.length, 'new cable')}`,
    wrong > 0 ? `${plural(wrong, 'violation')} by today’s rules` : 'no violation by today’s rules',
  ].join(', ');
};

/** A change of what is there, by the plan of least change and the next two ways: what it takes, before anything is touched. */
export const ChangePanel = ({
  job,
  circuit,
  asking,
  answer,
  onMake,
}: {
  job: Job;
  circuit: Circuit;
  asking: ReturnType<typeof useChange>;
  answer: ChangeAnswer | null;
  onMake: (value: LeastChange) => void;
}) => {
  const { draft, asked, change, way, setWay } = asking;
  if (!draft) return null;
  const outcome = answer?.kind === 'known' ? answer.answer : null;
  const ways = outcome?.ok ? [outcome.value, ...outcome.others] : [];
  const shown = ways[way] ?? ways[0];
  return (
    <div className="flex flex-col gap-4 p-4">
      <div className="flex items-start gap-2">
        <h2 className="min-w-0 flex-1 text-[16px] font-bold">Change what is there</h2>
        <button
          type="button"
          aria-label="Back to the plans"
          className="-mt-2 -mr-2 grid size-10 place-items-center rounded hover:bg-rail"
          onClick={asking.close}
        >
          <X size={18} />
        </button>
      </div>
      <ChangeForm job={job} circuit={circuit} draft={draft} onChange={asking.setDraft} />
      <div role="status" className="flex flex-col gap-3">
        {asked && 'missing' in asked ? <p className="text-[14px] text-quiet">{asked.missing}</p> : null}
        {change && answer?.kind === 'asking' ? <p className="text-quiet">Working it out …</p> : null}
        {answer?.kind === 'failed' ? <p className="text-violation">{answer.message}</p> : null}
        {outcome?.ok === false ? (
          <div className="flex gap-3">
            <SeverityMark severity="unfinished" />
            <div className="min-w-0 text-[14px] break-words">
              <p className="font-bold">{outcome.refusal.title}</p>
              <p className="mt-0.5">{outcome.refusal.reason}</p>
              <p className="mt-1">
                <strong>Remedy:</strong> {outcome.refusal.remedy}
              </p>
            </div>
          </div>
        ) : null}
        {ways.length > 1 ? (
          <div role="group" aria-label="Ways to make it" className="flex flex-col gap-1">
            {ways.map((one, i) => (
              <button
                key={i}
                type="button"
                aria-pressed={one === shown}
                onClick={() => setWay(i)}
                className="min-h-11 rounded-md border border-line px-3 py-1.5 text-left text-[14px] hover:bg-rail aria-pressed:border-ink aria-pressed:bg-rail"
              >
                <strong>
                  {aboutWord(one.measures)}
                  {dollars(one.cost.cost)}
                </strong>{' '}
                {i > 0 ? 'another way' : one.partial ? 'the least found' : 'the least change'}
                {one.lookFirst.length > 0 ? ', if it is as is usual' : ''}: {sayWay(job, one)}
              </button>
            ))}
          </div>
        ) : null}
        {shown ? <Outcome value={shown} /> : null}
      </div>
      {shown ? (
        <Button look="main" onClick={() => onMake(shown)}>
          Plan it this way
        </Button>
      ) : null}
      <SafetyNote />
    </div>
  );
};

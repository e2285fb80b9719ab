import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Circuit, Job, LeastChange } from '@amber/core';
import { Button, SafetyNote, SeverityMark } from '../../parts/ui.js';
import { changeOf, startOf, type SmallJobDraft } from './draft.js';
import { Outcome } from './Outcome.js';
import { SmallJobForm } from './SmallJobForm.js';
import type { ChangeAnswer } from '../../worker/useLeastChange.js';

/** A draft that is kept while the panel is open, and what it asks for. */
export const useSmallJob = (job: Job, circuit: Circuit) => {
  const [draft, setDraft] = useState<SmallJobDraft | null>(null);
  const asked = useMemo(() => (draft ? changeOf(job, circuit, draft) : null), [job, circuit, draft]);
  return {
    draft,
    setDraft,
    open: () => setDraft(startOf(job, circuit)),
    close: () => setDraft(null),
    asked,
    change: asked && 'change' in asked ? asked.change : null,
  };
};

/** A small job on what is there, by the plan of least change: what it takes, before anything is touched. */
export const SmallJob = ({
  job,
  circuit,
  small,
  answer,
  onMake,
}: {
  job: Job;
  circuit: Circuit;
  small: ReturnType<typeof useSmallJob>;
  answer: ChangeAnswer | null;
  onMake: (value: LeastChange) => void;
}) => {
  const { draft, asked, change } = small;
  if (!draft) return null;
  const outcome = answer?.kind === 'known' ? answer.answer : null;
  return (
    <div className="flex flex-col gap-4 p-4">
      <div className="flex items-start gap-2">
        <h2 className="min-w-0 flex-1 text-[16px] font-bold">A small job on what is there</h2>
        <button
          type="button"
          aria-label="Back to the plans"
          className="-mt-2 -mr-2 grid size-10 place-items-center rounded hover:bg-rail"
          onClick={small.close}
        >
          <X size={18} />
        </button>
      </div>
      <SmallJobForm job={job} circuit={circuit} draft={draft} onChange={small.setDraft} />
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
        {outcome?.ok ? <Outcome before={job} value={outcome.value} /> : null}
      </div>
      {outcome?.ok ? (
        <Button look="main" onClick={() => onMake(outcome.value)}>
          Plan it this way
        </Button>
      ) : null}
      <SafetyNote />
    </div>
  );
};

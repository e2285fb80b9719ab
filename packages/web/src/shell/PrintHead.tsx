import type { Circuit, Job } from '@amber/core';
import { SafetyNote } from '../parts/ui.js';
import { useAppSelector } from '../store/store.js';

/** What stands over a screen on paper: which job, how old, and the safety note; the bars of the screen stay off it. */
export const PrintHead = ({
  job,
  circuit,
  screen,
}: {
  job: Job;
  circuit: Circuit | null;
  screen: string;
}) => {
  const parent = useAppSelector((state) => state.job.open?.parent ?? null);
  const isSaved = useAppSelector((state) => state.job.open?.save.kind === 'saved');
  const state = parent === null ? 'not saved' : `revision ${parent}${isSaved ? '' : ', changed since'}`;
  return (
    <div className="mb-3 hidden border-b border-ink px-4 pb-2 print:block">
      <p className="text-[15px]">
        <strong>{job.name}</strong>
        {circuit ? ` · ${circuit.name}` : ''} · {screen}
      </p>
      <p className="text-[12.5px]">
        Printed {new Date().toLocaleDateString('en-US', { dateStyle: 'long' })}, NEC {job.edition}, {state}.
      </p>
      <SafetyNote />
    </div>
  );
};

import { useMemo, useState } from 'react';
import { boxInWords, sayBoxLine, type BoxId } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { boxChosen, stepAsked } from '../store/wiringSlice.js';
import type { Subject } from './useSubject.js';

/** The box without its picture: every splice and every screw in the words of its steps, each with the way to its step. */
export const BoxWords = ({
  subject,
  box,
  hasSteps,
  onFollow,
}: {
  subject: Subject;
  box: BoxId;
  hasSteps: boolean;
  onFollow: (key: string) => void;
}) => {
  const [open, setOpen] = useState(false);
  const dispatch = useAppDispatch();
  const { job, wiring, compiled } = subject;
  const lines = useMemo(
    () => (open ? boxInWords(job, wiring, compiled, box) : []),
    [open, job, wiring, compiled, box],
  );
  return (
    <details
      className="mx-1 mt-1 shrink-0 rounded-md bg-sheet/90"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-8 cursor-pointer px-2 py-1 text-[13px] font-semibold">In words</summary>
      <ul className="max-h-72 overflow-y-auto px-2 pb-2 text-[13px]">
        {lines.map((line) => (
          <li key={`${line.step} ${line.shows}`} className="flex items-start gap-2 border-t border-line py-1">
            <button
              type="button"
              className="min-h-8 min-w-0 flex-1 text-left hover:underline"
              title="Follow it"
              onClick={() => onFollow(line.shows)}
            >
              {sayBoxLine(line)}
            </button>
            {hasSteps ? (
              <button
                type="button"
                className="min-h-8 shrink-0 px-1 font-semibold underline"
                onClick={() => {
                  dispatch(boxChosen(box));
                  dispatch(stepAsked(line.step));
                }}
              >
                Its step
              </button>
            ) : null}
          </li>
        ))}
      </ul>
    </details>
  );
};

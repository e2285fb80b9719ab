import { History, Redo2, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import type { Job } from '@amber/core';
import { historyPath } from '../../parts/paths.js';
import { redone, undone } from '../../store/jobSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';

const look = 'grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail';

/** The way back: what was changed just now, and every save. */
export const PastButtons = ({ job }: { job: Job }) => {
  const history = useAppSelector((state) => state.job.open?.history);
  const dispatch = useAppDispatch();
  const step = (label: string, change: { label: string } | undefined) =>
    change ? `${label}: ${change.label}` : label;
  const past = history?.past.at(-1);
  const future = history?.future.at(-1);
  return (
    <>
      <Link
        to={historyPath(job.id)}
        aria-label="History"
        title="Every save, and the way back to it"
        className={look}
      >
        <History size={19} />
      </Link>
      <button
        type="button"
        aria-label="Undo"
        title={step('Undo', past)}
        disabled={!past}
        onClick={() => dispatch(undone())}
        className={`${look} disabled:opacity-35`}
      >
        <Undo2 size={19} />
      </button>
      <button
        type="button"
        aria-label="Redo"
        title={step('Redo', future)}
        disabled={!future}
        onClick={() => dispatch(redone())}
        className={`${look} disabled:opacity-35`}
      >
        <Redo2 size={19} />
      </button>
    </>
  );
};

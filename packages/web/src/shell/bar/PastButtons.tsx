import { History, Redo2, Undo2, type LucideIcon } from 'lucide-react';
import { Link } from 'react-router';
import type { Job } from '@amber/core';
import { historyPath } from '../../parts/paths.js';
import { redone, undone } from '../../store/jobSlice.js';
import { useAppDispatch, useAppSelector } from '../../store/store.js';

const look = 'grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail';

const Step = ({
  words,
  change,
  icon: Icon,
  onStep,
}: {
  words: string;
  change: { label: string } | undefined;
  icon: LucideIcon;
  onStep: () => void;
}) => (
  <button
    type="button"
    aria-label={words}
    title={change ? `${words}: ${change.label}` : words}
    disabled={!change}
    onClick={onStep}
    className={`${look} disabled:opacity-35`}
  >
    <Icon size={19} />
  </button>
);

/** Takes the last change back. */
export const Undo = () => {
  const past = useAppSelector((state) => state.job.open?.history.past.at(-1));
  const dispatch = useAppDispatch();
  return <Step words="Undo" change={past} icon={Undo2} onStep={() => dispatch(undone())} />;
};

export const Redo = () => {
  const future = useAppSelector((state) => state.job.open?.history.future.at(-1));
  const dispatch = useAppDispatch();
  return <Step words="Redo" change={future} icon={Redo2} onStep={() => dispatch(redone())} />;
};

/** The way to every save. */
export const HistoryLink = ({ job }: { job: Job }) => (
  <Link
    to={historyPath(job.id)}
    aria-label="History"
    title="Every save, and the way back to it"
    className={look}
  >
    <History size={19} />
  </Link>
);

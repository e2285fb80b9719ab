import { X } from 'lucide-react';
import { PANEL, type Job, type SaidTrace } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { placeName } from '../parts/words.js';
import { boxChosen, wireFollowed } from '../store/wiringSlice.js';

/** The conductor that is followed, in words, and its way from the panel, box by box. */
export const FollowedBar = ({ job, followed }: { job: Job; followed: SaidTrace }) => {
  const dispatch = useAppDispatch();
  return (
    <div className="mb-2 flex items-start gap-3 rounded-lg bg-sheet px-3 py-2">
      <div className="min-w-0 flex-1">
        <p role="status" className="font-semibold">
          {followed.sentence}
        </p>
        {followed.way.length > 0 ? (
          <ol aria-label="From the panel" className="mt-1 flex flex-wrap gap-x-1 text-[13px]">
            {followed.way.map(({ place, what }, i) => (
              <li key={i} className="flex items-center gap-1">
                {i > 0 ? <span aria-hidden="true">→</span> : null}
                <button
                  type="button"
                  disabled={place === PANEL}
                  onClick={() => place !== PANEL && dispatch(boxChosen(place))}
                  className="min-h-8 rounded px-1 text-left enabled:underline enabled:decoration-line enabled:underline-offset-3 enabled:hover:bg-rail"
                >
                  {placeName(job, place)}: {what}
                </button>
              </li>
            ))}
          </ol>
        ) : null}
        {followed.loads.length > 0 ? (
          <p className="mt-1 text-[13px] text-quiet">On it now: {followed.loads.join(', ')}.</p>
        ) : null}
      </div>
      <button
        type="button"
        aria-label="Follow no longer"
        onClick={() => dispatch(wireFollowed(null))}
        className="grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail"
      >
        <X size={18} />
      </button>
    </div>
  );
};

import { useEffect } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { walkIn } from '../parts/paths.js';
import { Button } from '../parts/ui.js';
import { keepWalk, pathOfStop, STOPS } from '../store/walk.js';

/** What is pointed at is framed by this; its screen may come late, or be drawn anew. */
const POINTED = 'data-pointed-at';
const AGAIN = 250;

/** Frames what a stop points at as long as the stop is shown. */
const usePointing = (at: string | null) => {
  useEffect(() => {
    if (at === null) return;
    const point = () => document.querySelector(at)?.setAttribute(POINTED, '');
    point();
    const timer = setInterval(point, AGAIN);
    return () => {
      clearInterval(timer);
      for (const one of document.querySelectorAll(`[${POINTED}]`)) one.removeAttribute(POINTED);
    };
  }, [at]);
};

/** A stop of the walk through the demo: what is pointed at, what it is, and on; it can be left at any time. */
export const WalkBar = () => {
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const at = walkIn(search);
  const stop = at === null ? null : (STOPS[at] ?? null);
  usePointing(stop?.at ?? null);
  useEffect(() => {
    if (at !== null) keepWalk(at);
  }, [at]);
  if (at === null || stop === null) return null;
  const leave = () => {
    keepWalk(null);
    void navigate(pathname, { replace: true });
  };
  return (
    <div
      role="status"
      aria-label="The walk"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-ink px-4 py-2 text-[14px] text-sheet print:hidden"
    >
      <strong className="shrink-0">
        {at + 1} of {STOPS.length}
      </strong>
      <p className="min-w-60 flex-1">{stop.says}</p>
      <span className="flex gap-2">
        {at + 1 < STOPS.length ? (
          <Link
            to={pathOfStop(at + 1)}
            className="inline-flex min-h-10 items-center rounded-md bg-sheet px-4 font-semibold text-ink hover:bg-rail"
          >
            Next
          </Link>
        ) : null}
        <Button look="bare" className="text-sheet hover:text-ink" onClick={leave}>
          {at + 1 < STOPS.length ? 'Leave the walk' : 'Done'}
        </Button>
      </span>
    </div>
  );
};

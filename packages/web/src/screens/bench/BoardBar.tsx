import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { LENSES, lensTaken, viewed } from '../../store/wiringSlice.js';
import { LENS_WORDS } from '../../wiring/lenses.js';

const part =
  'min-h-10 px-3 text-[13.5px] font-semibold hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet';
const whole = 'flex divide-x divide-line overflow-hidden rounded-md border border-line bg-sheet';

/** How the boxes are looked at: all or one, and through which lens. */
export const BoardBar = ({ onGo, children }: { onGo: (by: number) => void; children: ReactNode }) => {
  const dispatch = useAppDispatch();
  const { view, lens } = useAppSelector((state) => state.wiring);
  return (
    <div className="flex flex-wrap items-center gap-2 pb-2">
      <div role="group" aria-label="Boxes shown" className={whole}>
        <button
          type="button"
          className={part}
          aria-pressed={view === 'all'}
          onClick={() => dispatch(viewed('all'))}
        >
          All boxes
        </button>
        <button
          type="button"
          className={part}
          aria-pressed={view === 'one'}
          title="One box large (V)"
          onClick={() => dispatch(viewed('one'))}
        >
          One box
        </button>
        {view === 'one' ? (
          <>
            <button
              type="button"
              className={part}
              aria-label="Box before"
              title="Box before (B)"
              onClick={() => onGo(-1)}
            >
              <ChevronLeft size={17} />
            </button>
            <button
              type="button"
              className={part}
              aria-label="Next box"
              title="Next box (N)"
              onClick={() => onGo(1)}
            >
              <ChevronRight size={17} />
            </button>
          </>
        ) : null}
      </div>
      <div role="group" aria-label="Look for" className={whole}>
        {LENSES.map((one) => (
          <button
            key={one}
            type="button"
            className={part}
            aria-pressed={lens === one}
            onClick={() => dispatch(lensTaken(one))}
          >
            {LENS_WORDS[one]}
          </button>
        ))}
      </div>
      {view === 'all' ? <span className="ml-auto flex gap-2">{children}</span> : null}
    </div>
  );
};

import { lazy, Suspense } from 'react';
import { ChevronDown, ChevronLeft, ChevronRight, ChevronUp } from 'lucide-react';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { folded, LENSES, lensTaken, viewed } from '../../store/wiringSlice.js';
import { Boundary } from '../../parts/Boundary.js';
import { Button } from '../../parts/ui.js';
import { LENS_WORDS } from '../../wiring/lenses.js';
import type { Drawn } from '../../wiring/useSavePicture.js';

const part =
  'min-h-10 px-3 text-[13.5px] font-semibold hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet max-sm:px-2';
const whole = 'flex divide-x divide-line overflow-hidden rounded-md border border-edge bg-sheet';

/** Saving is loaded after the bench. */
const SaveMenu = lazy(async () => ({ default: (await import('./SaveMenu.js')).SaveMenu }));

/** How the boxes are looked at: all or one, through which lens; and what stands above them. */
export const BoardBar = ({
  onGo,
  hasPositions,
  inHand,
  ...saved
}: {
  onGo: (by: number) => void;
  hasPositions: boolean;
  /** One box alone is shown, and nothing above it. */
  inHand: boolean;
  title: string;
  drawn: () => Drawn[];
}) => {
  const dispatch = useAppDispatch();
  const { view, lens, folded: away } = useAppSelector((state) => state.wiring);
  const fold = (what: 'run' | 'positions', words: string) => {
    const Icon = away[what] ? ChevronDown : ChevronUp;
    return (
      <button
        type="button"
        className={`${part} inline-flex items-center gap-1`}
        aria-expanded={!away[what]}
        onClick={() => dispatch(folded({ [what]: !away[what] }))}
      >
        <Icon size={15} /> {words}
      </button>
    );
  };
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-2 pb-1 print:hidden">
      <div role="group" aria-label="Boxes shown" className={whole}>
        {inHand ? null : (
          <>
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
          </>
        )}
        {view === 'one' || inHand ? (
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
      {inHand ? null : (
        <div role="group" aria-label="Shown above" className={whole}>
          {fold('run', 'Run')}
          {hasPositions ? fold('positions', 'Positions') : null}
        </div>
      )}
      <Boundary what="Saving a picture" of="save">
        <Suspense
          fallback={
            <Button className="ml-auto" disabled>
              Save
            </Button>
          }
        >
          <SaveMenu {...saved} />
        </Suspense>
      </Boundary>
    </div>
  );
};

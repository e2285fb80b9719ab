import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDown, ChevronLeft, ChevronRight, ChevronUp, Download } from 'lucide-react';
import { useAppDispatch, useAppSelector } from '../../store/store.js';
import { folded, LENSES, lensTaken, viewed } from '../../store/wiringSlice.js';
import { Button } from '../../parts/ui.js';
import { LENS_WORDS } from '../../wiring/lenses.js';
import { useSavePicture, type Drawn } from '../../wiring/useSavePicture.js';

const part =
  'min-h-10 px-3 text-[13.5px] font-semibold hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet';
const whole = 'flex divide-x divide-line overflow-hidden rounded-md border border-line bg-sheet';

/** Saves what is drawn, as lines or as pixels. */
const SaveMenu = ({ title, drawn }: { title: string; drawn: () => Drawn[] }) => {
  const save = useSavePicture();
  return (
    <Menu>
      <MenuButton as={Button} className="ml-auto">
        <Download size={16} /> Save
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-20 mt-1 w-52 rounded-md border border-line bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {(['svg', 'png'] as const).map((kind) => (
          <MenuItem key={kind}>
            <button
              type="button"
              onClick={() => void save(drawn(), title, kind)}
              className="flex min-h-10 w-full items-center rounded px-3 text-left font-semibold data-focus:bg-rail"
            >
              {kind === 'svg' ? 'As SVG, to print' : 'As PNG, to send'}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
};

/** How the boxes are looked at: all or one, through which lens; and what stands above them. */
export const BoardBar = ({
  onGo,
  hasPositions,
  ...saved
}: {
  onGo: (by: number) => void;
  hasPositions: boolean;
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
    <div className="flex shrink-0 flex-wrap items-center gap-2 pb-1">
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
      <div role="group" aria-label="Shown above" className={whole}>
        {fold('run', 'Run')}
        {hasPositions ? fold('positions', 'Positions') : null}
      </div>
      <SaveMenu {...saved} />
    </div>
  );
};

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { CircleHelp, Ellipsis } from 'lucide-react';
import type { ReactNode } from 'react';
import { useNarrow } from '../../parts/useNarrow.js';
import { useFieldView } from '../../store/useFieldView.js';
import { CircuitFactsMenu } from './CircuitFactsMenu.js';
import { CircuitMenu, type Shown } from './CircuitMenu.js';
import { EditionPick } from './EditionPick.js';
import { HelpButton } from './Help.js';
import { JobName } from './JobName.js';
import { Others } from './Others.js';
import { HistoryLink, Redo, Undo } from './PastButtons.js';
import { SaveMark } from './SaveMark.js';

interface TopBarProps extends Shown {
  /** What the screen has of its own up here. */
  children?: ReactNode;
}

/** On a telephone: one line, and the rest behind one button. */
const NarrowBar = ({ children, ...shown }: TopBarProps) => {
  const { job, circuit } = shown;
  const isField = useFieldView();
  return (
    <header className="flex h-12 shrink-0 items-center gap-1.5 border-b border-line bg-sheet px-2 print:hidden">
      <CircuitMenu {...shown} />
      <span className="ml-auto flex min-w-0 items-center gap-1">
        {isField ? <strong className="shrink-0 text-[13px]">Field view</strong> : null}
        <Others />
        <SaveMark />
        <Undo />
      </span>
      <Popover>
        <PopoverButton
          aria-label="More of this job"
          className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-rail"
        >
          <Ellipsis size={20} />
        </PopoverButton>
        <PopoverPanel
          anchor="bottom end"
          className="z-30 flex w-[min(22rem,calc(100vw-1rem))] flex-col gap-3 rounded-lg border border-line bg-white p-3 shadow-lg"
        >
          <JobName job={job} />
          <div className="flex flex-wrap items-center gap-2">
            <EditionPick job={job} />
            {circuit ? <CircuitFactsMenu job={job} circuit={circuit} /> : null}
          </div>
          {children}
          <div className="flex items-center gap-1 border-t border-line pt-2">
            <HistoryLink job={job} />
            <Redo />
            <HelpButton className="ml-auto inline-flex min-h-11 items-center gap-2 rounded-md px-3 font-semibold hover:bg-rail">
              <CircleHelp size={19} aria-hidden="true" /> Help
            </HelpButton>
          </div>
        </PopoverPanel>
      </Popover>
    </header>
  );
};

/** Which job, which circuit of it, by which edition; what is kept, and the way back. */
export const TopBar = (props: TopBarProps) => {
  const { job, circuit, children, ...shown } = props;
  const isField = useFieldView();
  if (useNarrow()) return <NarrowBar {...props} />;
  return (
    <header className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line bg-sheet px-3 py-1.5 print:hidden">
      <JobName job={job} />
      <span aria-hidden="true" className="text-quiet">
        ›
      </span>
      <CircuitMenu job={job} circuit={circuit} {...shown} />
      {circuit ? <CircuitFactsMenu job={job} circuit={circuit} /> : null}
      <EditionPick job={job} />
      {children}
      <div className="ml-auto flex items-center gap-1">
        {isField ? (
          <span className="inline-flex min-h-10 items-center rounded-md border border-edge bg-white px-2.5 text-[13.5px] font-semibold">
            Field view
          </span>
        ) : null}
        <Others />
        <SaveMark />
        <HistoryLink job={job} />
        <Undo />
        <Redo />
      </div>
    </header>
  );
};

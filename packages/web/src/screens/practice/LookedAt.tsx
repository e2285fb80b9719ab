import { ChevronLeft } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button, SafetyLine } from '../../parts/ui.js';

/** The way on once an exercise was answered. */
export const Another = ({ onAnother }: { onAnother: (() => void) | null }) =>
  onAnother ? (
    <Button look="main" className="self-start" onClick={onAnother}>
      Another of this kind
    </Button>
  ) : null;

/** An exercise to be looked at and answered: the boxes on the board, what is asked beside them. */
export const LookedAt = ({
  title,
  onLeave,
  board,
  tools,
  said,
  children,
}: {
  title: string;
  onLeave: () => void;
  board: ReactNode;
  /** What stands at the end of the head. */
  tools?: ReactNode;
  /** What is said over the board. */
  said?: ReactNode;
  children: ReactNode;
}) => (
  <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
    <main className="flex min-w-0 flex-col lg:min-h-0 lg:flex-1">
      <header className="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-line bg-sheet px-3 py-1.5">
        <Button look="bare" onClick={onLeave}>
          <ChevronLeft size={18} /> All exercises
        </Button>
        <h1 className="min-w-48 flex-1 text-[17px] font-bold">{title}</h1>
        {tools}
      </header>
      {/* Nothing in it takes the keyboard; by it the board is moved. */}
      <section
        aria-label="Opened boxes"
        tabIndex={0}
        className="bg-board p-3 focus-visible:-outline-offset-3 lg:min-h-0 lg:flex-1 lg:overflow-y-auto"
      >
        {said}
        <div className="flex flex-wrap items-start gap-x-4 gap-y-5">{board}</div>
      </section>
    </main>
    <aside
      aria-label="What is asked"
      className="flex shrink-0 flex-col border-line bg-sheet max-lg:border-t lg:min-h-0 lg:w-92 lg:border-l"
    >
      <div className="flex min-h-0 flex-1 flex-col gap-4 p-4 lg:overflow-y-auto">{children}</div>
      <SafetyLine className="shrink-0 border-t border-line px-4 py-1" />
    </aside>
  </div>
);

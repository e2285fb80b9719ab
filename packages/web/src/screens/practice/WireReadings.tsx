import { pairWord, type LinkReading, type Stub } from '@amber/core';
import { OneOf } from '../../parts/OneOf.js';
import { Button } from '../../parts/ui.js';
import { pairOf, type Hold, type Tool } from './holds.js';

/** What was read, and whether it showed continuity. */
export interface Read {
  words: string;
  shows: boolean;
}

/** The tool in hand, where both are, and what the tester shows now; over the board, wherever it is moved. */
export const ToolBar = ({
  name,
  tool,
  holds: { link, tester },
  last,
  onTool,
  onTakeOff,
}: {
  name: (stub: Stub) => string;
  tool: Tool;
  holds: Readonly<Record<Tool, Hold | null>>;
  last: Read | null;
  onTool: (tool: Tool) => void;
  onTakeOff: () => void;
}) => {
  const said = (held: Hold | null): string =>
    held === null
      ? 'on nothing'
      : `${name(held.stub)}: ${held.points.length === 2 ? pairWord(held.points as LinkReading['pair']) : 'one wire; tap its other'}`;
  const isRead = last !== null && pairOf(tester) !== null && link?.points.length !== 1;
  return (
    <section
      aria-label="Link and tester"
      className="sticky top-0 z-10 mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border-2 border-ink bg-sheet p-2.5 text-[13.5px]"
    >
      <div className="w-72 max-w-full">
        <OneOf
          label="Tool in hand"
          options={[
            { value: 'link' as const, words: 'Link wire' },
            { value: 'tester' as const, words: 'Continuity tester' },
          ]}
          value={tool}
          onPick={onTool}
        />
      </div>
      <Button disabled={(tool === 'link' ? link : tester) === null} onClick={onTakeOff}>
        Take it off
      </Button>
      <dl className="grid min-w-56 flex-1 grid-cols-[auto_minmax(0,1fr)] gap-x-3">
        <dt className="font-semibold">Link</dt>
        <dd>{said(link)}</dd>
        <dt className="font-semibold">Tester</dt>
        <dd>{said(tester)}</dd>
      </dl>
      <p role="status" aria-label="The tester shows" className="min-w-24 text-[17px] font-bold">
        {isRead ? (last.shows ? 'Continuity' : 'None') : 'No reading'}
      </p>
    </section>
  );
};

/** What was read so far, the last first. */
export const WireReadings = ({ reads }: { reads: readonly Read[] }) =>
  reads.length === 0 ? null : (
    <section aria-label="What was read" className="rounded-md border border-line bg-white p-3">
      <h2 className="text-[14px] font-bold">What was read</h2>
      <ol
        aria-label="Readings, the last first"
        className="mt-1 max-h-44 divide-y divide-line overflow-y-auto text-[13px]"
        tabIndex={0}
      >
        {reads.map((one, i) => (
          <li key={i} className="py-1">
            {one.words}: <strong>{one.shows ? 'continuity' : 'none'}</strong>
          </li>
        ))}
      </ol>
    </section>
  );

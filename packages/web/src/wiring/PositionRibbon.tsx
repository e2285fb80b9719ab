import { ofId } from '@amber/core';
import { StepForward } from 'lucide-react';
import { useState } from 'react';
import type { truthTable } from '@amber/core';
import { type Positions } from '@amber/core';
import { useAppDispatch } from '../store/store.js';
import { Button, Select } from '../parts/ui.js';
import { positionsSet } from '../store/wiringSlice.js';
import type { Subject } from './useSubject.js';

/** More positions than this are not shown one by one. */
const MOST = 64;

/** The rows of the group's table, and which of them the handles are in; one handle is moved from each to the next. */
export const useWalk = (subject: Subject, positions: Positions) => {
  const [asked, setAsked] = useState<string | null>(null);
  const { groups } = subject;
  const group = groups.find((one) => one.id === asked) ?? groups[0];
  const table = subject.tables.find((one) => one.group === group?.id) ?? null;
  const now = table
    ? table.rows.findIndex((row) =>
        table.switches.every((id, i) => (ofId(positions, id) ?? 0) === row.positions[i]),
      )
    : -1;
  const dispatch = useAppDispatch();
  const go = (index: number) => {
    const row = table?.rows[index];
    if (table && row)
      dispatch(positionsSet(Object.fromEntries(table.switches.map((id, i) => [id, row.positions[i] ?? 0]))));
  };
  const step = () => table && go((now + 1) % table.rows.length);
  const words = (table?.switches ?? []).map(
    (id) => subject.devices.find((one) => one.id === id)?.positions ?? [],
  );
  return { groups, group, setGroup: setAsked, table, words, now, go, step };
};

const Cell = ({
  row,
  words,
  number,
  current,
  onGo,
}: {
  row: ReturnType<typeof truthTable>['rows'][number];
  /** What the positions of each handle are called. */
  words: readonly (readonly string[])[];
  number: number;
  current: boolean;
  onGo: () => void;
}) => {
  const lit = row.lights.every((light) => light === 'lit');
  const unknown = row.lights.includes('unknown');
  const wrong =
    !unknown && (row.shorts.length > 0 || !(lit || row.lights.every((light) => light === 'dark')));
  const handles = row.positions.map((position, i) => words[i]?.[position] ?? '').join(', ');
  const word = unknown ? 'not known' : wrong ? 'not as it should be' : lit ? 'lit' : 'dark';
  return (
    <button
      type="button"
      aria-label={`Position ${number}: ${handles}; ${word}`}
      aria-pressed={current}
      onClick={onGo}
      className={`flex min-h-10 min-w-6 max-w-16 flex-1 flex-col items-center justify-center gap-1 rounded border ${
        current ? 'border-2 border-ink bg-white' : 'border-transparent hover:bg-rail'
      }`}
    >
      <svg width={row.positions.length * 5} height="12" aria-hidden="true">
        {row.positions.map((position, i) => (
          <rect
            key={i}
            x={i * 5 + 1}
            y={position === 0 ? 0 : 6}
            width="3"
            height="6"
            fill="var(--color-ink)"
          />
        ))}
      </svg>
      <svg width="11" height="11" viewBox="0 0 11 11" aria-hidden="true">
        <circle
          cx="5.5"
          cy="5.5"
          r="4.5"
          fill={wrong ? 'var(--color-violation)' : lit ? 'var(--color-amber-live)' : '#fff'}
          stroke="var(--color-ink)"
          strokeDasharray={unknown ? '2.2 1.6' : undefined}
        />
      </svg>
    </button>
  );
};

/** Every set of handle positions of a group, the present one marked; a walk goes through them one handle at a time. */
export const PositionRibbon = ({ walk }: { walk: ReturnType<typeof useWalk> }) => {
  const { groups, group, setGroup, table, words, now, go, step } = walk;
  if (!table || !group || table.switches.length === 0) return null;
  return (
    <section
      aria-label="Handle positions"
      className="flex shrink-0 items-center gap-2 overflow-x-auto border-b border-line bg-sheet px-3 py-1"
    >
      {groups.length > 1 ? (
        <Select
          aria-label="Positions of"
          value={group.id}
          onChange={(event) => setGroup(event.target.value)}
          className="max-w-36 shrink-0"
        >
          {groups.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Select>
      ) : null}
      <span className="shrink-0 text-[13px] text-quiet">
        {now + 1} of {table.rows.length}
      </span>
      {table.rows.length <= MOST ? (
        <div className="flex min-w-0 flex-1 gap-0.5 overflow-x-auto">
          {table.rows.map((row, i) => (
            <Cell key={i} row={row} words={words} number={i + 1} current={i === now} onGo={() => go(i)} />
          ))}
        </div>
      ) : (
        <span className="flex-1" />
      )}
      <Button onClick={step} title="One handle further (W)" className="shrink-0">
        <StepForward size={16} /> Walk
      </Button>
    </section>
  );
};

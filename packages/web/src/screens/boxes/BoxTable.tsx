import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp, ArrowUpDown } from 'lucide-react';
import { useState } from 'react';
import { cubicInches, sayMore, type BoxId, type BoxRow } from '@amber/core';
import { SeverityMark } from '../../parts/ui.js';
import { FillBar } from './FillBar.js';

const VERDICT = { fits: 'fits', over: 'too small', unknown: 'not known' } as const;
export type Verdict = (typeof VERDICT)[keyof typeof VERDICT] | 'full';
const MARK = { fits: 'pass', full: 'caution', 'too small': 'violation', 'not known': 'verify' } as const;

/** Full is what takes no further cable, and fits all the same. */
export const verdictOf = ({ fill, more }: BoxRow): Verdict =>
  fill.verdict === 'fits' && more === 0 ? 'full' : VERDICT[fill.verdict];

/** "fits, 4.0 in³ left: room for one more 14/2"; of what is not all known no more than is known. */
export const sayRow = (row: BoxRow): string => {
  const verdict = verdictOf(row);
  if (verdict === 'too small' || row.left === null) return verdict === 'too small' ? sayMore(row) : verdict;
  if (verdict === 'not known') return `not known, at most ${cubicInches(row.left)} left`;
  return `${verdict}, ${cubicInches(row.left)} left: ${sayMore(row)}`;
};

const column = createColumnHelper<BoxRow>();
const last = (value: number | null): number => value ?? Infinity;

const COLUMNS = [
  column.accessor('name', {
    header: 'Box',
    sortingFn: 'alphanumeric',
    cell: ({ row: { original } }) => (
      <>
        <strong className="block break-words">{original.name}</strong>
        <span className="block text-[13px] text-quiet">
          {[original.room, ...(original.gangs > 0 ? [`${original.gangs} gang`] : [])]
            .filter(Boolean)
            .join(', ')}
        </span>
      </>
    ),
  }),
  column.accessor(({ made }) => made.join(' with '), {
    id: 'made',
    header: 'Which box',
    cell: ({ getValue }) => <span className="text-[13.5px]">{getValue() || 'not known'}</span>,
  }),
  column.accessor(({ fill }) => fill.needed, {
    id: 'needs',
    header: 'Needs',
    cell: ({ row: { original } }) => (
      <span className="whitespace-nowrap">
        {original.fill.unknown.some((one) => one !== 'box') ? 'at least ' : ''}
        {cubicInches(original.fill.needed)}
      </span>
    ),
  }),
  column.accessor(({ fill }) => last(fill.available), {
    id: 'holds',
    header: 'Holds',
    cell: ({ row: { original } }) => (
      <span className="whitespace-nowrap">
        {original.fill.available === null ? 'not known' : cubicInches(original.fill.available)}
      </span>
    ),
  }),
  column.accessor(({ left }) => last(left), {
    id: 'left',
    header: 'Fill and room left',
    cell: ({ row: { original } }) => (
      <span className="flex flex-col gap-1">
        <FillBar row={original} />
        <span
          className={`flex items-center gap-1.5 text-[13px] ${original.fill.verdict === 'over' ? 'font-semibold text-violation' : ''}`}
        >
          <SeverityMark severity={MARK[verdictOf(original)]} />
          <span>{sayRow(original)}</span>
        </span>
      </span>
    ),
  }),
];

/** Wide enough for all columns only from here on; narrower, the name and the bar say what has to be known. */
const NARROW_HIDDEN: Record<string, string> = {
  made: 'max-xl:hidden',
  needs: 'max-md:hidden',
  holds: 'max-md:hidden',
};

/** All boxes in a table that sorts: the tightest first until somebody asks otherwise. */
export const BoxTable = ({
  rows,
  picked,
  onPick,
}: {
  rows: BoxRow[];
  picked: BoxId | null;
  onPick: (box: BoxId) => void;
}) => {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'left', desc: false }]);
  const table = useReactTable({
    data: rows,
    columns: COLUMNS,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getRowId: ({ box }) => box,
  });
  return (
    <table className="w-full border-collapse text-left text-[14px]">
      <thead className="sticky top-0 z-10 bg-sheet">
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const sorted = header.column.getIsSorted();
              return (
                <th
                  key={header.id}
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                  className={`border-b border-line p-0 ${NARROW_HIDDEN[header.id] ?? ''}`}
                >
                  <button
                    type="button"
                    onClick={header.column.getToggleSortingHandler()}
                    className="flex min-h-11 w-full items-center gap-1.5 px-3 text-left text-[13px] font-semibold hover:bg-rail"
                  >
                    {flexRender(header.column.columnDef.header, header.getContext())}
                    {sorted === 'asc' ? (
                      <ArrowUp size={14} aria-hidden="true" />
                    ) : sorted === 'desc' ? (
                      <ArrowDown size={14} aria-hidden="true" />
                    ) : (
                      <ArrowUpDown size={14} className="text-quiet" aria-hidden="true" />
                    )}
                  </button>
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr
            key={row.id}
            aria-selected={row.original.box === picked}
            onClick={() => onPick(row.original.box)}
            className={`cursor-pointer border-b border-line align-top hover:bg-white/70 ${
              row.original.box === picked ? 'bg-white shadow-[inset_5px_0_0_var(--color-ink)]' : ''
            }`}
          >
            {row.getVisibleCells().map((cell) => (
              <td key={cell.id} className={`px-3 py-2 ${NARROW_HIDDEN[cell.column.id] ?? ''}`}>
                {cell.column.id === 'name' ? (
                  <button
                    type="button"
                    aria-label={`Box ${row.original.name}`}
                    onClick={() => onPick(row.original.box)}
                    className="min-h-10 w-full text-left"
                  >
                    {flexRender(cell.column.columnDef.cell, cell.getContext())}
                  </button>
                ) : (
                  flexRender(cell.column.columnDef.cell, cell.getContext())
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
};

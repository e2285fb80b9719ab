import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { JobHead } from '@amber/core';
import { JOBS_A_PAGE, useJobsQuery } from '../../server/api.js';
import { useSize } from '../../parts/useSize.js';
import { JobCard, JobLine } from './JobCard.js';

/** Cards that show the place, or a line each. */
export type JobsAs = 'cards' | 'lines';

/** Narrowest width of a card, and what is between two of them, pixels. */
const CARD = 336;
const GAP = 16;
/** What a row is taken to be high until it was drawn, pixels. */
const ROW = 420;
/** The height of a line, pixels. */
const LINE = 57;
/** Milliseconds after which what is being worked out is asked for again. */
const AGAIN = 1_200;

const grid = 'grid grid-cols-[repeat(auto-fill,minmax(min(100%,21rem),1fr))] gap-4';

/** One page of the list; it is asked for again while something of it is being worked out. */
const useJobPage = (search: string, page: number) => {
  const [pending, setPending] = useState(false);
  const query = useJobsQuery({ search, page }, { pollingInterval: pending ? AGAIN : 0 });
  const now = query.data?.jobs.some((job) => job.pending) ?? false;
  useEffect(() => setPending(now), [now]);
  return query;
};

/** The cards of one row, of the page or the two pages that they are on. */
const Row = ({ search, from, to, as }: { search: string; from: number; to: number; as: JobsAs }) => {
  const Shown = as === 'cards' ? JobCard : JobLine;
  const first = Math.floor(from / JOBS_A_PAGE);
  const last = Math.floor((to - 1) / JOBS_A_PAGE);
  const one = useJobPage(search, first).data;
  const other = useJobPage(search, last).data;
  const jobAt = (at: number): JobHead | undefined => {
    const page = Math.floor(at / JOBS_A_PAGE);
    return (page === first ? one : other)?.jobs[at - page * JOBS_A_PAGE];
  };
  return Array.from({ length: to - from }, (_, i) => {
    const job = jobAt(from + i);
    return job ? (
      <Shown key={job.id} job={job} />
    ) : (
      <li
        key={from + i}
        aria-busy="true"
        className="min-h-40 rounded-lg border border-line bg-sheet p-4 text-[13px] text-quiet"
      >
        Reading …
      </li>
    );
  });
};

/** Thousands of jobs: what is looked at is drawn, and asked of the server. */
const LongList = ({
  search,
  total,
  as,
  scroller,
}: {
  search: string;
  as: JobsAs;
  total: number;
  scroller: RefObject<HTMLElement | null>;
}) => {
  const place = useRef<HTMLDivElement>(null);
  const width = useSize(place)?.width ?? 0;
  const columns = as === 'lines' ? 1 : Math.max(1, Math.floor((width + GAP) / (CARD + GAP)));
  const [above, setAbove] = useState(0);
  // What stands above the list may come and go.
  useLayoutEffect(() => setAbove(place.current?.offsetTop ?? 0), [width, total]);
  const rows = useVirtualizer({
    count: Math.ceil(total / columns),
    getScrollElement: () => scroller.current,
    estimateSize: () => (as === 'lines' ? LINE : ROW),
    gap: as === 'lines' ? 0 : GAP,
    overscan: 1,
    scrollMargin: above,
  });
  return (
    <div ref={place} className="relative" style={{ height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ index, key, start }) => (
        <ul
          key={key}
          data-index={index}
          ref={rows.measureElement}
          className="absolute inset-x-0 top-0 grid gap-4"
          style={{
            gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
            transform: `translateY(${start - above}px)`,
          }}
        >
          <Row search={search} as={as} from={index * columns} to={Math.min(total, (index + 1) * columns)} />
        </ul>
      ))}
    </div>
  );
};

/** The jobs that a search finds: all of them where they are few, else those that are looked at. */
export const JobList = ({
  search,
  as,
  scroller,
}: {
  search: string;
  as: JobsAs;
  /** What scrolls them. */
  scroller: RefObject<HTMLElement | null>;
}) => {
  const { data } = useJobPage(search, 0);
  if (!data) return null;
  if (data.total > JOBS_A_PAGE)
    return <LongList key={`${as} ${search}`} {...{ search, as, scroller }} total={data.total} />;
  return (
    <ul className={as === 'cards' ? grid : 'overflow-hidden rounded-lg border border-line'}>
      {data.jobs.map((job) =>
        as === 'cards' ? <JobCard key={job.id} job={job} /> : <JobLine key={job.id} job={job} />,
      )}
    </ul>
  );
};

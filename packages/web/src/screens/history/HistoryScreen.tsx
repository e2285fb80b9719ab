import { useState } from 'react';
import type { Job, RevisionHead } from '@amber/core';
import { clock, day } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useRevisionsQuery } from '../../server/api.js';
import { sayFailed, type Failed } from '../../server/client.js';
import { useAppSelector } from '../../store/store.js';
import { SaveDetail, saveName } from './SaveDetail.js';

/** Saves by the day on which they were made, the newest first. */
const byDay = (saves: readonly RevisionHead[]): [string, RevisionHead[]][] => {
  const days = new Map<string, RevisionHead[]>();
  for (const save of saves) days.set(day(save.savedAt), [...(days.get(day(save.savedAt)) ?? []), save]);
  return [...days];
};

/** What was it like before? Every save, what changed, and the way back. */
export const HistoryScreen = ({ job }: { job: Job }) => {
  const revision = useAppSelector((state) => state.job.open?.parent ?? 0);
  const { data, error, refetch } = useRevisionsQuery({ id: job.id, revision });
  const [picked, setPicked] = useState<string | null>(null);
  const saves = data ?? [];
  const save = saves.find(({ saveId }) => saveId === picked) ?? saves[0];
  return (
    <main className="flex min-h-0 min-w-0 flex-1 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <div className="shrink-0 border-line px-4 py-3 lg:w-80 lg:overflow-y-auto lg:border-r">
        <h1 className="text-[17px] font-bold">History</h1>
        <p className="mb-3 text-[13.5px] text-quiet">
          Every save of the last day, then one an hour for a week, one a day for a year, one a month after
          that.
        </p>
        {error ? (
          <div role="alert" className="rounded-md border border-violation p-3">
            <p>The history cannot be read. {sayFailed(error as Failed)}</p>
            <Button className="mt-2" onClick={() => void refetch()}>
              Try again
            </Button>
          </div>
        ) : null}
        {data || error ? null : <p className="text-quiet">Reading the history …</p>}
        <div className="max-lg:max-h-64 max-lg:overflow-y-auto">
          {byDay(saves).map(([of, all]) => (
            <section key={of} aria-label={of}>
              <h2 className="mt-2 mb-1 text-[13px] font-semibold text-quiet">{of}</h2>
              <ul>
                {all.map((one) => (
                  <li key={one.saveId}>
                    <button
                      type="button"
                      aria-pressed={one === save}
                      onClick={() => setPicked(one.saveId)}
                      className="flex min-h-11 w-full items-center gap-3 rounded-md px-2 text-left hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet"
                    >
                      <span className="w-18 shrink-0 text-[13.5px] tabular-nums">
                        {clock(Date.parse(one.savedAt))}
                      </span>
                      <span
                        className={`min-w-0 truncate text-[14px] ${one.name === null ? '' : 'font-bold'}`}
                      >
                        {saveName(one)}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
      </div>
      <div className="min-w-0 flex-1 p-4 lg:overflow-y-auto">
        <div className="max-w-3xl">
          {save ? (
            <SaveDetail key={`${save.saveId} ${save.name ?? ''}`} job={job} save={save} saves={saves} />
          ) : null}
        </div>
      </div>
    </main>
  );
};

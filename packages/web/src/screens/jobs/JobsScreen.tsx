import { LayoutGrid, PackageOpen, Plus, Rows3, type LucideIcon } from 'lucide-react';
import { useRef, useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAppDispatch } from '../../store/store.js';
import { JOBS_A_PAGE, useJobsQuery } from '../../server/api.js';
import { DEMO_JOB, jobPath, WORKSHEET_PATH } from '../../parts/paths.js';
import { isWalkLeft, pathOfStop, walkedTo } from '../../store/walk.js';
import { plural, when } from '../../parts/format.js';
import { sayFailed, type Failed } from '../../server/client.js';
import { habitOf, keepHabit } from '../../server/habit.js';
import { FileButton } from '../../parts/FileButton.js';
import { useRested } from '../../parts/useRested.js';
import { Button, controlLook, SafetyNote } from '../../parts/ui.js';
import { DeletedJobs } from './DeletedJobs.js';
import { JobList, type JobsAs } from './JobList.js';
import { createJob, importFile } from './jobActions.js';

const NewJob = ({ onDone }: { onDone: () => void }) => {
  const [name, setName] = useState('');
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const id = await createJob(name.trim() || 'New job', dispatch);
    if (id) await navigate(jobPath(id));
  };
  return (
    <form
      onSubmit={(event) => void submit(event)}
      className="flex flex-wrap gap-2 rounded-lg border border-line bg-rail p-4"
    >
      <label className="min-w-60 flex-1">
        <span className="mb-1 block text-[13px] font-semibold">Name of the job</span>
        <input
          autoFocus
          value={name}
          maxLength={200}
          placeholder="House, street or customer"
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && onDone()}
          className={controlLook}
        />
      </label>
      <div className="flex items-end gap-2">
        <Button look="main" type="submit">
          Make the job
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
};

const Nothing = ({ onNew }: { onNew: () => void }) => (
  <div className="max-w-xl rounded-lg border border-dashed border-quiet/60 p-8">
    <h2 className="text-lg font-bold">Start with one circuit</h2>
    <p className="mt-2 text-quiet">
      Say which switch locations control which luminaires, where power enters and in which order the cables
      run. You get every conductor, splice and screw, see it work from every switch, and see whether each box
      is big enough.
    </p>
    <Button look="main" className="mt-5" onClick={onNew}>
      New job
    </Button>
  </div>
);

const found = (total: number, words: string): string =>
  total === 0
    ? `No job has “${words}” in its name or in those of its circuits, rooms, groups and boxes.`
    : `${plural(total, 'job')} with “${words}”`;

const VIEWS: readonly { as: JobsAs; words: string; icon: LucideIcon }[] = [
  { as: 'cards', words: 'Cards with the place', icon: LayoutGrid },
  { as: 'lines', words: 'A line for each', icon: Rows3 },
];

/** Where this browser keeps how the list is looked at. */
const KEPT_AS = 'jobs-as';

const useJobsAs = (): [JobsAs, (as: JobsAs) => void] => {
  const [as, setAs] = useState<JobsAs>(() => (habitOf(KEPT_AS) === 'lines' ? 'lines' : 'cards'));
  return [
    as,
    (next) => {
      keepHabit(KEPT_AS, next);
      setAs(next);
    },
  ];
};

/** What am I working on? */
export const JobsScreen = () => {
  const [search, setSearch] = useState('');
  const asked = useRested(search.trim());
  const { data, error, isLoading, isFetching, refetch } = useJobsQuery({ search: asked, page: 0 });
  // What is shown is not what was asked for yet.
  const isBusy = asked !== search.trim() || isFetching;
  const scroller = useRef<HTMLElement>(null);
  const [as, setAs] = useJobsAs();
  const [making, setMaking] = useState(false);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const bringIn = async (file: File | undefined) => {
    const id = file && (await importFile(file, dispatch));
    if (id) await navigate(jobPath(id));
  };
  return (
    <main ref={scroller} className="relative min-h-0 flex-1 overflow-y-auto">
      <div className="mx-auto flex max-w-6xl flex-col gap-5 px-5 py-7 sm:px-8">
        <header className="flex flex-wrap items-center gap-3">
          <h1 className="mr-auto text-2xl font-bold">Jobs</h1>
          <input
            type="search"
            aria-label="Search jobs, circuits, rooms and boxes"
            placeholder="Search"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            className={`${controlLook} max-w-56`}
          />
          <div
            role="group"
            aria-label="Jobs as"
            className="flex divide-x divide-line overflow-hidden rounded-md border border-edge"
          >
            {VIEWS.map(({ as: one, words, icon: Icon }) => (
              <button
                key={one}
                type="button"
                aria-label={words}
                title={words}
                aria-pressed={as === one}
                onClick={() => setAs(one)}
                className="grid size-10 place-items-center bg-sheet hover:bg-rail aria-pressed:bg-ink aria-pressed:text-sheet"
              >
                <Icon size={18} aria-hidden="true" />
              </button>
            ))}
          </div>
          <Link
            to={WORKSHEET_PATH}
            className="inline-flex min-h-10 items-center gap-2 rounded-md border border-edge bg-white px-3 font-semibold hover:bg-rail"
          >
            <PackageOpen size={18} /> Box fill worksheet
          </Link>
          <FileButton
            words="Import file"
            label="Job file"
            accept=".json,.zip,application/json,application/zip"
            onFile={(file) => void bringIn(file)}
          />
          <Button look="main" onClick={() => setMaking(true)}>
            <Plus size={18} /> New job
          </Button>
        </header>
        {making ? <NewJob onDone={() => setMaking(false)} /> : null}
        {error ? (
          <div
            role="alert"
            className="flex flex-wrap items-center gap-3 rounded-lg border border-violation bg-sheet p-4"
          >
            <p className="flex-1">The jobs cannot be listed. {sayFailed(error as Failed)}</p>
            <Button onClick={() => void refetch()}>Try again</Button>
          </div>
        ) : null}
        {data?.total === 0 && asked === '' && !making ? <Nothing onNew={() => setMaking(true)} /> : null}
        {isLoading ? <p className="text-quiet">Reading the jobs …</p> : null}
        {data && (asked !== '' || data.total > JOBS_A_PAGE) ? (
          <p role="status" className="-mb-2 text-[13px] text-quiet">
            {asked === '' ? `${data.total} jobs, the last changed first` : found(data.total, asked)}
          </p>
        ) : null}
        {data?.keptAt ? (
          <p role="status" className="text-[13.5px] font-semibold text-violation">
            No connection: the list as it was {when(data.keptAt)}.
          </p>
        ) : null}
        {data && asked === '' && !isWalkLeft() && data.jobs.some(({ id }) => id === DEMO_JOB) ? (
          <p className="-mb-2 text-[14px]">
            New here?{' '}
            <Link className="font-semibold underline underline-offset-2" to={pathOfStop(walkedTo() ?? 0)}>
              Walk through Heron Yard
            </Link>
            , five stops in the order of the work.
          </p>
        ) : null}
        <section aria-label="The jobs" aria-busy={isBusy}>
          <JobList search={asked} as={as} scroller={scroller} />
        </section>
        {/* What stands below the list comes with it: nothing jumps. */}
        {isLoading ? null : (
          <>
            <DeletedJobs />
            <SafetyNote className="max-w-3xl border-t border-line pt-4" />
          </>
        )}
      </div>
    </main>
  );
};

import { useState } from 'react';
import { Link } from 'react-router';
import { editionName, type CircuitSummary, type JobHead, type JudgedEdition } from '@amber/core';
import { benchPath, changePath, jobPath } from '../../parts/paths.js';
import { plural, when, sayWorking } from '../../parts/format.js';
import { RunMini } from '../../parts/RunMini.js';
import { SeverityMark } from '../../parts/ui.js';
import { JobMenu } from './JobMenu.js';
import { PlaceSketch } from './PlaceSketch.js';

const stateOf = (
  circuit: CircuitSummary,
): { mark: 'pass' | 'violation' | 'unfinished' | 'verify'; text: string } => {
  if (circuit.unfinished > 0) return { mark: 'unfinished', text: 'not planned yet' };
  if ((circuit.unseenBoxes ?? 0) > 0)
    return {
      mark: 'verify',
      text: `as it is; ${plural(circuit.unseenBoxes ?? 0, 'box', 'boxes')} to look into`,
    };
  if (circuit.violations > 0) return { mark: 'violation', text: plural(circuit.violations, 'violation') };
  return { mark: 'pass', text: sayWorking(circuit) };
};

/** By which edition, and when it was changed. */
const sayHead = (job: JobHead): string =>
  `${job.summary === null ? '' : `NEC ${editionName(job.summary.edition as JudgedEdition)} · `}changed ${when(job.updatedAt)}`;

/** So many circuits stand on a card; the others when they are asked for. */
const SHOWN = 5;

/** One circuit of a card: does it work, and how does it run? */
const CircuitRow = ({ job, circuit }: { job: JobHead; circuit: CircuitSummary }) => {
  const state = stateOf(circuit);
  return (
    <li className="flex items-start gap-3 border-b border-line/60 px-4 py-2.5 last:border-b-0">
      <SeverityMark severity={state.mark} />
      <div className="min-w-0 flex-1">
        <div className="flex items-baseline gap-3">
          <Link
            to={benchPath(job.id, circuit.id)}
            title={circuit.name}
            className="relative z-10 min-w-0 flex-1 truncate font-semibold hover:underline"
          >
            {circuit.name}
          </Link>
          <span className="shrink-0 text-[13px] text-quiet">{circuit.breaker} A</span>
        </div>
        <div className="flex min-h-8 items-center gap-3">
          <span className="min-w-0 flex-1 text-[13px] text-quiet">{state.text}</span>
          {circuit.run ? (
            <span className="flex w-1/2 shrink-0 justify-end">
              <RunMini run={circuit.run} label={`Run of ${circuit.name}`} />
            </span>
          ) : null}
        </div>
        {circuit.unseenBoxes === null ? null : (
          <Link
            to={changePath(job.id, circuit.id)}
            className="relative z-10 -my-1 inline-flex min-h-10 items-center text-[13.5px] font-semibold underline underline-offset-2"
          >
            Change what is there
          </Link>
        )}
      </div>
    </li>
  );
};

/** What there is to say where no circuit can be shown. */
const sayNone = (job: JobHead): string | null =>
  job.pending
    ? 'Saved a moment ago; its state is being worked out …'
    : job.summary === null
      ? 'This version of the program cannot read it. It is kept as it is.'
      : job.summary.circuits.length === 0
        ? 'No circuit yet.'
        : null;

/** A job as a card: its place, and the state of its circuits. */
export const JobCard = ({ job }: { job: JobHead }) => {
  const [all, setAll] = useState(false);
  const circuits = job.summary?.circuits ?? [];
  const shown = all ? circuits : circuits.slice(0, SHOWN);
  const none = sayNone(job);
  return (
    <li className="relative flex flex-col self-start rounded-lg border border-line bg-sheet">
      {job.summary?.place ? (
        <PlaceSketch
          sketch={job.summary.place}
          className="h-44 w-full rounded-t-lg border-b border-line bg-rail"
        />
      ) : null}
      <div className="flex items-start gap-2 py-3 pr-2 pl-4">
        <div className="min-w-0 flex-1">
          <h2 className="line-clamp-2 text-[17px] leading-snug font-bold break-words">
            <Link
              to={jobPath(job.id)}
              className="after:absolute after:inset-0 after:rounded-lg"
              title={job.name}
            >
              {job.name}
            </Link>
          </h2>
          <p className="mt-0.5 text-[13px] text-quiet">{sayHead(job)}</p>
        </div>
        <JobMenu job={job} />
      </div>
      <ul className="border-t border-line">
        {shown.map((circuit) => (
          <CircuitRow key={circuit.id} job={job} circuit={circuit} />
        ))}
        {none === null ? null : <li className="px-4 py-3 text-[13px] text-quiet">{none}</li>}
      </ul>
      {circuits.length > shown.length ? (
        <button
          type="button"
          onClick={() => setAll(true)}
          className="relative z-10 min-h-10 rounded-b-lg border-t border-line px-4 text-left text-[13.5px] font-semibold hover:bg-rail"
        >
          {circuits.length - shown.length} more
        </button>
      ) : null}
    </li>
  );
};

/** The worst of what is to be said of its circuits, in a few words. */
const sayCircuits = (job: JobHead): { mark: ReturnType<typeof stateOf>['mark'] | null; text: string } => {
  const none = sayNone(job);
  if (none !== null) return { mark: null, text: none };
  const states = (job.summary?.circuits ?? []).map(stateOf);
  const worst = (['violation', 'unfinished', 'verify'] as const).find((mark) =>
    states.some((state) => state.mark === mark),
  );
  const count = plural(states.length, 'circuit');
  if (worst === undefined) return { mark: 'pass', text: count };
  const many = states.filter(({ mark }) => mark === worst).length;
  const words = { violation: 'with violations', unfinished: 'not planned yet', verify: 'to look into' }[
    worst
  ];
  return { mark: worst, text: `${count}, ${many} ${words}` };
};

/** A job as one line of a list. */
export const JobLine = ({ job }: { job: JobHead }) => {
  const { mark, text } = sayCircuits(job);
  return (
    <li className="relative flex min-h-14 items-center gap-3 border-b border-line bg-sheet py-1 pr-2 pl-3 last:border-b-0">
      <span className="w-16 shrink-0">
        {job.summary?.place ? <PlaceSketch sketch={job.summary.place} className="h-11 w-full" /> : null}
      </span>
      <div className="min-w-0 flex-1">
        <h2 className="truncate text-[15.5px] font-bold">
          <Link to={jobPath(job.id)} className="after:absolute after:inset-0" title={job.name}>
            {job.name}
          </Link>
        </h2>
        <p className="truncate text-[13px] text-quiet">{sayHead(job)}</p>
      </div>
      <span className="flex max-w-1/2 items-center gap-2 text-[13.5px]">
        {mark === null ? null : <SeverityMark severity={mark} />}
        <span className="max-sm:sr-only">{text}</span>
      </span>
      <JobMenu job={job} />
    </li>
  );
};

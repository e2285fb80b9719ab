import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Copy, Download, Ellipsis, Send, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { useAppDispatch } from '../../store/store.js';
import { editionName, type CircuitSummary, type JobHead, type JudgedEdition } from '@amber/core';
import { benchPath, changePath, jobFilePath, jobPath, jobSharedPath } from '../../parts/paths.js';
import { plural, when, sayWorking } from '../../parts/format.js';
import { RunMini } from '../../parts/RunMini.js';
import { SeverityMark } from '../../parts/ui.js';
import { deleteJob, duplicateJob } from './jobActions.js';

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

const itemLook = 'flex min-h-11 w-full items-center gap-3 rounded px-3 text-left data-focus:bg-rail';

export const JobCard = ({ job }: { job: JobHead }) => {
  const dispatch = useAppDispatch();
  return (
    <li className="relative flex flex-col rounded-lg border border-line bg-sheet">
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
          <p className="mt-0.5 text-[13px] text-quiet">
            {job.summary === null ? '' : `NEC ${editionName(job.summary.edition as JudgedEdition)} · `}changed{' '}
            {when(job.updatedAt)}
          </p>
        </div>
        <Menu>
          <MenuButton
            aria-label={`More for ${job.name}`}
            className="relative z-10 grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail"
          >
            <Ellipsis size={20} />
          </MenuButton>
          <MenuItems
            anchor="bottom end"
            className="z-20 w-64 rounded-lg border border-line bg-white p-1 shadow-lg focus:outline-none"
          >
            <MenuItem>
              <button type="button" className={itemLook} onClick={() => void duplicateJob(job.id, dispatch)}>
                <Copy size={17} /> Duplicate
              </button>
            </MenuItem>
            <MenuItem>
              <a className={itemLook} href={jobFilePath(job.id)} download>
                <Download size={17} /> Export file
              </a>
            </MenuItem>
            <MenuItem>
              <a className={itemLook} href={jobSharedPath(job.id)} download>
                <Send size={17} className="shrink-0" /> Send with pictures and records
              </a>
            </MenuItem>
            <MenuItem>
              <button
                type="button"
                className={itemLook}
                onClick={() => void deleteJob(job.id, job.name, dispatch)}
              >
                <Trash2 size={17} /> Delete
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
      </div>
      <ul className="mt-auto border-t border-line">
        {(job.summary?.circuits ?? []).map((circuit) => {
          const state = stateOf(circuit);
          return (
            <li key={circuit.id} className="border-b border-line/60 px-4 py-3 last:border-b-0">
              <div className="flex items-start gap-3">
                <SeverityMark severity={state.mark} />
                <span className="min-w-0 flex-1">
                  <Link
                    to={benchPath(job.id, circuit.id)}
                    title={circuit.name}
                    className="relative z-10 block truncate font-semibold hover:underline"
                  >
                    {circuit.name}
                  </Link>
                  <span className="block text-[13px] text-quiet">{state.text}</span>
                  {circuit.unseenBoxes === null ? null : (
                    <Link
                      to={changePath(job.id, circuit.id)}
                      className="relative z-10 -mb-2 inline-flex min-h-10 items-center text-[13.5px] font-semibold underline underline-offset-2"
                    >
                      Change what is there
                    </Link>
                  )}
                </span>
                <span className="text-[13px] text-quiet">{circuit.breaker} A</span>
              </div>
              {circuit.run ? (
                <div className="mt-2">
                  <RunMini run={circuit.run} label={`Run of ${circuit.name}`} />
                </div>
              ) : null}
            </li>
          );
        })}
        {job.pending ? (
          <li className="px-4 py-3 text-[13px] text-quiet">
            Saved a moment ago; its state is being worked out …
          </li>
        ) : job.summary === null ? (
          <li className="px-4 py-3 text-[13px] text-quiet">
            This version of the program cannot read it. It is kept as it is.
          </li>
        ) : job.summary.circuits.length === 0 ? (
          <li className="px-4 py-3 text-[13px] text-quiet">No circuit yet.</li>
        ) : null}
      </ul>
    </li>
  );
};

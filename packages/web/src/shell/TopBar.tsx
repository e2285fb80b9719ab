import { SCREENS } from './screens.js';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDown, History, Plus, Redo2, Undo2 } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { EDITIONS, editionName, type Circuit, type Edition, type Job } from '@amber/core';
import { useAppDispatch, useAppSelector } from '../store/store.js';
import { historyPath, jobPath, START, startPath } from '../parts/paths.js';
import { redone, undone } from '../store/jobSlice.js';
import { useEdit } from '../store/review.js';
import { Others } from './Others.js';
import { useFieldView } from '../store/useFieldView.js';
import { SaveMark } from './SaveMark.js';

/** Typed freely, taken when it is a name; an empty one springs back. */
const JobName = ({ job }: { job: Job }) => {
  const edit = useEdit();
  const [text, setText] = useState(job.name);
  useEffect(() => setText(job.name), [job.name]);
  return (
    <input
      aria-label="Name of the job"
      value={text}
      maxLength={200}
      size={Math.min(Math.max(text.length, 6), 22)}
      title={job.name}
      onChange={(event) => {
        setText(event.target.value);
        if (event.target.value.trim()) edit({ ...job, name: event.target.value.trim() }, 'name of the job');
      }}
      onBlur={() => setText(job.name)}
      className="min-h-10 min-w-0 truncate rounded-md border border-transparent bg-transparent px-1.5 text-[15px] font-bold hover:border-line focus:bg-white"
    />
  );
};

interface Shown {
  job: Job;
  circuit: Circuit | null;
  /** Word of the screen. */
  screen: string;
  wiring: string | null;
}

const BENCH = '';

const CircuitMenu = ({ job, circuit, screen, wiring }: Shown) => (
  <Menu>
    <MenuButton className="flex min-h-10 max-w-64 min-w-0 items-center gap-1.5 rounded-md border border-line bg-white px-3 text-[15px] font-semibold hover:bg-rail">
      <span className="truncate" title={circuit?.name}>
        {circuit?.name ?? (screen === START || job.circuits.length === 0 ? 'New circuit' : 'All circuits')}
      </span>
      <ChevronDown size={16} className="shrink-0" aria-label="Choose a circuit" />
    </MenuButton>
    <MenuItems
      anchor="bottom start"
      className="z-20 w-72 rounded-lg border border-line bg-white p-1 shadow-lg focus:outline-none"
    >
      {job.circuits.map((one) => (
        <MenuItem key={one.id}>
          <Link
            to={jobPath(job.id, {
              screen: screen === START ? BENCH : screen,
              circuit: one.id,
              wiring: screen === BENCH || screen === 'prove' ? wiring : null,
            })}
            className="flex min-h-11 items-center gap-3 rounded px-3 data-focus:bg-rail"
          >
            <span className="min-w-0 flex-1 truncate font-semibold">{one.name}</span>
            <span className="text-[13px] text-quiet">
              {one.breaker} A · {one.awg} AWG
            </span>
          </Link>
        </MenuItem>
      ))}
      {SCREENS.some(({ word, all }) => word === screen && all) && job.circuits.length > 1 ? (
        <MenuItem>
          <Link
            to={jobPath(job.id, screen === BENCH ? { screen: 'bench', wiring } : { screen })}
            className="flex min-h-11 items-center rounded px-3 font-semibold data-focus:bg-rail"
          >
            All circuits
          </Link>
        </MenuItem>
      ) : null}
      <MenuItem>
        <Link
          to={startPath(job.id)}
          className="mt-1 flex min-h-11 items-center gap-2 rounded border-t border-line px-3 font-semibold data-focus:bg-rail"
        >
          <Plus size={17} /> New circuit
        </Link>
      </MenuItem>
    </MenuItems>
  </Menu>
);

const chip = 'inline-flex min-h-10 items-center rounded-md border border-line bg-white px-2.5 text-[13.5px]';

export const TopBar = ({
  job,
  circuit,
  screen,
  wiring,
  children,
}: Shown & {
  /** What the screen has of its own up here. */
  children?: ReactNode;
}) => {
  const history = useAppSelector((state) => state.job.open?.history);
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const isField = useFieldView();
  const step = (label: string, change: { label: string } | undefined) =>
    change ? `${label}: ${change.label}` : label;
  const past = history?.past.at(-1);
  const future = history?.future.at(-1);
  return (
    <header className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line bg-sheet px-3 py-1.5 print:hidden">
      <JobName job={job} />
      <span aria-hidden="true" className="text-quiet">
        ›
      </span>
      <CircuitMenu job={job} circuit={circuit} screen={screen} wiring={wiring} />
      {circuit ? (
        <span className={`${chip} max-lg:hidden`}>
          <b>{circuit.breaker} A</b>&nbsp;· {circuit.awg} AWG
        </span>
      ) : null}
      <label className={`${chip} gap-1 pr-1`}>
        <span>NEC</span>
        <select
          aria-label="Code edition"
          value={job.edition}
          onChange={(event) =>
            edit({ ...job, edition: Number(event.target.value) as Edition }, 'code edition')
          }
          className="field-sizing-content min-h-9 max-w-56 bg-transparent font-bold"
        >
          {EDITIONS.map((edition) => (
            <option key={edition} value={edition}>
              {editionName(edition)}
            </option>
          ))}
        </select>
      </label>
      {children}
      <div className="ml-auto flex items-center gap-1">
        {isField ? <span className={`${chip} font-semibold`}>Field view</span> : null}
        <Others />
        <SaveMark />
        <Link
          to={historyPath(job.id)}
          aria-label="History"
          title="Every save, and the way back to it"
          className="grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail"
        >
          <History size={19} />
        </Link>
        <button
          type="button"
          aria-label="Undo"
          title={step('Undo', past)}
          disabled={!past}
          onClick={() => dispatch(undone())}
          className="grid size-10 place-items-center rounded-md hover:bg-rail disabled:opacity-35"
        >
          <Undo2 size={19} />
        </button>
        <button
          type="button"
          aria-label="Redo"
          title={step('Redo', future)}
          disabled={!future}
          onClick={() => dispatch(redone())}
          className="grid size-10 place-items-center rounded-md hover:bg-rail disabled:opacity-35"
        >
          <Redo2 size={19} />
        </button>
      </div>
    </header>
  );
};

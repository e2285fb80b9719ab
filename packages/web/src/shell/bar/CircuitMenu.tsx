import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDown, Plus } from 'lucide-react';
import { Link } from 'react-router';
import type { Circuit, Job } from '@amber/core';
import { jobPath, START, startPath } from '../../parts/paths.js';
import { SCREENS } from '../screens.js';

/** What the bar stands over. */
export interface Shown {
  job: Job;
  circuit: Circuit | null;
  /** Word of the screen. */
  screen: string;
  wiring: string | null;
}

const BENCH = '';

/** Which circuit is shown, and the way to the others. */
export const CircuitMenu = ({ job, circuit, screen, wiring }: Shown) => (
  <Menu>
    <MenuButton className="flex min-h-10 max-w-64 min-w-0 max-sm:max-w-44 items-center gap-1.5 rounded-md border border-edge bg-white px-3 text-[15px] font-semibold hover:bg-rail">
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

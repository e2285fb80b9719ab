import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Copy, Download, Ellipsis, Send, Trash2 } from 'lucide-react';
import type { JobHead } from '@amber/core';
import { jobFilePath, jobSharedPath } from '../../parts/paths.js';
import { useAppDispatch } from '../../store/store.js';
import { deleteJob, duplicateJob } from './jobActions.js';

const itemLook = 'flex min-h-11 w-full items-center gap-3 rounded px-3 text-left data-focus:bg-rail';

/** What can be done with a job from the list. */
export const JobMenu = ({ job }: { job: JobHead }) => {
  const dispatch = useAppDispatch();
  return (
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
  );
};

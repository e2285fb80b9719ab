import { useState } from 'react';
import type { BoxId, Job } from '@amber/core';
import { BiteList } from './BiteList.js';

/** Dangers that no handle shows: worked out once they are asked for, and looked for before the box is closed. */
export const BoxBites = ({ job, box }: { job: Job; box: BoxId }) => {
  const [open, setOpen] = useState(false);
  return (
    <details
      className="rounded-md border border-line"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">
        Where this box bites: look before it is closed
      </summary>
      <div className="px-3 pb-3">{open ? <BiteList job={job} box={box} live={false} /> : null}</div>
    </details>
  );
};

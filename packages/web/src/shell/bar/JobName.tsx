import { useEffect, useState } from 'react';
import type { Job } from '@amber/core';
import { useEdit } from '../../store/review.js';

/** Typed freely, taken when it is a name; an empty one springs back. */
export const JobName = ({ job }: { job: Job }) => {
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

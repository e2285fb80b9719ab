import { changeRoom, type Job } from '@amber/core';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';
import type { Pointing } from './selection.js';

/** Rooms that an everyday place began with, to be measured. */
export const RoughRooms = ({ job, pointing }: { job: Job; pointing: Pointing }) => {
  const edit = useEdit();
  const rooms = job.rooms.filter(({ rough }) => rough);
  if (rooms.length === 0) return null;
  return (
    <section
      aria-label="Not measured yet"
      className="flex flex-col gap-1 rounded-md border-2 border-caution p-2.5 text-[14px]"
    >
      <p className="font-semibold">
        Nobody has measured these yet: they have the walls of an everyday place.
      </p>
      <ul>
        {rooms.map(({ id, name }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-2">
            <button
              type="button"
              className="min-h-10 min-w-0 flex-1 text-left font-semibold break-words underline"
              onClick={() => pointing.select({ kind: 'room', id })}
            >
              {name}
            </button>
            <Button
              look="bare"
              aria-label={`${name} is measured`}
              onClick={() => edit(changeRoom(job, id, { rough: false }), `measures of ${name}`)}
            >
              It is measured
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
};

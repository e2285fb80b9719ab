import { ArrowLeft, ArrowRight } from 'lucide-react';
import { findGroup, moveGang, type BoxId, type Job } from '@amber/core';
import { Button } from '../../parts/ui.js';
import { useEdit } from '../../store/review.js';

/** The devices of a box from left to right, as one who stands before it sees them; each changes places with its neighbour. */
export const GangOrder = ({ job, box, name }: { job: Job; box: BoxId; name: string }) => {
  const edit = useEdit();
  const row = job.slots.filter((slot) => slot.box === box).sort((a, b) => a.gang - b.gang);
  if (row.length < 2) return null;
  return (
    <section aria-label={`Gangs of ${name}`}>
      <h3 className="text-[15px] font-bold">Gangs, from left to right</h3>
      <ol className="mt-1">
        {row.map((slot, i) => {
          const group = findGroup(job, slot.group)?.name ?? 'nothing told';
          return (
            <li key={slot.id} className="flex min-h-11 items-center gap-2 border-b border-line text-[14px]">
              <span className="w-5 text-quiet">{i + 1}</span>
              <span className="min-w-0 flex-1 break-words">{group}</span>
              <Button
                aria-label={`${group} to the left`}
                disabled={i === 0}
                onClick={() => edit(moveGang(job, slot.id, -1), `order of the gangs at ${name}`)}
              >
                <ArrowLeft size={16} />
              </Button>
              <Button
                aria-label={`${group} to the right`}
                disabled={i === row.length - 1}
                onClick={() => edit(moveGang(job, slot.id, 1), `order of the gangs at ${name}`)}
              >
                <ArrowRight size={16} />
              </Button>
            </li>
          );
        })}
      </ol>
    </section>
  );
};

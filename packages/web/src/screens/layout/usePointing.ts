import { useMemo, useState } from 'react';
import type { BoxId, Circuit, GroupId, Job, Spot } from '@amber/core';
import type { Pointing, Selected, Tool } from './selection.js';

const isThere = (job: Job, selected: Selected): boolean => {
  if (!selected || selected.kind === 'panel') return true;
  const lists = { room: job.rooms, door: job.doors, box: job.boxes, picture: job.pictures };
  return lists[selected.kind].some((one) => one.id === selected.id);
};

/** What is selected, which tool is in hand, and which group is worked on; none of it outlives what it names. */
export const usePointing = (job: Job, circuit: Circuit | null): Pointing => {
  const [selected, select] = useState<Selected>(null);
  const [tool, take] = useState<Tool>('select');
  const [asked, setGroup] = useState<GroupId | null>(null);
  const [marks, setMarks] = useState<Spot[]>([]);
  const [taken, place] = useState<BoxId | null>(null);
  const switched = job.groups.filter((group) => group.control === 'switched');
  const usual = switched.find((group) => group.circuit === circuit?.id) ?? switched[0];
  const here = isThere(job, selected) ? selected : null;
  const group = switched.find((one) => one.id === asked)?.id ?? usual?.id ?? null;
  const placing = job.boxes.find(({ id, at }) => id === taken && at === null)?.id ?? null;
  // The same object while nothing of it changes, so that a drag repaints the plan alone.
  return useMemo(
    () => ({ selected: here, select, tool, take, group, setGroup, marks, setMarks, placing, place }),
    [here, tool, group, marks, placing],
  );
};

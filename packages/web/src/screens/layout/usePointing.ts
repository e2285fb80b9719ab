import { useMemo, useState } from 'react';
import type { BoxId, CeilingLoad, Circuit, GroupId, Job, Spot } from '@amber/core';
import type { Pointing, Power, Selected, Tool } from './selection.js';

const isThere = (job: Job, selected: Selected): boolean => {
  if (!selected || selected.kind === 'panel') return true;
  const lists = { room: job.rooms, door: job.doors, box: job.boxes, picture: job.pictures };
  return lists[selected.kind].some((one) => one.id === selected.id);
};

const isPower = (job: Job, power: Power): boolean =>
  'group' in power
    ? job.groups.some(({ id }) => id === power.group)
    : job.circuits.some(({ id }) => id === power.circuit);

/** What is selected, which tool is in hand, and which group is worked on; none of it outlives what it names. */
export const usePointing = (job: Job, circuit: Circuit | null): Pointing => {
  const [selected, select] = useState<Selected>(null);
  const [tool, take] = useState<Tool>('select');
  const [asked, setGroup] = useState<GroupId | null>(null);
  const [marks, setMarks] = useState<Spot[]>([]);
  const [hung, setHung] = useState<CeilingLoad>('light');
  const [askedPower, setPower] = useState<Power | null>(null);
  const [taken, place] = useState<BoxId | null>(null);
  const switched = job.groups.filter((group) => group.control === 'switched');
  const usual = switched.find((group) => group.circuit === circuit?.id) ?? switched[0];
  const here = isThere(job, selected) ? selected : null;
  const group = switched.find((one) => one.id === asked)?.id ?? usual?.id ?? null;
  const onCircuit = circuit?.id ?? job.groups.find(({ id }) => id === group)?.circuit ?? job.circuits[0]?.id;
  const power = useMemo(
    () =>
      askedPower && isPower(job, askedPower)
        ? askedPower
        : onCircuit === undefined
          ? null
          : { circuit: onCircuit },
    [askedPower, job, onCircuit],
  );
  const placing = job.boxes.find(({ id, at }) => id === taken && at === null)?.id ?? null;
  // The same object while nothing of it changes, so that a drag repaints the plan alone.
  return useMemo(
    () => ({
      ...{ selected: here, select, tool, take, group, setGroup, marks, setMarks, placing, place },
      ...{ hung, setHung, power, setPower },
    }),
    [here, tool, group, marks, placing, hung, power],
  );
};

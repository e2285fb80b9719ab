import { findRoom, type Job } from '@amber/core';
import { markOf } from '../../plan/marks.js';

const kindWord = (job: Job, box: Job['boxes'][number]): string => {
  const mark = markOf(job, box);
  const there = mark.existing ? 'existing ' : '';
  if (mark.sign !== null) return `${there}${mark.sign === 'receptacle' ? 'receptacle' : 'onward feed'}`;
  if (mark.letters.length > 0) return `switch ${mark.letters.join(' ')}`;
  return mark.luminaires > 0 ? 'luminaire' : mark.existing ? 'existing box' : 'junction box';
};

/** What a box is called to who does not see where it stands: what is in it, of which groups, in which room. */
export const nameOnPlan = (job: Job, box: Job['boxes'][number]): string => {
  const groups = new Set(
    [...job.slots, ...job.luminaires].filter((one) => one.box === box.id).map(({ group }) => group),
  );
  const named = job.groups.filter(({ id }) => groups.has(id)).map(({ name }) => name);
  const room = findRoom(job, box.room)?.name;
  return [
    `${box.name}, ${kindWord(job, box)}${named.length > 0 ? ` of ${named.join(' and ')}` : ''}`,
    ...(room === undefined ? [] : [`in ${room}`]),
  ].join(', ');
};

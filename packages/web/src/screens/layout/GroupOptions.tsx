import type { Job } from '@amber/core';

/** Every group as a choice, those that are never switched named so. */
export const GroupOptions = ({ job }: { job: Job }) =>
  job.groups.map((group) => (
    <option key={group.id} value={group.id}>
      {group.name}
      {group.control === 'hot' ? ', always hot' : ''}
    </option>
  ));

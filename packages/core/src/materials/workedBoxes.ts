import { staysShut } from '../model/boxState.js';
import type { Box, Job } from '../model/job.js';
import { isEmptied } from '../model/there.js';
import { boxesReached, type Wiring } from '../model/wiring.js';

/** The boxes that a wiring sets or opens: those its cables reach, and those that everything comes out of, but for boxes beyond the plan and old ones in which nothing changes. */
export const workedBoxes = (job: Job, wiring: Wiring): (Box & { work: Exclude<Box['work'], 'beyond'> })[] => {
  const reached = boxesReached(wiring);
  return job.boxes.flatMap((box) => {
    const { work } = box;
    return work === 'beyond' ||
      !(reached.has(box.id) || isEmptied(job, wiring, box.id)) ||
      staysShut(job, wiring, box.id)
      ? []
      : [{ ...box, work }];
  });
};

import { estimate, reviewJob, type Job } from '../../src/index.js';

/**
 * What the search adds up, told from the estimate of the planned job: everything but staples, tape and tail wire, and the work that no plan
 * changes. Ten-thousandths of a dollar.
 */
export const objectiveOf = (asked: Job): number => {
  const { job, wiring, compiled } = reviewJob(asked);
  const { takeOff, labour } = estimate(job, wiring, compiled);
  const counted = takeOff.lines.filter((line) => !['wire', 'tape', 'staple'].includes(line.kind));
  const minutes = labour.lines
    .filter((line) => !['luminaire', 'above 10 ft'].includes(line.work))
    .reduce((sum, line) => sum + line.minutes, 0);
  return counted.reduce((sum, line) => sum + line.total, 0) + (minutes / 60) * job.labour.rate;
};

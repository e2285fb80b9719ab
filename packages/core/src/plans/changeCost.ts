import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { estimate } from '../materials/estimate.js';
import type { JobReview } from '../review/reviewJob.js';

/** What a change takes: money in ten-thousandths of a dollar, and minutes. */
export interface ChangeCost {
  material: number;
  minutes: number;
  cost: number;
}

type Reviewed = Pick<JobReview, 'job' | 'wiring' | 'compiled'>;

/** Of all that a job takes, what is not done in boxes that stay closed. */
const outside = ({ job, wiring, compiled }: Reviewed, closed: ReadonlySet<string>) => {
  const { takeOff, labour } = estimate(job, wiring, compiled);
  return {
    material: takeOff.lines.reduce(
      (sum, line) =>
        sum +
        line.uses.reduce((used, { at, quantity }) => used + (closed.has(at) ? 0 : quantity * line.price), 0),
      0,
    ),
    // Work at a box is told piece by piece; what is told in feet is told of a cable.
    minutes: labour.lines.reduce(
      (sum, line) => sum + line.each * (line.quantity - line.at.filter((at) => closed.has(at)).length),
      0,
    ),
  };
};

/** Opening a box that is there, which the job before the change did not have to, minutes. */
const openings = ({ labour, boxes }: Job, opened: readonly BoxId[]): number =>
  boxes.filter(({ id, work }) => work === 'existing' && opened.includes(id)).length * labour.box.existing;

/**
 * What a change adds to the job as it stands. A box that nobody opens adds nothing; one that is there and is opened adds its
 * opening.
 */
export const changeCost = (
  before: Reviewed,
  after: Reviewed,
  { opened, closed }: { opened: readonly BoxId[]; closed: readonly BoxId[] },
): ChangeCost => {
  const untouched = new Set<string>(closed);
  const [old, now] = [outside(before, untouched), outside(after, untouched)];
  const material = Math.round(now.material - old.material);
  const minutes = now.minutes - old.minutes + openings(before.job, opened);
  return { material, minutes, cost: material + Math.round((minutes / 60) * after.job.labour.rate) };
};

import { staysShut } from '../../model/boxState.js';
import type { BoxId } from '../../model/ids.js';
import { estimate } from '../../materials/estimate.js';
import type { JobReview } from '../../review/reviewJob.js';

/** What a change takes: money in ten-thousandths of a dollar, and minutes. */
export interface ChangeCost {
  material: number;
  minutes: number;
  cost: number;
}

type Reviewed = Pick<JobReview, 'job' | 'wiring' | 'compiled'>;

const known = new WeakMap<
  Reviewed['wiring'],
  { job: Reviewed['job']; estimate: ReturnType<typeof estimate> }
>();

/** The job as it stands is held against every way to change it, and reckoned once. */
const estimated = (...[job, wiring, compiled]: Parameters<typeof estimate>): ReturnType<typeof estimate> => {
  const before = known.get(wiring);
  if (before?.job === job) return before.estimate;
  const made = estimate(job, wiring, compiled);
  known.set(wiring, { job, estimate: made });
  return made;
};

/** What a job takes outside of the boxes that stay closed: money by article and place, minutes by kind of work and place. */
const outside = ({ job, wiring, compiled }: Reviewed, closed: ReadonlySet<string>) => {
  const { takeOff, labour } = estimated(job, wiring, compiled);
  const material = new Map<string, number>();
  const minutes = new Map<string, number>();
  const add = (to: Map<string, number>, key: string, amount: number) =>
    to.set(key, (to.get(key) ?? 0) + amount);
  for (const line of takeOff.lines)
    for (const { at, quantity } of line.uses)
      if (!closed.has(at)) add(material, `${line.article ?? line.name} ${at}`, quantity * line.price);
  // Work at a box is told piece by piece; what is told in feet is told of cables, which no box closes.
  for (const { work, each, quantity, at } of labour.lines)
    if (at.length === quantity)
      for (const place of at.filter((one) => !closed.has(one))) add(minutes, `${work} ${place}`, each);
    else add(minutes, work, each * quantity);
  return { material, minutes };
};

/** What is more than before, place by place: what a change saves elsewhere was spent already. */
const beyond = (now: ReadonlyMap<string, number>, before: ReadonlyMap<string, number>): number =>
  [...now].reduce((sum, [key, amount]) => sum + Math.max(0, amount - (before.get(key) ?? 0)), 0);

/** Opening a box that is there, which the job before the change did not have to, minutes. */
const openings = ({ job, wiring }: Reviewed, opened: readonly BoxId[]): number =>
  job.boxes.filter(
    // One that stood shut before is counted where it is worked in.
    ({ id, work }) => work === 'existing' && opened.includes(id) && !staysShut(job, wiring, id),
  ).length * job.labour.box.existing;

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
  const material = Math.round(beyond(now.material, old.material));
  const minutes = beyond(now.minutes, old.minutes) + openings(before, opened);
  return { material, minutes, cost: material + Math.round((minutes / 60) * after.job.labour.rate) };
};

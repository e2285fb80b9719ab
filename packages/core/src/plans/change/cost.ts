import { staysShut } from '../../model/boxState.js';
import type { BoxId } from '../../model/ids.js';
import { labourOf } from '../../materials/labourOf.js';
import { takeOff } from '../../materials/takeOff.js';
import type { JobReview } from '../../review/reviewJob.js';

/** What a change takes: money in ten-thousandths of a dollar, and minutes. */
export interface ChangeCost {
  material: number;
  minutes: number;
  cost: number;
}

type Reviewed = Pick<JobReview, 'job' | 'wiring'>;

/** Money of an article or minutes of a kind of work at a place; of no one place where it is null. */
interface Taken {
  key: string;
  at: string | null;
  amount: number;
}

interface ByPlace {
  material: Taken[];
  minutes: Taken[];
}

const known = new WeakMap<Reviewed['wiring'], { job: Reviewed['job']; taken: ByPlace }>();

/** The job as it stands is held against every way to change it, and reckoned once. */
const takenBy = ({ job, wiring }: Reviewed): ByPlace => {
  const before = known.get(wiring);
  if (before?.job === job) return before.taken;
  const taken: ByPlace = {
    material: takeOff(job, wiring).lines.flatMap(({ article, name, price, uses }) =>
      uses.map(({ at, quantity }): Taken => ({
        key: `${article ?? name} ${at}`,
        at,
        amount: quantity * price,
      })),
    ),
    // Work at a box is told piece by piece; what is told in feet is told of cables, which no box closes.
    minutes: labourOf(job, wiring).lines.flatMap(({ work, each, quantity, at }) =>
      at.length === quantity
        ? at.map((place): Taken => ({ key: `${work} ${place}`, at: place, amount: each }))
        : [{ key: work, at: null, amount: each * quantity }],
    ),
  };
  known.set(wiring, { job, taken });
  return taken;
};

/** What of that is outside of the boxes that stay closed. */
const outside = (reviewed: Reviewed, closed: ReadonlySet<string>) => {
  const { material, minutes } = takenBy(reviewed);
  const summed = (all: readonly Taken[]) => {
    const sums = new Map<string, number>();
    for (const { key, at, amount } of all)
      if (at === null || !closed.has(at)) sums.set(key, (sums.get(key) ?? 0) + amount);
    return sums;
  };
  return { material: summed(material), minutes: summed(minutes) };
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

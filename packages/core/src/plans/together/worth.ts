import { estimate } from '../../materials/estimate.js';
import type { CircuitId } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { reviewJob } from '../../review/reviewJob.js';
import { judgedPlan, priceOfPlan } from '../judgedPlan.js';

/** What no search adds up: material told by the foot of tape or wire, and work that no way of wiring changes. */
const MATERIAL_LEFT_OUT: readonly string[] = ['wire', 'tape', 'staple'];
const WORK_LEFT_OUT: readonly string[] = ['luminaire', 'above 10 ft'];

type Reviewed = Pick<ReturnType<typeof reviewJob>, 'job' | 'wiring' | 'compiled'>;

const moneyOf = ({ job, wiring, compiled }: Reviewed): number => {
  const { takeOff, labour } = estimate(job, wiring, compiled);
  const material = takeOff.lines
    .filter(({ kind }) => !MATERIAL_LEFT_OUT.includes(kind))
    .reduce((sum, { total }) => sum + total, 0);
  const minutes = labour.lines
    .filter(({ work }) => !WORK_LEFT_OUT.includes(work))
    .reduce((sum, one) => sum + one.minutes, 0);
  return material + (minutes / 60) * job.labour.rate;
};

/** What the searches add up, told from the estimate of the planned job; ten-thousandths of a dollar. */
export const objectiveOf = (job: Job): number => moneyOf(reviewJob(job));

/** The same with what a master thinks of some circuits; Infinity where one of them cannot be wired as it is chosen. */
export const worthOf = (asked: Job, circuits: readonly CircuitId[]): number => {
  const review = reviewJob(asked);
  let judged = 0;
  for (const id of circuits) {
    const plan = review.plans.find(({ circuit }) => circuit.id === id);
    if (!plan?.outcome.ok) return Infinity;
    judged += priceOfPlan(judgedPlan(review.job, review.wiring, plan.circuit, plan.outcome.value));
  }
  return moneyOf(review) + judged;
};

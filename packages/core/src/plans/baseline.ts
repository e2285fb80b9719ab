import type { CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { madeOnce } from '../model/memo.js';
import { withoutForced } from '../model/toPlan.js';
import { compile } from '../circuit/compile.js';
import { estimate } from '../materials/estimate.js';
import type { MaterialKind } from '../materials/takeOff.js';
import { planJob } from '../planning/planJob.js';
import { wiringOrEmpty } from '../proving/works.js';
import type { JobReview } from '../review/reviewJob.js';
import { leftInTruck, savedByTruck, type InTruck } from './inTruck.js';
import { withChoice } from './withChoice.js';

/** A part of the cost, ten-thousandths of a dollar. */
export interface CostShare {
  kind: MaterialKind | 'labour';
  total: number;
}

/** What the job takes without the circuit; measures are beyond it. */
export interface Baseline {
  material: number;
  minutes: number;
  cost: number;
  shares: CostShare[];
  /** Of the cable in the truck what is left for the circuit, and what the others save by it, ten-thousandths of a dollar. */
  inTruck: InTruck;
  savedByTruck: number;
}

/** What a planned job takes in all. */
export const totals = ({
  job,
  wiring,
  compiled,
}: Pick<JobReview, 'job' | 'wiring' | 'compiled'>): Baseline => {
  const { takeOff, labour, cost } = estimate(job, wiring, compiled);
  const byKind = new Map<CostShare['kind'], number>();
  for (const { kind, total } of takeOff.lines) byKind.set(kind, (byKind.get(kind) ?? 0) + total);
  byKind.set('labour', cost - takeOff.total);
  return {
    material: takeOff.total,
    minutes: labour.minutes,
    cost,
    shares: [...byKind].map(([kind, total]) => ({ kind, total })),
    inTruck: leftInTruck(job, takeOff),
    savedByTruck: savedByTruck(job, takeOff),
  };
};

/** What is beyond the others of each kind. */
export const sharesBeyond = (all: readonly CostShare[], before: readonly CostShare[]): CostShare[] =>
  all
    .map(({ kind, total }) => ({
      kind,
      total: total - (before.find((one) => one.kind === kind)?.total ?? 0),
    }))
    .filter(({ total }) => total > 0);

/** The other circuits as they are planned. */
export const plannedWithout = madeOnce((asked: Job, circuit: CircuitId) =>
  planJob(withoutForced(withChoice(asked, circuit, null))),
);

/** What is there before the circuit is planned: the other circuits, priced and not inspected. */
export const baselineOf = (asked: Job, circuit: CircuitId): Baseline => {
  const { job } = plannedWithout(asked, circuit);
  const wiring = wiringOrEmpty(job);
  return totals({ job, wiring, compiled: compile(wiring, job) });
};

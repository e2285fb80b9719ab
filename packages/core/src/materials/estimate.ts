import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { coilPlans, type CoilPlan, type LongCut } from './coilPlan.js';
import { cutList, type Cut } from './cutList.js';
import { labourOf, type LabourEstimate } from './labourOf.js';
import { takeOff, type TakeOff } from './takeOff.js';

/** All that a wiring takes: what to buy and cut, the minutes, the cost. Money in ten-thousandths of a dollar. */
export interface Estimate {
  takeOff: TakeOff;
  cuts: Cut[];
  coils: CoilPlan[];
  tooLong: LongCut[];
  labour: LabourEstimate;
  /** Material at the prices of the job's stock, cable by the foot, and labour at its rate. */
  cost: number;
}

export const estimate = (job: Job, wiring: Wiring, compiled: Compiled): Estimate => {
  const bought = takeOff(job, wiring);
  const cuts = cutList(job, wiring, compiled);
  const { plans, tooLong } = coilPlans(job, cuts);
  const labour = labourOf(job, wiring);
  return { takeOff: bought, cuts, coils: plans, tooLong, labour, cost: bought.total + labour.total };
};

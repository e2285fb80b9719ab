import type { Circuit, Job, Slot } from '../model/job.js';
import { BRANCH_VOLTS } from '../model/units.js';

/** A general-use switch takes its full rating of lighting, and so much of it of a motor (404.14(A)). */
export const MOTOR_SHARE = 0.8;

/** What a switch of a group carries: amperes in all, amperes of motors among them, and whether cords may be plugged into what it controls. */
export interface SwitchLoad {
  amperes: number;
  motors: number;
  receptacles: boolean;
}

export const switchLoad = (job: Job, group: Slot['group']): SwitchLoad => {
  const loads = job.luminaires.filter((one) => one.group === group);
  const amperes = (of: typeof loads) => of.reduce((sum, one) => sum + one.va, 0) / BRANCH_VOLTS;
  return {
    amperes: amperes(loads),
    motors: amperes(loads.filter(({ unit }) => unit === 'fan' || unit === 'ventFan')),
    receptacles: job.slots.some((one) => one.group === group && one.role === 'receptacle'),
  };
};

/**
 * The least rating of a device, amperes: of a switch by its load, whatever the breaker; of one that controls receptacles, and of a receptacle,
 * by the breaker (404.14).
 */
export const leastRating = (
  job: Job,
  { group, role }: Slot,
  { breaker }: Pick<Circuit, 'breaker'>,
): number => {
  if (role === 'receptacle' || role === 'switchReceptacle') return breaker;
  const { amperes, motors, receptacles } = switchLoad(job, group);
  return receptacles ? breaker : Math.max(amperes, motors / MOTOR_SHARE);
};

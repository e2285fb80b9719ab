import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { boxVolume } from './boxVolume.js';
import { circuitsInBox } from './circuitsInBox.js';
import { conductorToBreaker } from './conductorToBreaker.js';
import { groupWorks } from './groupWorks.js';
import { neutralAtSwitch } from './neutralAtSwitch.js';
import { reidentifiedWhite } from './reidentifiedWhite.js';
import { inspectedOf, type Finding, type Rule, type Severity } from './rule.js';
import { switchHotOnly } from './switchHotOnly.js';

export const RULES: readonly Rule[] = [
  groupWorks,
  switchHotOnly,
  reidentifiedWhite,
  neutralAtSwitch,
  conductorToBreaker,
  boxVolume,
  circuitsInBox,
];

const GRAVITY: Record<Severity, number> = { unfinished: 0, violation: 1, caution: 2, verify: 3 };

/** The worst first; otherwise as they came. */
export const byGravity = (a: Finding, b: Finding): number => GRAVITY[a.severity] - GRAVITY[b.severity];

/** Every finding on a wiring, by the job's edition, the worst first. */
export const inspect = (job: Job, wiring: Wiring): Finding[] => {
  const inspected = inspectedOf(job, wiring);
  return RULES.flatMap((rule) => rule.inspect(inspected)).sort(byGravity);
};

import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox } from '../model/lookup.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { leftLive } from '../circuit/leftLive.js';
import type { Role } from '../circuit/roles.js';
import { neutralsApart, sayApart } from './apart.js';
import { isUntold } from './boxThere.js';
import { sayLeftLive } from './proving.js';

/** What stands at a box before any step of it: neutrals that stay apart, old cables that are live, what nobody has told. */
export const cautionsAt = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
): string[] => {
  const place = findBox(job, box);
  return [
    ...neutralsApart(job, wiring, compiled, roles, box).map(sayApart),
    ...leftLive(wiring, job, compiled)
      .filter((one) => one.box === box)
      .map((one) => sayLeftLive(job, wiring, one)),
    ...(place && isUntold(job, place)
      ? ['What else is in this box is not told: what is drawn is not all of it.']
      : []),
  ];
};

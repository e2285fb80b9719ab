import type { BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findBox } from '../model/lookup.js';
import { tapOf } from '../model/tap.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { leftLive } from '../circuit/leftLive.js';
import type { Role } from '../circuit/roles.js';
import { keptApart, sayApart } from './apart.js';
import { sourceCaution, tappedBy } from '../words/source.js';
import { isUntold } from './boxThere.js';
import { sayLeftLive } from './proving.js';

/** What stands at a box before any step of it: what is tapped in it, neutrals that stay apart, old cables that are live, what nobody has told. */
export const cautionsAt = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
): string[] => {
  const place = findBox(job, box);
  const tapped = job.feeds
    .filter((feed) => feed.at === box && tapOf(job, feed) === 'receptacle')
    .map(tappedBy);
  return [
    // What is taken off a receptacle is as live, and as dead, as the receptacle is.
    ...[...new Set(tapped)].flatMap((one) => {
      const caution = sourceCaution(one);
      return caution ? [`The receptacle that is tapped here: ${caution.text}`] : [];
    }),
    ...keptApart(job, wiring, compiled, roles, box).map(sayApart),
    ...leftLive(wiring, job, compiled)
      .filter((one) => one.box === box)
      .map((one) => sayLeftLive(job, wiring, one)),
    ...(place && isUntold(job, place)
      ? ['What else is in this box is not told: what is drawn is not all of it.']
      : []),
  ];
};

import { findBox } from '../model/lookup.js';
import { PANEL, type BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Cable, End } from '../model/wiring.js';
import { holdOf } from '../layout/holds.js';
import { wayOf } from '../materials/lengths.js';
import { otherPlace } from '../words/cables.js';
import type { Edge } from './geometry.js';

/** The edge of a box at which a cable comes in: below where its run goes under the floor, else on top. */
export const edgeOf = (job: Job, cable: Cable): Edge =>
  wayOf(job, cable.from, cable.to).route === 'under' ? 'bottom' : 'top';

/**
 * From which side a cable comes to a box on a wall, for one who stands before it: -1 far from the left, 1 from the right, 0 where the
 * plan does not know.
 */
export const bearingOf = (job: Job, cable: Cable, end: End['side'], id: BoxId): number => {
  const box = findBox(job, id);
  const other = otherPlace(cable, end);
  const far = other === PANEL ? job.routing.panel : findBox(job, other);
  const wall = box && holdOf(job, box)?.wall;
  if (!box?.at || !far?.at || !wall || box.level !== far.level) return 0;
  const [dx, dy] = [far.at.x - box.at.x, far.at.y - box.at.y];
  const length = Math.hypot(dx, dy);
  // Whoever looks at the wall has the room behind; the plan is drawn with y downwards.
  return length === 0 ? 0 : (dx * wall.inward.y - dy * wall.inward.x) / length;
};

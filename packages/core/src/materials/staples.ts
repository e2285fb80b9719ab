import { articlesAt } from '../model/wiring.js';
import { PANEL, type Place } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Cable, Wiring } from '../model/wiring.js';
import { chosenOffer } from './boxChoice.js';
import { wayOf } from './lengths.js';

/** Farthest first staple from a box, and from a single-gang nonmetallic one without clamps, inches (334.30, 314.17(C)). */
const FROM_BOX = 12;
const FROM_BOX_WITHOUT_CLAMP = 8;
/** Farthest from one staple to the next, inches (334.30). */
const APART = 54;

/**
 * Staples of a new cable: one near each box and the rest between. None where it is fished in finished walls
 * (334.30(B)); of a cable without a length only those at its ends.
 */
export const staplesOf = (job: Job, wiring: Wiring, cable: Cable): number => {
  if (wayOf(job, cable.from, cable.to).access === 'fished') return 0;
  const reach = (place: Place) => {
    if (place === PANEL) return FROM_BOX;
    const { articles, gangs, internalClamps } = chosenOffer(job, articlesAt(wiring, place));
    const [box] = articles;
    return box && !box.metal && gangs === 1 && !internalClamps ? FROM_BOX_WITHOUT_CLAMP : FROM_BOX;
  };
  const [near, far] = [reach(cable.from), reach(cable.to)];
  if (cable.length === null) return 2;
  if (cable.length <= Math.min(near, far)) return 1;
  return 2 + Math.max(0, Math.ceil((cable.length - near - far) / APART) - 1);
};

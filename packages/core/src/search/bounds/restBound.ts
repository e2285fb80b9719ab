import { overSets } from './spans.js';
import type { Weighed } from './weighed.js';

/**
 * The least of everything outside a set, joined with the node `at`, over every node of it or `at` itself that power may
 * enter. `counted` are the nodes of which the boxes are in it; the box of `at` never is. From `enough` on it may be less
 * than that, as it decides nothing any more.
 */
export type RestBound = (set: number, at: number, counted: number, enough: number) => number;

/** The innermost loop of the exact search: it looks into tables alone. */
export const restBoundOf = (problem: Weighed): RestBound => {
  const { n, all, mandatory, entries, masks, multiplicity, fromPanel } = problem;
  const { spans, box, passing, far, near, back } = problem.bounds;
  const { join, reach } = spans;
  const boxes = overSets(n, box);
  const notFar = ~far;
  const classes = masks.map((mask, i) => ({
    mask,
    times: multiplicity[i] ?? 1,
    panel: fromPanel[i] === true,
  }));
  // What counts most comes first, so that most of it need not be looked at.
  const inside = classes.filter((one) => !one.panel).sort((a, b) => b.times - a.times);
  const onward = classes.filter((one) => one.panel);
  const insideMasks = Int32Array.from(inside, (one) => one.mask);
  const insideTimes = Float64Array.from(inside, (one) => one.times);
  const onwardMasks = Int32Array.from(onward, (one) => one.mask);
  const onwardTimes = Float64Array.from(onward, (one) => one.times);
  const onwardAt = new Int32Array(onward.length);
  const onwardNets = onward.reduce((sum, one) => sum + one.times, 0);
  const roots = Int32Array.from(entries, (one) => 1 << one.root);
  const homes = Float64Array.from(entries, (one) => one.cost);
  const changes = Float64Array.from(entries, (one) => one.box - box(one.root));
  const enteredBoxes = Float64Array.from(entries, (one) => one.box);
  // A net that only passes where power enters is charged for that in the box there, and not on its way.
  const passingThere = Float64Array.from(entries, (one) => onwardNets * passing(one.root));
  const cheapest = Math.min(
    ...entries.map((one) => one.cost + Math.min(0, one.box, one.box - box(one.root))),
  );
  return (set, at, counted, enough) => {
    const out = all & ~set;
    const joined = 1 << at;
    const open = (out & mandatory) | joined;
    let sum = (join[open & notFar] as number) + (boxes[counted] as number);
    if ((open & far) !== 0) sum += back;
    for (let i = 0; i < insideMasks.length; i++) {
      if (sum + cheapest >= enough) return sum + cheapest;
      const mask = insideMasks[i] as number;
      let ends = mask & out;
      if (ends === 0) continue;
      if ((mask & set) !== 0) ends |= joined;
      if ((ends & far) !== 0) ends = (ends & notFar) | near;
      sum += (insideTimes[i] as number) * (reach[ends] as number);
    }
    // Before it is known where power enters: what leads there at least.
    let onwardLeast = 0;
    for (let i = 0; i < onwardMasks.length; i++) {
      const mask = onwardMasks[i] as number;
      let ends = mask & out;
      if ((mask & set) !== 0) ends |= joined;
      if ((ends & far) !== 0) ends = (ends & notFar) | near;
      onwardAt[i] = ends;
      onwardLeast += (onwardTimes[i] as number) * (reach[ends] as number);
    }
    if (sum + cheapest + onwardLeast >= enough) return sum + cheapest + onwardLeast;
    let least = Infinity;
    for (let k = 0; k < roots.length; k++) {
      const root = roots[k] as number;
      let more = homes[k] as number;
      if (root !== joined) {
        if ((set & root) !== 0) continue;
        more += ((counted & root) !== 0 ? changes[k] : enteredBoxes[k]) as number;
      }
      if (more + onwardLeast - (passingThere[k] as number) >= least) continue;
      for (let i = 0; i < onwardMasks.length; i++)
        more += (onwardTimes[i] as number) * (reach[((onwardAt[i] as number) | root) & notFar] as number);
      if (more < least) least = more;
    }
    return sum + least;
  };
};

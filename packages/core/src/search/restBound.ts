import { overSets } from './bounds.js';
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
  const { join, reach, box } = problem.bounds;
  const boxes = overSets(n, box);
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
  const roots = Int32Array.from(entries, (one) => 1 << one.root);
  const homes = Float64Array.from(entries, (one) => one.cost);
  const enteredBoxes = Float64Array.from(entries, (one) => one.box);
  const plainBoxes = Float64Array.from(entries, (one) => box(one.root));
  const cheapest = Math.min(
    ...entries.map((one) => one.cost + Math.min(0, one.box, one.box - box(one.root))),
  );
  return (set, at, counted, enough) => {
    const out = all & ~set;
    const joined = 1 << at;
    let sum = join((out & mandatory) | joined) + (boxes[counted] as number);
    for (let i = 0; i < insideMasks.length; i++) {
      if (sum + cheapest >= enough) return sum + cheapest;
      const mask = insideMasks[i] as number;
      if ((mask & out) !== 0)
        sum += (insideTimes[i] as number) * reach((mask & out) | ((mask & set) !== 0 ? joined : 0));
    }
    // Before it is known where power enters: what leads there at least.
    let onwardLeast = sum + cheapest;
    for (let i = 0; i < onwardMasks.length; i++) {
      const mask = onwardMasks[i] as number;
      onwardLeast += (onwardTimes[i] as number) * reach((mask & out) | ((mask & set) !== 0 ? joined : 0));
    }
    if (onwardLeast >= enough) return onwardLeast;
    let least = Infinity;
    for (let k = 0; k < roots.length; k++) {
      const root = roots[k] as number;
      let more = homes[k] as number;
      if (root !== joined) {
        if ((set & root) !== 0) continue;
        more += (enteredBoxes[k] as number) - ((counted & root) !== 0 ? (plainBoxes[k] as number) : 0);
      }
      for (let i = 0; i < onwardMasks.length && more < least; i++) {
        const mask = onwardMasks[i] as number;
        more += (onwardTimes[i] as number) * reach((mask & out) | ((mask & set) !== 0 ? joined : 0) | root);
      }
      if (more < least) least = more;
    }
    return sum + least;
  };
};

import { NONE, real, whole } from './rows.js';
import { restBoundOf, type RestBound } from '../bounds/restBound.js';
import type { Weighed } from '../bounds/weighed.js';
import type { LoadCode } from '../prices/loadCodes.js';
import type { Held, SharedBoxes } from '../prices/sharedBoxes.js';
import type { Tables } from './tables.js';

/** So many steps, and it is asked whether to go on. */
export const STEPS_BETWEEN_ASKING = 20_000;

/** Where a search for the cheapest tree of one arrangement stands: what it knows of it, and the best so far. */
export interface Standing {
  readonly problem: Weighed;
  readonly tables: Tables;
  /** The least of the box of each node. */
  readonly boxes: Float64Array;
  /** The least of all that is not in a set. */
  readonly rest: RestBound;
  /** What costs as much is no better any more. */
  best: number;
  /** The way to hang children on the root of the best, and that root; `NONE` while there is no tree. */
  bestEntry: number;
  bestRoot: number;
  steps: number;
  /** At so many steps it is asked whether to go on. */
  asking: number;
}

export const standingOf = (tables: Tables, problem: Weighed, limit: number): Standing => ({
  problem,
  tables,
  boxes: Float64Array.from({ length: problem.n }, (_, node) => problem.bounds.box(node)),
  rest: restBoundOf(problem),
  best: limit,
  bestEntry: NONE,
  bestRoot: NONE,
  steps: 0,
  asking: STEPS_BETWEEN_ASKING,
});

/** What is held of the boxes of several nodes, and what comes to be paid for them with it. */
export interface Settling {
  held: Held;
  more: number;
}

/** Once a node of such a box is settled, under its load; `set` has the node. */
export const settledAt = (
  { shared }: Weighed,
  node: number,
  set: number,
  held: Held,
  load: LoadCode,
): Settling => {
  const place = shared?.placeOf[node] ?? -1;
  if (!shared || place < 0) return { held, more: 0 };
  const after = held + shared.held(place, load);
  const more = shared.paid(place, after, set) - shared.paid(place, held, set & ~(1 << node));
  const all = shared.nodes[place] ?? 0;
  return { held: (set & all) === all ? shared.without(place, after) : after, more };
};

/** Once two parts of a tree come together, in each of which nodes of such a box are settled: those of `mine` and of `other`. */
export const settledTogether = (
  shared: SharedBoxes,
  [mine, held]: readonly [number, Held],
  [other, otherHeld]: readonly [number, Held],
): Settling => {
  const together = mine | other;
  let after = held + otherHeld;
  let more = 0;
  shared.nodes.forEach((all, place) => {
    if ((all & mine) === 0 || (all & other) === 0) return;
    more +=
      shared.paid(place, after, together) -
      shared.paid(place, held, mine) -
      shared.paid(place, otherHeld, other);
    if ((together & all) === all) after = shared.without(place, after);
  });
  return { held: after, more };
};

/** Takes the cheapest tree with all that has to be in it, where power may enter its top. */
export const finish = (standing: Standing, top: number, partial: number): void => {
  const { problem, tables } = standing;
  const { entries, partials } = tables;
  const { mandatory } = problem;
  const home = problem.entries.find(({ root }) => root === top);
  if (!home || (whole(partials.set, partial) & mandatory) !== mandatory) return;
  for (let entry = whole(partials.first, partial); entry !== NONE; entry = whole(entries.next, entry)) {
    const code = real(entries.code, entry) + home.load;
    const { more } = settledAt(problem, top, whole(partials.set, partial), real(entries.held, entry), code);
    const cost = real(entries.cost, entry) + home.cost + problem.node(top, code) + more;
    if (cost >= standing.best) continue;
    standing.best = cost;
    standing.bestEntry = entry;
    standing.bestRoot = top;
  }
};

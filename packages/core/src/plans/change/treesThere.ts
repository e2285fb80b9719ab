import { PANEL, type Place } from '../../model/ids.js';
import { isBetween, type ExistingCable, type Feed, type Job, type Run } from '../../model/job.js';
import { groupIdsOf } from '../../model/lookup.js';
import { subsets } from '../../model/permutations.js';
import { runLength } from '../../materials/lengths.js';

/** Of circuits of more places or runs than these the trees are not gone through one by one; the search finds one then. */
const MOST_PLACES = 6;
const MOST_RUNS = 15;
/** So many trees are tried for one set of old cables, those with the least new cable. */
const MOST_TREES = 16;

/** A run with what it takes new: inches, none where a cable lies there. */
interface Offered {
  a: Place;
  b: Place;
  fresh: number;
}

/** Every tree over some places of which each run is offered, with as few new runs as do, or one more. */
const treesOver = (places: readonly Place[], offered: readonly Offered[]): Offered[][] => {
  const trees: Offered[][] = [];
  const grow = (at: number, chosen: readonly Offered[], parts: ReadonlyMap<Place, number>): void => {
    if (chosen.length === places.length - 1) {
      trees.push([...chosen]);
      return;
    }
    const run = offered[at];
    if (!run || offered.length - at < places.length - 1 - chosen.length) return;
    const [p, q] = [parts.get(run.a), parts.get(run.b)];
    if (p !== undefined && q !== undefined && p !== q)
      grow(
        at + 1,
        [...chosen, run],
        new Map([...parts].map(([place, part]) => [place, part === q ? p : part])),
      );
    grow(at + 1, chosen, parts);
  };
  grow(0, [], new Map(places.map((place, i) => [place, i])));
  const count = (tree: readonly Offered[]) => tree.filter(({ fresh }) => fresh > 0).length;
  const least = Math.min(...trees.map(count));
  return trees.filter((tree) => count(tree) <= least + 1);
};

/** The runs of a tree from its feed on. */
const hung = (tree: readonly Offered[], root: Place): Run[] => {
  const reached: Place[] = [root];
  const runs: Run[] = [];
  for (const place of reached)
    for (const { a, b } of tree) {
      const other = a === place ? b : b === place ? a : null;
      if (other === null || reached.includes(other)) continue;
      reached.push(other);
      runs.push({ from: place, to: other });
    }
  return runs;
};

/**
 * Ways to cable a small circuit over what lies there and what can be measured, those with the least new cable first: a box that its device
 * comes out of may keep splices or be left. Empty for larger circuits.
 */
export const treesThere = (wanted: Job, feed: Feed, cables: readonly ExistingCable[]): Run[][] => {
  const groups = groupIdsOf(wanted, feed.circuit);
  const mine = [...wanted.slots, ...wanted.luminaires].filter((one) => groups.has(one.group));
  const stays = mine.filter((one) => !('leaves' in one && one.leaves));
  const needed = [...new Set<Place>([feed.at, ...stays.map(({ box }) => box)])];
  const left = [...new Set(mine.map(({ box }) => box))].filter((box) => !needed.includes(box));
  return subsets(left)
    .flatMap((junctions) => {
      const places: Place[] = [...needed, ...junctions];
      if (places.length > MOST_PLACES) return [];
      const offered = places.flatMap((a, i) =>
        places.slice(i + 1).flatMap((b): Offered[] => {
          if (cables.some((cable) => isBetween(cable, a, b))) return [{ a, b, fresh: 0 }];
          const [from, to] = b === PANEL ? [b, a] : [a, b];
          const { length, lengthSource } = runLength(wanted, from, to);
          return length !== null && ['measured', 'estimated'].includes(lengthSource)
            ? [{ a, b, fresh: Math.max(1, length) }]
            : [];
        }),
      );
      return offered.length > MOST_RUNS ? [] : treesOver(places, offered);
    })
    .map((tree) => ({ tree, fresh: tree.reduce((sum, one) => sum + one.fresh, 0) }))
    .sort((a, b) => a.fresh - b.fresh || a.tree.length - b.tree.length)
    .slice(0, MOST_TREES)
    .map(({ tree }) => hung(tree, feed.at));
};

import {
  isFarNode,
  PANEL,
  placeOfNode,
  type BoxId,
  type CircuitId,
  type TreePlace,
} from '../../model/ids.js';
import { isBetween, type ExistingCable, type Feed, type Job, type Run } from '../../model/job.js';
import { groupIdsOf } from '../../model/lookup.js';
import { subsets } from '../../model/permutations.js';
import { runLength } from '../../materials/lengths.js';

/** Of circuits of more places or runs than these the trees are not gone through one by one; the search finds one then. */
const MOST_PLACES = 8;
const MOST_RUNS = 18;
/** So many trees are tried for one set of old cables, those with the least new cable. */
const MOST_TREES = 16;

/** A run with what it takes new: inches, none where a cable lies there. */
interface Offered {
  a: TreePlace;
  b: TreePlace;
  fresh: number;
}

/** Every tree over some places of which each run is offered, with as few new runs as do, or one more. */
const treesOver = (places: readonly TreePlace[], offered: readonly Offered[]): Offered[][] => {
  const trees: Offered[][] = [];
  const grow = (at: number, chosen: readonly Offered[], parts: ReadonlyMap<TreePlace, number>): void => {
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
const hung = (tree: readonly Offered[], root: TreePlace): Run[] => {
  const reached: TreePlace[] = [root];
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

/** Every run that may be taken between some nodes: a cable that lies there, a return run that is there, or a new one that can be measured. */
const offeredBetween = (
  wanted: Job,
  nodes: readonly TreePlace[],
  cables: readonly ExistingCable[],
  returns: readonly Run[],
): Offered[] => {
  const isReturn = (cable: ExistingCable) =>
    returns.some(({ from, to }) => isBetween(cable, placeOfNode(from), placeOfNode(to)));
  const offer = (a: TreePlace, b: TreePlace): Offered[] => {
    if (returns.some(({ from, to }) => [from, to].every((end) => end === a || end === b)))
      return [{ a, b, fresh: 0 }];
    const lies = cables.some((cable) => isBetween(cable, a, b) && !isReturn(cable));
    if (lies) return [{ a, b, fresh: 0 }];
    const [from, to] = (b === PANEL ? [b, a] : [a, b]).map(placeOfNode);
    if (from === undefined || to === undefined || to === PANEL || from === to) return [];
    const { length, lengthSource } = runLength(wanted, from, to);
    return length !== null && ['measured', 'estimated'].includes(lengthSource)
      ? [{ a, b, fresh: Math.max(1, length) }]
      : [];
  };
  return nodes.flatMap((a, i) => nodes.slice(i + 1).flatMap((b) => offer(a, b)));
};

/** What of a circuit is in boxes, what leaves them among it. */
const fittingsOf = (wanted: Job, circuit: CircuitId) => {
  const groups = groupIdsOf(wanted, circuit);
  return [...wanted.slots, ...wanted.luminaires].filter((one) => groups.has(one.group));
};

/** Boxes in which something of a circuit stays or comes. */
export const neededPlaces = (wanted: Job, circuit: CircuitId): BoxId[] =>
  fittingsOf(wanted, circuit).flatMap((one) => ('leaves' in one && one.leaves ? [] : [one.box]));

/** Trees of a circuit, and whether they are all that there are. */
export interface TreesThere {
  trees: Run[][];
  all: boolean;
}

/**
 * Ways to cable a small circuit over what lies there and what can be measured, those with the least new cable first: a box that its device
 * comes out of may keep splices or be left. A luminaire that a return run leads to now is apart from its box still. None for larger circuits.
 */
export const treesThere = (
  wanted: Job,
  feed: Feed,
  cables: readonly ExistingCable[],
  /** The runs as they are; none where no luminaire is to stay apart. */
  there: readonly Run[],
): TreesThere => {
  const far = [...new Set(there.flatMap(({ from, to }) => [from, to].filter(isFarNode)))];
  const returns = there.filter(
    ({ from, to }) =>
      [from, to].some(isFarNode) &&
      cables.some((cable) => isBetween(cable, placeOfNode(from), placeOfNode(to))),
  );
  const needed = [...new Set<TreePlace>([feed.at, ...neededPlaces(wanted, feed.circuit), ...far])];
  const left = [...new Set(fittingsOf(wanted, feed.circuit).map(({ box }) => box))].filter(
    (box) => !needed.includes(box),
  );
  let all = true;
  const trees = subsets(left).flatMap((junctions) => {
    const nodes: TreePlace[] = [...needed, ...junctions];
    const offered = nodes.length > MOST_PLACES ? null : offeredBetween(wanted, nodes, cables, returns);
    if (offered && offered.length <= MOST_RUNS) return treesOver(nodes, offered);
    all = false;
    return [];
  });
  return {
    trees: trees
      .map((tree) => ({ tree, fresh: tree.reduce((sum, one) => sum + one.fresh, 0) }))
      .sort((a, b) => a.fresh - b.fresh || a.tree.length - b.tree.length)
      .slice(0, MOST_TREES)
      .map(({ tree }) => hung(tree, feed.at)),
    all: all && trees.length <= MOST_TREES,
  };
};

import { placeOfNode, type BoxId, type CableId, type Place, type TreePlace } from '../model/ids.js';
import { runFactOf, type Circuit, type Job } from '../model/job.js';
import { product } from '../model/permutations.js';
import { existingOffered } from '../planning/carriers.js';

/** A cable that lies between boxes of which one is several nodes, and the two nodes that it is kept for. */
export interface LyingAt {
  cable: CableId;
  between: readonly [TreePlace, TreePlace];
}

/** A node of a box beside the box itself. */
interface OtherNode {
  box: BoxId;
  node: TreePlace;
}

/** Beyond so many ways for what lies there to lead to nodes none of them is tried. */
export const MOST_WAYS_LYING = 64;

const nodesOf = (box: BoxId, others: readonly OtherNode[]): TreePlace[] => [
  box,
  ...others.filter((one) => one.box === box).map(({ node }) => node),
];

/** The pairs of nodes that a run between two boxes may join. */
const pairsOf = (a: BoxId, b: BoxId, others: readonly OtherNode[]): (readonly [TreePlace, TreePlace])[] =>
  nodesOf(a, others).flatMap((from) => nodesOf(b, others).map((to) => [from, to] as const));

/** Pairs of boxes, each once. */
const pairsOfBoxes = (boxes: readonly BoxId[]): (readonly [BoxId, BoxId])[] =>
  boxes.flatMap((a, i) => boxes.slice(i + 1).map((b) => [a, b] as const));

/**
 * Where a forced run leads between boxes of which one is several nodes, any two of their nodes may have it: every way to settle that. A run
 * beside it between the same boxes is no forced one.
 */
export const forcedAtNodes = (
  job: Job,
  boxes: readonly BoxId[],
  others: readonly OtherNode[],
): (readonly (readonly [TreePlace, TreePlace])[])[] =>
  product(
    pairsOfBoxes(boxes)
      .filter(([a, b]) => runFactOf(job, a, b)?.rule === 'forced')
      .map(([a, b]) => pairsOf(a, b, others))
      .filter((ways) => ways.length > 1),
  );

/** What lies between two boxes of which one is several nodes: each cable at a pair of its own, as far as there are pairs. */
const waysBetween = (cables: readonly CableId[], pairs: readonly LyingAt['between'][]): LyingAt[][] => {
  const [cable, ...rest] = cables;
  if (cable === undefined || pairs.length === 0) return [[]];
  return pairs.flatMap((between) =>
    waysBetween(
      rest,
      pairs.filter((one) => one !== between),
    ).map((ways) => [{ cable, between }, ...ways]),
  );
};

/** Cables of a circuit that lie between two of these boxes, one of which is several nodes; those between the same two boxes together. */
const lyingBetween = (
  job: Job,
  circuit: Circuit,
  boxes: ReadonlySet<Place>,
  several: ReadonlySet<Place>,
): { between: readonly [BoxId, BoxId]; cables: CableId[] }[] => {
  const byBoxes = new Map<string, { between: readonly [BoxId, BoxId]; cables: CableId[] }>();
  for (const cable of existingOffered(job, circuit)) {
    const between = [...cable.between].sort() as [BoxId, BoxId];
    if (!between.every((place) => boxes.has(place)) || !between.some((place) => several.has(place))) continue;
    const known = byBoxes.get(between.join(' ')) ?? { between, cables: [] };
    known.cables.push(cable.id);
    byBoxes.set(between.join(' '), known);
  }
  return [...byBoxes.values()];
};

/**
 * Which nodes what lies there leads to, where a box at its end is several: every way to settle that; null where there are more of them than are
 * tried. Between two nodes leads one run at most, so no cable gains by another at the same pair.
 */
export const lyingAtNodes = (
  job: Job,
  circuit: Circuit,
  boxes: readonly BoxId[],
  others: readonly OtherNode[],
  most = MOST_WAYS_LYING,
): LyingAt[][] | null => {
  if (others.length === 0) return [[]];
  const several = new Set<Place>(others.map(({ box }) => box));
  const each = lyingBetween(job, circuit, new Set<Place>(boxes), several).map(({ between: [a, b], cables }) =>
    waysBetween(cables, pairsOf(a, b, others)),
  );
  const count = each.reduce((all, ways) => all * ways.length, 1);
  return count > most ? null : product(each).map((one) => one.flat());
};

/** Of these ways the ones that leave everything where it was, but what led to nodes that are no more, or that were one box. */
export const lyingAsBefore = (
  ways: readonly LyingAt[][],
  before: readonly LyingAt[],
  changed: (box: BoxId) => boolean,
): LyingAt[][] => {
  const stays = before.filter(({ between }) => !between.some((node) => changed(placeOfNode(node) as BoxId)));
  const isSame = (a: LyingAt, b: LyingAt) => a.cable === b.cable && a.between.join() === b.between.join();
  return ways.filter((way) => stays.every((one) => way.some((other) => isSame(one, other))));
};

/** The same as texts, by which what hangs on it is remembered. */
export const sayLying = (lyingAt: readonly LyingAt[]): string[] =>
  lyingAt.map(({ cable, between }) => `${cable}@${between.join('+')}`);

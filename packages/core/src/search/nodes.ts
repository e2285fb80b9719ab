import {
  findLuminaire,
  groupsOfCircuit,
  isGroupInBox,
  slotsInBox,
  switchesOfGroup,
} from '../model/lookup.js';
import { placeOfNode, type BoxId, type GroupId, type TreePlace } from '../model/ids.js';
import { product } from '../model/permutations.js';
import type { Circuit, Feed, Job } from '../model/job.js';
import { apartNode, nodeOfLuminaire, nodeOfSlot, type ApartNode, type NetScope } from '../planning/nets.js';

/** Groups that may stand apart in a box, each list kept together: a light that is part of a fan shares its neutral. */
type Unit = readonly GroupId[];

/** Beyond so many units a box keeps them all together, or all apart. */
const MOST_UNITS = 4;
/** From so many units on, what is switched from one place alone goes with a group that has travelers: by itself it gains nothing but a cable. */
const WITH_TRAVELERS_FROM = 3;

/** Has a group of this heap a switch in the box and another elsewhere, so that travelers come to it? */
const hasTravelers = (job: Job, box: BoxId, heap: readonly Unit[]): boolean =>
  heap.flat().some((group) => {
    const slots = switchesOfGroup(job, group);
    return slots.length > 1 && slots.some((slot) => slot.box === box);
  });

/** The heaps that are tried of those that could be. */
const triedHeaps = (job: Job, box: BoxId, units: readonly Unit[]): Unit[][][] => {
  if (units.length > MOST_UNITS) return [[[...units]], units.map((unit) => [unit])];
  const all = partitions<Unit>(units);
  const isOfSwitches = slotsInBox(job, box).some(({ role }) => role !== 'receptacle');
  if (units.length < WITH_TRAVELERS_FROM || !isOfSwitches) return all;
  return all.filter((heaps) => heaps.length === 1 || heaps.every((heap) => hasTravelers(job, box, heap)));
};

const unitsIn = (job: Job, circuit: Circuit, box: BoxId): Unit[] => {
  const units: GroupId[][] = groupsOfCircuit(job, circuit.id)
    .map(({ id }) => id)
    .filter((id) => isGroupInBox(job, box, id))
    .map((id) => [id]);
  for (const part of job.luminaires) {
    const whole = part.box === box ? findLuminaire(job, part.partOf) : undefined;
    const [mine, other] = [part.group, whole?.group].map((group) =>
      units.find((unit) => unit.some((id) => id === group)),
    );
    if (!mine || !other || mine === other) continue;
    mine.push(...other);
    units.splice(units.indexOf(other), 1);
  }
  return units;
};

/** Every way to part a few things into heaps, the heap of the first one first. */
const partitions = <T>(items: readonly T[]): T[][][] => {
  const [first, ...others] = items;
  if (first === undefined) return [[]];
  return partitions(others).flatMap((heaps) => [
    [[first], ...heaps],
    ...heaps.map((heap, at) => [[first, ...heap], ...heaps.filter((_, other) => other !== at)]),
  ]);
};

/**
 * Ways for the groups of a box to stay apart, the box as one node among them, first. Each heap of groups is a node; which of them is the box
 * itself makes no difference, but where a feed is in it: that one has the feed.
 */
export const apartsOf = (job: Job, circuit: Circuit, feed: Feed, box: BoxId): ApartNode[][] => {
  const units = unitsIn(job, circuit, box);
  if (units.length < 2) return [[]];
  const heaps = triedHeaps(job, box, units);
  const order = groupsOfCircuit(job, circuit.id).map(({ id }) => id);
  const named = (heap: readonly Unit[]): ApartNode => {
    const groups = heap.flat().sort((a, b) => order.indexOf(a) - order.indexOf(b));
    return apartNode({ box, groups });
  };
  return heaps
    .sort((a, b) => a.length - b.length)
    .flatMap((all) =>
      (feed.at === box ? all : all.slice(0, 1)).map((itself) =>
        all.filter((heap) => heap !== itself).map(named),
      ),
    );
};

/** How many nodes more than boxes there are where all groups stay apart. */
export const mostApart = (job: Job, circuit: Circuit, boxes: readonly BoxId[]): number =>
  boxes.reduce((sum, box) => sum + Math.max(0, unitsIn(job, circuit, box).length - 1), 0);

/** Most boxes of one order in which groups stay apart: what comes to each of them is held while the tree is
 * built, thirteen bits each of the 53 up to which a whole number adds exactly (`prices/sharedBoxes.ts`). */
export const MOST_APART = 4;
/** So many ways for the groups of all boxes to stay apart are tried; of more, in each box none apart or all. */
const MOST_WAYS = 250;

/** How groups may stay apart in the boxes of a circuit, and where not every way is among them. */
export interface WaysApart {
  /** All of them together first. */
  ways: ApartNode[][];
  barred: BoxId[];
}

export const waysApart = (
  job: Job,
  circuit: Circuit,
  feed: Feed,
  boxes: readonly BoxId[],
  /** So many nodes beside the boxes at most. */
  mostNodes: number,
): WaysApart => {
  const several = boxes.filter((box) => unitsIn(job, circuit, box).length > 1);
  const each = several.map((box) => apartsOf(job, circuit, feed, box)).filter((list) => list.length > 1);
  const count = each.reduce((sum, list) => sum * list.length, 1);
  const few = each.map((list) => [list[0] ?? [], list.at(-1) ?? []]);
  const tried = product(count > MOST_WAYS ? few.slice(0, Math.floor(Math.log2(MOST_WAYS))) : each).map(
    (one) => one.flat(),
  );
  const ways = tried.filter(
    (one) => one.length <= mostNodes && new Set(one.map(({ box }) => box)).size <= MOST_APART,
  );
  return {
    // One at least, also where the circuit is too large for any but a descent.
    ways: ways.length > 0 ? ways : [[]],
    barred:
      count > MOST_WAYS || ways.length < tried.length
        ? several
        : several.filter((box) => {
            const units = unitsIn(job, circuit, box);
            return triedHeaps(job, box, units).length < partitions<Unit>(units).length;
          }),
  };
};

/** The node that holds in one way to part the groups of a box what another node held in another way. */
export const heldAt = (job: Job, scope: NetScope, before: NetScope, node: TreePlace): TreePlace => {
  const box = placeOfNode(node) as BoxId;
  const slot = job.slots.find((one) => one.box === box && nodeOfSlot(before, one) === node);
  if (slot) return nodeOfSlot(scope, slot);
  const load = job.luminaires.find((one) => one.box === box && nodeOfLuminaire(job, before, one) === node);
  return load ? nodeOfLuminaire(job, scope, load) : box;
};

import { findLuminaire, groupsOfCircuit } from '../model/lookup.js';
import { lyingCables } from '../model/lying.js';
import { PANEL, type BoxId, type CircuitId, type GroupId } from '../model/ids.js';
import { isBetween, type Circuit, type Feed, type Job } from '../model/job.js';
import { apartNode, type ApartNode } from '../planning/nets.js';

/** Groups that may stand apart in a box, each list kept together: a light that is part of a fan shares its neutral. */
type Unit = readonly GroupId[];

/** Beyond so many units a box keeps them all together, or all apart. */
const MOST_UNITS = 4;

const unitsIn = (job: Job, circuit: Circuit, box: BoxId): Unit[] => {
  const units: GroupId[][] = groupsOfCircuit(job, circuit.id)
    .map(({ id }) => id)
    .filter((id) => [...job.slots, ...job.luminaires].some((one) => one.box === box && one.group === id))
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

/** A cable of this circuit that lies in a box: which node it would belong to is open, so the box stays one. */
export const hasCableOfItsOwn = (job: Job, circuit: CircuitId, box: BoxId): boolean =>
  lyingCables(job).some(
    (cable) => cable.circuit === circuit && cable.between.includes(box) && !isBetween(cable, PANEL, box),
  );

/**
 * Ways for the groups of a box to stay apart, the box as one node among them, first. Each heap of groups is a node; which of them is the box
 * itself makes no difference, but where a feed is in it: that one has the feed.
 */
export const apartsOf = (job: Job, circuit: Circuit, feed: Feed, box: BoxId): ApartNode[][] => {
  const units = unitsIn(job, circuit, box);
  if (units.length < 2 || hasCableOfItsOwn(job, circuit.id, box)) return [[]];
  const heaps = units.length > MOST_UNITS ? [[units], units.map((unit) => [unit])] : partitions<Unit>(units);
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

/** Most boxes of one order in which groups stay apart: what comes to each of them is held while the tree is built. */
export const MOST_APART = 4;
/** So many ways for the groups of all boxes to stay apart are tried; of more, in each box none apart or all. */
const MOST_WAYS = 250;

const product = (lists: readonly ApartNode[][][]): ApartNode[][] =>
  lists.reduce<ApartNode[][]>(
    (all, list) => all.flatMap((one) => list.map((item) => [...one, ...item])),
    [[]],
  );

/** How groups may stay apart in the boxes of a circuit, all of them together first; and the boxes of which some ways are not among them. */
export const waysApart = (
  job: Job,
  circuit: Circuit,
  feed: Feed,
  boxes: readonly BoxId[],
): { ways: ApartNode[][]; barred: BoxId[] } => {
  const several = boxes.filter((box) => unitsIn(job, circuit, box).length > 1);
  const each = several.map((box) => apartsOf(job, circuit, feed, box)).filter((list) => list.length > 1);
  const count = each.reduce((sum, list) => sum * list.length, 1);
  const few = each.map((list) => [list[0] ?? [], list.at(-1) ?? []]);
  const some = few.slice(0, Math.floor(Math.log2(MOST_WAYS)));
  const ways = product(count > MOST_WAYS ? some : each).filter(
    (one) => new Set(one.map(({ box }) => box)).size <= MOST_APART,
  );
  const lie = several.filter((box) => hasCableOfItsOwn(job, circuit.id, box));
  const isCut = count > MOST_WAYS || each.length > MOST_APART;
  return { ways, barred: isCut ? several : lie };
};

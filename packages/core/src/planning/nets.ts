import { findGroup, groupIdsOf } from '../model/lookup.js';
import {
  isReturn,
  nodePlaceOf,
  placeOfNode,
  type BoxId,
  type CircuitId,
  type GroupId,
  type ReturnPlace,
  type SlotId,
  type TreePlace,
} from '../model/ids.js';
import type { Choice, Feed, Job, Luminaire, Slot } from '../model/job.js';
import type { DeviceArticle } from '../model/articles.js';
import type { TreeRun } from './tree.js';

/** A net of one circuit: what must be one conductor electrically, switches taken out. */
export interface Net {
  id: string;
  kind: 'hot' | 'neutral' | 'traveler' | 'switchLeg';
  /** What it belongs to: the hot and the neutral to a circuit, all else to a group of it. */
  circuit: CircuitId | null;
  group: GroupId | null;
  /** For travelers: the lane, kept along the whole chain. */
  lane: 'a' | 'b' | null;
}

/** A net and a place it has to reach. */
export interface Reach {
  net: Net;
  at: TreePlace;
}

/** Everything about the way a circuit is wired that is not the tree itself. */
export interface Arrangement {
  /** Of the switched groups, line end first. */
  chains: Record<GroupId, SlotId[]>;
  neutralAt: SlotId[];
  /** The device of each slot; none where nothing of the stock suits. */
  devices: ReadonlyMap<SlotId, DeviceArticle>;
}

/**
 * A node of a box beside the box itself, at which the nets of some of its groups stay apart from the others: those of `groups`, or, where that
 * is null, of every switched luminaire in it, as where a return run ends.
 */
export interface ApartNode {
  node: TreePlace;
  box: BoxId;
  groups: readonly GroupId[] | null;
}

/** What the nets of a circuit hang on beside its arrangement: which circuit it is, and what stays apart in its boxes. */
export interface NetScope {
  circuit: CircuitId;
  apart: readonly ApartNode[];
}

export const hotOf = (scope: Pick<NetScope, 'circuit'>): Net => ({
  id: `${scope.circuit}/H`,
  kind: 'hot',
  circuit: scope.circuit,
  group: null,
  lane: null,
});
export const neutralOf = (scope: Pick<NetScope, 'circuit'>): Net => ({
  id: `${scope.circuit}/N`,
  kind: 'neutral',
  circuit: scope.circuit,
  group: null,
  lane: null,
});
export const switchLegOf = (group: GroupId): Net => ({
  id: `${group}/SL`,
  kind: 'switchLeg',
  circuit: null,
  group,
  lane: null,
});
/** Traveler between switch `step` and `step + 1` of the chain. */
export const travelerOf = (group: GroupId, step: number, lane: 'a' | 'b'): Net => ({
  id: `${group}/T${step}${lane}`,
  kind: 'traveler',
  circuit: null,
  group,
  lane,
});

/** What feeds a load of a group: the switch leg, or the hot itself where the group is never switched. */
export const supplyOf = (job: Job, scope: NetScope, group: GroupId): Net =>
  findGroup(job, group)?.control === 'hot' ? hotOf(scope) : switchLegOf(group);

/** The node of the tree at which a device stands: that of its group where this stays apart in its box. */
export const nodeOfSlot = (
  { apart }: Pick<NetScope, 'apart'>,
  { box, group }: Pick<Slot, 'box' | 'group'>,
): TreePlace => apart.find((one) => one.box === box && one.groups?.includes(group))?.node ?? box;

/**
 * The node of the tree at which a luminaire hangs: that of its group where this stays apart, or the far place of its box where a return
 * run leads there. What is never switched stays at the near place of a return run, where the feed is.
 */
export const nodeOfLuminaire = (
  job: Job,
  { apart }: Pick<NetScope, 'apart'>,
  { box, group }: Pick<Luminaire, 'box' | 'group'>,
): TreePlace => {
  const switched = findGroup(job, group)?.control === 'switched';
  const holds = (one: ApartNode) =>
    one.box === box && (one.groups === null ? switched : one.groups.includes(group));
  return apart.find(holds)?.node ?? box;
};

/** The nets of a circuit and every place each has to reach (the model of switching: hot, travelers, switch leg). */
export const netReaches = (job: Job, scope: NetScope, feed: Feed, arrangement: Arrangement): Reach[] => {
  const hot = hotOf(scope);
  const neutral = neutralOf(scope);
  const placeOf = new Map(job.slots.map((slot) => [slot.id, nodeOfSlot(scope, slot)]));
  const reaches: Reach[] = [
    { net: hot, at: feed.at },
    { net: neutral, at: feed.at },
  ];
  const reach = (net: Net, slot: SlotId | undefined) => {
    const at = slot === undefined ? undefined : placeOf.get(slot);
    if (at !== undefined) reaches.push({ net, at });
  };
  for (const [id, chain] of Object.entries(arrangement.chains)) {
    const group = id as GroupId;
    reach(hot, chain[0]);
    for (let step = 0; step + 1 < chain.length; step++)
      for (const lane of ['a', 'b'] as const) {
        reach(travelerOf(group, step, lane), chain[step]);
        reach(travelerOf(group, step, lane), chain[step + 1]);
      }
    reach(switchLegOf(group), chain.at(-1));
  }
  const groups = groupIdsOf(job, scope.circuit);
  for (const luminaire of job.luminaires.filter((one) => groups.has(one.group))) {
    const at = nodeOfLuminaire(job, scope, luminaire);
    reaches.push({ net: supplyOf(job, scope, luminaire.group), at }, { net: neutral, at });
  }
  for (const slot of job.slots.filter((one) => groups.has(one.group))) {
    const uses = arrangement.devices.get(slot.id)?.terminals.map((one) => one.use) ?? [];
    const at = nodeOfSlot(scope, slot);
    if (uses.includes('neutral')) reaches.push({ net: neutral, at });
    if (uses.includes('hot'))
      reaches.push({ net: slot.role === 'receptacle' ? supplyOf(job, scope, slot.group) : hot, at });
  }
  for (const slot of arrangement.neutralAt) reach(neutral, slot);
  return reaches;
};

/**
 * The one rule of the planner: the insulated conductors on a run are the nets with terminals on both sides of it.
 * In a tree every cable is a cut of the circuit, so its currents sum to zero by themselves. Gives the nets of each run.
 */
export const netsOnRuns = (runs: readonly TreeRun[], reaches: readonly Reach[]): Net[][] => {
  const byNet = new Map<string, { net: Net; at: TreePlace[] }>();
  for (const { net, at } of reaches) {
    const known = byNet.get(net.id);
    if (known) known.at.push(at);
    else byNet.set(net.id, { net, at: [at] });
  }
  const nets = [...byNet.values()];
  return runs.map(({ behind }) =>
    nets
      .filter(({ at }) => {
        const far = at.filter((place) => behind.has(place)).length;
        return far > 0 && far < at.length;
      })
      .map(({ net }) => net),
  );
};

/** Where a return run ends: the switched luminaires of its box. */
export const returnNode = (node: ReturnPlace): ApartNode => ({
  node,
  box: placeOfNode(node) as BoxId,
  groups: null,
});

/** The node of groups that stay apart in a box, as a choice names it. */
export const apartNode = ({ box, groups }: NonNullable<Choice['apart']>[number]): ApartNode => ({
  node: nodePlaceOf(box, groups[0] as GroupId),
  box,
  groups,
});

/** The nets of a circuit as it is chosen. */
export const scopeOf = ({ circuit, runs, apart }: Pick<Choice, 'circuit' | 'runs' | 'apart'>): NetScope => ({
  circuit,
  apart: [
    ...[...new Set(runs.flatMap(({ from, to }) => [from, to]).filter(isReturn))].map(returnNode),
    ...(apart ?? []).map(apartNode),
  ],
});

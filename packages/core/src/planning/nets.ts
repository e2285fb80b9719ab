import { findGroup, groupIdsOf } from '../model/lookup.js';
import {
  isReturn,
  placeOfNode,
  returnPlaceOf,
  type BoxId,
  type CircuitId,
  type GroupId,
  type SlotId,
  type TreePlace,
} from '../model/ids.js';
import type { Choice, Feed, Job, Luminaire } from '../model/job.js';
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

/** What the nets of a circuit hang on beside its arrangement: which circuit it is, and the boxes to which a return run leads. */
export interface NetScope {
  circuit: CircuitId;
  returnsTo: readonly BoxId[];
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

/**
 * The node of the tree at which a luminaire hangs: the far place of its box where a return run leads there. What is
 * never switched stays at the near place, where the feed is.
 */
export const nodeOfLuminaire = (
  job: Job,
  { returnsTo }: Pick<NetScope, 'returnsTo'>,
  { box, group }: Luminaire,
): TreePlace => {
  const switched = findGroup(job, group)?.control === 'switched';
  return switched && returnsTo.includes(box) ? returnPlaceOf(box) : box;
};

/** The nets of a circuit and every place each has to reach (the model of switching: hot, travelers, switch leg). */
export const netReaches = (job: Job, scope: NetScope, feed: Feed, arrangement: Arrangement): Reach[] => {
  const hot = hotOf(scope);
  const neutral = neutralOf(scope);
  const placeOf = new Map(job.slots.map((slot) => [slot.id, slot.box]));
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
    if (uses.includes('neutral')) reaches.push({ net: neutral, at: slot.box });
    if (uses.includes('hot'))
      reaches.push({
        net: slot.role === 'receptacle' ? supplyOf(job, scope, slot.group) : hot,
        at: slot.box,
      });
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

/** The nets of a circuit as it is chosen. */
export const scopeOf = ({ circuit, runs }: Pick<Choice, 'circuit' | 'runs'>): NetScope => ({
  circuit,
  returnsTo: [
    ...new Set(
      runs
        .flatMap(({ from, to }) => [from, to])
        .filter(isReturn)
        .map((node) => placeOfNode(node) as BoxId),
    ),
  ],
});

import type { GroupId, SlotId } from '../model/ids.js';
import { returnPlaceOf, type BoxId, type TreePlace } from '../model/ids.js';
import type { Circuit, ExistingCable, Feed, Job } from '../model/job.js';
import { cablesFor, feedingCable } from '../planning/carriers.js';
import { assignColours } from '../planning/colours.js';
import type { Fitting } from '../planning/devices.js';
import { netReaches, type Arrangement, type Net, type NetScope } from '../planning/nets.js';

/**
 * One net of the circuit, or the two lanes of one pair of travelers, which go the same way and count twice. `ends` is how
 * many terminals it has at each node, by node index.
 */
export interface NetClass {
  nets: readonly Net[];
  at: readonly number[];
  /** It starts at the panel, outside all nodes. */
  fromPanel: boolean;
}

/**
 * Everything of an arrangement but the tree: which order the switches have, which of them get a neutral, where power
 * enters, and whether the switch leg comes back to the box that it enters (`returnAt`). Nodes are boxes, the far place of
 * that box last.
 */
export interface Settled {
  circuit: Circuit;
  scope: NetScope;
  feed: Feed;
  arrangement: Arrangement;
  fittings: readonly Fitting[];
  nodes: readonly TreePlace[];
  /** Index of the node where an existing cable brings power; null where a home run is planned to any node. */
  root: number | null;
  /** The cable by which the feed comes, where the job knows it. */
  fedBy: ExistingCable | null;
  /** Index of the box whose luminaire hangs at the far end, and of its far place; null for none. */
  returning: {
    near: number;
    far: number;
    /** Insulated conductors of the cable that the far place hangs on: what reaches it is the same in every tree. */
    width: number;
  } | null;
  /** The box whose forced run leads to the far place; all other forced runs lead to near ones. */
  forcedFar: BoxId | null;
  neutralOpen: boolean;
  classes: readonly NetClass[];
}

/** What a settled arrangement starts from: the tree is what is to be found. */
export interface Order {
  chains: Record<GroupId, SlotId[]>;
  neutralAt: SlotId[];
  feed: Feed;
  returnAt: BoxId | null;
  forcedFar: BoxId | null;
  /**
   * Which switches get the neutrals that the code asks for is left open. Everything is then priced no higher than under any
   * way to settle it; what is found is a bound, and no plan.
   */
  neutralOpen: boolean;
}

/** The narrowest cable that carries what has terminals at the far place of a return run and elsewhere, by its insulated conductors. */
const widthOfReturn = (job: Job, circuit: Circuit, classes: readonly NetClass[], far: number): number => {
  const nets = classes.flatMap((one) =>
    one.at.includes(far) && (one.fromPanel || one.at.some((other) => other !== far)) ? one.nets : [],
  );
  const cable = cablesFor(job, circuit).find(
    (one) => one.insulated.length >= nets.length && assignColours(nets, one) !== null,
  );
  return cable?.insulated.length ?? nets.length;
};

/** Builds the nets of an order: every net with the nodes that it has to reach. */
export const settle = (
  job: Job,
  circuit: Circuit,
  boxes: readonly BoxId[],
  { chains, neutralAt, feed, returnAt, forcedFar, neutralOpen }: Order,
  fittings: readonly Fitting[],
): Settled => {
  const nodes: TreePlace[] = [...boxes, ...(returnAt === null ? [] : [returnPlaceOf(returnAt)])];
  const scope: NetScope = { circuit: circuit.id, returnsTo: returnAt === null ? [] : [returnAt] };
  const arrangement: Arrangement = {
    chains,
    neutralAt,
    devices: new Map(fittings.flatMap(({ slot, article }) => (article ? [[slot.id, article] as const] : []))),
  };
  const index = new Map<string, number>(nodes.map((node, i) => [node, i]));
  const byNet = new Map<string, { net: Net; at: number[]; fromPanel: boolean }>();
  for (const { net, at } of netReaches(job, scope, feed, arrangement)) {
    const known = byNet.get(net.id) ?? { net, at: [], fromPanel: false };
    const node = index.get(at);
    if (node === undefined) known.fromPanel = true;
    else known.at.push(node);
    byNet.set(net.id, known);
  }
  const classes: NetClass[] = [];
  for (const { net, at, fromPanel } of byNet.values()) {
    if (net.lane === 'b') continue;
    const other = net.lane === 'a' ? byNet.get(net.id.replace(/a$/, 'b'))?.net : undefined;
    classes.push({ nets: other ? [net, other] : [net], at, fromPanel });
  }
  const root = index.get(feed.at) ?? null;
  const near = returnAt === null ? undefined : index.get(returnAt);
  return {
    circuit,
    scope,
    feed,
    arrangement,
    fittings,
    nodes,
    root,
    fedBy: feedingCable(job, feed),
    forcedFar,
    neutralOpen,
    returning:
      near === undefined
        ? null
        : { near, far: nodes.length - 1, width: widthOfReturn(job, circuit, classes, nodes.length - 1) },
    classes,
  };
};

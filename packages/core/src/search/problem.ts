import { returnPlaceOf, type BoxId, type GroupId, type SlotId, type TreePlace } from '../model/ids.js';
import type { Circuit, ExistingCable, Feed, Job } from '../model/job.js';
import { feedingCable } from '../planning/carriers.js';
import type { Fitting } from '../planning/devices.js';
import {
  netReaches,
  returnNode,
  type ApartNode,
  type Arrangement,
  type Net,
  type NetScope,
} from '../planning/nets.js';
import type { LyingAt } from './atNodes.js';

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
 * enters, which groups stay apart in their boxes, and whether the switch leg comes back to the box that it enters (`returnAt`). Nodes are
 * boxes, then those of groups that stay apart, the far place of a return run last.
 */
export interface Settled {
  circuit: Circuit;
  scope: NetScope;
  feed: Feed;
  arrangement: Arrangement;
  fittings: readonly Fitting[];
  nodes: readonly TreePlace[];
  /** For each node the index of its box; the first nodes are the boxes themselves. */
  boxOf: readonly number[];
  /** Index of the node where an existing cable brings power; null where a home run is planned to any node. */
  root: number | null;
  /** The cable by which the feed comes, where the job knows it. */
  fedBy: ExistingCable | null;
  /** Index of the box whose luminaire hangs at the far end, and of its far place, on which nothing else hangs; null for none. */
  returning: { near: number; far: number } | null;
  /** Between boxes of which one is several nodes: the two that have a forced run. */
  forcedAt: readonly (readonly [TreePlace, TreePlace])[];
  /** Between such boxes: the two that have what lies there. */
  lyingAt: readonly LyingAt[];
  neutralOpen: boolean;
  classes: readonly NetClass[];
}

/** What a settled arrangement starts from: the tree is what is to be found. */
export interface Order {
  chains: Record<GroupId, SlotId[]>;
  neutralAt: SlotId[];
  feed: Feed;
  /** Groups that stay apart from the others of their box. */
  apart: readonly ApartNode[];
  returnAt: BoxId | null;
  forcedAt: readonly (readonly [TreePlace, TreePlace])[];
  lyingAt: readonly LyingAt[];
  /**
   * Which switches get the neutrals that the code asks for is left open. Everything is then priced no higher than under any
   * way to settle it; what is found is a bound, and no plan.
   */
  neutralOpen: boolean;
}

/** Builds the nets of an order: every net with the nodes that it has to reach. */
export const settle = (
  job: Job,
  circuit: Circuit,
  boxes: readonly BoxId[],
  { chains, neutralAt, feed, apart, returnAt, forcedAt, lyingAt, neutralOpen }: Order,
  fittings: readonly Fitting[],
): Settled => {
  const others = [...apart, ...(returnAt === null ? [] : [returnNode(returnPlaceOf(returnAt))])];
  const nodes: TreePlace[] = [...boxes, ...others.map(({ node }) => node)];
  const scope: NetScope = { circuit: circuit.id, apart: others };
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
    forcedAt,
    lyingAt,
    neutralOpen,
    boxOf: [...boxes.keys(), ...others.map(({ box }) => boxes.indexOf(box))],
    returning: near === undefined ? null : { near, far: nodes.length - 1 },
    classes,
  };
};

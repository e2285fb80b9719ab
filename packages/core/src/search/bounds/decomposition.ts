import { PANEL } from '../../model/ids.js';
import type { Feed } from '../../model/job.js';
import { junctionsOf, type OrderSpace } from '../orders.js';
import type { PriceTables } from '../prices/priceTables.js';
import { runPricesOf } from '../prices/runPrices.js';
import { dualAscent } from './dualAscent.js';
import { spanningPairs } from './graphs.js';
import type { Grown } from './growTree.js';
import { unforced } from './lines.js';
import { wayOf, type Reaching } from './netWays.js';
import { openCircuit, type OpenCircuit, type OpenNet } from './openNets.js';
import { createPayments, type Payments } from './payments.js';
import { shareNodes, shareRuns, weightsOf } from './shares.js';

/** So many steps at most, fewer where each takes longer; of nets that join much, what is proved is reckoned after so many of them. */
const ROUNDS = { most: 500, least: 60, work: 12_000_000 };
const PROVED_EACH = 12;
/** How far a payment moves in the first round and in the last, as a part of what is to be paid for a box with its run. */
const STEP = { first: 0.08, last: 0.0002 };

/** Is a place of a net none of the circuit's boxes? */
const isLost = ({ at, oneOf }: OpenNet): boolean => [...at, ...oneOf.flat()].some((node) => node < 0);

/** Where the ways of the nets, the tree and the nodes disagree: more is to be paid where nets go that the others do not carry. */
const pullApart = (
  { nets, turns }: OpenCircuit,
  { pull }: Payments,
  ways: readonly Grown[],
  {
    pairs,
    carried,
  }: { pairs: readonly [number, number][]; carried: (a: number, b: number) => readonly number[] },
  nodes: ReturnType<typeof shareNodes>['all'],
): void => {
  ways.forEach(({ runs, by }, net) => {
    for (const [a, b] of runs) {
      pull.run(net, a, b, 1);
      pull.end(a, net, 1);
      pull.end(b, net, 1);
    }
    by.forEach((node, set) => {
      const group = nets[net]?.turn[set] ?? null;
      if (group !== null && turns[group] && node >= 0) pull.turn(group, node, 1);
    });
  });
  for (const [a, b] of pairs) {
    for (const net of carried(a, b)) pull.run(net, a, b, -1);
    pull.cable(a, 1);
    pull.cable(b, 1);
  }
  nodes.forEach(({ cables, ends, net }, node) => {
    pull.cable(node, -cables);
    ends.forEach((count, of) => pull.end(node, net[of] ?? 0, -count));
  });
  // Of the switches of a group each begins or ends its chain once at most.
  nets[1]?.oneOf.forEach((switches, group) => {
    if (turns[group]) for (const node of switches) pull.turn(group, node, -1);
  });
};

/**
 * A weight that no arrangement is below with power by one feed, in any order of the switches, less the devices: by Lagrangian decomposition (Guignard and
 * Kim, "Lagrangean decomposition", Mathematical Programming 39, 1987). Each net pays for the runs that it goes over and for its ends at nodes; what is
 * left of the runs is spanned by a tree, what is left of each box is the least that any load leaves, and each net goes its own least way. Whatever is
 * paid, the sum of these is no higher than any arrangement; subgradient steps change what is paid until it is high.
 *
 * `best` is the weight of the best that is known, less the devices: it sets how far a step goes, and whether the bound holds does not hang on it, nor on
 * the number of rounds. What is thought of runs is not counted; more runs at a box than are tried are left out. -Infinity where cables lie there already, as their prices are below nothing.
 */
export const decomposedBound = (
  tables: PriceTables,
  space: OrderSpace,
  feed: Feed,
  best: number,
  mostRounds = ROUNDS.most,
): number => {
  const open = openCircuit(tables, space, feed);
  const { boxes, nets } = open;
  const n = boxes.length;
  const runs = runPricesOf(tables, open.settled);
  const offers = boxes.map((_, a) => boxes.map((__, b) => (a === b ? [] : unforced(runs.offers(a, b)))));
  if (n < 2 || nets.some(isLost) || offers.flat(2).some(({ cost }) => cost < 0)) return -Infinity;
  const junctions = new Set<string>(junctionsOf(tables.job));
  const isOptional = boxes.map((box) => junctions.has(box) && box !== feed.at);
  const needed = boxes.flatMap((_, node) => (isOptional[node] ? [] : [node]));
  const homeOf = (node: number) =>
    Math.min(Infinity, ...unforced(runs.offers('panel', node)).map(({ cost }) => cost));
  const homes = feed.at === PANEL ? boxes.map((_, node) => homeOf(node)) : null;
  const payments = createPayments(nets, space.groups.length, offers);
  const reaching = nets.map(({ turn }) => (set: number, node: number): number => {
    const group = turn[set] ?? null;
    return group === null || !open.turns[group] ? 0 : payments.turn(group, node);
  });

  let proved = -Infinity;
  const rounds = Math.round(ROUNDS.work / (nets.length * n * n));
  const most = Math.min(mostRounds, Math.max(ROUNDS.least, rounds));
  for (let round = 1; round <= most; round++) {
    const { left, carried } = shareRuns(open, offers, payments);
    const { all, sum } = shareNodes(tables, open, payments, isOptional, homes);
    const weights = nets.map((_, net) => weightsOf(net, offers, payments));
    const { sum: spanned, pairs } = spanningPairs(left, needed);
    // Through boxes that may be left out a tree may be shorter.
    const joined = needed.length === n ? spanned : dualAscent(left, needed);
    const around = joined + sum - payments.turns();
    const isProved = round % PROVED_EACH === 0 || round === most;
    const ways = nets.map((net, at) =>
      wayOf(n, weights[at] as Float64Array, net, reaching[at] as Reaching, isProved),
    );
    const least = ways.reduce((all, way) => all + way.least, around);
    if (least > proved) proved = least;
    pullApart(open, payments, ways, { pairs, carried }, all);
    const size = (best / n) * STEP.first * (STEP.last / STEP.first) ** (round / most);
    if (!payments.step(size, (node) => (open.nodes[node]?.length ?? 0) === 0) || proved >= best) break;
  }
  return proved;
};

import { cablesThere, type BoxId, type GroupId, type Job } from '../../src/index.js';
import { nodePlaceOf } from '../../src/model/ids.js';
import type { ApartNode } from '../../src/planning/nets.js';
import { neutralRequirement } from '../../src/nec/neutralRequirement.js';
import { createFitter } from '../../src/planning/devices.js';
import type { Room, Weights } from '../../src/search/prices/weights.js';
import { priceTablesOf, type PriceTables } from '../../src/search/prices/priceTables.js';
import { settle, type Order, type Settled } from '../../src/search/problem.js';
import { boundingOf } from '../../src/search/bounds/bounding.js';
import { weighedOf, type Entering, type Weighed } from '../../src/search/bounds/weighed.js';

/** All orders of a list. */
const orders = <T>(items: readonly T[]): T[][] => {
  if (items.length < 2) return [[...items]];
  const [first, ...others] = items as [T, ...T[]];
  return orders(others).flatMap((order) =>
    Array.from({ length: items.length }, (_, i) => [...order.slice(0, i), first, ...order.slice(i)]),
  );
};

const everyPick = <T>(lists: readonly (readonly T[])[]): T[][] => {
  const [first, ...others] = lists;
  return first ? everyPick(others).flatMap((picked) => first.map((one) => [one, ...picked])) : [[]];
};

const subsets = <T>(items: readonly T[]): T[][] =>
  items.reduce<T[][]>((all, one) => [...all, ...all.map((set) => [...set, one])], [[]]);

/** A tree hung from one of its nodes: the parent of each other node, and the nodes behind each run as bits. */
interface Hung {
  root: number;
  nodes: Int8Array;
  parents: Int8Array;
  behind: Uint8Array;
}
const known = new Map<number, Hung[]>();

/** Every labelled tree on n nodes (Pruefer sequences), hung from every node: n to the power of n - 1 of them. */
const everyTree = (n: number): Hung[] => {
  const found = known.get(n);
  if (found) return found;
  const all: Hung[] = [];
  for (let number = 0; number < n ** Math.max(0, n - 2); number++) {
    const sequence = Array.from({ length: Math.max(0, n - 2) }, (_, i) => Math.floor(number / n ** i) % n);
    const left = Array.from({ length: n }, (_, node) => 1 + sequence.filter((one) => one === node).length);
    const ties: [number, number][] = sequence.map((to) => {
      const leaf = left.indexOf(1);
      left[leaf] = 0;
      left[to] = (left[to] ?? 0) - 1;
      return [leaf, to];
    });
    if (n > 1) ties.push([left.indexOf(1), left.lastIndexOf(1)]);
    for (let root = 0; root < n; root++) {
      const nodes: number[] = [];
      const parents: number[] = [];
      const behind: number[] = [];
      const hang = (node: number, from: number): number => {
        let set = 1 << node;
        for (const [a, b] of ties) {
          if ((a !== node && b !== node) || a === from || b === from) continue;
          const child = a === node ? b : a;
          const below = hang(child, node);
          nodes.push(child);
          parents.push(node);
          behind.push(below);
          set |= below;
        }
        return set;
      };
      hang(root, -1);
      all.push({
        root,
        nodes: Int8Array.from(nodes),
        parents: Int8Array.from(parents),
        behind: Uint8Array.from(behind),
      });
    }
  }
  known.set(n, all);
  return all;
};

const farOf = (box: string) => `${box}~return`;
const boxOf = (node: string) => node.replace(/~(return|node\..*)$/, '');

/** Every way to part a few things into heaps. */
const heapsOf = <T>(items: readonly T[]): T[][][] => {
  const [first, ...others] = items;
  if (first === undefined) return [[]];
  return heapsOf(others).flatMap((heaps) => [
    [[first], ...heaps],
    ...heaps.map((_, at) => heaps.map((one, i) => (i === at ? [first, ...one] : one))),
  ]);
};

/** Every way for the groups of these boxes to stay apart in each: which heap is the box itself matters where the feed is in it. */
const everyApart = (job: Job, circuit: string, boxes: readonly BoxId[], feedAt: string): ApartNode[][] =>
  everyPick(
    boxes.map((box): ApartNode[][] => {
      const all = [...job.slots, ...job.luminaires].filter((one) => one.box === box);
      const groups = job.groups.filter(
        ({ id, circuit: mine }) => mine === circuit && all.some((one) => one.group === id),
      );
      return heapsOf(groups.map(({ id }) => id)).flatMap((heaps) =>
        (feedAt === box ? heaps : heaps.slice(0, 1)).map((itself) =>
          heaps
            .filter((heap) => heap !== itself)
            .map((heap) => ({ box, node: nodePlaceOf(box, heap[0] as GroupId), groups: heap })),
        ),
      );
    }),
  ).map((picked) => picked.flat());

/** Every way to say which two nodes each cable that lies there is kept for, where a box at its end is several; two may be kept for the same. */
const everyLying = (
  job: Job,
  circuit: string,
  boxes: readonly string[],
  { apart, returnAt }: Order,
): Order['lyingAt'][] => {
  const nodesOf = (box: string) => [
    box,
    ...apart.filter((one) => one.box === box).map(({ node }) => node),
    ...(returnAt === box ? [farOf(box)] : []),
  ];
  return everyPick(
    cablesThere(job)
      .filter((one) => one.circuit === circuit && one.between.every((box) => boxes.includes(box)))
      .filter(({ between }) => between.some((box) => nodesOf(box).length > 1))
      .map(({ id, between: [a, b] }) =>
        nodesOf(a).flatMap((from) =>
          nodesOf(b).map((to) => ({ cable: id, between: [from, to] as Order['lyingAt'][number]['between'] })),
        ),
      ),
  );
};

/** The cheapest tree on just these nodes with power entering at one of them. */
const cheapestOn = (
  problem: Weighed,
  entry: Entering,
  { classes, nodes }: Settled,
  on: readonly number[],
  forced: readonly (readonly [string, string])[],
  forbidden: (a: string, b: string) => boolean,
): number => {
  const n = nodes.length;
  const root = on.indexOf(entry.root);
  // Nets that a run carries: those with a terminal behind it and one before it.
  const crossing = Array.from({ length: 1 << on.length }, (_, set) =>
    classes.reduce((bits, { at, fromPanel }, i) => {
      const behind = at.filter((node) => ((set >> on.indexOf(node)) & 1) === 1);
      return behind.length > 0 && (behind.length < at.length || fromPanel) ? bits | (1 << i) : bits;
    }, 0),
  );
  const isFar = nodes.map((node) => node.endsWith('~return'));
  const barred = (a: number, b: number) =>
    boxOf(nodes[a] ?? '') === boxOf(nodes[b] ?? '') || forbidden(nodes[a] ?? '', nodes[b] ?? '');
  const runs = new Map<number, ReturnType<Weighed['run']>>();
  const priced = (parent: number, node: number, set: number) => {
    const key = (set * n + parent) * n + node;
    const before = runs.get(key);
    if (before !== undefined) return before;
    const made = barred(parent, node) ? null : problem.run(parent, node, crossing[set] ?? 0);
    runs.set(key, made);
    return made;
  };
  let least = Infinity;
  const loads = new Float64Array(n);
  const joined = (a: string, b: string, tree: Hung) =>
    tree.nodes.some((node, i) => {
      const ends = [nodes[on[node] ?? 0], nodes[on[tree.parents[i] ?? 0] ?? 0]].map((one) =>
        boxOf(one ?? ''),
      );
      return ends.includes(a) && ends.includes(b);
    });
  trees: for (const tree of everyTree(on.length)) {
    if (tree.root !== root) continue;
    loads.fill(0);
    loads[entry.root] = entry.load;
    let cost = entry.cost;
    for (let i = 0; i < tree.nodes.length; i++) {
      const node = on[tree.nodes[i] ?? 0] ?? 0;
      const parent = on[tree.parents[i] ?? 0] ?? 0;
      if (isFar[parent]) continue trees;
      const run = priced(parent, node, tree.behind[i] ?? 0);
      if (!run) continue trees;
      cost += run.cost;
      loads[node] = (loads[node] ?? 0) + run.load;
      loads[parent] = (loads[parent] ?? 0) + run.load;
    }
    for (const node of on) cost += problem.node(node, loads[node] ?? 0);
    // What stands in a box that is several nodes, by all that comes to it.
    problem.shared?.nodes.forEach((mask, place) => {
      cost +=
        problem.shared?.cost(
          place,
          [...loads].filter((_, node) => (mask >> node) & 1),
        ) ?? 0;
    });
    if (cost < least && forced.every(([a, b]) => joined(a, b, tree))) least = cost;
  }
  return least;
};

/** The most nodes that a tree of the first circuit has: its boxes, and of each box the groups that stay apart there. */
export const nodesOf = (job: Job): number => {
  const groups = new Set<string>(
    job.groups.filter((group) => group.circuit === job.circuits[0]?.id).map(({ id }) => id),
  );
  return job.boxes.reduce((sum, box) => {
    const here = [...job.slots, ...job.luminaires].filter(
      (one) => one.box === box.id && groups.has(one.group),
    );
    return sum + Math.max(1, new Set(here.map((one) => one.group)).size);
  }, 0);
};

export interface TwinOptions {
  weights: Weights;
  room?: Room;
  returnRuns: boolean;
}

/**
 * The least weight of the first circuit of a job by trying everything: every feed, order of switches, choice of neutrals,
 * return run, set of junctions, box that power enters, and tree. It shares the price tables with the search and nothing
 * else; forced and forbidden runs it sees to itself. Gives how much it tried, too.
 */
export const leastByTrying = (job: Job, { weights, room, returnRuns }: TwinOptions) => {
  const [circuit] = job.circuits;
  if (!circuit) throw new Error('no circuit to plan');
  const unruled = { ...job, runFacts: job.runFacts.map((fact) => ({ ...fact, rule: null })) };
  const tables: PriceTables = priceTablesOf(unruled, circuit, weights, room);
  const bounding = boundingOf(tables);
  const groups = job.groups.filter((group) => group.circuit === circuit.id);
  const ids = new Set<string>(groups.map((group) => group.id));
  const switched = groups.filter((group) => group.control === 'switched');
  const slotsOf = (group: string) => job.slots.filter((slot) => slot.group === group);
  const holding = [...job.slots, ...job.luminaires].filter((one) => ids.has(one.group)).map((one) => one.box);
  const used = new Set<string>([
    ...[...job.slots, ...job.luminaires].map((one) => one.box),
    ...job.feeds.map((feed) => feed.at),
  ]);
  const spare = job.boxes.filter((box) => !used.has(box.id) && box.work !== 'existing').map((box) => box.id);
  const ruled = (rule: 'forced' | 'forbidden') =>
    job.runFacts.filter((fact) => fact.rule === rule).map((fact) => fact.between);
  const between = ([a, b]: readonly [string, string], x: string, y: string) =>
    (a === boxOf(x) && b === boxOf(y)) || (a === boxOf(y) && b === boxOf(x));
  const forbidden = (x: string, y: string) => ruled('forbidden').some((pair) => between(pair, x, y));
  const elsewhere = (pair: readonly [string, string]) =>
    job.choices.some(
      (one) => one.circuit !== circuit.id && one.runs.some((run) => between(pair, run.from, run.to)),
    );
  const asked = switched.map((group) => {
    const slots = slotsOf(group.id).map((slot) => slot.id);
    // What somebody has said of a switch goes before the rule.
    const said = (what: string) =>
      slotsOf(group.id).flatMap((slot) => (slot.neutral === what ? [slot.id] : []));
    const but = (some: typeof slots) => some.filter((slot) => !said('none').includes(slot));
    const { need, slots: where } = neutralRequirement(job, group);
    if (job.preferences.neutral === 'everySwitch') return [[...said('brought'), ...but(slots)]];
    if (need === 'each') return [[...said('brought'), ...but(where)]];
    if (need === 'none' || but(where).length === 0) return [said('brought')];
    // One that is brought by statement is the one that is asked for.
    if (where.some((slot) => said('brought').includes(slot))) return [said('brought')];
    return but(where).map((slot) => [...said('brought'), slot]);
  });
  const fit = createFitter(job, circuit);
  let least = Infinity;
  let tried = 0;
  for (const picked of everyPick(switched.map((group) => orders(slotsOf(group.id).map((slot) => slot.id))))) {
    const chains = Object.fromEntries(switched.map((group, i) => [group.id, picked[i] ?? []]));
    const fittings = fit(chains);
    if (fittings.some((one) => one.article === null || one.misfit !== null)) continue;
    for (const feed of job.feeds.filter((one) => one.circuit === circuit.id)) {
      const lit = job.luminaires
        .filter((one) => switched.some((group) => group.id === one.group))
        .map((one) => one.box)
        .filter((box) => feed.at === 'panel' || feed.at === box);
      const atFeed = feed.at === 'panel' ? [] : [feed.at];
      for (const { returnAt, apart } of everyApart(job, circuit.id, [...new Set(holding)], feed.at).flatMap(
        (one) =>
          [null, ...(returnRuns ? new Set(lit) : [])]
            .filter((box) => !one.some((node) => node.box === box))
            .map((box) => ({ returnAt: box, apart: one })),
      ))
        for (const neutrals of everyPick(asked))
          for (const junctions of subsets(spare)) {
            const boxes = [...new Set([...holding, ...atFeed, ...junctions])];
            const order: Order = {
              chains,
              neutralAt: neutrals.flat(),
              feed,
              apart,
              returnAt,
              forcedAt: [],
              lyingAt: [],
              neutralOpen: false,
            };
            const pairs = ruled('forced').filter((pair) => !elsewhere(pair));
            const mine = new Set<string>([...holding, ...atFeed, ...spare]);
            const forced = pairs.filter(([a, b]) => mine.has(a) && mine.has(b));
            const homes = pairs
              .flatMap(([a, b]) => (a === 'panel' ? [b] : b === 'panel' ? [a] : []))
              .filter(
                (box) =>
                  mine.has(box) || job.feeds.some((one) => one.circuit === circuit.id && one.at === box),
              );
            for (const lyingAt of everyLying(job, circuit.id, boxes, order)) {
              const settled = settle(unruled, circuit, boxes, { ...order, lyingAt }, fittings);
              const problem = weighedOf(bounding, settled);
              for (const entering of problem.entries) {
                const entry = settled.nodes[entering.root] ?? '';
                if (feed.at === 'panel') {
                  if (returnAt !== null && entry !== returnAt) continue;
                  if (forbidden('panel', entry)) continue;
                  if (homes.length > 0 && !homes.includes(boxOf(entry) as never)) continue;
                } else if (homes.length > 0 && !homes.includes(feed.at)) continue;
                if (returnAt !== null && settled.nodes.includes(farOf(returnAt) as never) === false)
                  throw new Error('a return run without its far place');
                const on = settled.nodes.map((_, i) => i);
                const cost = cheapestOn(problem, entering, settled, on, forced, forbidden);
                tried += on.length ** Math.max(0, on.length - 2);
                least = Math.min(least, cost + problem.fixed);
              }
            }
          }
    }
  }
  return { least, tried };
};

import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { leastCost, mastersChoice } from '../src/search/prices/weights.js';
import { openCircuit } from '../src/search/bounds/openNets.js';
import { unforced } from '../src/search/bounds/lines.js';
import { createPayments } from '../src/search/bounds/payments.js';
import { leastNode, shareRuns } from '../src/search/bounds/shares.js';
import { NO_CONSTRAINTS, ordersOf, orderSpaceOf, withNeutrals } from '../src/search/orders.js';
import { nodePricesOf } from '../src/search/prices/nodePrices.js';
import { FORCED, runPricesOf } from '../src/search/prices/runPrices.js';
import { settle, type NetClass } from '../src/search/problem.js';
import { TOP } from '../src/search/tree.js';
import { priceTablesOf } from '../src/search/prices/priceTables.js';
import { naming } from './support/samples.js';

import { jobs } from './support/decomposedJobs.js';

/** A tree over the nodes of an arrangement, drawn at random from where power enters. */
const anyTree = (n: number, root: number, far: number, pick: (count: number) => number): number[] => {
  const reached = [root];
  const open = Array.from({ length: n }, (_, i) => i).filter((i) => i !== root);
  const parents = Array.from({ length: n }, () => TOP);
  while (open.length > 0) {
    const [node = 0] = open.splice(pick(open.length), 1);
    // Nothing hangs on the far end of a return run.
    const held = reached.filter((one) => one !== far);
    parents[node] = held[pick(held.length)] ?? root;
    reached.push(node);
  }
  return parents;
};

test('in any arrangement every run and every box costs no less than its share and what the nets pay there', () => {
  let boxesSeen = 0;
  let returning = 0;
  let parted = 0;
  let runsSeen = 0;
  jobs.forEach((job, at) => {
    const [circuit] = job.circuits;
    if (!circuit) throw new Error('no circuit');
    const tables = priceTablesOf(job, circuit, at % 2 === 0 ? leastCost(job) : mastersChoice(job));
    const space = orderSpaceOf(job, circuit, NO_CONSTRAINTS);
    const random = xoroshiro128plus(at + 1);
    const pick = (count: number) => uniformInt(random, 0, count - 1);
    const orders = ordersOf(space).flatMap(withNeutrals);
    for (let times = 0; times < 24 && orders.length > 0; times++) {
      const one = orders[pick(orders.length)];
      if (!one) continue;
      const { feed } = one.order;
      const settled = settle(job, circuit, one.boxes, one.order, one.fittings);
      const n = settled.nodes.length;
      const boxes = one.boxes.length;
      const far = settled.returning?.far ?? -1;
      const root = settled.root ?? settled.returning?.near ?? pick(n);
      const parents = anyTree(n, root, far, pick);
      const runs = runPricesOf(tables, settled);
      const open = openCircuit(tables, space, feed);
      // As the bound asks for them: every box one node, whatever lies there.
      const offered = runPricesOf(tables, open.settled);
      const offers = one.boxes.map((_, a) =>
        one.boxes.map((__, b) => (a === b ? [] : unforced(offered.offers(a, b)))),
      );
      if (offers.flat(2).some(({ cost }) => cost < 0)) continue;
      const payments = createPayments(open.nets, space.groups.length, offers);
      const much = pick(3) * 20_000;
      const isFree = (node: number) => (open.nodes[node]?.length ?? 0) === 0;
      for (let node = 0; node < boxes; node++) payments.pull.cable(node, pick(2));
      if (much > 0) payments.step(much, isFree);
      for (let times = 0; times < 3; times++) {
        for (let node = 0; node < boxes; node++)
          open.nets.forEach((_, net) => payments.pull.end(node, net, pick(4) - 1));
        payments.step(pick(15_000) + 1, isFree);
      }
      const { left } = shareRuns(open, offers, payments);
      const netOf = ({ nets: [net] }: NetClass) => {
        const group = space.groups.findIndex((each) => each.group.id === net?.group);
        return net?.kind === 'neutral'
          ? 0
          : net?.kind === 'hot'
            ? 1
            : 2 + 2 * group + (net?.kind === 'traveler' ? 1 : 0);
      };
      open.nets.forEach(({ at: every, oneOf }, net) => {
        const reached = settled.classes
          .filter((each) => netOf(each) === net)
          .flatMap((each) => each.at.map((node) => settled.boxOf[node]));
        expect(reached).toEqual(expect.arrayContaining([...every]));
        for (const some of oneOf) expect(some.some((node) => reached.includes(node))).toBe(true);
      });
      /** Is a node behind another? */
      const isBehind = (node: number, other: number): boolean =>
        node === other || (node !== root && isBehind(parents[node] ?? root, other));
      const count = settled.classes.length;
      const ends = new Uint8Array(n * count);
      const trunks = new Float64Array(n);
      const cables = new Float64Array(n);
      const add = (node: number, crossing: number, trunk: number) => {
        trunks[node] = (trunks[node] ?? 0) + trunk;
        for (let i = 0; i < count; i++)
          if ((crossing >> i) & 1) ends[node * count + i] = (ends[node * count + i] ?? 0) + 1;
      };
      let isWide = false;
      for (let node = 0; node < n; node++) {
        if (node === root) continue;
        const parent = parents[node] ?? root;
        let crossing = 0;
        settled.classes.forEach(({ at: where, fromPanel }, i) => {
          const behind = where.filter((each) => isBehind(each, node)).length;
          if (behind > 0 && behind < where.length + (fromPanel ? 1 : 0)) crossing |= 1 << i;
        });
        const run = runs.between(parent, node, crossing);
        const [a = 0, b = 0] = [settled.boxOf[parent], settled.boxOf[node]];
        if (!run || run.cost === Infinity || parent === far) {
          isWide = true;
          break;
        }
        add(parent, crossing, run.trunk);
        add(node, crossing, run.trunk);
        cables[a] = (cables[a] ?? 0) + 1;
        cables[b] = (cables[b] ?? 0) + 1;
        const paid = settled.classes.reduce(
          (sum, each, i) => sum + ((crossing >> i) & 1 ? payments.run(netOf(each), a, b) : 0),
          0,
        );
        runsSeen += 1;
        const share = (left[a]?.[b] ?? Infinity) - payments.cable(a) - payments.cable(b);
        const forced = run.cost < -FORCED / 2 ? FORCED : 0;
        expect(run.cost + forced).toBeGreaterThanOrEqual(share + paid - 0.01);
      }
      if (isWide) continue;
      const paidEnds = one.boxes.map((_, box) =>
        settled.nodes.reduce(
          (sum, __, node) =>
            settled.boxOf[node] !== box
              ? sum
              : sum +
                settled.classes.reduce(
                  (all, each, i) => all + (ends[node * count + i] ?? 0) * payments.end(box, netOf(each)),
                  0,
                ),
          (cables[box] ?? 0) ? (cables[box] ?? 0) * payments.cable(box) : 0,
        ),
      );
      const bits = (is: (each: NetClass) => boolean) =>
        settled.classes.reduce((all, each, i) => (is(each) ? all | (1 << i) : all), 0);
      if (settled.root === null) {
        const home = runs.home(
          root,
          bits(({ fromPanel }) => fromPanel),
        );
        if (!home) continue;
        add(
          root,
          bits(({ fromPanel }) => fromPanel),
          home.trunk,
        );
      } else
        add(
          root,
          bits(({ nets: [net] }) => net?.kind === 'hot' || net?.kind === 'neutral'),
          0,
        );
      const { nodes, boxes: several } = nodePricesOf(tables, settled);
      one.boxes.forEach((_, box) => {
        const within = settled.nodes.flatMap((__, node) => (settled.boxOf[node] === box ? [node] : []));
        const cost =
          within.reduce(
            (sum, node) => sum + (nodes[node]?.costOf(trunks[node] ?? 0, ends, node * count) ?? 0),
            0,
          ) + (several[box]?.cost(within.reduce((sum, node) => sum + (trunks[node] ?? 0), 0)) ?? 0);
        if (cost === Infinity) return;
        const isEntered = settled.root === null && settled.boxOf[root] === box;
        const share = leastNode(
          tables,
          payments,
          box,
          (isEntered ? open.entered : open.nodes)[box] ?? [],
          isEntered ? 1 : 0,
        );
        boxesSeen += 1;
        if (settled.returning?.near === box) returning += 1;
        if (within.length > 1 && settled.returning?.near !== box) parted += 1;
        naming(`case ${at}, ${one.boxes[box]}`, () =>
          expect(cost).toBeGreaterThanOrEqual(share.cost + (paidEnds[box] ?? 0) - 0.01),
        );
      });
    }
  });
  expect(runsSeen).toBeGreaterThan(1000);
  expect(boxesSeen).toBeGreaterThan(500);
  expect(Math.min(returning, parted)).toBeGreaterThan(10);
});

import fc from 'fast-check';
import { leastCost, mastersChoice } from '../src/search/prices/weights.js';
import { decomposedBound } from '../src/search/bounds/decomposition.js';
import { dualAscent } from '../src/search/bounds/dualAscent.js';
import { growTree } from '../src/search/bounds/growTree.js';
import { isJoined } from './support/leastTree.js';
import { openCircuit, type OpenNet } from '../src/search/bounds/openNets.js';
import { runShare } from '../src/search/bounds/runShare.js';
import { fixedOf } from '../src/search/bounds/weighed.js';
import { NO_CONSTRAINTS, orderSpaceOf } from '../src/search/orders.js';
import { priceTablesOf } from '../src/search/prices/priceTables.js';
import { relaxedNode } from '../src/search/prices/relaxedNode.js';
import type { NodeFacts } from '../src/search/prices/nodeFacts.js';
import { createSearch } from '../src/search/search.js';
import { naming } from './support/samples.js';
import { jobs } from './support/decomposedJobs.js';

test('no arrangement weighs less than what was shown, with return runs, parted groups and prices of judgement', () => {
  let compared = 0;
  let withReturn = 0;
  let apart = 0;
  const near: number[] = [];
  jobs.forEach((job, at) => {
    const [circuit] = job.circuits;
    if (!circuit) throw new Error('no circuit');
    for (const [weighing, returnRuns] of [
      [leastCost, true],
      [mastersChoice, at % 2 === 0],
    ] as const)
      naming(`case ${at}, ${weighing.name}`, () => {
        const weights = weighing(job);
        const constraints = { ...NO_CONSTRAINTS, returnRuns };
        const { best, proved } = createSearch(job, circuit, { weights, constraints }).least({
          mostSteps: 2_000_000,
        });
        if (!best || !proved) return;
        const tables = priceTablesOf(job, circuit, weights);
        const space = orderSpaceOf(job, circuit, constraints);
        const devices = fixedOf(tables, best.settled, () => false).fixed;
        const weight = best.weight - devices;
        const bound = Math.min(
          ...space.feeds.map((feed) => decomposedBound(tables, space, feed, weight, 48)),
        );
        if (bound === -Infinity) return;
        compared += 1;
        expect(bound).toBeLessThanOrEqual(weight + 0.01);
        near.push(bound / weight);
        if (best.settled.returning !== null) withReturn += 1;
        if (best.settled.scope.apart.some(({ groups }) => groups !== null)) apart += 1;
      });
  });
  expect(compared).toBeGreaterThan(jobs.length / 2);
  expect(withReturn).toBeGreaterThan(0);
  expect(apart).toBeGreaterThan(0);
  // And it is not far below.
  expect(near.sort((a, b) => a - b)[Math.floor(near.length / 2)]).toBeGreaterThan(0.8);
});

/** The least that a node leaves, every load of up to so many runs tried one by one. */
const triedOut = (
  tables: Parameters<typeof relaxedNode>[0],
  { station, grounds, opening, classes, allNew, judged }: NodeFacts,
  paid: { cable: number; end: (of: number) => number },
  homeRuns: 0 | 1,
  most: number,
): number => {
  const widths = tables.cables.map((one) => one.insulated.length);
  let least = Infinity;
  const tryEnds = (runs: number, of: number, conductors: number, cost: number): void => {
    const one = classes[of];
    if (one) {
      for (let ends = Math.max(0, one.fewest - one.fed); ends <= runs; ends++) {
        const spliced = one.costs[ends + one.fed + (one.home ? homeRuns : 0)] ?? Infinity;
        if (spliced < Infinity)
          tryEnds(
            runs,
            of + 1,
            conductors + ends * one.lanes,
            cost + spliced * one.lanes - ends * paid.end(of),
          );
      }
      return;
    }
    if (allNew && conductors > runs * Math.max(...widths)) return;
    const all = runs + homeRuns;
    const narrow = Math.min(...widths);
    const counts = allNew ? [all] : Array.from({ length: all + 1 }, (_, i) => i);
    const ground = grounds
      ? Math.min(
          ...counts.flatMap((count) => [grounds.plain[count] ?? Infinity, grounds.bonded[count] ?? Infinity]),
        )
      : 0;
    const box = !station
      ? 0
      : allNew
        ? station.atLeast(Math.max(conductors, narrow * runs) + narrow * homeRuns, all) + judged.cables(all)
        : station.atLeast(0, 0);
    least = Math.min(least, opening + ground + box + cost - runs * paid.cable);
  };
  for (let runs = 1; runs <= most; runs++) tryEnds(runs, 0, 0, 0);
  return least;
};

test('what a node leaves is the least over all that may come to it', () => {
  let same = 0;
  let beyond = 0;
  const amounts = fc.sample(
    fc.array(fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 60_000 })), { minLength: 24, maxLength: 24 }),
    { seed: 31, numRuns: 40 },
  );
  jobs.slice(0, 40).forEach((job, at) => {
    const [circuit] = job.circuits;
    if (!circuit) throw new Error('no circuit');
    const tables = priceTablesOf(job, circuit, mastersChoice(job));
    const space = orderSpaceOf(job, circuit, NO_CONSTRAINTS);
    const [feed] = space.feeds;
    if (!feed) return;
    const [cable = 0, ...ends] = amounts[at] ?? [];
    const { nodes, entered } = openCircuit(tables, space, feed);
    for (const [ways, homeRuns] of [
      [nodes, 0],
      [entered, 1],
    ] as const)
      ways.flat().forEach(({ facts, net }) => {
        // Where many nets come every load is too many to be tried.
        if (facts.classes.length > 7) return;
        const paid = { cable, end: (of: number) => ends[net[of] ?? 0] ?? 0 };
        const found = relaxedNode(tables, facts, paid, homeRuns);
        const tried = triedOut(tables, facts, paid, homeRuns, 3);
        if (found.cables <= 3) {
          same += 1;
          if (found.cost < Infinity || tried < Infinity) expect(found.cost).toBeCloseTo(tried, 4);
        } else {
          beyond += 1;
          expect(found.cost).toBeLessThanOrEqual(tried);
        }
      });
  });
  expect(same).toBeGreaterThan(100);
  expect(beyond).toBeGreaterThan(10);
});

test('what is left of a run is the least over all nets that it may carry', () => {
  const net = (pairs: number): OpenNet => ({
    conductors: pairs > 0 ? 2 : 1,
    ...{ at: [], oneOf: [], turn: [], pairs },
  });
  const cases = fc.record({
    pairs: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 1, maxLength: 6 }),
    paid: fc.array(fc.integer({ min: 0, max: 90 }), { minLength: 6, maxLength: 6 }),
    costs: fc.array(fc.integer({ min: 20, max: 200 }), { minLength: 1, maxLength: 3 }),
  });
  fc.assert(
    fc.property(cases, ({ pairs, paid, costs }) => {
      const offers = costs.map((cost, i) => ({ most: i + 2, cost }));
      const nets = pairs.map(net);
      let least = Infinity;
      const carry = (at: number, conductors: number, sum: number): void => {
        const one = nets[at];
        if (!one) {
          for (const { most, cost } of offers) if (conductors <= most) least = Math.min(least, cost - sum);
          return;
        }
        for (let count = 0; count <= Math.max(1, one.pairs); count++)
          carry(at + 1, conductors + count * one.conductors, sum + count * (paid[at] ?? 0));
      };
      carry(0, 0, 0);
      const share = runShare(nets, offers, (at) => paid[at] ?? 0);
      expect(share.left).toBe(least);
      const conductors = share.carried.reduce((sum, at) => sum + (nets[at]?.conductors ?? 0), 0);
      const kept = share.carried.reduce((sum, at) => sum + (paid[at] ?? 0), 0);
      const dearest = Math.min(
        ...offers.filter(({ most }) => most >= conductors).map(({ cost }) => cost - kept),
      );
      expect(dearest).toBe(least);
    }),
    { seed: 77, numRuns: 400 },
  );
});

test('a grown tree joins what it is to join, one of each set too, and costs no less than the dual ascent', () => {
  const places = fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 40 })), {
    minLength: 6,
    maxLength: 11,
  });
  fc.assert(
    fc.property(places, fc.integer({ min: 2, max: 5 }), fc.nat(), (points, terminals, salt) => {
      const n = points.length;
      const flat = Float64Array.from({ length: n * n }, (_, i) => {
        const [[ax, ay] = [0, 0], [bx, by] = [0, 0]] = [points[Math.floor(i / n)], points[i % n]];
        return Math.abs(ax - bx) + Math.abs(ay - by) + ((Math.floor(i / n) * (i % n) + salt) % 3);
      });
      const at = Array.from({ length: terminals }, (_, i) => i);
      const oneOf = [[n - 1, n - 2]];
      const reaching = (_: number, node: number) => (node === n - 1 ? 7 : 0);
      const { runs, by, cost } = growTree(n, flat, { at, oneOf }, reaching);
      const [reached = -1] = by;
      expect(oneOf[0]).toContain(reached);
      expect(isJoined(runs, [...at, reached])).toBe(true);
      const sum = runs.reduce((all, [a, b]) => all + (flat[a * n + b] ?? 0), reaching(0, reached));
      expect(cost).toBeCloseTo(sum, 6);
      const rows = Array.from({ length: n }, (_, row) => flat.subarray(row * n, (row + 1) * n));
      expect(cost).toBeGreaterThanOrEqual(dualAscent(rows, at) - 1e-6);
    }),
    { seed: 12, numRuns: 200 },
  );
});

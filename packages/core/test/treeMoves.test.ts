import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { largeProblem } from '../src/search/descent/largeProblem.js';
import { adjacency, rooted } from '../src/search/descent/localSearch.js';
import { NO_CONSTRAINTS, ordersOf, orderSpaceOf } from '../src/search/orders.js';
import { leastCost, mastersChoice } from '../src/search/prices/weights.js';
import { priceTablesOf } from '../src/search/prices/priceTables.js';
import { settle } from '../src/search/problem.js';
import { OUT, TOP } from '../src/search/tree.js';
import { jobs } from './support/decomposedJobs.js';

test('a tree whose part hangs elsewhere costs by what changes as much as priced whole, with groups apart and return runs too', () => {
  let moves = 0;
  let apart = 0;
  let returning = 0;
  let lawful = 0;
  jobs.forEach((job, at) => {
    const [circuit] = job.circuits;
    if (!circuit) throw new Error('no circuit');
    const tables = priceTablesOf(job, circuit, at % 2 === 0 ? leastCost(job) : mastersChoice(job));
    const orders = ordersOf(orderSpaceOf(job, circuit, NO_CONSTRAINTS));
    const random = xoroshiro128plus(at + 7);
    const pick = (count: number) => uniformInt(random, 0, count - 1);
    for (let times = 0; times < 6 && orders.length > 0; times++) {
      const one = orders[pick(orders.length)];
      if (!one) continue;
      const settled = settle(job, circuit, one.boxes, { ...one.order, neutralOpen: false }, one.fittings);
      const n = settled.nodes.length;
      const root = settled.root ?? settled.returning?.near ?? pick(n);
      const problem = largeProblem(tables, settled, root);
      // Near what a search stands at, and far from it.
      const parents = Int32Array.from({ length: n }, () => TOP);
      const reached = [root];
      for (let node = 0; node < n; node++) {
        if (node === root) continue;
        parents[node] = reached[times % 2 === 0 ? 0 : pick(reached.length)] ?? root;
        reached.push(node);
      }
      const cost = problem.cost(parents);
      if (cost === Infinity || n < 3) continue;
      if (settled.scope.apart.length > 0) apart += 1;
      if (settled.returning !== null) returning += 1;
      const priced = problem.movesOf(parents, cost);
      for (let tries = 0; tries < 30; tries++) {
        const [node, by, other] = [pick(n), pick(n), pick(n)];
        const parent = parents[node] ?? TOP;
        const ties = adjacency(parents);
        ties[node]?.delete(parent);
        ties[parent]?.delete(node);
        const part = rooted(n, ties, node);
        if (parent < 0 || part[by] === OUT || part[other] !== OUT) continue;
        ties[by]?.add(other);
        ties[other]?.add(by);
        const whole = problem.cost(rooted(n, ties, root));
        // Each thing that is out of the question weighs so much, and a run that is asked for, that parts of a cent beside it are lost.
        const near = whole >= 1e13 || cost >= 1e13 ? 1e3 : 0.01;
        expect(Math.abs(priced(node, by, other) - whole)).toBeLessThan(near);
        moves += 1;
        if (whole < 1e13 && cost < 1e13) lawful += 1;
      }
    }
  });
  expect(moves).toBeGreaterThan(1000);
  expect(lawful).toBeGreaterThan(200);
  expect(apart).toBeGreaterThan(5);
  expect(returning).toBeGreaterThan(5);
});

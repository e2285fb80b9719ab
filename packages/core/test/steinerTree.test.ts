import fc from 'fast-check';
import { growTree } from '../src/search/bounds/growTree.js';
import { leastPath } from '../src/search/bounds/leastPath.js';
import { steinerTree } from '../src/search/bounds/steinerTree.js';
import { permutations } from '../src/model/permutations.js';
import { anyWeights, isJoined, leastTree } from './support/leastTree.js';

test('the least tree is found of all that join some nodes and one of each set, with the runs that it has and what its sets are reached by', () => {
  let single = 0;
  const anySet = fc.uniqueArray(fc.nat(6), { minLength: 1, maxLength: 3 });
  fc.assert(
    fc.property(
      anyWeights(7),
      fc.uniqueArray(fc.nat(6), { maxLength: 4 }),
      fc.array(anySet, { maxLength: 3 }),
      fc.array(fc.nat(20), { minLength: 7, maxLength: 7 }),
      (weights, at, oneOf, tolls) => {
        const flat = Float64Array.from(weights.flatMap((row) => [...row]));
        const reaching = (set: number, node: number) => (set + 1) * (tolls[node] ?? 0);
        const { cost, runs, by } = steinerTree(7, flat, { at, oneOf }, reaching);
        // What is dearer than a tree that is known needs not be looked at.
        const known = growTree(7, flat, { at, oneOf }, reaching).cost;
        expect(steinerTree(7, flat, { at, oneOf }, reaching, known).cost).toBe(cost);
        expect(cost).toBe(at.length + oneOf.length === 0 ? 0 : leastTree(weights, at, oneOf, reaching));
        if (cost === Infinity) return;
        if (at.length + oneOf.length < 2) single += 1;
        const paid = runs.reduce((sum, [a, b]) => sum + (weights[a]?.[b] ?? Infinity), 0);
        expect(by.reduce((sum, node, set) => sum + reaching(set, node), paid)).toBe(cost);
        by.forEach((node, set) => expect(oneOf[set]).toContain(node));
        expect(isJoined(runs, [...at, ...by])).toBe(true);
      },
    ),
    { seed: 1971, numRuns: 400 },
  );
  expect(single).toBeGreaterThan(10);
});

test('the least path through some nodes is the least of all orders of them', () => {
  fc.assert(
    fc.property(anyWeights(6), fc.uniqueArray(fc.nat(5), { maxLength: 6 }), (weights, nodes) => {
      const { sum, pairs } = leastPath(weights, nodes);
      const orders = permutations(nodes).map((order) =>
        order.slice(1).reduce((all, node, i) => all + (weights[order[i] ?? -1]?.[node] ?? Infinity), 0),
      );
      expect(sum).toBe(nodes.length < 2 ? 0 : Math.min(...orders));
      if (sum === Infinity) return;
      expect(pairs).toHaveLength(Math.max(0, nodes.length - 1));
      expect(pairs.reduce((all, [a, b]) => all + (weights[a]?.[b] ?? Infinity), 0)).toBe(sum);
      expect(isJoined(pairs, nodes)).toBe(true);
    }),
    { seed: 1962, numRuns: 200 },
  );
});

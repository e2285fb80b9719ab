import fc from 'fast-check';
import { dualAscent, groupAscent } from '../src/search/bounds/dualAscent.js';
import { anyWeights, leastTree } from './support/leastTree.js';

test('no tree is shorter than dual ascent says, and mostly it says nearly all of its length', () => {
  let said = 0;
  let whole = 0;
  fc.assert(
    fc.property(
      anyWeights(7),
      fc.uniqueArray(fc.nat(6), { minLength: 2, maxLength: 5 }),
      (weights, nodes) => {
        const [bound, least] = [dualAscent(weights, nodes), leastTree(weights, nodes)];
        expect(bound).toBeLessThanOrEqual(least);
        if (least === Infinity) return;
        expect(bound).toBeGreaterThan(least / 2);
        said += bound;
        whole += least;
      },
    ),
    { seed: 1984, numRuns: 300 },
  );
  expect(said / whole).toBeGreaterThan(0.95);
});

test('a tree that has one of each of some groups is no shorter either', () => {
  const anyGroup = fc.uniqueArray(fc.nat(6), { minLength: 1, maxLength: 3 });
  fc.assert(
    fc.property(
      anyWeights(7),
      fc.uniqueArray(fc.nat(6), { maxLength: 2 }),
      fc.array(anyGroup, { minLength: 1, maxLength: 3 }),
      (weights, nodes, groups) => {
        expect(groupAscent(weights, nodes, groups)).toBeLessThanOrEqual(leastTree(weights, nodes, groups));
      },
    ),
    { seed: 1985, numRuns: 300 },
  );
});

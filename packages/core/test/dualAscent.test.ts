import fc from 'fast-check';
import { dualAscent, groupAscent } from '../src/search/bounds/dualAscent.js';

/** Weights of a random graph, symmetric; now and then no run may go. */
const anyWeights = (n: number) =>
  fc
    .array(fc.oneof({ weight: 9, arbitrary: fc.integer({ min: 1, max: 40 }) }, fc.constant(Infinity)), {
      minLength: n * n,
      maxLength: n * n,
    })
    .map((numbers) =>
      Array.from({ length: n }, (_, a) =>
        Float64Array.from({ length: n }, (__, b) =>
          a === b ? 0 : (numbers[Math.min(a, b) * n + Math.max(a, b)] ?? Infinity),
        ),
      ),
    );

/** The least spanning tree of some nodes; Infinity where they are not joined. */
const spanning = (weights: readonly Float64Array[], nodes: readonly number[]): number => {
  const [first, ...others] = nodes;
  if (first === undefined) return 0;
  const left = new Set(others);
  const inside = [first];
  let sum = 0;
  while (left.size > 0) {
    let best: { node: number; away: number } | null = null;
    for (const node of left)
      for (const from of inside) {
        const away = weights[from]?.[node] ?? Infinity;
        if (!best || away < best.away) best = { node, away };
      }
    if (!best || best.away === Infinity) return Infinity;
    sum += best.away;
    left.delete(best.node);
    inside.push(best.node);
  }
  return sum;
};

/** The shortest tree that has these nodes and one of each group, by trying every set of nodes. */
const leastTree = (
  weights: readonly Float64Array[],
  nodes: readonly number[],
  groups: readonly (readonly number[])[] = [],
): number => {
  let least = Infinity;
  for (let set = 1; set < 1 << weights.length; set++) {
    const within = [...weights.keys()].filter((node) => (set >> node) & 1);
    const has = (node: number) => within.includes(node);
    if (nodes.every(has) && groups.every((group) => group.some(has)))
      least = Math.min(least, spanning(weights, within));
  }
  return least;
};

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

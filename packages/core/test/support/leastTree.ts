import fc from 'fast-check';

/** Weights of a random graph, symmetric; now and then no run may go. */
export const anyWeights = (n: number) =>
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
export const leastTree = (
  weights: readonly Float64Array[],
  nodes: readonly number[],
  groups: readonly (readonly number[])[] = [],
  /** What it costs to reach a group by a node of it. */
  reaching: (group: number, node: number) => number = () => 0,
): number => {
  let least = Infinity;
  for (let set = 1; set < 1 << weights.length; set++) {
    const within = [...weights.keys()].filter((node) => (set >> node) & 1);
    const has = (node: number) => within.includes(node);
    if (!nodes.every(has)) continue;
    const reached = groups.reduce(
      (sum, group, i) => sum + Math.min(Infinity, ...group.filter(has).map((node) => reaching(i, node))),
      0,
    );
    least = Math.min(least, spanning(weights, within) + reached);
  }
  return least;
};

/** Are all of these joined by the runs? */
export const isJoined = (runs: readonly [number, number][], nodes: readonly number[]): boolean => {
  const [first] = nodes;
  if (first === undefined) return true;
  const reached = new Set([first]);
  for (let more = true; more;) {
    more = false;
    for (const [a, b] of runs)
      if (reached.has(a) !== reached.has(b)) {
        reached.add(a).add(b);
        more = true;
      }
  }
  return nodes.every((node) => reached.has(node));
};

/** Weights between nodes as one row after another. */
export type Flat = Float64Array;

/** Nodes that are to be joined, and sets of which one node is. Reaching a set by a node may cost something. */
export interface Joined {
  at: readonly number[];
  oneOf: readonly (readonly number[])[];
}

export interface Grown {
  cost: number;
  /** The runs, and by which node each set was reached. */
  runs: [number, number][];
  by: number[];
}

/**
 * A good tree that joins some nodes, through any others: the nearest that is still open is led to it by the shortest way, one after another (Takahashi
 * and Matsuyama, 1980). Steers; nothing is proved by it.
 */
export const growTree = (
  n: number,
  weights: Flat,
  { at, oneOf }: Joined,
  reaching: (set: number, node: number) => number = () => 0,
): Grown => {
  const within = new Uint8Array(n);
  const open = new Set(at);
  const sets = new Set(oneOf.keys());
  const by = oneOf.map(() => -1);
  const grown: Grown = { cost: 0, runs: [], by };
  const take = (set: number, node: number) => {
    sets.delete(set);
    by[set] = node;
    grown.cost += reaching(set, node);
  };
  const [first] = at;
  if (first !== undefined) {
    within[first] = 1;
    open.delete(first);
  } else if (oneOf.length > 0) {
    // From the node by which the first set is reached for the least.
    const [start] = [...(oneOf[0] ?? [])].sort((a, b) => reaching(0, a) - reaching(0, b));
    if (start === undefined) return grown;
    within[start] = 1;
    take(0, start);
  }
  const away = new Float64Array(n);
  const from = new Int32Array(n);
  const done = new Uint8Array(n);
  while (open.size > 0 || sets.size > 0) {
    for (let node = 0; node < n; node++) {
      away[node] = within[node] === 1 ? 0 : Infinity;
      from[node] = -1;
      done[node] = 0;
    }
    let reached = -1;
    let bySet = -1;
    let least = Infinity;
    for (;;) {
      let next = -1;
      let near = Infinity;
      for (let node = 0; node < n; node++)
        if (done[node] === 0 && (away[node] as number) < near) {
          near = away[node] as number;
          next = node;
        }
      if (next < 0 || near >= least) break;
      done[next] = 1;
      if (open.has(next)) {
        [reached, bySet] = [next, -1];
        break;
      }
      for (const set of sets)
        if (oneOf[set]?.includes(next) && near + reaching(set, next) < least)
          [reached, bySet, least] = [next, set, near + reaching(set, next)];
      const row = next * n;
      for (let node = 0; node < n; node++) {
        const way = near + (weights[row + node] as number);
        if (done[node] === 1 || way >= (away[node] as number)) continue;
        away[node] = way;
        from[node] = next;
      }
    }
    if (reached < 0) return { ...grown, cost: Infinity };
    grown.cost += away[reached] as number;
    if (bySet >= 0) take(bySet, reached);
    for (let node = reached; node >= 0 && within[node] === 0; node = from[node] as number) {
      within[node] = 1;
      open.delete(node);
      if ((from[node] as number) >= 0) grown.runs.push([from[node] as number, node]);
    }
  }
  return grown;
};

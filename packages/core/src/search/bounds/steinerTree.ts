import type { Flat, Grown, Joined } from './growTree.js';

/** How many sums it takes about to find the least tree that joins so many nodes and sets; three times as many for one more. */
export const stepsOfTree = (n: number, joined: number): number => {
  const parts = joined - 1;
  return 0.5 * 3 ** parts * n + 2 ** parts * n * n;
};

/** What a part of a tree came from: nothing (`START`), the node before it, or, below `START`, two parts that meet there. */
const START = -1;
const meeting = (part: number): number => START - 1 - part;

/**
 * The least tree that joins some nodes, and one of each set, through any others: by dynamic programming over sets of what is joined (Dreyfus and Wagner, "The
 * Steiner problem in graphs", Networks 1, 1971; with shortest ways from each part as by Erickson, Monma and Veinott, 1987). A twin of `growTree` that proves
 * what it finds. Weights are not negative.
 */
export const steinerTree = (
  n: number,
  weights: Flat,
  joined: Joined,
  reaching: (set: number, node: number) => number = () => 0,
  /** What a tree that is known costs; the least is no dearer. */
  known = Infinity,
): Grown => {
  const at = [...new Set(joined.at)];
  /** What it costs to begin at a node from the last to be joined on, sets before nodes: the first of all is where the tree ends. */
  const begins = [
    ...at.map((node) => new Float64Array(n).fill(Infinity).fill(0, node, node + 1)),
    ...joined.oneOf.map((nodes, set) => {
      const costs = new Float64Array(n).fill(Infinity);
      for (const node of nodes) costs[node] = Math.min(costs[node] as number, reaching(set, node));
      return costs;
    }),
  ];
  const by = joined.oneOf.map(() => -1);
  const [last, ...others] = begins;
  if (!last) return { cost: 0, runs: [], by };
  const all = (1 << others.length) - 1;
  const costs = new Float64Array((all + 1) * n).fill(Infinity);
  const from = new Int32Array((all + 1) * n).fill(START);
  const done = new Uint8Array(n);
  const most = known * (1 + 1e-9);
  for (let part = 1; part <= all; part++) {
    const row = part * n;
    const single = others[31 - Math.clz32(part)];
    if ((part & (part - 1)) === 0) costs.set(single ?? [], row);
    for (let one = (part - 1) & part; one > (part ^ one); one = (one - 1) & part) {
      const [a, b] = [one * n, (part ^ one) * n];
      for (let node = 0; node < n; node++) {
        const cost = (costs[a + node] as number) + (costs[b + node] as number);
        if (cost >= (costs[row + node] as number) || cost > most) continue;
        costs[row + node] = cost;
        from[row + node] = meeting(one);
      }
    }
    done.fill(0);
    let next = -1;
    for (let node = 0, near = most; node < n; node++)
      if ((costs[row + node] as number) <= near) [near, next] = [costs[row + node] as number, node];
    while (next >= 0) {
      const before = next;
      const away = costs[row + before] as number;
      done[before] = 1;
      next = -1;
      // What is dearer than a whole tree is no part of the least.
      for (let node = 0, way = before * n, near = most; node < n; node++) {
        if (done[node] === 1) continue;
        const cost = away + (weights[way + node] as number);
        if (cost < (costs[row + node] as number)) {
          costs[row + node] = cost;
          from[row + node] = before;
        }
        if ((costs[row + node] as number) <= near) {
          near = costs[row + node] as number;
          next = node;
        }
      }
    }
  }
  let cost = Infinity;
  let top = -1;
  for (let node = 0; node < n; node++) {
    const whole = (all === 0 ? 0 : (costs[all * n + node] as number)) + (last[node] as number);
    if (whole < cost) [cost, top] = [whole, node];
  }
  const runs: [number, number][] = [];
  if (top < 0) return { cost, runs, by };
  const reached = (begun: number, node: number) => {
    if (begun >= at.length) by[begun - at.length] = node;
  };
  reached(0, top);
  const open: [number, number][] = all === 0 ? [] : [[all, top]];
  for (let next = open.pop(); next; next = open.pop()) {
    const [part, node] = next;
    const before = from[part * n + node] as number;
    if (before >= 0) {
      runs.push([before, node]);
      open.push([part, before]);
    } else if (before < START) {
      const one = START - 1 - before;
      open.push([one, node], [part ^ one, node]);
    } else reached(32 - Math.clz32(part), node);
  }
  return { cost, runs, by };
};

import { placeOfNode } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import { heldAt } from '../nodes.js';
import type { Settled } from '../problem.js';
import { OUT, type Tree } from '../tree.js';
import { rooted, type TreeProblem } from './localSearch.js';

/**
 * A tree carried over to an order whose boxes are other nodes: runs go on where the groups went that were at their ends, the dearest of those
 * that would close a ring is left out, and what is not reached then is hung where that costs least.
 */
export const carriedOver = (job: Job, from: Settled, tree: Tree, to: Settled, problem: TreeProblem): Tree => {
  const { n } = problem;
  const index = new Map<string, number>(to.nodes.map((node, i) => [node, i]));
  const now = from.nodes.map((node) =>
    index.has(node) && node !== placeOfNode(node) ? node : heldAt(job, to.scope, from.scope, node),
  );
  const at = (node: number) => index.get(now[node] ?? '') ?? -1;
  const runs = from.nodes.flatMap((_, child) => {
    const parent = tree.parents[child] ?? OUT;
    const [a, b] = [at(child), parent < 0 ? -1 : at(parent)];
    return a < 0 || b < 0 || a === b ? [] : [{ a, b, near: problem.nearness(a, b) }];
  });
  const ties = Array.from({ length: n }, () => new Set<number>());
  const part = Array.from({ length: n }, (_, node) => node);
  for (const { a, b } of runs.sort((x, y) => x.near - y.near)) {
    const [mine, other] = [part[a], part[b]];
    if (mine === other) continue;
    ties[a]?.add(b);
    ties[b]?.add(a);
    part.forEach((one, node) => {
      if (one === other) part[node] = mine ?? node;
    });
  }
  let best: Tree = { parents: rooted(n, ties, problem.root), cost: Infinity };
  best.cost = problem.cost(best.parents);
  for (const node of problem.needed) {
    if (best.parents[node] !== OUT) continue;
    const { parents: before } = best;
    // All that hangs together with it comes along.
    const branch = rooted(n, ties, node);
    let least: Tree | null = null;
    for (let parent = 0; parent < n; parent++) {
      if (before[parent] === OUT || branch[parent] !== OUT || !problem.mayHold(parent)) continue;
      const parents = before.map((one, i) => (branch[i] !== OUT ? (branch[i] as number) : one));
      parents[node] = parent;
      const cost = problem.cost(parents);
      if (!least || cost < least.cost) least = { parents, cost };
    }
    if (!least) return best;
    best = least;
  }
  return best;
};

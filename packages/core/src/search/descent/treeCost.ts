import { OUT, TOP } from '../tree.js';
import type { TreeProblem } from './localSearch.js';
import type { Weighed } from '../bounds/weighed.js';

/** What a tree costs, told from its parents alone; Infinity where it is out of the question. */
export const treeCost = (problem: Weighed, parents: ArrayLike<number>): number => {
  const { n, mandatory, leaves, mostRuns, entries } = problem;
  const sets = new Int32Array(n);
  const codes = new Float64Array(n);
  const runs = new Int32Array(n);
  let top = -1;
  for (let node = 0; node < n; node++) {
    if (parents[node] === OUT) continue;
    if (parents[node] === TOP) top = node;
    // Everything above a node has it in its set; a loop never comes to the top.
    let at = node;
    for (let steps = 0; at >= 0; steps++) {
      if (steps > n) return Infinity;
      sets[at] = (sets[at] ?? 0) | (1 << node);
      at = parents[at] ?? TOP;
    }
  }
  const entry = entries.find(({ root }) => root === top);
  if (!entry) return Infinity;
  const whole = sets[top] ?? 0;
  if ((whole & mandatory) !== mandatory) return Infinity;
  let cost = 0;
  for (let node = 0; node < n; node++) {
    const parent = parents[node] ?? OUT;
    if (parent < 0) continue;
    if ((leaves & (1 << parent)) !== 0) return Infinity;
    const run = problem.run(parent, node, problem.crossing(sets[node] ?? 0));
    if (!run) return Infinity;
    cost += run.cost;
    for (const end of [parent, node]) {
      codes[end] = (codes[end] ?? 0) + run.load;
      runs[end] = (runs[end] ?? 0) + 1;
      if ((runs[end] ?? 0) > mostRuns) return Infinity;
    }
  }
  cost += entry.cost;
  codes[top] = (codes[top] ?? 0) + entry.load;
  for (let node = 0; node < n; node++)
    if (parents[node] !== OUT) cost += problem.node(node, codes[node] ?? 0);
  const { shared } = problem;
  shared?.nodes.forEach((mask, place) => {
    cost += shared.cost(
      place,
      Array.from(codes).filter((_, node) => (mask >> node) & 1),
    );
  });
  return cost;
};

/** The same as a local search sees it, with power entering at one node. */
export const treeProblemOf = (problem: Weighed, root: number): TreeProblem => ({
  n: problem.n,
  root,
  needed: Array.from({ length: problem.n }, (_, node) => node).filter(
    (node) => node === root || (problem.mandatory >> node) & 1,
  ),
  mayHold: (node) => ((problem.leaves >> node) & 1) === 0,
  cost: (parents) => treeCost(problem, parents),
  nearness: problem.nearness,
});

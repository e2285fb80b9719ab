import { PANEL, placeOfNode, type BoxId, type CircuitId, type TreePlace } from '../model/ids.js';
import type { Run } from '../model/job.js';
import { success, type Result } from '../model/result.js';
import type { PlanProblem } from './problem.js';

/** A run of the cabling tree, turned away from the feed, with every place that hangs on it. */
export interface TreeRun extends Run {
  behind: ReadonlySet<TreePlace>;
}

/**
 * Turns the runs away from the feed and finds what lies behind each. The order is a walk from the feed, each branch
 * finished before the next. Refuses rings, and places of the circuit that no run reaches.
 */
export const orientTree = (
  circuit: CircuitId,
  runs: readonly Run[],
  feedAt: TreePlace,
  mustReach: readonly TreePlace[],
): Result<TreeRun[], PlanProblem> => {
  const neighbours = new Map<TreePlace, { run: Run; other: TreePlace }[]>();
  const tie = (at: TreePlace, run: Run, other: TreePlace) => {
    neighbours.set(at, [...(neighbours.get(at) ?? []), { run, other }]);
  };
  for (const run of runs) {
    tie(run.from, run, run.to);
    tie(run.to, run, run.from);
  }

  const problems: PlanProblem[] = [];
  const reached = new Set<TreePlace>([feedAt]);
  const used = new Set<Run>();
  const oriented: TreeRun[] = [];

  const walk = (at: TreePlace): Set<TreePlace> => {
    const behind = new Set<TreePlace>([at]);
    for (const { run, other } of neighbours.get(at) ?? []) {
      if (used.has(run)) continue;
      used.add(run);
      if (reached.has(other) || other === PANEL) {
        // A second way to a place closes a ring: currents could split between two cables (300.3(B), 310.10).
        problems.push({ code: 'RingOfCables', circuit, run });
        continue;
      }
      reached.add(other);
      const turned = { ...run, from: at, to: other };
      const place = oriented.push({ ...turned, behind: new Set() }) - 1;
      const subtree = walk(other);
      oriented[place] = { ...turned, behind: subtree };
      for (const deeper of subtree) behind.add(deeper);
    }
    return behind;
  };
  walk(feedAt);

  // Runs that the feed does not reach may still close a ring among themselves.
  const onRuns = runs.flatMap((run) => [run.from, run.to]).filter((place) => place !== PANEL);
  const unreached = [
    ...new Set([...mustReach, ...onRuns].filter((node) => !reached.has(node)).map(placeOfNode)),
  ] as BoxId[];
  if (unreached.length > 0)
    problems.push({ code: 'TreeNotConnected', circuit, feedAt: placeOfNode(feedAt), unreached });
  return problems.length > 0 ? { ok: false, problems } : success(oriented);
};

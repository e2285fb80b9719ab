import { lyingCables } from '../../model/lying.js';
import { placeOfNode, type BoxId } from '../../model/ids.js';
import type { PriceTables } from '../prices/priceTables.js';
import type { Case } from './cases.js';
import { joinOf, reachOf } from './spans.js';

/**
 * No tree of an arrangement weighs less in which a box has more runs than are tried at one. Seen from that box every other node hangs by one
 * run on another, and so many of these runs lead to the box itself; its price is at least that for so many cables.
 */
export const crowdedBound = (tables: PriceTables, { settled, problem }: Case, box: BoxId): number => {
  const { n, mandatory, bounds, masks, multiplicity, fromPanel, entries, fixed, forced, line } = problem;
  const { job, circuit, cables, codes } = tables;
  const narrowest = Math.min(...cables.map((one) => one.insulated.length));
  const lying = lyingCables(job).filter(
    (cable) => cable.circuit === circuit.id && cable.between.includes(box),
  ).length;
  const fresh = Math.max(0, codes.mostRuns + 1 - lying);
  const trunk = codes.trunkOf({ insulated: fresh * narrowest, cables: fresh, spares: 0 });
  const at = settled.nodes.flatMap((node, i) => (placeOfNode(node) === box ? [i] : []));
  let least = Infinity;
  for (const v of at) {
    const bases = Array.from({ length: n }, (_, u) =>
      Math.min(
        Infinity,
        ...Array.from({ length: n }, (__, x) => (x === u ? Infinity : (line(u, x)?.base ?? Infinity))),
      ),
    );
    let hung = 0;
    const dearer: number[] = [];
    for (let u = 0; u < n; u++) {
      if (u === v) continue;
      const own = (mandatory >> u) & 1 ? (bases[u] ?? 0) : 0;
      hung += own;
      const direct = line(v, u)?.base ?? Infinity;
      if (direct < Infinity) dearer.push(Math.max(0, direct - own));
    }
    dearer.sort((a, b) => a - b);
    for (const { root, cost, box: entered } of entries) {
      // The run from the panel, or the feed, is one of them where power enters there.
      // Each other node of the box hangs by a run of its own, which counts there too.
      const runs = codes.mostRuns + 1 - (at.includes(root) ? 1 : 0) - (at.length - 1);
      if (dearer.length < runs) continue;
      const star = hung + dearer.slice(0, runs).reduce((sum, one) => sum + one, 0);
      const nodes = mandatory | (1 << root) | (1 << v);
      let bound = fixed + forced + cost + Math.max(star, joinOf(bounds, nodes));
      for (let node = 0; node < n; node++)
        bound +=
          node === v && at.length === 1
            ? problem.nodeAtLeast(v, trunk)
            : node === root
              ? entered
              : bounds.box(node);
      masks.forEach((mask, i) => {
        bound += (multiplicity[i] ?? 1) * reachOf(bounds, fromPanel[i] ? mask | (1 << root) : mask);
      });
      least = Math.min(least, bound);
    }
  }
  return least;
};

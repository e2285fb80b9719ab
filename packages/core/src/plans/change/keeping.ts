import { lyingCables } from '../../model/lying.js';
import type { CableId, CircuitId } from '../../model/ids.js';
import { dollars } from '../../model/units.js';
import type { JobReview } from '../../review/reviewJob.js';
import { wrongOf, type Way } from './oneWay.js';

/** What it would take to keep an old cable in use that a way gives up. */
export interface Keeping {
  cable: CableId;
  /** What the cheapest way that keeps it costs more, ten-thousandths of a dollar; null where none was found by which nothing is wrong. */
  more: number | null;
  /** What is wrong with the cheapest way that keeps it, where something is with all of them. */
  wrong: string | null;
}

const inUse = ({ change }: Way): ReadonlySet<CableId> => new Set(change.stay);

/**
 * Why a way gives up old cables of its circuit: for each, what the ways that keep it come to. `waysKeeping` gives those that do not give a cable up,
 * in the order of their cost.
 */
export const keepingIn = (
  before: JobReview,
  way: Way,
  waysKeeping: (cable: CableId) => Iterable<Way>,
  circuit: CircuitId,
  mending: boolean,
): Keeping[] => {
  const used = inUse(way);
  const lost = lyingCables(before.job).filter((cable) => cable.circuit === circuit && !used.has(cable.id));
  if (lost.length === 0) return [];
  const most = wrongOf(before, way, circuit, mending).length;
  return lost.map(({ id }): Keeping => {
    let first: Way | null = null;
    for (const one of waysKeeping(id)) {
      if (!inUse(one).has(id)) continue;
      if (wrongOf(before, one, circuit, mending).length <= most)
        return { cable: id, more: Math.max(0, one.change.cost.cost - way.change.cost.cost), wrong: null };
      first ??= one;
    }
    const [wrong] = first ? wrongOf(before, first, circuit, mending) : [];
    return { cable: id, more: null, wrong: wrong?.title ?? null };
  });
};

/** In one sentence. */
export const sayKeeping = ({ more, wrong }: Keeping): string => {
  if (more !== null)
    return more === 0
      ? 'To keep it in use costs the same.'
      : `To keep it in use costs ${dollars(more)} more.`;
  return wrong === null
    ? 'Nothing that was tried keeps it in use.'
    : `Kept in use, this would be wrong: ${wrong}.`;
};

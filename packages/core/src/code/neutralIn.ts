import { articleOf } from '../model/articles.js';
import { placeOfEnd } from '../model/wiring.js';
import { conductorKey } from '../circuit/keys.js';
import type { Inspected } from './inspected.js';

/**
 * May there be a neutral in this box that nobody has seen? A conductor of which it is not known what it is joined with, and that is on nothing else, may be
 * one.
 */
export const mayBeNeutralIn = ({ job, wiring, compiled, roles, unknown }: Inspected, box: string): boolean =>
  unknown.size > 0 &&
  wiring.cables.some(
    (cable) =>
      (['from', 'to'] as const).some((side) => placeOfEnd(cable, side) === box) &&
      articleOf(job.stock, 'cable', cable.article).insulated.some((colour) => {
        const net = compiled.netOf(conductorKey(cable.id, colour));
        return net !== undefined && unknown.has(net) && roles[net] === 'spare';
      }),
  );

/** Is there a conductor on the neutral of the group's circuit in this box? */
export const neutralIn = (inspected: Inspected, box: string, circuit: string): boolean => {
  const { job, wiring, compiled, roles, circuits } = inspected;
  return wiring.cables.some(
    (cable) =>
      (['from', 'to'] as const).some((side) => placeOfEnd(cable, side) === box) &&
      articleOf(job.stock, 'cable', cable.article).insulated.some((colour) => {
        const net = compiled.netOf(conductorKey(cable.id, colour));
        return net !== undefined && roles[net] === 'neutral' && circuits[net]?.has(circuit) === true;
      }),
  );
};

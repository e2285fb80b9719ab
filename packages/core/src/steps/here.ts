import type { BoxId } from '../model/ids.js';
import { placeOfEnd, type End, type Wiring } from '../model/wiring.js';

/** A cable with the side of it that is in a box. */
export type Here = { cable: Wiring['cables'][number]; side: End['side'] };

/** The cables of a box; one that comes back to it is there twice. */
export const cablesIn = (wiring: Wiring, box: BoxId): Here[] =>
  wiring.cables.flatMap((cable) =>
    (['to', 'from'] as const)
      .filter((side) => placeOfEnd(cable, side) === box)
      .map((side) => ({ cable, side })),
  );

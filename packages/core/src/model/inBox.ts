import type { BoxId, PigtailId } from './ids.js';
import { placeOfEnd, type Cable, type End, type Joint, type Terminal, type Wiring } from './wiring.js';

/** What of a wiring is in one box; the picture of the box and its steps read it here alike. */

/** A cable with the side of it that is in a box. */
export interface CableHere {
  cable: Cable;
  side: End['side'];
}

/** The cables of a box; one that comes back to it is there twice. */
export const cablesIn = (wiring: Pick<Wiring, 'cables'>, box: BoxId): CableHere[] =>
  wiring.cables.flatMap((cable) =>
    (['to', 'from'] as const)
      .filter((side) => placeOfEnd(cable, side) === box)
      .map((side) => ({ cable, side })),
  );

type Pigtail = Extract<Joint['members'][number], { pigtail: unknown }>['pigtail'];

/** The pieces of wire that a splice holds. */
export const tailsOf = ({ members }: Joint): Pigtail[] =>
  members.flatMap((member) => ('pigtail' in member ? [member.pigtail] : []));

/** A piece of wire from one screw to another: it is joined to nothing, and in no connector. Two pieces together are a splice. */
export const isJumper = (joint: Joint): boolean =>
  joint.connectors.length === 0 && joint.members.length === 1 && tailsOf(joint).length === 1;

/** The screws on which a piece of wire is landed; none where it ends in the air. */
export const screwsOfTail = (wiring: Pick<Wiring, 'landings'>, tail: PigtailId): Terminal[] =>
  wiring.landings.flatMap(({ wire, terminal }) =>
    'pigtail' in wire && wire.pigtail === tail ? [terminal] : [],
  );

/** A splice of old work of which nobody has told what holds it: some connector does, or tape and solder. */
export const isConnectorUntold = (wiring: Pick<Wiring, 'cables'>, joint: Joint): boolean => {
  const ends = joint.members.flatMap((member) => ('end' in member ? [member.end] : []));
  return (
    joint.connectors.length === 0 &&
    ends.length > 0 &&
    ends.every((end) => wiring.cables.some((cable) => cable.id === end.cable && cable.existing))
  );
};

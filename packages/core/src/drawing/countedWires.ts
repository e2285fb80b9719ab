import { articleOf, groundOf } from '../model/articles.js';
import type { Job } from '../model/job.js';
import { findLuminaire } from '../model/lookup.js';
import { placeOfEnd, terminalKey, type Wiring } from '../model/wiring.js';
import { conductorKey } from '../circuit/keys.js';
import type { FillLine } from '../nec/boxFill.js';
import type { BoxDrawing } from './geometry.js';

/** What a line of a box's fill counts, as it is drawn. */
export interface CountedWires {
  /** Keys of its wires in the drawing. */
  wires: ReadonlySet<string>;
  /** Ids of its devices. */
  devices: ReadonlySet<string>;
  /** So many of what the line counts are in the drawing; the rest was told of and is not drawn, as clamps and fittings are not. */
  drawn: number;
}

const SIDES = ['from', 'to'] as const;

/** Which wires and devices of an opened box a line of its fill counts. Ends of a cable are counted, so a wire with both its ends there is two. */
export const countedWires = (
  job: Job,
  wiring: Wiring,
  { box, wires, fixtures }: BoxDrawing,
  { what, awg }: Pick<FillLine, 'what' | 'awg'>,
): CountedWires => {
  const seen = new Set(wires.map(({ key }) => key));
  const keys: string[] = [];
  const put = (key: string) => {
    if (seen.has(key)) keys.push(key);
  };
  if (what === 'devices') {
    const devices = new Set<string>(
      fixtures.flatMap(({ item }) => (item.kind === 'device' ? [item.device] : [])),
    );
    return { wires: new Set(), devices, drawn: devices.size };
  }
  const isGrounds = what === 'grounds' || what === 'extraGrounds';
  for (const cable of wiring.cables) {
    const article = articleOf(job.stock, 'cable', cable.article);
    const ground = groundOf(article);
    const here = SIDES.filter((side) => placeOfEnd(cable, side) === box);
    const passes = cable.via.some((one) => one.box === box && one.loop === (what === 'loops'));
    if (what === 'conductors' && article.awg === awg)
      for (const _side of here) article.insulated.forEach((colour) => put(conductorKey(cable.id, colour)));
    if ((what === 'passing' || what === 'loops') && passes && article.awg === awg)
      article.insulated.forEach((colour) => put(conductorKey(cable.id, colour)));
    if (isGrounds && ground !== null && ground !== 'raceway')
      for (const _side of here) put(conductorKey(cable.id, ground));
  }
  // Leads of a luminaire: those of 14 AWG and larger are conductors like any other; its ground goes with the grounds.
  for (const { members } of wiring.joints.filter((joint) => joint.box === box))
    for (const member of members) {
      if (!('lead' in member) || !('luminaire' in member.lead)) continue;
      const { lead } = member;
      const size = findLuminaire(job, lead.luminaire)?.leadAwg;
      const thick = size !== undefined && size <= 14;
      const wanted =
        lead.name === 'ground'
          ? isGrounds
          : thick
            ? what === 'conductors' && size === awg
            : (what === 'fixtureWires' || what === 'canopyLeads') && (awg === null || size === awg);
      if (wanted) put(terminalKey(lead));
    }
  return { wires: new Set(keys), devices: new Set(), drawn: keys.length };
};

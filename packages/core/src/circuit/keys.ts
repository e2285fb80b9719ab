import type { Colour } from '../model/colours.js';
import type { CableId } from '../model/ids.js';
import { terminalKey, type Member } from '../model/wiring.js';

/** Key of a conductor: both its ends are one piece of copper. */
export const conductorKey = (cable: CableId, colour: Colour): string => `conductor|${cable}|${colour}`;
export const pigtailKey = (id: string): string => `pigtail|${id}`;
export const jointKey = (id: string): string => `joint|${id}`;

export const memberKey = (member: Member): string => {
  if ('end' in member) return conductorKey(member.end.cable, member.end.colour);
  if ('pigtail' in member) return pigtailKey(member.pigtail.id);
  return terminalKey(member.lead);
};

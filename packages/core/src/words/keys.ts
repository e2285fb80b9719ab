import type { Colour } from '../model/colours.js';
import type { Job } from '../model/job.js';
import { findCable } from '../model/lookup.js';
import type { Joint, Wiring } from '../model/wiring.js';
import { conductorKey, jointKey, memberKey, pigtailKey } from '../circuit/keys.js';
import { terminalKey } from '../model/wiring.js';
import { runTold } from './cables.js';
import { colourWord, leadWord, screwOf } from './wires.js';

const memberWord = (job: Job, wiring: Wiring, member: Joint['members'][number]): string => {
  if ('lead' in member) return leadWord(job, wiring, member.lead);
  if ('pigtail' in member) return `${colourWord(member.pigtail.colour)} tail`;
  const cable = findCable(wiring, member.end.cable);
  return `${colourWord(member.end.colour)}${cable ? `, ${runTold(job, wiring, cable)}` : ''}`;
};

/** What a key of a drawing stands for, in words: a conductor by its run, a screw by its device, a splice by what is in it. */
export const keyWord = (job: Job, wiring: Wiring, key: string): string => {
  for (const cable of wiring.cables) {
    const colour = key.startsWith(`conductor|${cable.id}|`)
      ? key.slice(`conductor|${cable.id}|`.length)
      : null;
    if (colour !== null && conductorKey(cable.id, colour as Colour) === key)
      return `${colourWord(colour as Colour)}, ${runTold(job, wiring, cable)}`;
  }
  for (const joint of wiring.joints) {
    if (jointKey(joint.id) === key)
      return `splice of the ${memberWord(job, wiring, joint.members[0] as Joint['members'][number])}`;
    const member = joint.members.find((one) => memberKey(one) === key);
    if (member) return memberWord(job, wiring, member);
  }
  for (const { terminal, wire } of wiring.landings) {
    if (terminalKey(terminal) === key) return screwOf(job, wiring, terminal);
    if ('pigtail' in wire && pigtailKey(wire.pigtail) === key)
      return `tail to the ${screwOf(job, wiring, terminal)}`;
  }
  for (const { id, article } of wiring.devices) {
    const found = job.stock.find((one) => one.id === article);
    const screw =
      found?.kind === 'device'
        ? found.terminals.find(({ name }) => terminalKey({ device: id, name }) === key)
        : undefined;
    if (screw) return screwOf(job, wiring, { device: id, name: screw.name });
  }
  return 'a wire';
};

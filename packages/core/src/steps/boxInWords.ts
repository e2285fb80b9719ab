import type { BoxId } from '../model/ids.js';
import { cablesIn, isJumper, screwsOfTail, tailsOf } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { endKey, terminalKey, type Joint, type Member, type Terminal, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey, jointKey, pigtailKey } from '../circuit/keys.js';
import { rolesOf } from '../circuit/roles.js';
import { colourWord, endWord, leadWord, screwOf } from '../words/wires.js';
import { looseEndsIn } from './looseEnds.js';
import { connectorsWord, NAME_OF } from './splices.js';

/** One splice or one wire on one screw of a box, in words; what the picture of the box shows. */
export interface BoxLine {
  /** The step that makes it. */
  step: string;
  kind: 'splice' | 'cap' | 'landing' | 'loose';
  /** What it is of: "neutrals, in a Lever 3", "three-way", "not joined". */
  what: string;
  /** Its wires and screws, each told from every other of the box. */
  parts: string[];
  /** Key of what is followed when it is shown. */
  shows: string;
}

const memberWords = (job: Job, wiring: Wiring, member: Member): string[] => {
  if ('end' in member) return [endWord(job, wiring, member.end)];
  if ('lead' in member) return [leadWord(job, wiring, member.lead)];
  const { colour, awg, id } = member.pigtail;
  const tail = `${colourWord(colour)} ${awg} AWG tail`;
  const landed = screwsOfTail(wiring, id);
  return landed.length === 0
    ? [`${tail} left for later`]
    : landed.map((terminal) => `${tail} to the ${screwOf(job, wiring, terminal)}`);
};

const stepOfLanding = (box: BoxId, terminal: Terminal): string =>
  'device' in terminal
    ? `${box}/land/${terminal.device}/${terminal.name}`
    : 'luminaire' in terminal
      ? `${box}/luminaire/${terminal.luminaire}/${terminal.name}`
      : `${box}/${terminalKey(terminal)}`;

/**
 * A box without its picture: what is spliced with what, what is on which screw, what ends in the air; in the words of its steps.
 * Every splice and every landing of the box is in it once.
 */
export const boxInWords = (job: Job, wiring: Wiring, compiled: Compiled, box: BoxId): BoxLine[] => {
  const roles = rolesOf(compiled);
  const joints = wiring.joints.filter((joint) => joint.box === box);
  const here = cablesIn(wiring, box);
  const lines: BoxLine[] = [];
  const spliceLine = (joint: Joint): BoxLine => {
    const role = roles[compiled.netOf(jointKey(joint.id)) ?? -1] ?? 'spare';
    const parts = joint.members.flatMap((member) => memberWords(job, wiring, member));
    const cap = parts.length === 1;
    return {
      step: `${box}/splice/${joint.id}`,
      kind: cap ? 'cap' : 'splice',
      what: `${cap ? 'capped' : NAME_OF[role]}, in ${connectorsWord(job, joint, wiring)}`,
      parts,
      shows: jointKey(joint.id),
    };
  };
  for (const joint of joints) {
    if (!isJumper(joint)) {
      lines.push(spliceLine(joint));
      continue;
    }
    for (const { id, colour, awg } of tailsOf(joint)) {
      const screws = screwsOfTail(wiring, id);
      const [first] = screws;
      if (!first) continue;
      lines.push({
        step: stepOfLanding(box, first),
        kind: 'landing',
        what: `${colourWord(colour)} ${awg} AWG jumper`,
        parts: screws.map((terminal) => screwOf(job, wiring, terminal)),
        shows: pigtailKey(id),
      });
    }
  }
  const isHere = new Set(here.map(({ cable, side }) => `${cable.id} ${side}`));
  for (const { wire, terminal } of wiring.landings) {
    if (!('end' in wire) || !isHere.has(`${wire.end.cable} ${wire.end.side}`)) continue;
    lines.push({
      step: 'box' in terminal ? `${box}/bond/${endKey(wire.end)}` : stepOfLanding(box, terminal),
      kind: 'landing',
      what: 'on a screw',
      parts: [endWord(job, wiring, wire.end), screwOf(job, wiring, terminal)],
      shows: conductorKey(wire.end.cable, wire.end.colour),
    });
  }
  for (const { end, unknown, step } of looseEndsIn(job, wiring, box))
    lines.push({
      step,
      kind: 'loose',
      what: unknown ? 'nobody has looked where it goes: take it for live' : 'ends in the air',
      parts: [endWord(job, wiring, end)],
      shows: conductorKey(end.cable, end.colour),
    });
  return lines;
};

/** The line as a sentence. */
export const sayBoxLine = ({ kind, what, parts }: BoxLine): string => {
  const [first = '', second = ''] = parts;
  if (kind === 'landing' && what === 'on a screw') return `${first} on the ${second}`;
  if (kind === 'landing') return `${what} from the ${first} to the ${parts.slice(1).join(' and to the ')}`;
  if (kind === 'splice') return `${what}: ${parts.join('; ')}`;
  return `${first}: ${what}`;
};

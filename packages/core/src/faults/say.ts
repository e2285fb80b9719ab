import type { JointId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { circuitName, findBox, findLuminaire } from '../model/lookup.js';
import type { Landing, Member, Terminal, Wiring } from '../model/wiring.js';
import { PANEL_CAUTION } from '../words/cautions.js';
import { positionName } from '../words/handles.js';
import { isFan } from '../words/lights.js';
import { listed } from '../words/lists.js';
import { colourWord, deviceWord, endWord, leadWord, screwOf } from '../words/wires.js';
import { isSameWire, type Fault, type Wire } from './fault.js';
import type { OldPattern, Trouble, TroublePlace } from './trouble.js';

/** Names of what a wiring holds, as a fault speaks of them. */
class Names {
  constructor(
    private readonly job: Job,
    private readonly wiring: Wiring,
  ) {}

  terminal(terminal: Terminal): string {
    return `the ${screwOf(this.job, this.wiring, terminal)}`;
  }

  terminalOf(wire: Wire): Terminal | undefined {
    return this.wiring.landings.find((one: Landing) => isSameWire(one.wire, wire))?.terminal;
  }

  /** The screw that a wire belongs under. */
  screw(wire: Wire): string {
    const terminal = this.terminalOf(wire);
    return terminal ? this.terminal(terminal) : 'its screw';
  }

  tail(pigtail: string): string {
    const landing = this.wiring.landings.find(({ wire }) => 'pigtail' in wire && wire.pigtail === pigtail);
    return landing ? `the tail to ${this.terminal(landing.terminal)}` : 'the tail';
  }

  tailColour(pigtail: string): string {
    const members = this.wiring.joints.flatMap((joint) => joint.members);
    const found = members.find((one) => 'pigtail' in one && one.pigtail.id === pigtail);
    return found && 'pigtail' in found ? colourWord(found.pigtail.colour) : 'short';
  }

  wire(wire: Wire): string {
    return 'end' in wire ? `the ${endWord(this.job, this.wiring, wire.end)}` : this.tail(wire.pigtail);
  }

  member(member: Member | undefined): string {
    if (member === undefined) return 'a wire';
    if ('end' in member) return `the ${endWord(this.job, this.wiring, member.end)}`;
    return 'lead' in member
      ? `the ${leadWord(this.job, this.wiring, member.lead)}`
      : this.tail(member.pigtail.id);
  }

  memberOf(joint: JointId, at: number): string {
    return this.member(this.members(joint)[at]);
  }

  members(joint: JointId): readonly Member[] {
    return this.wiring.joints.find(({ id }) => id === joint)?.members ?? [];
  }

  /** A splice by a wire in it that is not the one spoken of. */
  splice(joint: JointId, without?: number): string {
    const member = this.members(joint).find((_, i) => i !== without);
    return `the splice of ${this.member(member)}`;
  }

  /** All that belongs in a splice. */
  all(joint: JointId): string {
    return listed(this.members(joint).map((one) => this.member(one)));
  }
}

/** What is wrong with the wires, in words: which wire, which screw, which splice. The wiring is the one without the fault. */
export const sayFault = (job: Job, wiring: Wiring, fault: Fault): string => {
  const names = new Names(job, wiring);
  switch (fault.kind) {
    case 'exchanged':
      return `${names.wire(fault.a)} and ${names.wire(fault.b)} are each under the other’s screw`;
    case 'loose':
      return `${names.wire(fault.wire)} is off ${names.screw(fault.wire)}`;
    case 'open':
      return `${names.memberOf(fault.joint, fault.member)} has slipped out of its splice`;
    case 'joined':
      return `${names.splice(fault.a)} and that of ${names.memberOf(fault.b, 0)} are one`;
    case 'mixed':
      return `${names.memberOf(fault.a, fault.member)} and ${names.memberOf(fault.b, fault.other)} have changed places`;
    case 'swapped':
      return `${names.memberOf(fault.joint, fault.member)} is under ${names.screw(fault.wire)}, and ${names.wire(fault.wire)} is in its place in ${names.splice(fault.joint, fault.member)}`;
    case 'strayed':
      return `${names.memberOf(fault.joint, fault.member)} is in ${names.splice(fault.to)}, where it does not belong`;
    case 'landed':
      return `${names.wire(fault.wire)} is off ${names.screw(fault.wire)} and in ${names.splice(fault.to)}`;
    case 'touching':
      return `bare copper of ${names.splice(fault.joint)} touches ${names.terminal(fault.terminal)}`;
    case 'series':
      return `${names.memberOf(fault.a, fault.member)} and ${names.memberOf(fault.b, fault.other)} are joined with each other alone, so that two loads are in series`;
  }
};

/** What has to be done so that the wires are as they should be; each a sentence. */
const mendFault = (job: Job, wiring: Wiring, fault: Fault): string[] => {
  const names = new Names(job, wiring);
  // A tail is told by its screw; where that is told anyway, by its colour.
  const back = (wire: Wire) =>
    `Put ${'end' in wire ? names.wire(wire) : `the ${names.tailColour(wire.pigtail)} tail`} under ${names.screw(wire)}.`;
  const remake = (joint: JointId) => `Make that splice anew: ${names.all(joint)}. Tug each one.`;
  switch (fault.kind) {
    case 'exchanged':
      return [back(fault.a), back(fault.b)];
    case 'loose':
      return [
        `Strip ${names.wire(fault.wire)} anew where it is nicked, and put it under ${names.screw(fault.wire)}.`,
      ];
    case 'open':
      return [remake(fault.joint)];
    case 'joined':
      return [`Part them.`, remake(fault.a), remake(fault.b)];
    case 'mixed':
    case 'series':
      return [remake(fault.a), remake(fault.b)];
    case 'swapped':
      return [back(fault.wire), remake(fault.joint)];
    case 'strayed':
      return [
        `Take ${names.memberOf(fault.joint, fault.member)} out of ${names.splice(fault.to)}.`,
        remake(fault.to),
        remake(fault.joint),
      ];
    case 'landed':
      return [`Take ${names.wire(fault.wire)} out of ${names.splice(fault.to)}.`, back(fault.wire)];
    case 'touching':
      return [
        `Fold the grounds to the back, clear of ${names.terminal(fault.terminal)}; look for nicked insulation.`,
      ];
  }
};

const PATTERN_WORDS: Record<OldPattern, string> = {
  switchedNeutral:
    'it is wired in an old way, hot and neutral both on the travelers: a lamp that is dark may have both of its terminals hot',
  hotAlong:
    'it is wired in an old way, with an always-hot wire along with the travelers and the neutral from another circuit',
  returnOnWhite: 'it is wired in an old way, with the white as the return from the switch',
};

/** What is wrong, in words. */
export const sayTrouble = (job: Job, wiring: Wiring, trouble: Trouble): string => {
  switch (trouble.kind) {
    case 'wires':
      return sayFault(job, wiring, trouble.fault);
    case 'stuck':
      return `the ${deviceWord(job, wiring, trouble.device)} is stuck: its handle moves, its contacts stay as with the handle ${positionName({ job, wiring }, trouble.device, trouble.position)}`;
    case 'worn':
      return `the ${deviceWord(job, wiring, trouble.device)} is worn: with its handle ${positionName({ job, wiring }, trouble.device, trouble.position)} nothing closes`;
    case 'otherDevice':
      return `where the ${deviceWord(job, wiring, trouble.device)} belongs there is a ${trouble.as === 'singlePole' ? 'single-pole switch' : 'three-way switch'}`;
    case 'lampOut': {
      const load = findLuminaire(job, trouble.luminaire);
      const name = load?.name ?? trouble.luminaire;
      return isFan(load)
        ? `${name} is off by its own switch, or its motor is gone`
        : `the lamp or driver of ${name} is gone`;
    }
    case 'breakerOff':
      return `the breaker of ${circuitName(job, trouble.circuit)} is off`;
    case 'oldPattern':
      return PATTERN_WORDS[trouble.habit];
    case 'otherwise':
      return 'it is wired otherwise than is shown, in some way that is not on this list';
  }
};

/** How it is mended, step by step, once its box is open, dead and proved so. */
export const mendTrouble = (job: Job, wiring: Wiring, trouble: Trouble): string[] => {
  switch (trouble.kind) {
    case 'wires':
      return [...('circuit' in trouble.at ? [PANEL_CAUTION] : []), ...mendFault(job, wiring, trouble.fault)];
    case 'stuck':
    case 'worn':
    case 'otherDevice':
      return [
        `Tag each wire by its screw, take the device out, and fit a ${deviceWord(job, wiring, trouble.device)}: each wire under the screw of its duty, not under the one in the same place.`,
      ];
    case 'lampOut':
      if (isFan(findLuminaire(job, trouble.luminaire)))
        return [
          'Where its own switch brings it to nothing, another motor or another fan: power off, dead and proved so.',
        ];
      return [
        `A lamp of the kind and wattage that ${findLuminaire(job, trouble.luminaire)?.name ?? 'the luminaire'} is marked for; where it has none to change, a new driver or luminaire.`,
      ];
    case 'breakerOff':
      return ['Find out why it is off first: nobody switches on for somebody else. Then switch it on, once.'];
    case 'oldPattern':
      return [
        `Write down how ${listed(trouble.boxes.map((box) => findBox(job, box)?.name ?? box))} ${trouble.boxes.length > 1 ? 'are' : 'is'} made up, wire by wire: it was wired so on purpose, long ago.`,
        'It works and endangers all the same: have it wired anew as today’s rules ask, by a plan of what is there.',
      ];
    case 'otherwise':
      return ['Write down what is there as it is found, wire by wire, and look at what it does.'];
  }
};

/** Where it is looked for: "the box Yard end", "the panel". */
export const sayPlace = (job: Job, place: TroublePlace): string => {
  switch (place.kind) {
    case 'box':
      return findBox(job, place.box)?.name ?? place.box;
    case 'panel':
      return `the panel, ${circuitName(job, place.circuit)}`;
    case 'breaker':
      return `the breaker of ${circuitName(job, place.circuit)}`;
    case 'lamp': {
      const load = findLuminaire(job, place.luminaire);
      const name = load?.name ?? place.luminaire;
      return isFan(load) ? `${name} itself` : `the lamp of ${name}`;
    }
  }
};

import type { BoxId, SlotId } from '../../model/ids.js';
import { endKey, terminalKey, type End, type Wiring } from '../../model/wiring.js';
import type { JobReview } from '../../review/reviewJob.js';
import { endWord, terminalWord, whereGoes } from '../../words/wires.js';

/** One wire of an old device or of the one that comes in its place: where it was, and where it goes. */
export interface Moved {
  slot: SlotId;
  /** The wire as it comes out of its cable, or the tail of a splice. */
  wire: string;
  /** Its screw, or where it is if it is on none. */
  from: string;
  to: string;
}

/** What of a box is made by hand: which wires are joined and landed there. */
export const makeUpIn = (wiring: Wiring, box: BoxId): string => {
  const pigtail = new Map(
    wiring.joints.flatMap((joint) =>
      joint.members.flatMap((member) =>
        'pigtail' in member ? [[member.pigtail.id as string, memberKeys(joint.members)] as const] : [],
      ),
    ),
  );
  const devices = new Map(wiring.devices.map((device) => [device.id as string, device]));
  const landings = wiring.landings.flatMap(({ wire, terminal }) => {
    const device = 'device' in terminal ? devices.get(terminal.device) : undefined;
    const here = device?.box === box || ('box' in terminal && terminal.box === box);
    if (!here) return [];
    const from = 'end' in wire ? endKey(wire.end) : (pigtail.get(wire.pigtail) ?? '');
    return [`${terminalKey(terminal)} ${device?.article ?? ''} ${from}`];
  });
  const joints = wiring.joints.filter((joint) => joint.box === box).map((joint) => memberKeys(joint.members));
  return [...landings.sort(), ...joints.sort()].join('\n');
};

const memberKeys = (members: Wiring['joints'][number]['members']): string =>
  members
    .map((member) =>
      'end' in member ? endKey(member.end) : 'lead' in member ? terminalKey(member.lead) : '*',
    )
    .sort()
    .join();

/** A wire on a screw of a device, or spliced to a lead of it: an end of a cable, or the tail of a splice. */
interface OnScrew {
  wire: string;
  screw: string;
  end: End | null;
}

/** The wires on the screws of a device. An old cable and a new one may come from the same box, so they are told by their ends. */
const screwsOf = ({ job, wiring }: JobReview, slot: SlotId): Map<string, OnScrew> => {
  const device = wiring.devices.find((one) => one.slot === slot);
  const say = (end: End) => endWord(job, wiring, end);
  // A splice may send several tails to one device.
  const tails = new Map<string, number>();
  const onLeads = wiring.joints.flatMap(({ members }): [string, OnScrew][] =>
    members.flatMap((member): [string, OnScrew][] => {
      if (!('lead' in member) || !('device' in member.lead) || member.lead.device !== device?.id) return [];
      const lead = terminalWord(job, wiring, member.lead);
      const [first, ...more] = members.flatMap((one) => ('end' in one ? [one.end] : []));
      if (first && more.length === 0) return [[endKey(first), { wire: say(first), screw: lead, end: first }]];
      const to = first ? `the splice of ${say(first)}` : 'a cap';
      return [[terminalKey(member.lead), { wire: lead, screw: to, end: null }]];
    }),
  );
  return new Map([
    ...onLeads,
    ...wiring.landings.flatMap(({ wire, terminal }): [string, OnScrew][] => {
      if (!device || !('device' in terminal) || terminal.device !== device.id) return [];
      const screw = terminalWord(job, wiring, terminal);
      if ('end' in wire) return [[endKey(wire.end), { wire: say(wire.end), screw, end: wire.end }]];
      const joint = wiring.joints.find((one) =>
        one.members.some((member) => 'pigtail' in member && member.pigtail.id === wire.pigtail),
      );
      const first = joint?.members.find((member) => 'end' in member);
      const splice = first && 'end' in first ? say(first.end) : 'its splice';
      const nth = (tails.get(splice) ?? 0) + 1;
      tails.set(splice, nth);
      return [[`tail ${nth} from ${splice}`, { wire: `tail from ${splice}`, screw, end: null }]];
    }),
  ]);
};

/** Where an end is that is on no screw of the device. */
const otherwise = ({ job, wiring }: JobReview, end: End | null, isAfter: boolean): string => {
  if (end === null) return isAfter ? 'taken off' : 'new';
  if (!wiring.cables.some((one) => one.id === end.cable)) return isAfter ? 'its cable is taken out' : 'new';
  const { joint, terminal } = whereGoes(wiring, end);
  if (terminal) return terminalWord(job, wiring, terminal);
  return (joint?.members.length ?? 0) > 1 ? 'a splice' : 'a cap';
};

/** The wires on the old device of a slot and on the new one, and where each was and goes. */
export const movedAt = (before: JobReview, after: JobReview, slot: SlotId): Moved[] => {
  const [old, now] = [screwsOf(before, slot), screwsOf(after, slot)];
  return [...new Set([...old.keys(), ...now.keys()])].map((key) => {
    const [was, is] = [old.get(key), now.get(key)];
    return {
      slot,
      wire: (was ?? is)?.wire ?? '',
      from: was?.screw ?? otherwise(before, is?.end ?? null, false),
      to: is?.screw ?? otherwise(after, was?.end ?? null, true),
    };
  });
};

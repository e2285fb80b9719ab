import { isGroundColour } from '../../model/colours.js';
import { endsIn } from '../../model/boxState.js';
import type { BoxId, SlotId } from '../../model/ids.js';
import { screwsOfTail, tailsOf } from '../../model/inBox.js';
import type { Job } from '../../model/job.js';
import { findCable } from '../../model/lookup.js';
import { endKey, terminalKey, type End, type Joint, type Member, type Wiring } from '../../model/wiring.js';
import { listed } from '../../words/lists.js';
import { endWord, isInUse, leadWord, screwOf, whereGoes } from '../../words/wires.js';

/** A job with one wiring of it. */
export interface Side {
  job: Job;
  wiring: Wiring;
}

/** One wire of a box that is opened: where it was, and where it goes. */
export interface Moved {
  box: BoxId;
  /** The slot of the device that it comes off or goes on; null where it is about a splice. */
  slot: SlotId | null;
  /** The wire as it comes out of its cable, the tail of a splice, or a lead of the device. */
  wire: string;
  /** Its screw, or where it is if it is on none. */
  from: string;
  to: string;
}

const madeUp = new WeakMap<Wiring, Map<BoxId, string>>();

/** What of a box is made by hand: which wires are joined and landed there. */
export const makeUpIn = (wiring: Wiring, box: BoxId): string => {
  const known = madeUp.get(wiring) ?? new Map<BoxId, string>();
  madeUp.set(wiring, known);
  const text = known.get(box) ?? readMakeUp(wiring, box);
  known.set(box, text);
  return text;
};

const readMakeUp = (wiring: Wiring, box: BoxId): string => {
  const pigtail = new Map(
    wiring.joints.flatMap((joint) =>
      tailsOf(joint).map(({ id }) => [id as string, memberKeys(joint.members)]),
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

const memberKey = (member: Member): string =>
  'end' in member ? endKey(member.end) : 'lead' in member ? terminalKey(member.lead) : '*';

const memberKeys = (members: Joint['members']): string => members.map(memberKey).sort().join();

/** A wire on a screw of a device, or spliced to a lead of it: an end of a cable, or the tail of a splice. */
interface OnScrew {
  wire: string;
  screw: string;
  end: End | null;
}

/** The wires on the screws of a device, each screw with whose it is: two alike may stand in one box. An old cable and a new one may come from the same box, so they are told by their ends. */
const screwsOf = ({ job, wiring }: Side, slot: SlotId, box: BoxId): Map<string, OnScrew> => {
  const device = wiring.devices.find((one) => one.slot === slot && one.box === box);
  const say = (end: End) => endWord(job, wiring, end);
  // A splice may send several tails to one device.
  const tails = new Map<string, number>();
  const onLeads = wiring.joints.flatMap(({ members }): [string, OnScrew][] =>
    members.flatMap((member): [string, OnScrew][] => {
      if (!('lead' in member) || !('device' in member.lead) || member.lead.device !== device?.id) return [];
      const lead = screwOf(job, wiring, member.lead);
      const [first] = members.flatMap((one) => ('end' in one ? [one.end] : []));
      // A wire that is joined with this lead alone is on it; one that holds more is in a splice, and is told with all of that.
      if (first && members.length === 2)
        return [[endKey(first), { wire: say(first), screw: lead, end: first }]];
      const to = first ? `the splice of ${say(first)}` : 'a cap';
      return [[terminalKey(member.lead), { wire: lead, screw: to, end: null }]];
    }),
  );
  return new Map([
    ...onLeads,
    ...wiring.landings.flatMap(({ wire, terminal }): [string, OnScrew][] => {
      if (!device || !('device' in terminal) || terminal.device !== device.id) return [];
      const screw = screwOf(job, wiring, terminal);
      if ('end' in wire) return [[endKey(wire.end), { wire: say(wire.end), screw, end: wire.end }]];
      const joint = wiring.joints.find((one) => tailsOf(one).some(({ id }) => id === wire.pigtail));
      const first = joint?.members.find((member) => 'end' in member);
      const splice = first && 'end' in first ? say(first.end) : 'its splice';
      const nth = (tails.get(splice) ?? 0) + 1;
      tails.set(splice, nth);
      return [[`tail ${nth} from ${splice}`, { wire: `tail from ${splice}`, screw, end: null }]];
    }),
  ]);
};

/** What else is in the splice of an end, in words. */
const partnersOf = ({ job, wiring }: Side, end: End, { members }: Joint): string[] =>
  members.flatMap((member): string[] => {
    if ('lead' in member) return [leadWord(job, wiring, member.lead)];
    if ('end' in member) return endKey(member.end) === endKey(end) ? [] : [endWord(job, wiring, member.end)];
    const [screw] = screwsOfTail(wiring, member.pigtail.id);
    return screw ? [`a tail to ${screwOf(job, wiring, screw)}`] : [];
  });

/** Where an end is, in words. */
const placeOf = (side: Side, end: End | null, isAfter: boolean): string => {
  if (end === null) return isAfter ? 'taken off' : 'new';
  const { job, wiring } = side;
  if (!findCable(wiring, end.cable)) return isAfter ? 'its cable is taken out' : 'new';
  const { joint, terminal } = whereGoes(wiring, end);
  if (terminal) return screwOf(job, wiring, terminal);
  if (!joint)
    return wiring.unseen.some((one) => endKey(one) === endKey(end))
      ? 'where nobody has looked'
      : 'in the air';
  if (joint.members.length === 1) return 'a cap';
  if (isGroundColour(end.colour)) return 'the splice of grounds';
  const partners = partnersOf(side, end, joint);
  return partners.length > 0 ? `a splice with ${listed(partners)}` : 'a splice';
};

/** A wire by the name that it has before the change, as the person at the box sees it; a new one by its own. */
const wireOf = (before: Side, after: Side, end: End): string => {
  const { job, wiring } = findCable(before.wiring, end.cable) ? before : after;
  return endWord(job, wiring, end);
};

/** Where a wire goes, and how it is marked there if it was not; or that its marking comes off. */
const marked = (before: Side, after: Side, end: End | null, to: string): string => {
  const markOf = ({ wiring }: Side) =>
    end && wiring.marks.find((one) => endKey(one.end) === endKey(end))?.colour;
  const now = markOf(after);
  if (now) return now === markOf(before) ? to : `${to}; mark it ${now}`;
  return markOf(before) && end && isInUse(after.wiring, end) ? `${to}; take its marking off` : to;
};

/** The wires on the old device of a slot and on the new one, and where each was and goes. */
const movedAt = (before: Side, after: Side, slot: SlotId, box: BoxId): (Moved & { end: End | null })[] => {
  const [old, now] = [screwsOf(before, slot, box), screwsOf(after, slot, box)];
  return [...new Set([...old.keys(), ...now.keys()])].map((key) => {
    const [was, is] = [old.get(key), now.get(key)];
    const end = was?.end ?? is?.end ?? null;
    return {
      ...{ box, slot, end },
      wire: end ? wireOf(before, after, end) : ((was ?? is)?.wire ?? ''),
      from: was?.screw ?? placeOf(before, end, false),
      to: marked(before, after, end, is?.screw ?? placeOf(after, end, true)),
    };
  });
};

/** What an end is joined with and where it lies, as keys: its splice, its screw, or the air. */
const keysAt = ({ wiring }: Side, end: End): { partners: Set<string>; on: string } | null => {
  if (!findCable(wiring, end.cable)) return null;
  const { joint, terminal } = whereGoes(wiring, end);
  const device = terminal && 'device' in terminal ? terminal.device : null;
  const article = wiring.devices.find(({ id }) => id === device)?.article ?? '';
  return {
    partners: new Set((joint?.members ?? []).map(memberKey).filter((key) => key !== endKey(end))),
    on: terminal ? `${terminalKey(terminal)} ${article}` : joint ? '' : 'air',
  };
};

/** Does somebody take an end off what it is on? Into a splice that only grows it stays; what comes to it is told of the other wire. */
const isMoved = (before: Side, after: Side, end: End): boolean => {
  const [was, is] = [keysAt(before, end), keysAt(after, end)];
  if (!was || !is) return was !== is;
  if (was.on !== is.on || marked(before, after, end, '') !== '') return true;
  if (was.partners.size === 0 && was.on === '') return is.partners.size > 0;
  return [...was.partners].some((one) => !is.partners.has(one));
};

/**
 * The wires of a box that is opened, each with where it was and where it goes: all that are on a device that comes off or goes on, and
 * every other that leaves what it was joined with. Grounds that stay in their splice are left out.
 */
export const wiresMoved = (before: Side, after: Side, box: BoxId, slots: readonly SlotId[]): Moved[] => {
  const onDevices = slots.flatMap((slot) => movedAt(before, after, slot, box));
  const told = new Set(onDevices.flatMap(({ end }) => (end ? [endKey(end)] : [])));
  const ends = new Map(
    [before, after].flatMap(({ job, wiring }) => endsIn(job, wiring, box).map((end) => [endKey(end), end])),
  );
  const others = [...ends].flatMap(([key, end]): Moved[] => {
    if (told.has(key) || !isMoved(before, after, end)) return [];
    // One that comes out with its cable is told.
    if (isGroundColour(end.colour) && keysAt(before, end) && keysAt(after, end)) return [];
    return [
      {
        ...{ box, slot: null, wire: wireOf(before, after, end) },
        from: placeOf(before, end, false),
        to: marked(before, after, end, placeOf(after, end, true)),
      },
    ];
  });
  return [...onDevices.map(({ end: _, ...one }) => one), ...others];
};

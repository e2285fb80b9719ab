import { PANEL, type BoxId, type SlotId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { endKey, terminalKey, type Wiring } from '../model/wiring.js';
import type { JobReview } from '../review/reviewJob.js';
import { terminalWord } from '../steps/ends.js';

/** One wire that moves from an old device to a new one: its screw there and here. */
export interface Moved {
  slot: SlotId;
  /** The wire as it comes out of its cable, or the tail of a splice. */
  wire: string;
  from: string | null;
  to: string | null;
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
      'end' in member
        ? endKey(member.end)
        : 'lead' in member
          ? `${member.lead.luminaire} ${member.lead.name}`
          : '*',
    )
    .sort()
    .join();

/** The wire on each screw of a device, in words. */
const screws = (job: Job, wiring: Wiring, slot: SlotId): Map<string, string> => {
  const device = wiring.devices.find((one) => one.slot === slot);
  const name = (place: string) =>
    place === PANEL ? 'the panel' : (job.boxes.find((box) => box.id === place)?.name ?? place);
  const cables = new Map(wiring.cables.map((cable) => [cable.id as string, cable]));
  const say = (cable: string, side: 'from' | 'to', colour: string) => {
    const found = cables.get(cable);
    return `${colour} of the cable to ${name((side === 'from' ? found?.to : found?.from) ?? '')}`;
  };
  return new Map(
    wiring.landings.flatMap(({ wire, terminal }) => {
      if (!device || !('device' in terminal) || terminal.device !== device.id) return [];
      const screw = terminalWord(job, wiring, terminal);
      if ('end' in wire) return [[say(wire.end.cable, wire.end.side, wire.end.colour), screw] as const];
      const joint = wiring.joints.find((one) =>
        one.members.some((member) => 'pigtail' in member && member.pigtail.id === wire.pigtail),
      );
      const first = joint?.members.find((member) => 'end' in member);
      const splice =
        first && 'end' in first ? say(first.end.cable, first.end.side, first.end.colour) : 'its splice';
      return [[`tail from ${splice}`, screw] as const];
    }),
  );
};

/** The wires on the old device of a slot and on the new one, screw by screw. */
export const movedAt = (before: JobReview, after: JobReview, slot: SlotId): Moved[] => {
  const [old, now] = [screws(before.job, before.wiring, slot), screws(after.job, after.wiring, slot)];
  return [...new Set([...old.keys(), ...now.keys()])]
    .map((wire) => ({ slot, wire, from: old.get(wire) ?? null, to: now.get(wire) ?? null }))
    .filter((one) => one.from !== one.to || one.from !== null);
};

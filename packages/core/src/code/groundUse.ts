import { findDevice } from '../model/lookup.js';
import { articleOf, groundOf } from '../model/articles.js';
import { isGroundColour, type Colour } from '../model/colours.js';
import type { BoxId, CableId } from '../model/ids.js';
import { endKey, placeOfEnd, type Member, type Terminal } from '../model/wiring.js';
import { conductorKey, jointKey, pigtailKey } from '../circuit/keys.js';
import type { Inspected } from './inspected.js';

/** A bare or green wire that does something else than ground, where it is joined or landed. */
export interface MisusedGround {
  box: BoxId;
  colour: Colour;
  /** Null for a tail. */
  cable: CableId | null;
  /** "a traveler", "the neutral", "a hot". */
  carries: string;
}

const CARRIES: Partial<Record<string, string>> = {
  hot: 'a hot',
  traveler: 'a traveler',
  switchLeg: 'the switch leg',
  neutral: 'the neutral',
};

const isGroundTerminal = (terminal: Terminal, { job, wiring }: Inspected): boolean => {
  if (!('device' in terminal)) return terminal.name === 'ground';
  const device = findDevice(wiring, terminal.device);
  const article = device && articleOf(job.stock, 'device', device.article);
  return article?.terminals.find((one) => one.name === terminal.name)?.use === 'ground';
};

const isGroundWire = (member: Member, inspected: Inspected): boolean => {
  if ('end' in member) return isGroundColour(member.end.colour);
  if ('pigtail' in member) return isGroundColour(member.pigtail.colour);
  return isGroundTerminal(member.lead, inspected);
};

const findMisused = (inspected: Inspected): MisusedGround[] => {
  const { wiring, compiled, roles } = inspected;
  const found: MisusedGround[] = [];
  const carries = (key: string) => CARRIES[roles[compiled.netOf(key) ?? -1] ?? ''] ?? 'more than a ground';
  for (const joint of wiring.joints) {
    const isGround = (member: Member) => isGroundWire(member, inspected);
    if (joint.members.every(isGround)) continue;
    for (const member of joint.members) {
      if (!isGround(member) || 'lead' in member) continue;
      const wire = 'end' in member ? member.end : member.pigtail;
      const cable = 'end' in member ? member.end.cable : null;
      found.push({ box: joint.box, colour: wire.colour, cable, carries: carries(jointKey(joint.id)) });
    }
  }
  const pigtails = new Map(
    wiring.joints.flatMap((joint) =>
      joint.members.flatMap((member) =>
        'pigtail' in member
          ? [[member.pigtail.id as string, { ...member.pigtail, box: joint.box }] as const]
          : [],
      ),
    ),
  );
  const cables = new Map(wiring.cables.map((cable) => [cable.id as string, cable]));
  for (const { wire, terminal } of wiring.landings) {
    if (isGroundTerminal(terminal, inspected)) continue;
    if ('end' in wire) {
      const cable = cables.get(wire.end.cable);
      const place = cable && placeOfEnd(cable, wire.end.side);
      if (!place || place === 'panel' || !isGroundColour(wire.end.colour)) continue;
      const { colour } = wire.end;
      found.push({ box: place, colour, cable: cable.id, carries: carries(conductorKey(cable.id, colour)) });
      continue;
    }
    const tail = pigtails.get(wire.pigtail);
    if (tail && isGroundColour(tail.colour))
      found.push({
        box: tail.box,
        colour: tail.colour,
        cable: null,
        carries: carries(pigtailKey(wire.pigtail)),
      });
  }
  return found;
};

const findSuspect = ({ job, wiring, compiled, roles }: Inspected): ReadonlySet<string> =>
  new Set(
    wiring.cables.flatMap((cable) => {
      const colour = groundOf(articleOf(job.stock, 'cable', cable.article));
      if (colour === null) return [];
      const role = roles[compiled.netOf(conductorKey(cable.id, colour)) ?? -1];
      return role === undefined || role === 'ground' || role === 'spare'
        ? []
        : (['from', 'to'] as const).map((side) => endKey({ cable: cable.id, side, colour }));
    }),
  );

/** Found once for each look at a wiring: every finding about grounds asks for it. */
const known = new WeakMap<Inspected, { misused: MisusedGround[]; suspect: ReadonlySet<string> }>();
const useOf = (inspected: Inspected) => {
  const found = known.get(inspected) ?? {
    misused: findMisused(inspected),
    suspect: findSuspect(inspected),
  };
  known.set(inspected, found);
  return found;
};

/** Where a bare or green wire is joined to anything but grounds, or landed on anything but a ground (250.119). */
export const misusedGrounds = (inspected: Inspected): MisusedGround[] => useOf(inspected).misused;

/** Ends of grounds that are no grounds now: what they are one piece with carries, or may carry, something else. */
export const suspectGrounds = (inspected: Inspected): ReadonlySet<string> => useOf(inspected).suspect;

/**
 * A remedy that joins something to the grounds of a box, or, where a bare wire there carries something else, what comes before
 * it: joined then, it would put that on every ground.
 */
export const groundRemedy = (inspected: Inspected, box: BoxId, remedy: string): string => {
  const misused = misusedGrounds(inspected).find((one) => one.box === box);
  const suspect = suspectGrounds(inspected);
  const here = inspected.wiring.cables.some((cable) => {
    const colour = groundOf(articleOf(inspected.job.stock, 'cable', cable.article));
    return (
      colour !== null &&
      (['from', 'to'] as const).some(
        (side) => placeOfEnd(cable, side) === box && suspect.has(endKey({ cable: cable.id, side, colour })),
      )
    );
  });
  if (!misused && !here) return remedy;
  return `Leave the bare wires of this box apart for now: one of them carries ${misused?.carries ?? 'more than a ground'}. Give that another conductor first (250.119); what is joined to it now would be live.`;
};

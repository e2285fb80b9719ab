import { articleOf, conductorsOf } from '../model/articles.js';
import { UNKNOWN_PLACE, type BoxId } from '../model/ids.js';
import { findCable } from '../model/lookup.js';
import {
  createUnknown,
  endKey,
  placeOfEnd,
  terminalKey,
  type End,
  type Joint,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';
import { conductorKey, jointKey, memberKey } from './keys.js';
import type { Parts } from './parts.js';

/** What of a wiring somebody has seen, and the keys of all that may be joined to what nobody has. */
export interface KnownPart {
  seen: Wiring;
  unknown: string[];
}

/** Every screw and lead in a box, with its key. */
const terminalsIn = (wiring: Wiring, parts: Parts, boxes: ReadonlySet<string>): string[] => [
  ...wiring.devices
    .filter(({ box }) => boxes.has(box))
    .flatMap(({ id, article }) =>
      articleOf(parts.stock, 'device', article).terminals.map(({ name }) =>
        terminalKey({ device: id, name }),
      ),
    ),
  ...parts.luminaires
    .filter(({ box }) => boxes.has(box))
    .flatMap(({ id, metal, partOf }) =>
      (['hot', 'neutral', 'ground'] as const)
        .filter((name) => name === 'hot' || (partOf === null && (name === 'neutral' || metal)))
        .map((name) => terminalKey({ luminaire: id, name })),
    ),
];

/** Keys of screws and leads on which something is told to be. */
const takenBy = ({ joints, landings }: Wiring): ReadonlySet<string> =>
  new Set([
    ...landings.map(({ terminal }) => terminalKey(terminal)),
    ...joints.flatMap(({ members }) =>
      members.flatMap((member) => ('lead' in member ? [terminalKey(member.lead)] : [])),
    ),
  ]);

const boxOf = (wiring: Wiring, parts: Parts, terminal: Terminal): BoxId | null => {
  if ('box' in terminal) return terminal.box;
  if ('device' in terminal) return wiring.devices.find(({ id }) => id === terminal.device)?.box ?? null;
  if ('luminaire' in terminal)
    return parts.luminaires.find(({ id }) => id === terminal.luminaire)?.box ?? null;
  return null;
};

/**
 * Parts what is known of a wiring from what is not. An end that nobody has looked at may be on any screw or lead of its box on which
 * nothing is told to be; so those are unknown with it. A splice is told with all that is in it. Of what is `assumed` (boxes by id, ends by
 * key) nothing is known: where such an end is said to be counts for nothing.
 */
export const knownPart = (wiring: Wiring, parts: Parts, assumed: ReadonlySet<string>): KnownPart => {
  const isUnseen = createUnknown(wiring);
  const open = new Set<string>();
  const conductors: string[] = [];
  const isAssumed = (end: End): boolean => {
    const cable = findCable(wiring, end.cable);
    return assumed.has(endKey(end)) || (cable !== undefined && assumed.has(placeOfEnd(cable, end.side)));
  };
  for (const cable of wiring.cables)
    for (const colour of conductorsOf(articleOf(parts.stock, 'cable', cable.article)))
      for (const side of ['from', 'to'] as const) {
        const end = { cable: cable.id, side, colour };
        if (!isUnseen(end) && !isAssumed(end)) continue;
        conductors.push(conductorKey(cable.id, colour));
        const place = placeOfEnd(cable, side);
        if (place !== UNKNOWN_PLACE) open.add(place);
      }
  for (const { box } of wiring.devices) if (assumed.has(box)) open.add(box);
  for (const { box } of parts.luminaires) if (assumed.has(box)) open.add(box);
  if (open.size === 0 && conductors.length === 0) return { seen: wiring, unknown: [] };
  const { seen, hidden } = hiding(wiring, parts, assumed, isAssumed);
  const taken = takenBy(seen);
  return {
    seen,
    unknown: [...conductors, ...terminalsIn(wiring, parts, open).filter((key) => !taken.has(key)), ...hidden],
  };
};

/** The wiring without what is only assumed of its splices and screws, and the keys of what is hidden so. */
const hiding = (
  wiring: Wiring,
  parts: Parts,
  assumed: ReadonlySet<string>,
  isAssumed: (end: End) => boolean,
): { seen: Wiring; hidden: string[] } => {
  if (assumed.size === 0) return { seen: wiring, hidden: [] };
  const hidden: string[] = [];
  const tails = new Set<string>();
  const joints = wiring.joints.map((joint): Joint => {
    const ends = joint.members.flatMap((member) => ('end' in member ? [member.end] : []));
    if (!assumed.has(joint.box) && !ends.some(isAssumed)) return joint;
    // What else is in a splice of which one wire is only assumed is not certain either: tails and leads of it are left out.
    const members = assumed.has(joint.box)
      ? []
      : joint.members.filter((member) => 'end' in member && !isAssumed(member.end));
    const left = joint.members.filter((member) => !members.includes(member));
    hidden.push(jointKey(joint.id), ...left.map(memberKey));
    for (const member of left) if ('pigtail' in member) tails.add(member.pigtail.id);
    return { ...joint, members };
  });
  const landings = wiring.landings.filter(({ wire, terminal }) => {
    if ('end' in wire) return !isAssumed(wire.end);
    const box = boxOf(wiring, parts, terminal);
    return !tails.has(wire.pigtail) && !(box !== null && assumed.has(box));
  });
  return { seen: { ...wiring, joints, landings }, hidden };
};

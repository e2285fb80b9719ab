import { articleOf, type DeviceArticle } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import { faceOf, type FaceScrew } from '../model/face.js';
import type { BoxId } from '../model/ids.js';
import type { Slot } from '../model/job.js';
import {
  endKey,
  placeOfEnd,
  terminalKey,
  type Cable,
  type End,
  type Joint,
  type Wiring,
} from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey, jointKey, pigtailKey } from '../circuit/keys.js';
import type { Parts } from '../circuit/parts.js';
import type { Role } from '../circuit/roles.js';

/** Something in the middle of an opened box that wires go to. */
export type Item =
  | { kind: 'joint'; id: string; joint: Joint; name: string; key: string }
  | {
      kind: 'device';
      id: string;
      device: Wiring['devices'][number]['id'];
      article: DeviceArticle;
      face: FaceScrew[];
    }
  | { kind: 'luminaire'; id: string; luminaire: Parts['luminaires'][number] }
  | { kind: 'bond'; id: string };

/** One wire in a box: from a cable's sheath, or from another item, to an item. */
export interface BoxWire {
  /** Key of the net lookup, and unique in the box together with `id`. */
  key: string;
  id: string;
  colour: Colour;
  /** Colour of the re-identification at this end, if any. */
  mark: Colour | null;
  from: { end: End } | { item: string; pin: string };
  to: { item: string; pin: string };
}

/** From top to bottom: neutral splices, hot splices, devices and luminaires, grounds, the box's own screw. */
const ROLE_ROW: Record<Role, number> = {
  neutral: 0,
  hot: 1,
  spare: 2,
  traveler: 3,
  switchLeg: 4,
  conflict: 4,
  ground: 6,
};

const connectorName = (parts: Parts, joint: Joint): string => {
  const names = joint.connectors.map((one) => articleOf(parts.stock, 'connector', one.article).name);
  const [name] = names;
  if (name === undefined) return joint.members.length > 1 ? 'no connector' : 'jumper';
  const capped = joint.members.length === 1 ? 'cap ' : '';
  return names.length > 1 ? `${names.length} × ${name}` : `${capped}${name}`;
};

/** Which item and pin a wire's terminal is. */
const pinOf = (terminal: Wiring['landings'][number]['terminal']): { item: string; pin: string } | null => {
  if ('device' in terminal) return { item: terminal.device, pin: terminal.name };
  if ('luminaire' in terminal) return { item: terminal.luminaire, pin: terminal.name };
  return 'box' in terminal ? { item: `bond:${terminal.box}`, pin: 'ground' } : null;
};

const LEAD_COLOUR = { hot: 'black', neutral: 'white', ground: 'bare' } as const;

/** What a box is drawn from beside the wiring: the parts, and how the screws of each device sit. */
export interface Scene extends Parts {
  slots: readonly Pick<Slot, 'id' | 'screws'>[];
}

const faceIn = ({ stock, slots }: Scene, { slot, article }: Wiring['devices'][number]): FaceScrew[] =>
  faceOf(articleOf(stock, 'device', article), slots.find((one) => one.id === slot)?.screws ?? 'usual');

/** Reads the items and wires of one box from the wiring. */
export const readBox = (
  wiring: Wiring,
  parts: Scene,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
): { items: Item[]; wires: BoxWire[]; cables: { cable: Cable; side: 'from' | 'to' }[] } => {
  const cables = wiring.cables.flatMap((cable) =>
    (['from', 'to'] as const)
      .filter((side) => placeOfEnd(cable, side) === box)
      .map((side) => ({ cable, side })),
  );
  const cableIds = new Set(cables.map(({ cable }) => cable.id));
  const joints = wiring.joints.filter((joint) => joint.box === box);
  const markOf = (end: End) =>
    wiring.marks.find(
      (mark) => mark.end.cable === end.cable && mark.end.side === end.side && mark.end.colour === end.colour,
    )?.colour ?? null;

  const wires: BoxWire[] = [];
  const joining = (joint: Joint) => {
    joint.members.forEach((member, index) => {
      const to = { item: joint.id, pin: String(index) };
      if ('end' in member)
        wires.push({
          id: `${joint.id}#${index}`,
          key: conductorKey(member.end.cable, member.end.colour),
          colour: member.end.colour,
          mark: markOf(member.end),
          from: { end: member.end },
          to,
        });
      else if ('lead' in member)
        wires.push({
          id: `${joint.id}#${index}`,
          key: terminalKey(member.lead),
          colour: LEAD_COLOUR[member.lead.name],
          mark: null,
          from: { item: member.lead.luminaire, pin: member.lead.name },
          to,
        });
    });
  };
  joints.forEach(joining);
  for (const { wire, terminal } of wiring.landings) {
    const to = pinOf(terminal);
    if (!to) continue;
    if ('end' in wire) {
      const cable = cables.find((one) => one.cable.id === wire.end.cable && one.side === wire.end.side);
      if (!cable || !cableIds.has(wire.end.cable)) continue;
      const key = conductorKey(wire.end.cable, wire.end.colour);
      // A ground left long goes on from its splice.
      const splice = joints.find((joint) =>
        joint.members.some((m) => 'end' in m && endKey(m.end) === endKey(wire.end)),
      );
      wires.push({
        id: `${key}>${to.item}`,
        key,
        colour: wire.end.colour,
        mark: markOf(wire.end),
        from: splice ? { item: splice.id, pin: `long>${to.item}` } : { end: wire.end },
        to,
      });
      continue;
    }
    for (const joint of joints) {
      const index = joint.members.findIndex((m) => 'pigtail' in m && m.pigtail.id === wire.pigtail);
      const member = joint.members[index];
      if (!member || !('pigtail' in member)) continue;
      const key = pigtailKey(wire.pigtail);
      const from = { item: joint.id, pin: `${index}>${to.item}` };
      wires.push({
        id: `${key}>${to.item}:${to.pin}`,
        key,
        colour: member.pigtail.colour,
        mark: null,
        from,
        to,
      });
    }
  }

  const roleOf = (joint: Joint): Role => roles[compiled.netOf(jointKey(joint.id)) ?? -1] ?? 'spare';
  const rows: { row: number; item: Item }[] = [
    ...joints.map((joint) => ({
      row: ROLE_ROW[roleOf(joint)],
      item: {
        kind: 'joint' as const,
        id: joint.id,
        joint,
        name: connectorName(parts, joint),
        key: jointKey(joint.id),
      },
    })),
    ...wiring.devices
      .filter((device) => device.box === box)
      .map((device) => ({
        row: 5,
        item: {
          kind: 'device' as const,
          id: device.id,
          device: device.id,
          article: articleOf(parts.stock, 'device', device.article),
          face: faceIn(parts, device),
        },
      })),
    ...parts.luminaires
      .filter((luminaire) => luminaire.box === box)
      .map((luminaire) => ({ row: 5, item: { kind: 'luminaire' as const, id: luminaire.id, luminaire } })),
    ...(wires.some((wire) => wire.to.item === `bond:${box}`)
      ? [{ row: 7, item: { kind: 'bond' as const, id: `bond:${box}` } }]
      : []),
  ];
  return { items: rows.sort((a, b) => a.row - b.row).map(({ item }) => item), wires, cables };
};

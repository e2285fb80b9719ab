import { ofId } from '../model/records.js';
import { articleOf } from '../model/articles.js';
import { terminalKey, type End, type Wiring } from '../model/wiring.js';
import { conductorKey, jointKey, memberKey, pigtailKey } from './keys.js';
import { yokesOf } from './grounding.js';
import type { Parts, Positions } from './parts.js';

/** Two pieces that touch: by splice, screw, tab or yoke always; by a contact in some positions of a handle. */
export type Touch = readonly [a: string, b: string];

const wholeConductor = (end: End): string => conductorKey(end.cable, end.colour);

/**
 * Everything in a wiring that touches whatever the handles do. A conductor is one piece, unless `keyOfEnd` tells its
 * two ends apart.
 */
export const fixedTouches = (wiring: Wiring, parts: Parts, keyOfEnd = wholeConductor): Touch[] => [
  ...wiring.joints.flatMap((joint) =>
    joint.members.map((member): Touch => [
      jointKey(joint.id),
      'end' in member ? keyOfEnd(member.end) : memberKey(member),
    ]),
  ),
  ...wiring.landings.map(({ wire, terminal }): Touch => [
    'end' in wire ? keyOfEnd(wire.end) : pigtailKey(wire.pigtail),
    terminalKey(terminal),
  ]),
  ...wiring.devices.flatMap(({ id, article }) =>
    articleOf(parts.stock, 'device', article).bridged.map(([a, b]): Touch => [
      terminalKey({ device: id, name: a }),
      terminalKey({ device: id, name: b }),
    ]),
  ),
  ...yokesOf(wiring, parts).flatMap(({ key, groundedBy }): Touch[] =>
    groundedBy ? [[key, terminalKey({ box: groundedBy, name: 'ground' })]] : [],
  ),
];

/** Terminals that the handles connect in these positions. */
export const closedContacts = (wiring: Wiring, parts: Parts, positions: Positions): Touch[] =>
  wiring.devices.flatMap(({ id, article }) => {
    const { connected } = articleOf(parts.stock, 'device', article).positions[ofId(positions, id) ?? 0] ?? {
      connected: [],
    };
    return connected.map(([a, b]): Touch => [
      terminalKey({ device: id, name: a }),
      terminalKey({ device: id, name: b }),
    ]);
  });

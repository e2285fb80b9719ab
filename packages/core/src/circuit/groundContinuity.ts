import type { BoxId, DeviceId, LuminaireId } from '../model/ids.js';
import { findCable } from '../model/lookup.js';
import { placeOfEnd, terminalKey, type Wiring } from '../model/wiring.js';
import type { Compiled } from './compile.js';
import { bondOf, yokesOf } from './grounding.js';
import type { Parts } from './parts.js';

/** A part that has to be grounded. */
export type MetalPart = { box: BoxId } | { device: DeviceId } | { luminaire: LuminaireId };

/**
 * Metal parts that no equipment grounding conductor of any circuit is known to reach: metal boxes and straps, yokes, exposed metal
 * of luminaires (250.148, 404.9(B), 410.40 on). Of one that may be joined to what nobody has looked at it is not known whether one does.
 */
export const ungroundedParts = (
  wiring: Wiring,
  parts: Parts,
  compiled: Compiled,
): { part: MetalPart; isKnown: boolean }[] => {
  const grounded = new Set(compiled.sources.map((one) => one.ground));
  const keyOfBox = (id: string) => terminalKey({ box: id as BoxId, name: 'ground' });
  // An end that nobody has looked at may be on the screw of its box.
  const open = new Set(
    wiring.unseen.flatMap(({ cable, side }) => {
      const known = findCable(wiring, cable);
      return known ? [keyOfBox(placeOfEnd(known, side))] : [];
    }),
  );
  const unknown = new Set([...compiled.unknown, ...[...open].map((key) => compiled.netOf(key))]);
  const metal: { part: MetalPart; key: string }[] = [
    ...Object.entries(wiring.boxes)
      .filter(([, chosen]) => bondOf(parts.stock, chosen) !== null)
      .map(([id]) => ({ part: { box: id as BoxId }, key: keyOfBox(id) })),
    ...yokesOf(wiring, parts).map(({ device, key }) => ({ part: { device }, key })),
    ...parts.luminaires
      .filter((one) => one.metal && one.partOf === null)
      .map(({ id }) => ({ part: { luminaire: id }, key: terminalKey({ luminaire: id, name: 'ground' }) })),
  ];
  return metal.flatMap(({ part, key }) => {
    const net = compiled.netOf(key);
    if (net !== undefined && grounded.has(net)) return [];
    return [{ part, isKnown: !open.has(key) && (net === undefined || !unknown.has(net)) }];
  });
};

/**
 * Metal boxes that a ground reaches, and only by the screws of a device: whoever takes that device out takes the ground of the box
 * with it, so 250.148(C) asks for a connection of the box itself.
 */
export const groundedByYokeAlone = (wiring: Wiring, parts: Parts, compiled: Compiled): BoxId[] => {
  const ungrounded = new Set(
    ungroundedParts(wiring, parts, compiled).flatMap(({ part }) => ('box' in part ? [part.box] : [])),
  );
  const landedOn = new Set(
    wiring.landings.flatMap(({ terminal }) => ('box' in terminal ? [terminal.box] : [])),
  );
  return Object.entries(wiring.boxes)
    .filter(([, chosen]) => bondOf(parts.stock, chosen) === 'metal')
    .map(([id]) => id as BoxId)
    .filter((id) => !ungrounded.has(id) && !landedOn.has(id));
};

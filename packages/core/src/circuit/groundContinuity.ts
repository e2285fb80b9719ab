import type { BoxId, DeviceId, LuminaireId } from '../model/ids.js';
import { terminalKey, type Wiring } from '../model/wiring.js';
import type { Compiled } from './compile.js';
import { bondOf, yokesOf } from './grounding.js';
import type { Parts } from './parts.js';

/** A part that has to be grounded. */
export type MetalPart = { box: BoxId } | { device: DeviceId } | { luminaire: LuminaireId };

/**
 * Metal parts that no equipment grounding conductor of any circuit reaches: metal boxes and straps, yokes, exposed metal
 * of luminaires (250.148, 404.9(B), 410.40 on). `key` is that of the part's net.
 */
export const ungroundedParts = (wiring: Wiring, parts: Parts, compiled: Compiled): MetalPart[] => {
  const grounded = new Set(compiled.sources.map((one) => one.ground));
  const metal: { part: MetalPart; key: string }[] = [
    ...Object.entries(wiring.boxes)
      .filter(([, chosen]) => bondOf(parts.stock, chosen) !== null)
      .map(([id]) => ({
        part: { box: id as BoxId },
        key: terminalKey({ box: id as BoxId, name: 'ground' }),
      })),
    ...yokesOf(wiring, parts).map(({ device, key }) => ({ part: { device }, key })),
    ...parts.luminaires
      .filter((one) => one.metal && one.partOf === null)
      .map(({ id }) => ({ part: { luminaire: id }, key: terminalKey({ luminaire: id, name: 'ground' }) })),
  ];
  return metal
    .filter(({ key }) => {
      const net = compiled.netOf(key);
      return net === undefined || !grounded.has(net);
    })
    .map(({ part }) => part);
};

/**
 * Metal boxes that a ground reaches, and only by the screws of a device: whoever takes that device out takes the ground of the box
 * with it, so 250.148(C) asks for a connection of the box itself.
 */
export const groundedByYokeAlone = (wiring: Wiring, parts: Parts, compiled: Compiled): BoxId[] => {
  const ungrounded = new Set(
    ungroundedParts(wiring, parts, compiled).flatMap((part) => ('box' in part ? [part.box] : [])),
  );
  const landedOn = new Set(
    wiring.landings.flatMap(({ terminal }) => ('box' in terminal ? [terminal.box] : [])),
  );
  return Object.entries(wiring.boxes)
    .filter(([, chosen]) => bondOf(parts.stock, chosen) === 'metal')
    .map(([id]) => id as BoxId)
    .filter((id) => !ungrounded.has(id) && !landedOn.has(id));
};

import { articleOf } from '../model/articles.js';
import type { CableId } from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import type { Compiled } from './compile.js';
import { conductorKey } from './keys.js';
import type { Parts } from './parts.js';

/** What a net is for, told by what it touches and by nothing else. */
export type Role = 'hot' | 'neutral' | 'ground' | 'traveler' | 'switchLeg' | 'spare' | 'conflict';

/**
 * The role of every net, from the terminals on it: a source's hot, neutral or ground; a luminaire's hot terminal
 * without a source is a switch leg; switch terminals alone are travelers; nothing is a spare. A net on two of the
 * source's terminals, or that ties a luminaire's shell to a switch, is a conflict.
 */
export const rolesOf = (compiled: Compiled): Role[] => {
  const touches = Array.from({ length: compiled.netCount }, () => new Set<string>());
  const touch = (net: number, what: string) => touches[net]?.add(what);
  for (const source of compiled.sources) {
    touch(source.hot, 'hot');
    touch(source.neutral, 'neutral');
    touch(source.ground, 'ground');
  }
  for (const luminaire of compiled.luminaires) {
    touch(luminaire.hot, 'load');
    touch(luminaire.neutral, 'shell');
    touch(luminaire.ground, 'metal');
  }
  for (const device of compiled.devices) {
    for (const net of device.switched) touch(net, 'switch');
    for (const net of device.outlets) touch(net, 'load');
    for (const net of device.neutrals) touch(net, 'shell');
  }
  return touches.map((on): Role => {
    const sources = ['hot', 'neutral', 'ground'].filter((one) => on.has(one));
    if (sources.length > 1) return 'conflict';
    if (on.has('neutral')) return 'neutral';
    if (on.has('ground')) return 'ground';
    if (on.has('hot')) return 'hot';
    if (on.has('shell') && (on.has('switch') || on.has('load'))) return 'conflict';
    if (on.has('load')) return 'switchLeg';
    return on.has('switch') ? 'traveler' : 'spare';
  });
};

/** Circuits whose hot or neutral reaches each net in some handle position. */
export const circuitsByNet = (compiled: Compiled): Set<string>[] => {
  const reached = Array.from({ length: compiled.netCount }, () => new Set<string>());
  const links = compiled.devices.flatMap((device) => device.positions.flat());
  for (const source of compiled.sources)
    for (const start of [source.hot, source.neutral]) {
      const queue = [start];
      for (let net = queue.pop(); net !== undefined; net = queue.pop()) {
        const here = reached[net];
        if (!here || here.has(source.id)) continue;
        here.add(source.id);
        for (const [a, b] of links) {
          if (a === net) queue.push(b);
          if (b === net) queue.push(a);
        }
      }
    }
  return reached;
};

/** Circuits whose hot or neutral reaches a conductor of each cable in some handle position. */
export const circuitsByCable = (
  wiring: Wiring,
  parts: Parts,
  compiled: Compiled,
  byNet: readonly ReadonlySet<string>[] = circuitsByNet(compiled),
): Map<CableId, ReadonlySet<string>> =>
  new Map(
    wiring.cables.map((cable) => {
      const nets = articleOf(parts.stock, 'cable', cable.article).insulated.map((colour) =>
        compiled.netOf(conductorKey(cable.id, colour)),
      );
      return [cable.id, new Set(nets.flatMap((net) => (net === undefined ? [] : [...(byNet[net] ?? [])])))];
    }),
  );

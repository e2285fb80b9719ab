import { articleOf, conductorsOf } from '../model/articles.js';
import type { CircuitId, DeviceId, LuminaireId } from '../model/ids.js';
import { terminalKey, type Wiring } from '../model/wiring.js';
import { yokesOf } from './grounding.js';
import { knownPart } from './knownPart.js';
import { breakersOf, carrierOf, type Parts } from './parts.js';
import { conductorKey } from './keys.js';
import { Numbering } from './numbering.js';
import { UnionFind } from './unionFind.js';
import { fixedTouches } from './wireGraph.js';

export interface CompiledDevice {
  id: DeviceId;
  /** For each handle position, pairs of nets that are connected then. */
  positions: readonly (readonly (readonly [number, number])[])[];
  /** Nets on terminals that the handle connects; a neutral or ground terminal is not among them. */
  switched: readonly number[];
  /** Nets on the slots of a receptacle, and on what of the device wants a neutral. */
  outlets: readonly number[];
  neutrals: readonly number[];
}

export interface CompiledLuminaire {
  id: LuminaireId;
  hot: number;
  neutral: number;
  ground: number;
  va: number;
}

/** A wiring reduced to nets: what is one conductor whatever the handles do. Compile once, evaluate often. */
export interface Compiled {
  netCount: number;
  /** The net of a conductor, pigtail, joint or terminal key; undefined where the wiring does not hold it. */
  netOf: (key: string) => number | undefined;
  devices: readonly CompiledDevice[];
  luminaires: readonly CompiledLuminaire[];
  sources: readonly { id: CircuitId; hot: number; neutral: number; ground: number }[];
  /** Nets with an end, a screw or a lead of which nobody knows what is on it: they may be joined to anything. */
  unknown: readonly number[];
}

const NOTHING: ReadonlySet<string> = new Set();

/**
 * Builds the nets of a wiring from its two relations, ends joined and ends landed. Nothing but the wiring decides:
 * change one landing and the nets change. What is joined in an `assumed` box nobody has seen: it counts for nothing, and whatever ends
 * there may be joined to anything.
 */
export const compile = (wiring: Wiring, parts: Parts, assumed: ReadonlySet<string> = NOTHING): Compiled => {
  const indices = new Numbering();
  const index = (key: string) => indices.of(key);

  for (const cable of wiring.cables)
    for (const colour of conductorsOf(articleOf(parts.stock, 'cable', cable.article)))
      index(conductorKey(cable.id, colour));
  for (const { key } of yokesOf(wiring, parts)) index(key);
  const luminaires = parts.luminaires.map((one) => {
    const shared = (name: 'neutral' | 'ground') => index(terminalKey({ luminaire: carrierOf(one), name }));
    return {
      id: one.id,
      va: one.va,
      hot: index(terminalKey({ luminaire: one.id, name: 'hot' })),
      neutral: shared('neutral'),
      ground: shared('ground'),
    };
  });
  const sources = breakersOf(wiring, parts).map((id) => {
    const terminal = (name: 'hot' | 'neutral' | 'ground') => index(terminalKey({ circuit: id, name }));
    return { id, hot: terminal('hot'), neutral: terminal('neutral'), ground: terminal('ground') };
  });
  const devices = wiring.devices.map((device) => {
    const article = articleOf(parts.stock, 'device', device.article);
    const terminal = (name: string) => index(terminalKey({ device: device.id, name }));
    for (const { name } of article.terminals) terminal(name);
    return {
      id: device.id,
      positions: article.positions.map(({ connected }) =>
        connected.map(([a, b]) => [terminal(a), terminal(b)] as const),
      ),
      nodesOf: (use: 'hot' | 'neutral') =>
        article.terminals.filter((one) => one.use === use).map((one) => terminal(one.name)),
    };
  });

  const { seen, unknown: unknownKeys } = knownPart(wiring, parts, assumed);
  const unknown = unknownKeys.map(index);
  const touches = fixedTouches(seen, parts).map(([a, b]) => [index(a), index(b)] as const);
  const sets = new UnionFind(indices.size);
  for (const [a, b] of touches) sets.join(a, b);
  const numbers = new Map<number, number>();
  const net = (node: number): number => {
    const root = sets.find(node);
    const known = numbers.get(root);
    if (known !== undefined) return known;
    numbers.set(root, numbers.size);
    return numbers.size - 1;
  };
  const nets = new Map([...indices.entries()].map(([key, node]) => [key, net(node)]));
  return {
    netCount: numbers.size,
    unknown: [...new Set(unknown.map(net))],
    netOf: (key) => nets.get(key),
    devices: devices.map(({ id, positions, nodesOf }) => {
      const mapped = positions.map((pairs) => pairs.map(([a, b]) => [net(a), net(b)] as const));
      return {
        id,
        positions: mapped,
        switched: [...new Set(mapped.flat(2))],
        outlets: [...new Set(nodesOf('hot').map(net))],
        neutrals: [...new Set(nodesOf('neutral').map(net))],
      };
    }),
    luminaires: luminaires.map((one) => ({
      ...one,
      hot: net(one.hot),
      neutral: net(one.neutral),
      ground: net(one.ground),
    })),
    sources: sources.map((one) => ({
      ...one,
      hot: net(one.hot),
      neutral: net(one.neutral),
      ground: net(one.ground),
    })),
  };
};

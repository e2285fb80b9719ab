import { PANEL, type BoxId, type CircuitId, type LuminaireId, type Place } from '../model/ids.js';
import {
  terminalKey,
  type Cable,
  type End,
  type Joint,
  type Terminal,
  type Wiring,
} from '../model/wiring.js';
import { articleOf, conductorsOf } from '../model/articles.js';
import { conductorKey, jointKey, pigtailKey } from './keys.js';
import { breakersOf, carrierOf, type Parts, type Positions } from './parts.js';
import { closedContacts, fixedTouches, type Touch } from './wireGraph.js';

/** One piece on the way along a conductor. */
export type TracePiece =
  | { kind: 'conductor'; key: string; cable: Cable; colour: End['colour'] }
  | { kind: 'splice'; key: string; joint: Joint }
  | { kind: 'pigtail'; key: string; box: BoxId }
  | { kind: 'terminal'; key: string; terminal: Terminal; at: Place };

export interface Trace {
  /** Every piece of copper that is one with the start, nearest first, the start itself among them. */
  net: TracePiece[];
  /** The way back to the panel through the contacts that are closed, the start first; null where there is none. */
  source: { circuit: CircuitId; name: 'hot' | 'neutral' | 'ground'; path: TracePiece[] } | null;
  /** Loads that hang on it through the contacts that are closed, by either side. */
  loads: LuminaireId[];
}

/** Every piece of a wiring by its key. */
const piecesOf = (wiring: Wiring, parts: Parts): Map<string, TracePiece> => {
  const pieces = new Map<string, TracePiece>();
  const add = (piece: TracePiece) => pieces.set(piece.key, piece);
  for (const cable of wiring.cables)
    for (const colour of conductorsOf(articleOf(parts.stock, 'cable', cable.article)))
      add({ kind: 'conductor', key: conductorKey(cable.id, colour), cable, colour });
  for (const joint of wiring.joints) {
    add({ kind: 'splice', key: jointKey(joint.id), joint });
    for (const member of joint.members)
      if ('pigtail' in member) add({ kind: 'pigtail', key: pigtailKey(member.pigtail.id), box: joint.box });
  }
  const terminal = (one: Terminal, at: Place) =>
    add({ kind: 'terminal', key: terminalKey(one), terminal: one, at });
  for (const { id, box, article } of wiring.devices)
    for (const { name } of articleOf(parts.stock, 'device', article).terminals)
      terminal({ device: id, name }, box);
  for (const name of ['hot', 'neutral', 'ground'] as const) {
    for (const { id, box } of parts.luminaires) terminal({ luminaire: id, name }, box);
    for (const id of breakersOf(wiring, parts)) terminal({ circuit: id, name }, PANEL);
  }
  for (const id of Object.keys(wiring.boxes) as BoxId[]) terminal({ box: id, name: 'ground' }, id);
  return pieces;
};

type Neighbours = ReadonlyMap<string, readonly string[]>;

const neighboursOf = (touches: readonly Touch[]): Neighbours => {
  const next = new Map<string, string[]>();
  const tie = (a: string, b: string) => {
    const known = next.get(a);
    if (known) known.push(b);
    else next.set(a, [b]);
  };
  for (const [a, b] of touches) {
    tie(a, b);
    tie(b, a);
  }
  return next;
};

/** Walks from the start along touching pieces, nearest first; gives for each piece the one it was reached from. */
const walk = (start: string, next: Neighbours): Map<string, string | null> => {
  const reached = new Map<string, string | null>([[start, null]]);
  for (const at of reached.keys())
    for (const other of next.get(at) ?? []) if (!reached.has(other)) reached.set(other, at);
  return reached;
};

/**
 * Follows a conductor, pigtail, splice or terminal by its key: all that is one piece with it, its way back to the panel
 * and the loads on it, with the handles as they are. Null where the wiring holds no such piece. Prepare once, ask often.
 */
export const createTracer = (
  wiring: Wiring,
  parts: Parts,
  positions: Positions,
): ((start: string) => Trace | null) => {
  const pieces = piecesOf(wiring, parts);
  const fixed = fixedTouches(wiring, parts);
  const copper = neighboursOf(fixed);
  const closed = neighboursOf([...fixed, ...closedContacts(wiring, parts, positions)]);
  const sources = breakersOf(wiring, parts).flatMap((id) =>
    (['hot', 'neutral', 'ground'] as const).map((name) => ({ circuit: id, name })),
  );
  const found = (keys: Iterable<string>) => [...keys].flatMap((key) => pieces.get(key) ?? []);
  return (start) => {
    if (!pieces.has(start)) return null;
    const reached = walk(start, closed);
    const source = sources.find((terminal) => reached.has(terminalKey(terminal)));
    const back = (from: string): string[] => {
      const path: string[] = [];
      for (let at: string | null | undefined = from; at; at = reached.get(at)) path.unshift(at);
      return path;
    };
    return {
      net: found(walk(start, copper).keys()),
      source: source ? { ...source, path: found(back(terminalKey(source))) } : null,
      loads: parts.luminaires
        .filter(
          (one) =>
            reached.has(terminalKey({ luminaire: one.id, name: 'hot' })) ||
            reached.has(terminalKey({ luminaire: carrierOf(one), name: 'neutral' })),
        )
        .map((one) => one.id),
    };
  };
};

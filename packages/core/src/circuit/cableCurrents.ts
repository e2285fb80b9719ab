import { articleOf, conductorsOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { CableId } from '../model/ids.js';
import { endKey, terminalKey, type End, type Terminal, type Wiring } from '../model/wiring.js';
import { solveCurrents } from './currents.js';
import type { State } from './evaluate.js';
import { Numbering } from './numbering.js';
import { breakersOf, carrierOf, type Parts, type Positions } from './parts.js';
import { UnionFind } from './unionFind.js';
import { closedContacts, fixedTouches } from './wireGraph.js';

/** Amperes in each conductor of each cable, positive from the cable's `from` side to its `to` side. */
export type CableCurrents = Map<CableId, Map<Colour, number>>;

interface Conductor {
  cable: CableId;
  colour: Colour;
  from: number;
  to: number;
}

/** Nodes are ends, splices, pigtails and terminals; what touches is one node, a conductor ties two of them. */
const readNodes = (wiring: Wiring, parts: Parts) => {
  const nodes = new Numbering();
  const node = (key: string) => nodes.of(key);
  const keyOfEnd = (one: End) => `end|${endKey(one)}`;
  const end = (one: End) => node(keyOfEnd(one));
  const conductors = wiring.cables.flatMap(({ id, article }) =>
    conductorsOf(articleOf(parts.stock, 'cable', article)).map((colour): Conductor => ({
      cable: id,
      colour,
      from: end({ cable: id, side: 'from', colour }),
      to: end({ cable: id, side: 'to', colour }),
    })),
  );
  const touches = fixedTouches(wiring, parts, keyOfEnd).map(([a, b]) => [node(a), node(b)] as const);
  const at = (terminal: Terminal) => node(terminalKey(terminal));
  const loads = parts.luminaires.map((one) => ({
    id: one.id,
    hot: at({ luminaire: one.id, name: 'hot' }),
    neutral: at({ luminaire: carrierOf(one), name: 'neutral' }),
  }));
  const sources = breakersOf(wiring, parts).flatMap((id) =>
    (['hot', 'neutral', 'ground'] as const).map((name) => at({ circuit: id, name })),
  );
  return { node, nodes, conductors, touches, loads, sources };
};

/**
 * Currents told by Kirchhoff's current law alone: in a tree of conductors each one carries what is drawn behind it.
 * Null where a loaded net closes a ring or hangs on two sources, so that the current splits by resistance.
 */
const inTree = (
  count: number,
  conductors: readonly Conductor[],
  drawn: Float64Array,
  sources: ReadonlySet<number>,
): number[] | null => {
  const at = Array.from({ length: count }, (): number[] => []);
  conductors.forEach(({ from, to }, i) => {
    at[from]?.push(i);
    at[to]?.push(i);
  });
  const amperes = conductors.map(() => 0);
  const seen = new Uint8Array(count);
  for (const start of [...sources, ...Array.from({ length: count }, (_, i) => i)]) {
    if (seen[start]) continue;
    seen[start] = 1;
    const order = [{ node: start, by: -1 }];
    let ring = false;
    for (const { node, by } of order)
      for (const i of at[node] ?? []) {
        const { from, to } = conductors[i] ?? { from: node, to: node };
        const other = from === node ? to : from;
        if (i === by) continue;
        if (seen[other]) ring = true;
        else {
          seen[other] = 1;
          order.push({ node: other, by: i });
        }
      }
    const loaded = order.some(({ node }) => Math.abs(drawn[node] ?? 0) > 1e-12);
    const taps = order.filter(({ node }) => sources.has(node)).length;
    if (loaded && (ring || taps > 1)) return null;
    if (!loaded) continue;
    for (const { node, by } of order.reverse()) {
      const one = conductors[by];
      if (!one) continue;
      const amount = drawn[node] ?? 0;
      amperes[by] = one.to === node ? amount : -amount;
      const before = one.to === node ? one.from : one.to;
      drawn[before] = (drawn[before] ?? 0) + amount;
    }
  }
  return amperes;
};

/**
 * The currents of every conductor of a wiring for given handle positions and what `evaluate` says of them. Prepare
 * once, ask often. Where current splits between two ways it is settled by nodal analysis; then no breaker opens.
 */
export const createCableCurrents = (
  wiring: Wiring,
  parts: Parts,
): ((positions: Positions, state: State) => CableCurrents) => {
  const { node, nodes, conductors, touches, loads, sources } = readNodes(wiring, parts);
  return (positions, state) => {
    const contacts = closedContacts(wiring, parts, positions).map(([a, b]) => [node(a), node(b)] as const);
    const sets = new UnionFind(nodes.size);
    for (const [a, b] of [...touches, ...contacts]) sets.join(a, b);
    const drawn = new Float64Array(nodes.size);
    const draw = (at: number, amount: number) => {
      drawn[sets.find(at)] = (drawn[sets.find(at)] ?? 0) + amount;
    };
    const states = new Map(state.luminaires.map((one) => [one.id, one.amperes]));
    for (const { id, hot, neutral } of loads) {
      draw(hot, states.get(id) ?? 0);
      draw(neutral, -(states.get(id) ?? 0));
    }
    const merged = conductors.map((one) => ({ ...one, from: sets.find(one.from), to: sets.find(one.to) }));
    const roots = new Set(sources.map((source) => sets.find(source)));
    const amperes = inTree(nodes.size, merged, drawn, roots);
    if (!amperes) return solveCurrents(wiring, parts, positions).amperes;
    const byCable: CableCurrents = new Map(wiring.cables.map(({ id }) => [id, new Map<Colour, number>()]));
    conductors.forEach(({ cable, colour }, i) => byCable.get(cable)?.set(colour, amperes[i] ?? 0));
    return byCable;
  };
};

/** What does not come back in the same cable, amperes: it should be nothing (300.3(B), 300.20(A)). */
export const netCurrent = (conductors: ReadonlyMap<Colour, number>): number =>
  Math.abs([...conductors.values()].reduce((sum, one) => sum + one, 0));

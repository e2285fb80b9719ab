import { ofId } from '../model/records.js';
import { BRANCH_VOLTS } from '../model/units.js';
import { conductorsOf, articleOf } from '../model/articles.js';
import type { End, Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import type { NetState, State } from '../circuit/evaluate.js';
import { conductorKey } from '../circuit/keys.js';
import type { Parts, Positions } from '../circuit/parts.js';
import { UnionFind } from '../circuit/unionFind.js';

/*
 * Meters that are put on a wiring instead of on copper. Each reads what the real one would, with its weaknesses.
 */

/** What a voltage tester says between two points: volts, or that nobody can know. */
export type Volts = { volts: number } | { volts: null };

/** Volts that a meter of high impedance finds on a conductor that hangs in the air beside a live one. Made up: real ones vary. */
export const GHOST_VOLTS = 48;

const voltsOf = ({ nets, volts }: State, net: number, floating: number): number | null =>
  nets[net] === 'unknown' ? null : (ofIndex(volts, net) ?? floating);

const ofIndex = (all: readonly (number | null)[], at: number): number | null => all[at] ?? null;

/**
 * A two-pole tester, which loads what it touches: between two nets, volts. What hangs in the air is drawn to what the other probe is on, and
 * reads nothing.
 */
export const twoPole = (state: State, a: number, b: number): Volts => {
  const [x, y] = [a, b].map((net) => voltsOf(state, net, Number.NaN));
  if (x === null || y === null || x === undefined || y === undefined) return { volts: null };
  return { volts: Number.isNaN(x) || Number.isNaN(y) ? 0 : Math.abs(x - y) };
};

/** Does a conductor run beside a live one in one of its cables? Then it is charged by it while it hangs in the air. */
const besideLive = (wiring: Wiring, parts: Parts, compiled: Compiled, state: State, net: number): boolean =>
  wiring.cables.some((cable) => {
    const nets = conductorsOf(articleOf(parts.stock, 'cable', cable.article)).map((colour) =>
      compiled.netOf(conductorKey(cable.id, colour)),
    );
    return nets.includes(net) && nets.some((one) => one !== undefined && state.nets[one] === 'live');
  });

/** A meter of high impedance, which draws next to nothing: what hangs in the air beside a live conductor shows ghost volts. */
export const highImpedance = (
  wiring: Wiring,
  parts: Parts,
  compiled: Compiled,
  state: State,
  [a, b]: readonly [number, number],
): Volts => {
  const ghost = (net: number) => (besideLive(wiring, parts, compiled, state, net) ? GHOST_VOLTS : 0);
  const [x, y] = [a, b].map((net) => voltsOf(state, net, ghost(net)));
  if (x === null || y === null || x === undefined || y === undefined) return { volts: null };
  return { volts: Math.abs(x - y) };
};

/** A hint: it glows beside what is live, and beside what is charged by it; it may stay dark beside a live one that lies between grounded ones. */
export const nonContact = (
  wiring: Wiring,
  parts: Parts,
  compiled: Compiled,
  state: State,
  end: End,
): 'glows' | 'silent' | 'either' => {
  const net = compiled.netOf(conductorKey(end.cable, end.colour));
  if (net === undefined) return 'silent';
  const kind: NetState = state.nets[net] ?? 'floating';
  if (kind === 'unknown') return 'either';
  if (kind === 'live' || kind === 'backfed') return 'glows';
  return kind === 'floating' && besideLive(wiring, parts, compiled, state, net) ? 'glows' : 'silent';
};

/**
 * What is one piece of copper with the breakers off, the lamps out and the handles so: sets of nets. Neutrals and grounds are one at the
 * service.
 */
export const deadCopper = (compiled: Compiled, positions: Positions): UnionFind => {
  const sets = new UnionFind(compiled.netCount);
  for (const device of compiled.devices)
    for (const [a, b] of device.positions[ofId(positions, device.id) ?? 0] ?? []) sets.join(a, b);
  const [first] = compiled.sources;
  for (const { neutral, ground } of compiled.sources) {
    sets.join(neutral, ground);
    if (first) sets.join(neutral, first.neutral);
  }
  return sets;
};

/** A continuity tester between two nets: it refuses where either is live, as a real one would be destroyed or would lie. */
export const continuity = (
  compiled: Compiled,
  positions: Positions,
  state: State | null,
  [a, b]: readonly [number, number],
): 'yes' | 'no' | 'refused' | 'notKnown' => {
  if (state) {
    const kinds = [a, b].map((net) => state.nets[net]);
    if (kinds.some((kind) => kind === 'live' || kind === 'backfed')) return 'refused';
  }
  const sets = deadCopper(compiled, positions);
  if (sets.find(a) === sets.find(b)) return 'yes';
  const unknown = new Set(compiled.unknown.map((net) => sets.find(net)));
  return unknown.has(sets.find(a)) && unknown.has(sets.find(b)) ? 'notKnown' : 'no';
};

/** What the three lamps of a receptacle tester tell. Neutral and ground exchanged or joined look right to it. */
export type OutletReading =
  'right' | 'noHot' | 'noNeutral' | 'noGround' | 'hotNeutralExchanged' | 'hotGroundExchanged' | 'otherwise';

/** A receptacle tester in an outlet whose slots and ground are these nets. */
export const outletTester = (
  state: State,
  { hot, neutral, ground }: { hot: number; neutral: number; ground: number },
): OutletReading => {
  const lit = (a: number, b: number): boolean => {
    const { volts } = twoPole(state, a, b);
    return volts !== null && volts > BRANCH_VOLTS * 0.9;
  };
  const [hotNeutral, hotGround, neutralGround] = [lit(hot, neutral), lit(hot, ground), lit(neutral, ground)];
  const lamps = `${Number(hotNeutral)}${Number(hotGround)}${Number(neutralGround)}`;
  const readings: Record<string, OutletReading> = {
    ...{ '110': 'right', '000': 'noHot', '010': 'noNeutral', '100': 'noGround' },
    ...{ '101': 'hotNeutralExchanged', '011': 'hotGroundExchanged' },
  };
  return readings[lamps] ?? 'otherwise';
};

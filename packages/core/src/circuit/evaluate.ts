import { ofId } from '../model/records.js';
import type { CircuitId, LuminaireId } from '../model/ids.js';
import { BRANCH_VOLTS } from '../model/units.js';
import type { Compiled } from './compile.js';
import { solveLinear } from './linear.js';
import type { Positions } from './parts.js';
import { UnionFind } from './unionFind.js';

/**
 * live: copper all the way to a closed breaker. backfed: reaches it only through a luminaire, and shocks all the same.
 * unknown: copper leads to an end that nobody knows, so it may be live. dead: held at nothing by a luminaire. floating: connected to nothing at all, so that a non-contact tester may be fooled.
 */
export type NetState = 'live' | 'backfed' | 'unknown' | 'neutral' | 'ground' | 'dead' | 'floating';

export type Short =
  { circuit: CircuitId; to: 'neutral' | 'ground' } | { circuit: CircuitId; to: 'otherHot'; other: CircuitId };

export interface LuminaireState {
  id: LuminaireId;
  /** Volts across it. */
  volts: number;
  /** From its hot terminal to its neutral one. */
  amperes: number;
  light: 'lit' | 'dim' | 'dark' | 'unknown';
  /** The screw shell, which belongs on the neutral, is live (200.10(C), 410.90). */
  shellLive: boolean;
}

export interface State {
  /** By net index of the compiled wiring. */
  nets: readonly NetState[];
  /** Volts of each net against ground, as loads hold it; null where nothing does, or where nobody knows. */
  volts: readonly (number | null)[];
  luminaires: readonly LuminaireState[];
  /** Faults that open the breaker of the circuit; what it feeds is then dead. */
  shorts: readonly Short[];
  /** A neutral joined to a ground beyond the panel. */
  neutralsGrounded: readonly CircuitId[];
  /** Pairs of circuits whose neutrals are joined beyond the panel (200.4). */
  neutralsJoined: readonly (readonly [CircuitId, CircuitId])[];
}

/** Share of the full voltage below which a luminaire is dark, and from which it burns fully. */
const DARK_BELOW = 0.02;
const FULL_FROM = 0.9;

/** What the wiring does in one set of handle positions. */
export const evaluate = (compiled: Compiled, positions: Positions): State => {
  const sets = new UnionFind(compiled.netCount);
  for (const device of compiled.devices)
    for (const [a, b] of device.positions[ofId(positions, device.id) ?? 0] ?? []) sets.join(a, b);

  const neutrals = new Map<number, CircuitId>();
  const grounds = new Set<number>();
  const neutralsJoined: (readonly [CircuitId, CircuitId])[] = [];
  for (const source of compiled.sources) {
    const root = sets.find(source.neutral);
    const other = neutrals.get(root);
    if (other) neutralsJoined.push([other, source.id]);
    else neutrals.set(root, source.id);
    grounds.add(sets.find(source.ground));
  }
  const neutralsGrounded = [...neutrals].filter(([root]) => grounds.has(root)).map(([, id]) => id);

  const shorts: Short[] = [];
  const hots = new Map<number, CircuitId>();
  for (const source of compiled.sources) {
    const root = sets.find(source.hot);
    if (neutrals.has(root)) shorts.push({ circuit: source.id, to: 'neutral' });
    if (grounds.has(root)) shorts.push({ circuit: source.id, to: 'ground' });
    const other = hots.get(root);
    if (other) shorts.push({ circuit: source.id, to: 'otherHot', other });
    else hots.set(root, source.id);
  }
  // A short opens the breaker: what it fed is dead, and the luminaires behind it are dark.
  const tripped = new Set(shorts.filter((short) => short.to !== 'otherHot').map((short) => short.circuit));
  const live = new Set(
    compiled.sources.filter((one) => !tripped.has(one.id)).map((one) => sets.find(one.hot)),
  );

  const loads = compiled.luminaires
    .map((one) => ({ one, hot: sets.find(one.hot), neutral: sets.find(one.neutral) }))
    .filter(({ hot, neutral }) => hot !== neutral);
  const fixed = (root: number): number | null =>
    live.has(root) ? BRANCH_VOLTS : neutrals.has(root) || grounds.has(root) ? 0 : null;
  const unknown = unknownSets(
    compiled.unknown.map((net) => sets.find(net)),
    loads,
    (root) => fixed(root) !== null,
  );
  const volts = floatingVolts(
    loads.map(({ one, hot, neutral }) => ({ a: hot, b: neutral, siemens: one.va / BRANCH_VOLTS ** 2 })),
    fixed,
  );
  const voltsOf = (root: number) => fixed(root) ?? volts.get(root) ?? 0;

  const stateOf = (root: number): NetState => {
    if (live.has(root)) return 'live';
    if (neutrals.has(root)) return 'neutral';
    if (grounds.has(root)) return 'ground';
    if (unknown.has(root)) return 'unknown';
    const across = volts.get(root);
    if (across === undefined) return 'floating';
    return across > BRANCH_VOLTS * DARK_BELOW ? 'backfed' : 'dead';
  };
  const nets = Array.from({ length: compiled.netCount }, (_, net) => stateOf(sets.find(net)));
  const held = (root: number): number | null =>
    fixed(root) ?? (unknown.has(root) ? null : (volts.get(root) ?? null));
  const luminaires = compiled.luminaires.map((one): LuminaireState => {
    const drop = voltsOf(sets.find(one.hot)) - voltsOf(sets.find(one.neutral));
    const across = Math.abs(drop);
    const share = across / BRANCH_VOLTS;
    const isUnknown = [one.hot, one.neutral].some((net) => unknown.has(sets.find(net)));
    return {
      id: one.id,
      volts: across,
      amperes: (drop * one.va) / BRANCH_VOLTS ** 2,
      light: isUnknown ? 'unknown' : share < DARK_BELOW ? 'dark' : share < FULL_FROM ? 'dim' : 'lit',
      shellLive: nets[one.neutral] === 'live',
    };
  });
  return {
    ...{ nets, luminaires, shorts, neutralsGrounded, neutralsJoined },
    volts: Array.from({ length: compiled.netCount }, (_, net) => held(sets.find(net))),
  };
};

/** Sets that an end nobody knows leads to, by copper or through luminaires, and that no source settles. */
const unknownSets = (
  starts: readonly number[],
  loads: readonly { hot: number; neutral: number }[],
  isFixed: (root: number) => boolean,
): ReadonlySet<number> => {
  const reached = new Set<number>();
  const queue = [...starts];
  for (let root = queue.pop(); root !== undefined; root = queue.pop()) {
    if (isFixed(root) || reached.has(root)) continue;
    reached.add(root);
    for (const { hot, neutral } of loads) {
      if (hot === root) queue.push(neutral);
      if (neutral === root) queue.push(hot);
    }
  }
  return reached;
};

/**
 * Volts of the sets that reach a source only through luminaires (an open neutral, luminaires in series): Kirchhoff's
 * current law at each of them. Sets that reach no source at all stay at zero.
 */
const floatingVolts = (
  loads: readonly { a: number; b: number; siemens: number }[],
  fixed: (root: number) => number | null,
): Map<number, number> => {
  const reached = new Set<number>();
  let grew = true;
  while (grew) {
    grew = false;
    for (const { a, b } of loads)
      for (const [x, y] of [
        [a, b],
        [b, a],
      ] as const)
        if (fixed(x) === null && !reached.has(x) && (fixed(y) !== null || reached.has(y))) {
          reached.add(x);
          grew = true;
        }
  }
  const unknowns = [...reached];
  if (unknowns.length === 0) return new Map();
  const row = new Map(unknowns.map((root, i) => [root, i]));
  const matrix = unknowns.map(() => unknowns.map(() => 0));
  const right = unknowns.map(() => 0);
  const stamp = (from: number, to: number, siemens: number) => {
    const i = row.get(from);
    const line = i === undefined ? undefined : matrix[i];
    if (i === undefined || !line) return;
    line[i] = (line[i] ?? 0) + siemens;
    const j = row.get(to);
    if (j === undefined) right[i] = (right[i] ?? 0) + siemens * (fixed(to) ?? 0);
    else line[j] = (line[j] ?? 0) - siemens;
  };
  for (const { a, b, siemens } of loads) {
    stamp(a, b, siemens);
    stamp(b, a, siemens);
  }
  const solution = solveLinear(matrix, right);
  return new Map(unknowns.map((root, i) => [root, solution[i] ?? 0]));
};

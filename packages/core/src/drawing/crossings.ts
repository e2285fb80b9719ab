import type { Arrangement, Columns } from './columns.js';
import { columnsOf } from './columns.js';
import type { Edge } from './geometry.js';
import type { Prepared } from './prepared.js';

/** Up to so many cables every order of them is weighed. */
const MOST_CABLES = 8;

/**
 * The order of cables with the fewest crossings, where `c[a][b]` counts those of a's wires with b's while a stands left of b: exact for
 * up to eight by dynamic programming over sets (Held and Karp), and beyond by taking out and putting back while it helps.
 */
export const bestOrder = (c: readonly Float64Array[]): { order: number[]; crossings: number } => {
  const n = c.length;
  if (n > MOST_CABLES) return insertedOrder(c);
  const full = (1 << n) - 1;
  const best = new Float64Array(full + 1).fill(Infinity);
  const last = new Int8Array(full + 1).fill(-1);
  best[0] = 0;
  for (let set = 1; set <= full; set++)
    for (let j = 0; j < n; j++) {
      if (!(set & (1 << j))) continue;
      const rest = set & ~(1 << j);
      let sum = best[rest] ?? Infinity;
      for (let i = 0; i < n; i++) if (rest & (1 << i)) sum += c[i]?.[j] ?? 0;
      if (sum < (best[set] ?? Infinity)) {
        best[set] = sum;
        last[set] = j;
      }
    }
  const order: number[] = [];
  for (let set = full; set > 0;) {
    const j = last[set] ?? 0;
    order.unshift(j);
    set &= ~(1 << j);
  }
  return { order, crossings: best[full] ?? 0 };
};

const insertedOrder = (c: readonly Float64Array[]): { order: number[]; crossings: number } => {
  let order = c.map((_, i) => i);
  const costOf = (tried: readonly number[]) => {
    let sum = 0;
    for (let i = 0; i < tried.length; i++)
      for (let j = i + 1; j < tried.length; j++) sum += c[tried[i] ?? 0]?.[tried[j] ?? 0] ?? 0;
    return sum;
  };
  for (let improved = true; improved;) {
    improved = false;
    for (const one of [...order]) {
      const rest = order.filter((other) => other !== one);
      // What putting it at each place costs, told from the place before.
      let [at, least, now] = [0, 0, 0];
      rest.forEach((other, i) => {
        now += (c[other]?.[one] ?? 0) - (c[one]?.[other] ?? 0);
        if (now < least) [at, least] = [i + 1, now];
      });
      const before = order.indexOf(one);
      const was = rest
        .slice(0, before)
        .reduce((sum, other) => sum + (c[other]?.[one] ?? 0) - (c[one]?.[other] ?? 0), 0);
      if (least >= was - 1e-6) continue;
      order = [...rest.slice(0, at), one, ...rest.slice(at)];
      improved = true;
    }
  }
  return { order, crossings: costOf(order) };
};

/** Middle cell of a unit where its wires come to it. */
const middleOf = ({ units }: Prepared, { unit }: Columns, index: number): number =>
  (unit[index] ?? 0) + ((units[index]?.columns ?? 1) - 1) / 2;

/** Where every wire goes down: the lane of its screw, or the middle of its splice; NaN while that has no place. */
const targetsOf = (prepared: Prepared, columns: Columns): Float64Array =>
  Float64Array.from(prepared.wires, ({ index, way, unit, bond }) => {
    if (way === 'land' || way === 'tail') return columns.lane[index] ?? NaN;
    const target = way === 'bond' ? bond : unit;
    return target >= 0 && (columns.unit[target] ?? -1) >= 0 ? middleOf(prepared, columns, target) : NaN;
  });

/** A cable that comes clearly from the left stands left of the others, unless that costs about a crossing. */
const WRONG_WAY = 0.6;
const CLEARLY = 0.3;

/** The cables of one edge with their wires, by index; worked out once for many arrangements. */
interface AtEdge {
  entries: readonly number[];
  bearings: readonly number[];
  /** Wires of cables, and which of the entries each is of. */
  wires: Int32Array;
  ranks: Int32Array;
}

const atEdge = ({ wires, edges, bearings }: Prepared, edge: Edge): AtEdge => {
  const entries = edges.flatMap((one, i) => (one === edge ? [i] : []));
  const mine = wires.filter((one) => one.entry >= 0 && edges[one.entry] === edge);
  return {
    entries,
    bearings: entries.map((entry) => bearings[entry] ?? 0),
    wires: Int32Array.from(mine, (one) => one.index),
    ranks: Int32Array.from(mine, (one) => entries.indexOf(one.entry)),
  };
};

/** Crossings of the wires of cables at one edge, by which of two stands further left. Those of one splice never cross. */
const cableCrossings = (
  { entries, bearings, wires, ranks }: AtEdge,
  target: Float64Array,
): Float64Array[] => {
  const c = entries.map((_, i) =>
    Float64Array.from(entries, (_other, j) => {
      const wrongWay = (bearings[i] ?? 0) > (bearings[j] ?? 0) + CLEARLY ? WRONG_WAY : 0;
      return wrongWay + (i > j ? 0.001 : 0);
    }),
  );
  for (let x = 0; x < wires.length; x++) {
    const i = ranks[x] ?? 0;
    const left = target[wires[x] ?? 0] ?? NaN;
    for (let y = x + 1; y < wires.length; y++) {
      const j = ranks[y] ?? 0;
      if (i === j) continue;
      const right = target[wires[y] ?? 0] ?? NaN;
      // Of a wire without a place yet nothing is counted: no comparison with it holds.
      const row = left > right ? c[i] : left < right ? c[j] : undefined;
      if (!row) continue;
      const at = left > right ? j : i;
      row[at] = (row[at] ?? 0) + 1;
    }
  }
  return c;
};

/** The lowest channel, between the devices and what stands below them. */
const LOWEST = 1000;

/** Channels that each wire passes straight down, from the first to the last: below row 0, 1, ..., and the lowest one. */
const passesOf = ({ wires, units, edges, rows }: Prepared): (readonly [number, number] | null)[] =>
  wires.map(({ way, unit, entry, from }) => {
    const target = units[unit];
    const low = target?.low === true;
    const row = target?.row ?? 0;
    if (way === 'land') return from === 'top' ? [0, rows - 1] : [LOWEST, LOWEST];
    if (way === 'tail') return low ? null : [row + 1, rows - 1];
    if (way === 'bond') return low ? null : [row + 1, LOWEST];
    if (way !== 'drop') return null;
    if (edges[entry] === 'top') return [0, low ? LOWEST : row - 1];
    return low ? null : [row, LOWEST];
  });

/** What does not hang on the arrangement, worked out once for many of them. */
export interface Counter {
  cost: (arrangement: Arrangement) => number;
}

/** A crossing is worth this many cells of width. */
const CROSSING = 100;
/** Beyond so many cells the letters of a picture on a desk become too small; each of them then weighs this much. */
const WIDE_FROM = 48;
const WIDE = 60;
/** Cells of width that a cell of a tail's way is worth. */
const TAIL = 0.5;
/** And a cell between the neutral of a circuit and its hot, in the same measure as the ways of tails. */
const TIE = 1.5;

/** Counts the crossings of an arrangement, its cables in their best order, and weighs its width. */
export const createCounter = (prepared: Prepared): Counter => {
  const { wires, units, lanes } = prepared;
  const passes = passesOf(prepared);
  const edges = (['top', 'bottom'] as const)
    .map((edge) => atEdge(prepared, edge))
    .filter(({ entries }) => entries.length > 1);
  const tails = wires.filter((one) => one.way === 'tail' || one.way === 'bond');
  const channelOf = (unit: number) => (units[unit]?.low ? LOWEST : (units[unit]?.row ?? 0));
  const passing = tails.map(({ unit, index }) => {
    const channel = channelOf(unit);
    return wires.flatMap((one) => {
      const range = passes[one.index];
      return one.index !== index && range && range[0] <= channel && channel <= range[1] ? [one.index] : [];
    });
  });
  const circuits = new Set(units.map((one) => one.circuit).filter((one) => one !== null));
  // Where circuits meet, the neutral of each stands near its hot.
  const ties = units.flatMap((hot) =>
    hot.role !== 'hot' || circuits.size < 2
      ? []
      : units.flatMap((one) =>
          one.role === 'neutral' && one.circuit === hot.circuit ? [[hot.index, one.index] as const] : [],
        ),
  );
  const fixed = lanes.reduce((sum, { left, right }) => sum + left.crossings + right.crossings, 0);
  return {
    cost: (arrangement) => {
      const columns = columnsOf(prepared, arrangement);
      const target = targetsOf(prepared, columns);
      let crossings = fixed;
      for (const edge of edges) crossings += bestOrder(cableCrossings(edge, target)).crossings;
      let ways = 0;
      for (let t = 0; t < tails.length; t++) {
        const tail = tails[t];
        if (!tail || (columns.unit[tail.unit] ?? -1) < 0) continue;
        const source = middleOf(prepared, columns, tail.unit);
        const lane = target[tail.index] ?? NaN;
        if (Number.isNaN(lane)) continue;
        ways += Math.abs(source - lane);
        const [low, high] = source < lane ? [source, lane] : [lane, source];
        for (const index of passing[t] ?? []) {
          const x = target[index] ?? NaN;
          if (x > low && x < high) crossings++;
        }
        for (let s = t + 1; s < tails.length; s++) {
          const other = tails[s];
          if (!other || other.unit === tail.unit || channelOf(other.unit) !== channelOf(tail.unit)) continue;
          if ((columns.unit[other.unit] ?? -1) < 0) continue;
          const between = middleOf(prepared, columns, other.unit) - source;
          if (between * ((target[other.index] ?? 0) - lane) < 0) crossings++;
        }
      }
      for (const [hot, neutral] of ties)
        if ((columns.unit[hot] ?? -1) >= 0 && (columns.unit[neutral] ?? -1) >= 0)
          ways += TIE * Math.abs(middleOf(prepared, columns, hot) - middleOf(prepared, columns, neutral));
      const wide = Math.max(0, columns.width - WIDE_FROM);
      return CROSSING * crossings + columns.width + WIDE * wide + TAIL * ways;
    },
  };
};

/** The cables of each edge in their best order, by index. */
export const cableOrder = (prepared: Prepared, arrangement: Arrangement): Record<Edge, number[]> => {
  const target = targetsOf(prepared, columnsOf(prepared, arrangement));
  const of = (edge: Edge) => {
    const here = atEdge(prepared, edge);
    return bestOrder(cableCrossings(here, target)).order.map((i) => here.entries[i] ?? 0);
  };
  return { top: of('top'), bottom: of('bottom') };
};

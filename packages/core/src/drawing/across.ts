import { columnsOf, unitsInOrder, type Arrangement } from './columns.js';
import { CELL, type Edge } from './geometry.js';
import { FIXTURE_CELLS, portStep, type Prepared, type PreparedUnit } from './prepared.js';

/** Least width of a sheath with what is written on it, and of a connector. */
const SHEATH = 104;
const CONNECTOR = 80;
/** Cells from one conductor of a sheath to the next. */
const SHEATH_STEP = 2;
/** Between two sheaths, and around the whole. */
const APART = 24;
/** From the grounds to the screw of a metal box. */
const TO_BOND = 44;
const BOND = 40;

export interface Span {
  x: number;
  width: number;
}

/** Where everything stands from left to right. */
export interface Across {
  sheaths: (Span & { edge: Edge })[];
  units: Span[];
  /** Bodies of the devices and luminaires. */
  fixtures: Span[];
  /** Of each wire: where it leaves its sheath or its splice, and the line on which it goes down to where it ends. */
  start: Float64Array;
  line: Float64Array;
  /** Right of everything. */
  to: number;
}

const middleOf = (cell: number): number => (cell + 0.5) * CELL;

/** Sheaths in their order, each as near as the others let it to where its wires go (pool adjacent violators). */
const spreadOut = (wanted: readonly { centre: number; width: number }[]): number[] => {
  const blocks: { first: number; sum: number; count: number; at: number }[] = [];
  const offsets: number[] = [];
  let offset = 0;
  wanted.forEach(({ centre, width }, i) => {
    if (i > 0) offset += ((wanted[i - 1]?.width ?? 0) + width) / 2 + APART;
    offsets.push(offset);
    let block = { first: i, sum: centre - offset, count: 1, at: centre - offset };
    for (let before = blocks.at(-1); before && before.at > block.at; before = blocks.at(-1)) {
      blocks.pop();
      const [sum, count] = [before.sum + block.sum, before.count + block.count];
      block = { first: before.first, sum, count, at: sum / count };
    }
    blocks.push(block);
  });
  const centres: number[] = [];
  blocks.forEach((block, b) => {
    const end = blocks[b + 1]?.first ?? wanted.length;
    for (let i = block.first; i < end; i++) centres.push(block.at + (offsets[i] ?? 0));
  });
  return centres;
};

/** Ports of the splices over the devices: cables come in on top, tails and what comes from below on the underside. */
const portsAbove = (
  unit: PreparedUnit,
  at: number,
  across: Pick<Across, 'start' | 'line'>,
  rankOf: (wire: number) => number,
) => {
  const step = portStep(false);
  const centred = (count: number, room: number) =>
    Math.floor((room - (count === 0 ? 0 : (count - 1) * step + 1)) / 2);
  const sorted = (list: readonly number[]) => [...list].sort((a, b) => rankOf(a) - rankOf(b) || a - b);
  const first = at + centred(unit.tops.length, unit.columns);
  sorted(unit.tops).forEach((wire, k) => (across.line[wire] = middleOf(first + k * step)));
  const low = at + unit.columns - (unit.bottoms.length === 0 ? 0 : (unit.bottoms.length - 1) * step + 1);
  sorted(unit.bottoms).forEach((wire, k) => (across.line[wire] = middleOf(low + k * step)));
  const room = unit.bottoms.length > 0 ? low - at : unit.columns;
  const tails = [...unit.tails].sort((a, b) => (across.line[a] ?? 0) - (across.line[b] ?? 0) || a - b);
  const begin = at + Math.max(1, Math.round((room - (tails.length - 1) * step) / 2));
  tails.forEach((wire, k) => (across.start[wire] = (begin + k * step) * CELL));
};

/** To which side the tails of a connector leave: to that of their screws, or of a chain to its own end. */
type Lean = 'both' | 'left' | 'right' | 'spread';

/** Grounds: tails that go left leave at the left, the others at the right, so that none of them passes what comes down. */
const portsBelow = (
  { wires }: Prepared,
  unit: PreparedUnit,
  at: number,
  lean: Lean,
  across: Pick<Across, 'start' | 'line'>,
  rankOf: (wire: number) => number,
): Span => {
  const centre = middleOf(at + (unit.columns - 1) / 2);
  const goesUp = (wire: number) => wires[wire]?.way === 'tail' || wires[wire]?.way === 'bond';
  const upward = unit.tails.filter(goesUp);
  const byLine = [...upward].sort((a, b) => (across.line[a] ?? 0) - (across.line[b] ?? 0) || a - b);
  const goesLeft = (wire: number) =>
    lean === 'left' || (lean !== 'right' && (across.line[wire] ?? 0) < centre);
  const left = byLine.filter(goesLeft);
  const right = byLine.filter((wire) => !goesLeft(wire));
  const others = unit.tails.filter((wire) => !goesUp(wire));
  const all = left.length + right.length + unit.tops.length;
  const first =
    lean === 'spread'
      ? at +
        left.length +
        (left.length > 0 ? 1 : 0) +
        Math.floor((unit.columns - all - (unit.tails.length > 0 ? 3 : 1)) / 2)
      : at;
  const tops = [...unit.tops].sort((a, b) => rankOf(a) - rankOf(b) || a - b);
  tops.forEach((wire, k) => (across.line[wire] = middleOf(first + k)));
  const aside = tops.length > 0 ? 1 : 0;
  left.forEach((wire, k) => (across.start[wire] = (first - aside - (left.length - 1 - k)) * CELL));
  right.forEach((wire, k) => (across.start[wire] = (first + tops.length + Math.max(aside, 1) + k) * CELL));
  const low = [...unit.bottoms].sort((a, b) => rankOf(a) - rankOf(b) || a - b);
  low.forEach(
    (wire, k) => (across.line[wire] = middleOf(at + Math.floor((unit.columns - low.length) / 2) + k)),
  );
  const xs = [...left, ...right].map((wire) => across.start[wire] ?? 0);
  const ports = [...xs, ...[...tops, ...low].map((wire) => across.line[wire] ?? 0)];
  if (ports.length === 0) ports.push(centre);
  const [from, to] = [Math.min(...ports) - 12, Math.max(...ports) + 12];
  const width = Math.max(CONNECTOR, to - from);
  // The first of a chain grows to the left, the last to the right, so that neither covers the other.
  const x = lean === 'left' ? to - width : lean === 'right' ? from : (from + to - width) / 2;
  // What ends in the air hangs below; what goes to the screw of the box leaves at the right.
  others.forEach((wire, k) => (across.start[wire] = x + width / 2 + k * CELL));
  return { x, width };
};

/** Moves everything to the right. */
const moved = (across: Across, by: number): Across => {
  const span = <T extends Span>(one: T): T => ({ ...one, x: one.x + by });
  return {
    ...{ sheaths: across.sheaths.map(span), units: across.units.map(span) },
    ...{ fixtures: across.fixtures.map(span), to: across.to + by },
    ...{ start: across.start.map((x) => x + by), line: across.line.map((x) => x + by) },
  };
};

/** Places everything from left to right, and nothing further left than `left`. */
export const placeAcross = (
  prepared: Prepared,
  arrangement: Arrangement,
  cables: Readonly<Record<Edge, readonly number[]>>,
  left: number,
): Across => {
  const { wires, units, scene, edges, spread } = prepared;
  const columns = columnsOf(prepared, arrangement);
  const start = new Float64Array(wires.length);
  const line = new Float64Array(wires.length);
  const ranks = new Map([...cables.top, ...cables.bottom].map((entry, i) => [entry, i]));
  const rankOf = (wire: number) => ranks.get(wires[wire]?.entry ?? -1) ?? 0;
  for (const { index, way } of wires)
    if (way === 'land' || way === 'tail') line[index] = middleOf(columns.lane[index] ?? 0);
  const leanOf = ({ index, group }: PreparedUnit): Lean => {
    const chain = unitsInOrder(
      prepared,
      prepared.groups.findIndex((one) => one.id === group),
      arrangement.turned,
    );
    if (spread) return 'spread';
    if (chain.length < 2) return 'both';
    return chain[0] === index ? 'left' : chain.at(-1) === index ? 'right' : 'spread';
  };
  const spanOf = (unit: PreparedUnit): Span => {
    const at = columns.unit[unit.index] ?? 0;
    if (unit.low && unit.kind !== 'bond')
      return portsBelow(prepared, unit, at, leanOf(unit), { start, line }, rankOf);
    portsAbove(unit, at, { start, line }, rankOf);
    return { x: at * CELL, width: unit.columns * CELL };
  };
  const spans: Span[] = [];
  // Tails leave by the side on which they end, so the screw of the box comes first.
  for (const unit of [...units].sort((a, b) => Number(b.kind === 'bond') - Number(a.kind === 'bond')))
    spans[unit.index] = spanOf(unit);
  for (const unit of units) {
    if (unit.kind !== 'bond' || (columns.unit[unit.index] ?? -1) >= 0) continue;
    // Nothing but tails leads to it: it stands beside the grounds.
    const source = units.find((one) => one.tails.some((wire) => wires[wire]?.way === 'beside'));
    const beside = spans[source?.index ?? -1];
    const toLeft = source !== undefined && leanOf(source) === 'left';
    const x = toLeft ? (beside?.x ?? 0) - TO_BOND - BOND : (beside?.x ?? 0) + (beside?.width ?? 0) + TO_BOND;
    spans[unit.index] = { x, width: BOND };
  }
  const fixtures = columns.region.map(({ start: first, cells }, i): Span => {
    const kind = scene.fixtures[i]?.item.kind ?? 'device';
    const width = (FIXTURE_CELLS[kind] - 3) * CELL;
    return { x: (first + cells / 2) * CELL - width / 2, width };
  });

  const sheaths: Across['sheaths'] = [];
  for (const edge of ['top', 'bottom'] as const) {
    const order = cables[edge];
    const mine = order.map((entry) => wires.filter((one) => one.entry === entry));
    const wanted = mine.map((list) => {
      const lines = list.map((one) => line[one.index] ?? 0);
      const centre = lines.length > 0 ? lines.reduce((sum, x) => sum + x, 0) / lines.length : 0;
      return { centre, width: Math.max(SHEATH, list.length * SHEATH_STEP * CELL) };
    });
    spreadOut(wanted).forEach((centre, i) => {
      const list = [...(mine[i] ?? [])].sort(
        (a, b) => (line[a.index] ?? 0) - (line[b.index] ?? 0) || a.index - b.index,
      );
      // Between the lines on which wires go down, so that none lies on another.
      const first = Math.round(centre / CELL - ((list.length - 1) * SHEATH_STEP) / 2);
      list.forEach((one, k) => (start[one.index] = (first + k * SHEATH_STEP) * CELL));
      const middle = (first + ((list.length - 1) * SHEATH_STEP) / 2) * CELL;
      const width = wanted[i]?.width ?? SHEATH;
      sheaths[order[i] ?? 0] = { x: middle - width / 2, width, edge: edges[order[i] ?? 0] ?? edge };
    });
  }
  const all = [...sheaths, ...spans, ...fixtures];
  const lanes = [...columns.lane].filter((cell) => cell >= 0).map(middleOf);
  const from = Math.min(0, ...all.map(({ x }) => x), ...lanes.map((x) => x - CELL));
  const to = Math.max(
    columns.width * CELL,
    ...all.map(({ x, width }) => x + width),
    ...lanes.map((x) => x + CELL),
  );
  return moved({ sheaths, units: spans, fixtures, start, line, to }, left - from);
};

import type { Prepared } from '../../src/drawing/prepared.js';
import { laneCount } from '../../src/drawing/prepared.js';

/**
 * Crossings that no drawing of this kind is below: devices by gang, screws where they are, splices in rows over the devices, grounds
 * below. Over every order of the cables at an edge it adds up, each pair of wires in one of the sums alone:
 *
 * - wires that go straight to a screw, with one another: their places are settled by the faces;
 * - the wires of each splice with those, the splice at the place among the lanes that is best for it alone;
 * - the wires of each two splices with one another, whichever of the two stands further left.
 *
 * Null where there are too many cables to try every order.
 */
export const crossingBound = (prepared: Prepared): number | null => {
  const fixed = prepared.lanes.reduce((sum, { left, right }) => sum + left.crossings + right.crossings, 0);
  const top = edgeBound(prepared);
  return top === null ? null : fixed + top;
};

const MOST_CABLES = 7;

const permutations = (items: readonly number[]): number[][] =>
  items.length < 2
    ? [[...items]]
    : items.flatMap((one) => permutations(items.filter((x) => x !== one)).map((rest) => [one, ...rest]));

/** Lanes from left to right, and the places over a device and between two, as numbers on one line. */
const laneLine = ({ lanes, wires }: Prepared) => {
  const at = new Float64Array(wires.length).fill(NaN);
  const over: number[] = [];
  const gaps: number[] = [0];
  let x = 1;
  lanes.forEach(({ left, right }) => {
    const l = laneCount(left);
    const body = x + l + 0.5;
    const give = (list: readonly number[], further: number, way: 1 | -1) =>
      list.forEach((wire, rank) => (at[wire] = body + way * (rank + further + 0.5)));
    give(left.above, 0, -1);
    give(left.below, left.apart ? left.above.length : 0, -1);
    give(right.above, 0, 1);
    give(right.below, right.apart ? right.above.length : 0, 1);
    over.push(body);
    x = body + laneCount(right) + 1;
    gaps.push(x);
    x += 1;
  });
  return { at, over, gaps };
};

const edgeBound = (prepared: Prepared): number | null => {
  const { wires, units, edges, groups } = prepared;
  const entries = edges.flatMap((edge, i) => (edge === 'top' ? [i] : []));
  const below = edges.some((edge) => edge === 'bottom');
  if (entries.length > MOST_CABLES || below) return null;
  const { at, over, gaps } = laneLine(prepared);
  const lands = wires.filter((one) => one.way === 'land');
  const tails = wires.filter((one) => one.way === 'tail');
  const drops = wires.filter((one) => one.way === 'drop');
  const orders = permutations(entries);
  // What does not hang on the order of the cables: tails with wires that pass their row.
  const passes = (row: number) =>
    [...lands, ...tails.filter((one) => !units[one.unit]?.low && (units[one.unit]?.row ?? 0) < row)].map(
      (one) => at[one.index] ?? 0,
    );
  const tailCrossings = (unit: number, place: number): number => {
    const one = units[unit];
    if (!one || one.low) return 0;
    const passing = passes(one.row);
    return tails
      .filter((tail) => tail.unit === unit)
      .reduce((sum, tail) => {
        const lane = at[tail.index] ?? 0;
        const [low, high] = place < lane ? [place, lane] : [lane, place];
        return sum + passing.filter((x) => x > low && x < high).length;
      }, 0);
  };
  const single = groups.map(({ units: mine, canBeOver }) => {
    const places = canBeOver ? [...gaps, ...over] : gaps;
    return {
      mine,
      places,
      tails: places.map((place) => mine.reduce((sum, unit) => sum + tailCrossings(unit, place), 0)),
    };
  });
  let least = Infinity;
  for (const order of orders) {
    const rank = new Map(order.map((entry, i) => [entry, i]));
    const rankOf = (wire: (typeof wires)[number]) => rank.get(wire.entry) ?? 0;
    let sum = 0;
    for (const [i, a] of lands.entries())
      for (const b of lands.slice(i + 1)) {
        const above = rankOf(a) - rankOf(b);
        if (above !== 0 && above * ((at[a.index] ?? 0) - (at[b.index] ?? 0)) < 0) sum += 1;
      }
    for (const { mine, places, tails: fixed } of single) {
      const ends = drops.filter((one) => mine.includes(one.unit));
      let best = Infinity;
      places.forEach((place, p) => {
        let here = fixed[p] ?? 0;
        for (const end of ends)
          for (const land of lands) {
            const above = rankOf(end) - rankOf(land);
            if (above !== 0 && above * (place - (at[land.index] ?? 0)) < 0) here += 1;
          }
        best = Math.min(best, here);
      });
      sum += Number.isFinite(best) ? best : 0;
      if (sum >= least) break;
    }
    if (sum >= least) continue;
    for (const [i, { mine }] of single.entries())
      for (const { mine: others } of single.slice(i + 1)) {
        const a = drops.filter((one) => mine.includes(one.unit));
        const b = drops.filter((one) => others.includes(one.unit));
        let [left, right] = [0, 0];
        for (const x of a)
          for (const y of b) {
            if (rankOf(x) > rankOf(y)) left += 1;
            if (rankOf(x) < rankOf(y)) right += 1;
          }
        sum += Math.min(left, right);
      }
    least = Math.min(least, sum);
  }
  return least;
};

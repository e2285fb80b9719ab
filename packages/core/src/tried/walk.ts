import { grayCode } from '../proving/positions.js';

/** So many sets of positions are walked by the best of all orders; of more the next is the nearest. */
const MOST_TRIED = 9;

/** One handle moved: which of them, and to which of its positions. */
export interface Move {
  handle: number;
  to: number;
}

/** How far it is from one handle to another, inches; nothing where they are in one box. */
export type Far = (from: number, to: number) => number;

const differ = (a: readonly number[], b: readonly number[]): number[] =>
  a.flatMap((value, i) => (value === b[i] ? [] : [i]));

/** The handles that differ between two sets, moved in the order that is least to walk from the handle that stood last. */
const between = (
  from: readonly number[],
  to: readonly number[],
  last: number | null,
  far: Far,
): { moves: Move[]; walked: number } => {
  let [at, walked] = [last, 0];
  const left = differ(from, to);
  const moves: Move[] = [];
  while (left.length > 0) {
    const next = left.reduce((near, one) => (at !== null && far(at, one) < far(at, near) ? one : near));
    left.splice(left.indexOf(next), 1);
    walked += at === null ? 0 : far(at, next);
    moves.push({ handle: next, to: to[next] ?? 0 });
    at = next;
  }
  return { moves, walked };
};

interface Walked {
  moves: number;
  walked: number;
  last: number | null;
  order: number[];
}

const isLess = (a: Walked, b: Walked | undefined): boolean =>
  b === undefined || a.moves < b.moves || (a.moves === b.moves && a.walked < b.walked - 1e-9);

const onward = (
  walk: Walked,
  at: readonly number[],
  to: readonly number[],
  index: number,
  far: Far,
): Walked => {
  const { moves, walked } = between(at, to, walk.last, far);
  return {
    moves: walk.moves + moves.length,
    walked: walk.walked + walked,
    last: moves.at(-1)?.handle ?? walk.last,
    order: [...walk.order, index],
  };
};

/** Dynamic programming over the sets that were visited (Held and Karp): the fewest moves, then the least way. */
const bestOrder = (start: readonly number[], wanted: readonly (readonly number[])[], far: Far): number[] => {
  let level = new Map<string, Walked>();
  const none: Walked = { moves: 0, walked: 0, last: null, order: [] };
  wanted.forEach((to, i) => level.set(`${1 << i} ${i} `, onward(none, start, to, i, far)));
  for (let size = 1; size < wanted.length; size++) {
    const next = new Map<string, Walked>();
    for (const [key, walk] of level) {
      const mask = Number(key.split(' ')[0]);
      const at = wanted[walk.order.at(-1) ?? 0] ?? start;
      wanted.forEach((to, i) => {
        if (mask & (1 << i)) return;
        const made = onward(walk, at, to, i, far);
        // Where one stands decides how far the next is: walks that end at other handles are kept apart.
        const name = `${mask | (1 << i)} ${i} ${made.last ?? ''}`;
        if (isLess(made, next.get(name))) next.set(name, made);
      });
    }
    level = next;
  }
  let best: Walked | undefined;
  for (const walk of level.values()) if (isLess(walk, best)) best = walk;
  return best?.order ?? [];
};

/** The next is the one that takes the fewest moves, then the least way. Of all sets of positions that are left it finds one move for each. */
const nearestOrder = (
  counts: readonly number[],
  start: readonly number[],
  wanted: readonly (readonly number[])[],
  far: Far,
): number[] => {
  // Of every other set the reflected Gray code from where the handles stand has one move for each; the order of its digits is free.
  const all = counts.reduce((product, one) => product * one, 1);
  if (wanted.length === all - 1) {
    const walked = grayFrom(counts, start, far);
    const index = new Map(wanted.map((one, i) => [one.join(), i]));
    return walked.flatMap((one) => index.get(one.join()) ?? []);
  }
  const left = new Set(wanted.keys());
  const order: number[] = [];
  let [at, last]: [readonly number[], number | null] = [start, null];
  while (left.size > 0) {
    let best: { index: number; walk: Walked } | undefined;
    for (const index of left) {
      const walk = onward({ moves: 0, walked: 0, last, order: [] }, at, wanted[index] ?? at, index, far);
      if (isLess(walk, best?.walk)) best = { index, walk };
    }
    if (!best) break;
    left.delete(best.index);
    order.push(best.index);
    last = best.walk.last;
    at = wanted[best.index] ?? at;
  }
  return order;
};

const orders = (digits: readonly number[]): number[][] =>
  digits.length < 2
    ? [[...digits]]
    : digits.flatMap((one) => orders(digits.filter((other) => other !== one)).map((rest) => [one, ...rest]));

/** Every set but the first, one handle moved at a time; the digits in the order that is the least way. */
const grayFrom = (counts: readonly number[], start: readonly number[], far: Far): number[][] => {
  const digits = counts.map((_, i) => i);
  // Five handles and less are tried in every order; more stand as they are.
  const tried = digits.length <= 5 ? orders(digits) : [digits];
  let best: { walked: number; sets: number[][] } | undefined;
  for (const order of tried) {
    // The first set of the code is where the handles stand.
    const sets = grayCode(order.map((digit) => counts[digit] ?? 1))
      .slice(1)
      .map((turns) =>
        start.map((value, digit) => (value + (turns[order.indexOf(digit)] ?? 0)) % (counts[digit] ?? 1)),
      );
    let [at, last, walked]: [readonly number[], number | null, number] = [start, null, 0];
    for (const one of sets) {
      const made = between(at, one, last, far);
      walked += made.walked;
      last = made.moves.at(-1)?.handle ?? last;
      at = one;
    }
    if (!best || walked < best.walked - 1e-9) best = { walked, sets };
  }
  return best?.sets ?? [];
};

/**
 * Moves of one handle at a time that come through every wanted set of positions, from the set that the handles are in: the fewest, and of
 * these the least way from handle to handle. For each wanted set, in the order in which they are met, the moves that lead to it.
 */
export const shortestWalk = (
  counts: readonly number[],
  start: readonly number[],
  wanted: readonly (readonly number[])[],
  far: Far = () => 1,
): { at: number; moves: Move[] }[] => {
  const here = wanted.findIndex((one) => differ(start, one).length === 0);
  const others = wanted.flatMap((one, at) => (at === here ? [] : [{ one, at }]));
  const sets = others.map(({ one }) => one);
  const order =
    sets.length <= MOST_TRIED ? bestOrder(start, sets, far) : nearestOrder(counts, start, sets, far);
  let [at, last]: [readonly number[], number | null] = [start, null];
  const steps = order.flatMap((index) => {
    const to = others[index];
    if (!to) return [];
    const { moves } = between(at, to.one, last, far);
    at = to.one;
    last = moves.at(-1)?.handle ?? last;
    return [{ at: to.at, moves }];
  });
  return here < 0 ? steps : [{ at: here, moves: [] }, ...steps];
};

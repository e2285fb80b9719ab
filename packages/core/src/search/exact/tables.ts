import { Entries, Hung, NONE, Partials, small, whole } from './rows.js';

/** Tables that serve one search after another. What is known of each set is of no use any more once `turn` has moved on. */
export const tablesOf = (n: number) => ({
  nodes: n,
  entries: new Entries(),
  partials: new Partials(),
  hung: new Hung(),
  fresh: new Hung(),
  turn: 0,
  seenAt: new Int32Array(1 << n),
  /** The least of everything that is not in the set. */
  bound: new Float64Array(1 << n),
  partial: new Int32Array(1 << n),
  /** The first of what hangs on a parent with a set, of the size that is being closed. */
  hungOn: new Int32Array(n << n).fill(NONE),
});

export type Tables = ReturnType<typeof tablesOf>;

export const lowestOf = (set: number): number => 31 - Math.clz32(set & -set);

/**
 * Takes what was hung on the parents with a size out of `fresh` and into `hung`, in the order in which it is asked for: by
 * parent, then by the lowest node of its set. `hungFrom` has the first row of each by size, parent and lowest node.
 */
export const sortHung = (
  { fresh, hung, hungOn }: Tables,
  n: number,
  hungFrom: Int32Array,
  size: number,
): void => {
  const slots = n * (n + 1);
  const from = size * slots;
  const slot = (row: number) => small(fresh.parent, row) * (n + 1) + lowestOf(whole(fresh.set, row));
  const counts = new Int32Array(slots + 1);
  for (let row = 0; row < fresh.count; row++) {
    const i = slot(row) + 1;
    counts[i] = whole(counts, i) + 1;
  }
  let sum = hung.count;
  for (let i = 0; i < slots; i++) {
    sum += whole(counts, i);
    hungFrom[from + i] = sum;
  }
  const filled = hungFrom.slice(from, from + slots);
  for (let row = 0; row < fresh.count; row++) hung.add();
  for (let row = 0; row < fresh.count; row++) {
    const i = slot(row);
    const to = whole(filled, i);
    filled[i] = to + 1;
    hung.copy(to, fresh, row);
    hungOn[(small(fresh.parent, row) << n) | whole(fresh.set, row)] = NONE;
  }
  fresh.count = 0;
};

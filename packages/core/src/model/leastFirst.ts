/** What is not worked out yet, and comes to no less than `least`: opened, it is some of it, and some that is worked out. */
export interface Closed<T> {
  least: number;
  open: () => Iterable<Closed<T> | Worked<T>>;
}

export interface Worked<T> {
  value: T;
}

/**
 * What is in some of which a bound is known, the least first: best-first branch and bound, by which nothing is opened that cannot be among
 * those that are asked for. Of equals the first that `closed` would give comes first, as if all had been worked out and sorted.
 *
 * `of` is what a value comes to, never below the `least` of what it was in; `before` orders those that come to the same.
 */
export function* leastFirst<T>(
  closed: Iterable<Closed<T>>,
  of: (value: T) => number,
  before: (a: T, b: T) => number,
): Generator<T> {
  type At<X> = { at: readonly number[]; one: X };
  const waiting: At<Closed<T>>[] = [];
  const ready: At<Worked<T>>[] = [];
  const place = <X>(all: At<X>[], item: At<X>, compare: (a: X, b: X) => number) => {
    let i = all.length;
    const isBefore = (other: At<X>) => (compare(item.one, other.one) || inOrder(item.at, other.at)) < 0;
    while (i > 0 && isBefore(all[i - 1] as At<X>)) i--;
    all.splice(i, 0, item);
  };
  const wait = (at: readonly number[], one: Closed<T>) =>
    place(waiting, { at, one }, (a, b) => a.least - b.least);
  let count = 0;
  for (const one of closed) wait([count++], one);
  for (;;) {
    const [next] = waiting;
    const [first] = ready;
    if (next && (!first || next.one.least <= of(first.one.value))) {
      waiting.shift();
      let i = 0;
      for (const one of next.one.open()) {
        const at = [...next.at, i++];
        if ('open' in one) wait(at, one);
        else place(ready, { at, one }, (a, b) => of(a.value) - of(b.value) || before(a.value, b.value));
      }
    } else if (first) {
      ready.shift();
      yield first.one.value;
    } else return;
  }
}

const inOrder = (a: readonly number[], b: readonly number[]): number => {
  const i = a.findIndex((one, at) => one !== b[at]);
  return i < 0 ? a.length - b.length : (a[i] ?? 0) - (b[i] ?? -1);
};

/** What a generator gives, remembered, so that it may be gone through again without being worked out again. */
export const remembered = <T>(from: Iterator<T>): Iterable<T> => {
  const all: T[] = [];
  return {
    *[Symbol.iterator]() {
      for (let i = 0; ; i++) {
        if (i === all.length) {
          const next = from.next();
          if (next.done === true) return;
          all.push(next.value);
        }
        yield all[i] as T;
      }
    },
  };
};

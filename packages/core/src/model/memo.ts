type Part = string | number | boolean | null | readonly (string | number)[];

/** What was worked out once, by what it hangs on. */
export interface Memo<T> {
  /** What is known under these parts, else what `make` gives, which is known from then on. */
  get: (parts: readonly Part[], make: () => T) => T;
}

/** No id holds a space or a comma, so that no two lists of parts are written alike. */
const written = (part: Part): string =>
  typeof part === 'string' ? part : Array.isArray(part) ? part.join() : String(part);

/** A memory of its own, which nobody else reads or changes. */
export const createMemo = <T>(): Memo<T> => {
  const known = new Map<string, { value: T }>();
  return {
    get: (parts, make) => {
      const key = parts.map(written).join(' ');
      const found = known.get(key);
      if (found) return found.value;
      const value = make();
      known.set(key, { value });
      return value;
    },
  };
};

/** What is made of an object that never changes and something of it, made once and kept as long as the object. */
export const madeOnce = <O extends object, K, T>(make: (of: O, key: K) => T): ((of: O, key: K) => T) => {
  const known = new WeakMap<O, Map<K, { value: T }>>();
  return (of, key) => {
    const made = known.get(of) ?? new Map<K, { value: T }>();
    known.set(of, made);
    const before = made.get(key);
    if (before) return before.value;
    const value = make(of, key);
    made.set(key, { value });
    return value;
  };
};

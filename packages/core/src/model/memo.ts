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

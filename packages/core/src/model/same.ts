const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Are two values of JSON equal? By reference first: nothing of a job is changed in place. The order of keys and what is undefined make no
 * difference.
 */
export const isSame = (a: unknown, b: unknown): boolean => {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((one, i) => isSame(one, b[i]));
  if (!isRecord(a) || !isRecord(b)) return false;
  return (
    Object.keys(a).every((key) => isSame(a[key], Object.hasOwn(b, key) ? b[key] : undefined)) &&
    Object.keys(b).every((key) => Object.hasOwn(a, key) || b[key] === undefined)
  );
};

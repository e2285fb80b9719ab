/** JSON with the keys of every object in order, so that what is equal is written alike. */
const canonical = (value: unknown): string => {
  if (Array.isArray(value)) return `[${value.map(canonical).join()}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const entries = Object.entries(value).filter(([, one]) => one !== undefined);
  return `{${entries
    .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
    .map(([key, one]) => `${JSON.stringify(key)}:${canonical(one)}`)
    .join()}}`;
};

/** Bits of one half of the sum, and its two multipliers: odd, large, without a common factor. */
const HALVES = [
  { start: 0xdeadbeef, times: 2654435761 },
  { start: 0x41c6ce57, times: 1597334677 },
] as const;

/**
 * A sum of any value of JSON, the same wherever it is made: 16 hexadecimal digits. It tells whether something changed, and keeps no
 * secret.
 */
export const digestOf = (value: unknown): string => {
  const text = canonical(value);
  return HALVES.map(({ start, times }) => {
    let sum = start | 0;
    for (let i = 0; i < text.length; i++) sum = Math.imul(sum ^ text.charCodeAt(i), times);
    // The last signs have moved the upper bits alone; they are carried down before the sum is read.
    sum = Math.imul(sum ^ (sum >>> 16), 2246822507);
    sum = Math.imul(sum ^ (sum >>> 13), 3266489909);
    return ((sum ^ (sum >>> 16)) >>> 0).toString(16).padStart(8, '0');
  }).join('');
};

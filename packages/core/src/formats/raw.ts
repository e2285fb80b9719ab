/** JSON of an earlier format, of which nothing is known but that it was checked by an older schema. */
export type Raw = Record<string, unknown>;

export const isRaw = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

export const listOf = (document: Raw, key: string): unknown[] => {
  const list = document[key];
  return Array.isArray(list) ? (list as unknown[]) : [];
};

/** The same list with each object of it changed; what is no object stays for the schema to refuse. */
export const eachOf = (document: Raw, key: string, change: (one: Raw) => Raw): Raw =>
  Array.isArray(document[key])
    ? { [key]: listOf(document, key).map((one) => (isRaw(one) ? change(one) : one)) }
    : {};

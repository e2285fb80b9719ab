/**
 * What a record of a file holds under an id. Ids are any words, and every object knows words of its own, as "constructor": only
 * what the record itself holds is given.
 */
export const ofId = <T>(record: Readonly<Record<string, T>> | undefined, id: string): T | undefined =>
  record !== undefined && Object.hasOwn(record, id) ? record[id] : undefined;

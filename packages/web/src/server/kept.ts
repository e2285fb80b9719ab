import { livingTabs, tabName } from './tab.js';

/** What one tab keeps in the browser under a kind and a job. */
const keyOf = (kind: string, job: string, tab: string) =>
  `amber-junction.${kind}.${encodeURIComponent(job)}.${tab}`;

/** Keeps it for this tab; false where the browser has no room or forbids it. */
export const keep = (kind: string, job: string, value: unknown): boolean => {
  try {
    localStorage.setItem(keyOf(kind, job, tabName()), JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
};

export const forget = (kind: string, job: string): void => {
  localStorage.removeItem(keyOf(kind, job, tabName()));
};

const read = (key: string): unknown => {
  const text = localStorage.getItem(key);
  if (text === null) return null;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    // Cut or damaged: it is given as the text that it is.
    return text;
  }
};

/** What this tab keeps of a job; null where it keeps nothing. */
export const keptHere = (kind: string, job: string): unknown => read(keyOf(kind, job, tabName()));

/**
 * What tabs that are gone kept of a job, each with a way to take it over: then it is this tab's and no other's. Where the browser
 * cannot tell which tabs live, none is taken for gone.
 */
export const keptByGone = async (
  kind: string,
  job: string,
): Promise<{ value: unknown; take: () => void }[]> => {
  const living = await livingTabs();
  if (!living) return [];
  const prefix = keyOf(kind, job, '');
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '').filter(
    (key) => key.startsWith(prefix) && key !== prefix + tabName() && !living.has(key.slice(prefix.length)),
  );
  return keys.map((key) => ({ value: read(key), take: () => localStorage.removeItem(key) }));
};

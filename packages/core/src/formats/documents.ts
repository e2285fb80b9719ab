import type * as z from 'zod';
import { sayIssue } from './faultWords.js';

/** Path of what is wrong with a file as a whole. */
export const WHOLE_FILE = 'file';

/** What is wrong with a file, where, in a sentence. The path is dotted: boxes.2.article; `file` for the file itself. */
export interface FileFault {
  path: string;
  message: string;
}

export type Read<T> = { ok: true; value: T } | { ok: false; faults: FileFault[] };

/** More faults than this help nobody. */
const MOST_FAULTS = 20;

export const fault = (path: string, message: string): { ok: false; faults: FileFault[] } => ({
  ok: false,
  faults: [{ path, message }],
});

/** The JSON of a text, or why it is none. */
export const parseJson = (text: string): Read<unknown> => {
  try {
    return { ok: true, value: JSON.parse(text.replace(/^\uFEFF/, '')) };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return fault(WHOLE_FILE, `This is not JSON: ${why}`);
  }
};

/** What a document holds at a path. */
const valueAt = (document: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (value, key) =>
      typeof value === 'object' && value !== null ? (value as Record<PropertyKey, unknown>)[key] : undefined,
    document,
  );

/** The place of a fault: that of the first field that is not known, where that is what is wrong. */
const pathOf = (issue: z.core.$ZodIssue): string => {
  const [unknown] = issue.code === 'unrecognized_keys' ? issue.keys : [];
  const path = [...issue.path, ...(unknown === undefined ? [] : [unknown])].map(String).join('.');
  return path === '' ? WHOLE_FILE : path;
};

/** A document checked by a schema, or every fault with its path. */
export const readDocument = <S extends z.ZodType>(schema: S, document: unknown): Read<z.output<S>> => {
  const parsed = schema.safeParse(document);
  if (parsed.success) return { ok: true, value: parsed.data };
  return {
    ok: false,
    faults: parsed.error.issues
      .slice(0, MOST_FAULTS)
      .map((issue) => ({ path: pathOf(issue), message: sayIssue(issue, valueAt(document, issue.path)) })),
  };
};

/** The version that a document says of itself under this key; null where it is no such document. */
export const versionOf = (document: unknown, key: string): number | null => {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) return null;
  const version = (document as Record<string, unknown>)[key];
  return typeof version === 'number' ? version : null;
};

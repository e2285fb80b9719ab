import { newWorksheet, readWorksheet, type Worksheet } from '@amber/core';
import { fresh } from '../parts/fresh.js';

/** A worksheet that this browser keeps. */
export interface KeptSheet {
  id: string;
  sheet: Worksheet;
}

/** All of them, the newest first; the first is the one at hand. There is always one. */
export type KeptSheets = readonly [KeptSheet, ...KeptSheet[]];

const KEY = 'amber-worksheets';
/** Where versions of before kept the only one. */
const ONLY = 'amber-worksheet';
/** What this version could not read, so that a later one may. */
const UNREAD = 'amber-worksheet-unread';

/** The texts that are kept, one for each sheet; null where what is there is no list of them. */
const keptTexts = (): { id: string; text: string }[] | null => {
  const [all, only] = [localStorage.getItem(KEY), localStorage.getItem(ONLY)];
  const before = only === null ? [] : [{ id: 'first', text: only }];
  if (all === null) return before;
  try {
    const list: unknown = JSON.parse(all);
    if (!Array.isArray(list)) return null;
    return [
      ...list.map((one: { id?: unknown; sheet?: unknown }, i) => ({
        id: typeof one?.id === 'string' ? one.id : `kept-${i}`,
        text: JSON.stringify(one?.sheet),
      })),
      ...before,
    ];
  } catch {
    return null;
  }
};

export const newSheet = (name = 'Box'): KeptSheet => ({ id: fresh('sheet'), sheet: newWorksheet(name) });

/** The worksheets as this browser kept them; an empty one where there is none. What cannot be read is put aside, not lost. */
export const keptSheets = (): { sheets: KeptSheets; unread: boolean } => {
  const texts = keptTexts();
  const read = (texts ?? []).map(({ id, text }) => ({ id, text, found: sheetFrom(text) }));
  const bad = read.filter(({ found }) => !found.ok);
  if (texts === null || bad.length > 0)
    localStorage.setItem(
      UNREAD,
      texts === null ? (localStorage.getItem(KEY) ?? '') : bad.map(({ text }) => text).join('\n'),
    );
  const [first = newSheet(), ...rest] = read.flatMap(({ id, found }) =>
    found.ok ? [{ id, sheet: found.sheet }] : [],
  );
  return { sheets: [first, ...rest], unread: texts === null || bad.length > 0 };
};

/** Keeps them; false where the browser has no room for them or forbids it. */
export const keepSheets = (sheets: KeptSheets): boolean => {
  try {
    localStorage.setItem(KEY, JSON.stringify(sheets));
    localStorage.removeItem(ONLY);
    return true;
  } catch {
    return false;
  }
};

/** A worksheet from a file, or what is wrong with it and how to mend it. */
export const sheetFrom = (text: string): { ok: true; sheet: Worksheet } | { ok: false; why: string } => {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return { ok: false, why: 'This is not JSON. Choose a worksheet that was saved here.' };
  }
  const read = readWorksheet(document);
  if (read.ok) return { ok: true, sheet: read.value };
  const [first] = read.faults;
  return {
    ok: false,
    why: first ? `${first.path === '' ? 'The file' : first.path}: ${first.message}` : 'It is no worksheet.',
  };
};

import { newWorksheet, readWorksheet, type Worksheet } from '@amber/core';

const KEY = 'amber-worksheet';

/** What this version could not read, so that a later one may. */
const UNREAD = 'amber-worksheet-unread';

const readKept = (text: string): Worksheet | null => {
  const read = sheetFrom(text);
  if (read.ok) return read.sheet;
  localStorage.setItem(UNREAD, text);
  return null;
};

/** The worksheet as this browser kept it; an empty one where there is none. One that cannot be read is put aside, not lost. */
export const keptSheet = (): { sheet: Worksheet; unread: boolean } => {
  const text = localStorage.getItem(KEY);
  const kept = text === null ? null : readKept(text);
  return { sheet: kept ?? newWorksheet('Box'), unread: text !== null && kept === null };
};

/** Keeps it; false where the browser has no room for it or forbids it. */
export const keepSheet = (sheet: Worksheet): boolean => {
  try {
    localStorage.setItem(KEY, JSON.stringify(sheet));
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

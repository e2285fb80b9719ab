import type { JudgedEdition } from '../model/editions.js';

const ERAS: Partial<Record<JudgedEdition, string>> = {
  1959: 'before 1962',
  1984: '1962 to 1984',
  1996: 'before 1999',
  2008: '1999 to 2008',
};

/** What is judged as the edition before it, as nobody has verified its sections. */
const AS_BEFORE: Partial<Record<JudgedEdition, JudgedEdition>> = { 2026: 2023 };

/** An edition as it is named everywhere: "2023"; "1999 to 2008"; "2026, as 2023, sections not verified". */
export const editionName = (edition: JudgedEdition): string => {
  const before = AS_BEFORE[edition];
  return before === undefined
    ? (ERAS[edition] ?? String(edition))
    : `${edition}, as ${before}, sections not verified`;
};

/** What an edition stands for in a sentence: "the editions before 1999", "the 2014 edition". */
export const eraWord = (edition: JudgedEdition): string => {
  const era = ERAS[edition];
  if (era !== undefined) return `the editions ${era.startsWith('before') ? era : `of ${era}`}`;
  const before = AS_BEFORE[edition];
  return before === undefined
    ? `the ${edition} edition`
    : `the ${edition} edition (as ${before}, sections not verified)`;
};

import type { JudgedEdition } from '../model/editions.js';

/** What an edition stands for where existing work is judged: "the editions before 1999", "the 2014 edition". */
export const eraWord = (edition: JudgedEdition): string =>
  edition === 1996
    ? 'the editions before 1999'
    : edition === 2008
      ? 'the editions of 1999 to 2008'
      : `the ${edition} edition`;

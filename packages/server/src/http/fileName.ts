/** A file name that every system takes; the name itself is inside the file. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .replace(/[^\p{L}\p{N} _-]/gu, '')
      .trim()
      .slice(0, 80) || 'job'
  }.${ending}`;

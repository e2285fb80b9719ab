/** Words in lines of at most so many letters; a word longer than a line is broken, and nothing is left out. */
export const wrapWords = (text: string, most: number): string[] => {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter((one) => one !== '')) {
    let rest = [...word];
    const last = lines.at(-1);
    if (last !== undefined && [...last].length + 1 + rest.length <= most) {
      lines[lines.length - 1] = `${last} ${word}`;
      continue;
    }
    for (; rest.length > most; rest = rest.slice(most)) lines.push(rest.slice(0, most).join(''));
    if (rest.length > 0) lines.push(rest.join(''));
  }
  return lines;
};

/** Every order of some things; the first as they stand. */
export const permutations = <T>(items: readonly T[]): T[][] =>
  items.length <= 1
    ? [[...items]]
    : items.flatMap((first, i) =>
        permutations(items.filter((_, k) => k !== i)).map((rest) => [first, ...rest]),
      );

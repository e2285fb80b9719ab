/** Every order of some things; the first as they stand. */
export const permutations = <T>(items: readonly T[]): T[][] =>
  items.length <= 1
    ? [[...items]]
    : items.flatMap((first, i) =>
        permutations(items.filter((_, k) => k !== i)).map((rest) => [first, ...rest]),
      );

/** Every way to pick one of each list. */
export const product = <T>(lists: readonly (readonly T[])[]): T[][] =>
  lists.reduce<T[][]>((all, list) => all.flatMap((one) => list.map((item) => [...one, item])), [[]]);

/** Every set of some items, of so many at most; the empty one first. */
export const subsets = <T>(items: readonly T[], most = Infinity): T[][] =>
  items.reduce<T[][]>(
    (sets, item) => [...sets, ...sets.filter(({ length }) => length < most).map((set) => [...set, item])],
    [[]],
  );

import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws from the seed: the same ones in the same order every time. */
export const picking = (seed: number) => {
  const drawn = xoroshiro128plus(seed);
  const upTo = (count: number): number => uniformInt(drawn, 0, count - 1);
  return {
    upTo,
    of: <T>(list: readonly T[]): T => list[upTo(list.length)] as T,
    /** So many of a list, none twice. */
    some: <T>(list: readonly T[], count: number): T[] => {
      const left = [...list];
      return Array.from({ length: count }, () => left.splice(upTo(left.length), 1)[0] as T);
    },
  };
};

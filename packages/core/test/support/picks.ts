import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type * as z from 'zod';
import type { jobShape } from '../../src/index.js';

/** Gives the next decision: a whole number from 0 to below `count`. */
export type Pick = (count: number) => number;

/** Decisions that are always the same for a seed. */
export const picking = (seed: number): Pick => {
  const generator = xoroshiro128plus(seed);
  return (count) => (count < 2 ? 0 : uniformInt(generator, 0, count - 1));
};

export const oneOf = <T>(pick: Pick, all: readonly T[]): T => {
  const one = all[pick(all.length)];
  if (one === undefined && all.length === 0) throw new Error('nothing to pick from');
  return one as T;
};

export const shuffled = <T>(pick: Pick, all: readonly T[]): T[] => {
  const left = [...all];
  return all.map(() => left.splice(pick(left.length), 1)[0] as T);
};

type Cable = Extract<z.input<typeof jobShape>['stock'][number], { kind: 'cable' }>;

const AS_FOUND: Cable['insulated'][] = [
  ['black', 'white'],
  ['black', 'red', 'white'],
  ['black', 'black-2', 'white'],
  ['purple', 'yellow', 'gray', 'black'],
  ['white', 'white-2', 'black', 'red'],
  ['black', 'red', 'blue', 'white', 'brown'],
];

/** A cable, or the conductors of a raceway, as somebody once left them. */
export const cablesAsFound = (pick: Pick, id: string, awg: Cable['awg']): Cable => ({
  kind: 'cable',
  id,
  name: `As found ${id}`,
  awg,
  insulated: oneOf(pick, AS_FOUND),
  ground: oneOf(pick, ['bare', 'green', 'raceway', 'none']),
  found: true,
});

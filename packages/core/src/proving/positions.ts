import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { DeviceId } from '../model/ids.js';
import type { Compiled } from '../circuit/compile.js';
import type { Positions } from '../circuit/parts.js';

/** Positions that the handle of a device has. */
export const countOf = (compiled: Compiled, id: DeviceId): number =>
  compiled.devices.find((device) => device.id === id)?.positions.length ?? 1;

/** Every combination of handle positions of these devices, the others in their first. */
export const everyPosition = (compiled: Compiled, devices: readonly DeviceId[]): Positions[] =>
  devices.reduce<Positions[]>(
    (all, id) =>
      all.flatMap((one) =>
        Array.from({ length: countOf(compiled, id) }, (_, position) => ({ ...one, [id]: position })),
      ),
    [{}],
  );

/** Every set of values below these counts, one value changed from each to the next: the reflected Gray code, for any count. */
export const grayCode = (counts: readonly number[]): number[][] =>
  counts.reduceRight<number[][]>(
    (walk, count) =>
      Array.from({ length: count }, (_, value) =>
        (value % 2 === 0 ? walk : [...walk].reverse()).map((rest) => [value, ...rest]),
      ).flat(),
    [[]],
  );

/** The shortest walk through every position of these handles: one handle moved at a time, each position once. */
export const grayWalk = (compiled: Compiled, devices: readonly DeviceId[]): Positions[] =>
  grayCode(devices.map((id) => countOf(compiled, id))).map((values) =>
    Object.fromEntries(devices.map((id, i) => [id, values[i] ?? 0])),
  );

/** Up to so many sets of positions every one is tried: ten handles of two positions. */
export const MOST_TRIED = 1024;

/** How many sets of positions these handles have. */
export const positionsOf = (compiled: Compiled, devices: readonly DeviceId[]): number =>
  devices.reduce((product, id) => product * countOf(compiled, id), 1);

/**
 * Sets of positions to try: every one of up to `most`, in the order that `every` gives; of more a sample, always the same one:
 * all handles first, all last, each of these with one handle moved, and others at random.
 */
export const somePositions = (
  compiled: Compiled,
  devices: readonly DeviceId[],
  { every = everyPosition, most = MOST_TRIED } = {},
): Positions[] => {
  if (positionsOf(compiled, devices) <= most) return every(compiled, devices);
  const counts = devices.map((id) => countOf(compiled, id));
  const generator = xoroshiro128plus(devices.length);
  const of = (pick: (count: number, at: number) => number): Positions =>
    Object.fromEntries(devices.map((id, at) => [id, pick(counts[at] ?? 1, at)]));
  const ends = [of(() => 0), of((count) => count - 1)];
  const moved = devices.flatMap((_, moving) => [
    of((count, at) => (at === moving ? count - 1 : 0)),
    of((count, at) => (at === moving ? 0 : count - 1)),
  ]);
  const fixed = [...ends, ...moved].slice(0, most);
  const random = Array.from({ length: most - fixed.length }, () =>
    of((count) => uniformInt(generator, 0, count - 1)),
  );
  return [...fixed, ...random];
};

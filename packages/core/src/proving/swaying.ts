import type { Compiled } from '../circuit/compile.js';
import type { Positions } from '../circuit/parts.js';
import { UnionFind } from '../circuit/unionFind.js';
import type { DeviceId } from '../model/ids.js';
import { countOf, somePositions } from './positions.js';

/** What is looked at: the switches of a group, its loads, and the nets of its receptacles. */
export interface Watched {
  own: readonly DeviceId[];
  mine: ReadonlySet<string>;
  outlets: readonly number[];
}

/** Of more sets of positions of handles that are not its own, some are tried. */
const MOST_OTHERS = 64;

/**
 * Handles that are not a group's own and may yet decide what its loads do: those that copper, contacts in any position and lamps lead to
 * without passing a breaker or the bars of the panel. Of a group whose hot is taken before any other switch there are none, so that its own
 * handles are all that has to be tried.
 */
export const mayBeSwayedBy = (compiled: Compiled, { own, mine, outlets }: Watched): DeviceId[] => {
  const fixed = new Set(compiled.sources.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]));
  const sets = new UnionFind(compiled.netCount);
  const join = (a: number, b: number) => {
    if (!fixed.has(a) && !fixed.has(b)) sets.join(a, b);
  };
  const netsOf = ({ positions }: Compiled['devices'][number]): number[] =>
    positions.flat(2).filter((net) => !fixed.has(net));
  for (const { positions } of compiled.devices) for (const [a, b] of positions.flat()) join(a, b);
  for (const { hot, neutral } of compiled.luminaires) join(hot, neutral);
  const isOwn = new Set<string>(own);
  const begun = [
    ...compiled.devices.filter(({ id }) => isOwn.has(id)).flatMap(netsOf),
    ...compiled.luminaires.filter(({ id }) => mine.has(id)).flatMap(({ hot, neutral }) => [hot, neutral]),
    ...outlets,
  ].filter((net) => !fixed.has(net));
  const reached = new Set(begun.map((net) => sets.find(net)));
  return compiled.devices
    .filter(
      (device) =>
        !isOwn.has(device.id) &&
        device.positions.length > 1 &&
        netsOf(device).some((net) => reached.has(sets.find(net))),
    )
    .map(({ id }) => id);
};

/** Sets of positions of handles that are not a group's own: every one, or some of very many; all in their first is among them. */
export const positionsOfOthers = (compiled: Compiled, others: readonly DeviceId[]): Positions[] =>
  somePositions(compiled, others, { most: MOST_OTHERS });

/**
 * Those handles that really change what is seen from some of the positions given, moved by themselves while the others stand in their first or
 * in their last. `seen` tells all that is to be seen, as a text.
 */
export const swayedBy = (
  compiled: Compiled,
  others: readonly DeviceId[],
  positions: readonly Positions[],
  seen: (positions: Positions) => string,
): DeviceId[] => {
  const last = Object.fromEntries(others.map((id) => [id, countOf(compiled, id) - 1]));
  return others.filter((id) =>
    positions.some((own) =>
      [{}, last].some((rest) => {
        const [first, moved] = [0, countOf(compiled, id) - 1].map((at) =>
          seen({ ...rest, ...own, [id]: at }),
        );
        return first !== moved;
      }),
    ),
  );
};

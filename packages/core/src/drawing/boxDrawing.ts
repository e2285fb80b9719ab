import type { BoxId, CableId } from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import type { Parts } from '../circuit/parts.js';
import { rolesOf, type Role } from '../circuit/roles.js';
import { canLink, isLoose, type Wanted } from './boxColumn.js';
import { readBox, type BoxWire, type Item } from './boxItems.js';
import { layOut, type CableHere, type Layout } from './boxLayout.js';
import { drawLayout } from './boxPoints.js';
import { routeChannel } from './channel.js';
import type { BoxDrawing, Side } from './geometry.js';

/** Every assignment of sides to loose wires, or all left where there are too many to try. */
const MOST_LOOSE = 7;

const sideChoices = (count: number): Side[][] => {
  if (count > MOST_LOOSE) return [Array.from({ length: count }, (_, i) => (i % 2 ? 'right' : 'left'))];
  return Array.from({ length: 2 ** count }, (_, bits) =>
    Array.from({ length: count }, (_, i) => ((bits >> i) & 1 ? 'right' : 'left')),
  );
};

/**
 * Draws one opened box from the wiring alone: cables at the sides, splices, devices and grounds in a column, each wire
 * on a track of its own in the channel between. It does not know what kind of circuit it draws.
 */
export const drawBox = (
  wiring: Wiring,
  parts: Parts,
  box: BoxId,
  compiled = compile(wiring, parts),
): BoxDrawing => {
  const roles = rolesOf(compiled);
  const { items, wires, cables } = readBox(wiring, parts, compiled, roles, box);

  const onLeft = cables.filter(({ side }) => side === 'to');
  const onRight = cables.filter(({ side }) => side === 'from');
  while (onRight.length > onLeft.length + 2) onLeft.push(...onRight.splice(-1));
  while (onLeft.length > onRight.length + 2) onRight.push(...onLeft.splice(-1));
  const sideOf = (cable: CableId): Side => (onLeft.some((one) => one.cable.id === cable) ? 'left' : 'right');

  const solve = (order: readonly Item[]) =>
    bestSides(order, wires, sideOf, { left: onLeft, right: onRight }, parts);
  let best = solve(items);
  // The usual column is neutrals, hots, devices, grounds. Where it makes wires cross, an item is moved to where fewer
  // do; grounds stay at the bottom, where they are folded first.
  for (let better: Solved | null = best; better !== null && best.crossings > 0;) {
    better = moveOne(best, solve, (item) => staysLow(item, compiled, roles));
    best = better ?? best;
  }
  return drawLayout(box, best.layout, best.wanted);
};

const staysLow = (item: Item, compiled: Compiled, roles: readonly Role[]): boolean =>
  item.kind === 'bond' || (item.kind === 'joint' && roles[compiled.netOf(item.key) ?? -1] === 'ground');

/** The first move of one item to another row that makes fewer crossings, or null. */
const moveOne = (
  now: Solved,
  solve: (order: readonly Item[]) => Solved,
  stays: (item: Item) => boolean,
): Solved | null => {
  const movable = now.items.filter((item) => !stays(item));
  const low = now.items.filter(stays);
  for (const item of movable) {
    const rest = movable.filter((one) => one !== item);
    for (let place = 0; place <= rest.length; place++) {
      if (movable[place] === item) continue;
      const tried = solve([...rest.slice(0, place), item, ...rest.slice(place), ...low]);
      if (tried.crossings < now.crossings) return tried;
    }
  }
  return null;
};

interface Solved {
  items: readonly Item[];
  wanted: Wanted[];
  layout: Layout;
  crossings: number;
}

/** The sides for the loose wires that make the fewest crossings, for items in this order. */
const bestSides = (
  items: readonly Item[],
  wires: readonly BoxWire[],
  sideOf: (cable: CableId) => Side,
  cables: Record<Side, readonly CableHere[]>,
  parts: Parts,
): Solved => {
  const loose = wires.filter((wire) => isLoose(wire) && !canLink(items, wire));
  let best: Solved | null = null;
  for (const sides of sideChoices(loose.length)) {
    const wanted = wires.map((wire): Wanted => {
      if (!isLoose(wire)) return { wire, side: 'end' in wire.from ? sideOf(wire.from.end.cable) : 'left' };
      const at = loose.indexOf(wire);
      return { wire, side: at < 0 ? null : (sides[at] ?? 'left') };
    });
    const layout = layOut(items, wanted, cables, parts);
    const crossings = (['left', 'right'] as const).reduce(
      (sum, side) =>
        sum +
        routeChannel(
          layout.channel[side].map((one) => one.wire),
          false,
        ).crossings,
      0,
    );
    if (!best || crossings < best.crossings) best = { items, wanted, layout, crossings };
    if (crossings === 0) break;
  }
  if (!best) throw new Error('A box has at least one way to be drawn.');
  return best;
};

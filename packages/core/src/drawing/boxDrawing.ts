import type { BoxId, CableId } from '../model/ids.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { rolesOf, type Role } from '../circuit/roles.js';
import { canLink, faceSide, isLoose, type Wanted } from './boxColumn.js';
import { readBox, type BoxWire, type Item, type Scene } from './boxItems.js';
import { layOut, type CableHere, type Layout } from './boxLayout.js';
import { drawLayout } from './boxPoints.js';
import { routeChannel } from './channel.js';
import type { BoxDrawing, Side } from './geometry.js';

/**
 * Layouts tried for one box at the most. A crowded box is drawn with a few crossings more rather than late; the usual
 * box needs a dozen.
 */
const MOST_LAYOUTS = 160;

/**
 * Draws one opened box from the wiring alone: cables at the sides, splices, devices and grounds in a column, each wire
 * on a track of its own in the channel between. It does not know what kind of circuit it draws.
 */
export const drawBox = (
  wiring: Wiring,
  parts: Scene,
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

  const search = new Search(wires, sideOf, { left: onLeft, right: onRight }, parts);
  let best = search.turnSides(search.tryOut(items, new Map()));
  // The usual column is neutrals, hots, devices, grounds. Where it makes wires cross, an item is moved to where fewer
  // do; grounds stay at the bottom, where they are folded first.
  for (let better: Solved | null = best; better !== null && best.crossings > 0; best = better ?? best)
    better = search.moveOne(best, (item) => staysLow(item, compiled, roles));
  return drawLayout(box, best.layout, best.wanted);
};

const staysLow = (item: Item, compiled: Compiled, roles: readonly Role[]): boolean =>
  item.kind === 'bond' || (item.kind === 'joint' && roles[compiled.netOf(item.key) ?? -1] === 'ground');

/** One way to draw the box: the order of the column and the sides of the loose wires, by wire id. */
interface Solved {
  items: readonly Item[];
  sides: ReadonlyMap<string, Side>;
  wanted: Wanted[];
  layout: Layout;
  crossings: number;
}

const other = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** Local search over columns and sides, within a number of layouts. */
class Search {
  #left = MOST_LAYOUTS;

  constructor(
    readonly wires: readonly BoxWire[],
    readonly sideOf: (cable: CableId) => Side,
    readonly cables: Record<Side, readonly CableHere[]>,
    readonly parts: Scene,
  ) {}

  /** Lays the box out one way and counts its crossings. A loose wire without a side goes left. */
  tryOut(items: readonly Item[], sides: ReadonlyMap<string, Side>): Solved {
    this.#left -= 1;
    const wanted = this.wires.map((wire): Wanted => {
      const screw = faceSide(items, wire.to);
      if (!isLoose(wire)) {
        const side = 'end' in wire.from ? this.sideOf(wire.from.end.cable) : 'left';
        return { wire, side, passes: screw !== null && screw !== side };
      }
      return {
        wire,
        side: canLink(items, wire) ? null : (screw ?? sides.get(wire.id) ?? 'left'),
        passes: false,
      };
    });
    const layout = layOut(items, wanted, this.cables, this.parts);
    const crossings = (['left', 'right'] as const).reduce((sum, side) => {
      const channel = layout.channel[side].map((one) => one.wire);
      return sum + routeChannel(channel, false).crossings;
    }, 0);
    return { items, sides, wanted, layout, crossings };
  }

  /** Turns one loose wire after another to the side where fewer cross, until none is better. */
  turnSides(start: Solved): Solved {
    let best = start;
    for (let turned = true; turned && best.crossings > 0;) {
      turned = false;
      for (const { wire, side } of best.wanted) {
        if (!isLoose(wire) || side === null || this.#left <= 0) continue;
        if (faceSide(best.items, wire.to) !== null) continue;
        const tried = this.tryOut(best.items, new Map(best.sides).set(wire.id, other(side)));
        if (tried.crossings >= best.crossings) continue;
        best = tried;
        turned = true;
      }
    }
    return best;
  }

  /** The first move of one item to another row that makes fewer crossings, or null. */
  moveOne(now: Solved, stays: (item: Item) => boolean): Solved | null {
    const movable = now.items.filter((item) => !stays(item));
    const low = now.items.filter(stays);
    for (const item of movable) {
      const rest = movable.filter((one) => one !== item);
      for (let place = 0; place <= rest.length; place++) {
        if (movable[place] === item || this.#left <= 0) continue;
        const order = [...rest.slice(0, place), item, ...rest.slice(place), ...low];
        const tried = this.turnSides(this.tryOut(order, now.sides));
        if (tried.crossings < now.crossings) return tried;
      }
    }
    return null;
  }
}

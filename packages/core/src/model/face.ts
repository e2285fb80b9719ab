import type { DeviceArticle } from './articles.js';
import type { Slot } from './job.js';

type Use = DeviceArticle['terminals'][number]['use'];

/** One screw on the face of a device, seen from the front with the handle upright. */
export interface FaceScrew {
  terminal: string;
  use: Use;
  side: 'left' | 'right';
  /** From the top: 0 the upper screws, 1 between them, 2 the lower ones, 3 the green one under them. */
  row: number;
  look: 'brass' | 'dark' | 'silver' | 'green';
  /** What is written beside it: the mark on the device, or what it is for. */
  mark: string;
  /** Where it is, in words: "top left". */
  place: string;
}

type Spot = readonly [side: FaceScrew['side'], row: number];

/** Rows of a face. */
export const FACE_ROWS = 4;

const TOP_LEFT: Spot = ['left', 0];
const TOP_RIGHT: Spot = ['right', 0];
const LEFT: Spot = ['left', 1];
const RIGHT: Spot = ['right', 1];
const BOTTOM_LEFT: Spot = ['left', 2];
const BOTTOM_RIGHT: Spot = ['right', 2];
const GREEN: Spot = ['left', 3];
const SPARE: readonly Spot[] = [TOP_LEFT, TOP_RIGHT, BOTTOM_LEFT, BOTTOM_RIGHT, LEFT, RIGHT, ['right', 3]];

/**
 * Where the screws of a device sit, by what they are for. Devices differ from one maker to the next: `otherwise` is a four-way
 * with its pairs left and right, a three-way whose common stands alone on its side, a single-pole marked with two numbered
 * lines. The order within a pair is free; which pair a screw belongs to is not.
 */
const SPOTS: Record<
  Slot['screws'],
  (letter: DeviceArticle['letter']) => Partial<Record<Use, readonly Spot[]>>
> = {
  usual: (letter) => ({
    in: [TOP_LEFT, TOP_RIGHT],
    out: [BOTTOM_LEFT, BOTTOM_RIGHT],
    traveler: [TOP_LEFT, TOP_RIGHT],
    common: [BOTTOM_RIGHT],
    load: [TOP_RIGHT],
    line: [BOTTOM_RIGHT],
    hot: letter === null ? [TOP_RIGHT, BOTTOM_RIGHT] : [BOTTOM_LEFT],
    neutral: letter === null ? [TOP_LEFT, BOTTOM_LEFT] : letter === 'S' ? [TOP_LEFT] : [LEFT],
  }),
  otherwise: (letter) => ({
    ...SPOTS.usual(letter),
    in: [TOP_LEFT, BOTTOM_LEFT],
    out: [TOP_RIGHT, BOTTOM_RIGHT],
    traveler: [TOP_RIGHT, BOTTOM_RIGHT],
    common: [TOP_LEFT],
  }),
};

const MARKS: Record<Use, string> = {
  line: 'LINE',
  load: 'LOAD',
  common: 'COM',
  traveler: 'TRAV',
  in: 'IN',
  out: 'OUT',
  hot: 'HOT',
  neutral: 'NEUT',
  ground: 'GND',
};

const markOf = (use: Use, screws: Slot['screws']): string => {
  if (screws === 'otherwise' && use === 'line') return 'LINE 1';
  if (screws === 'otherwise' && use === 'load') return 'LINE 2';
  return MARKS[use];
};

const lookOf = (use: Use, screws: Slot['screws']): FaceScrew['look'] => {
  if (use === 'ground') return 'green';
  if (use === 'neutral') return 'silver';
  // A common that stands alone is told by its place; IN screws are dark, as OUT screws are brass.
  if (use === 'common') return screws === 'otherwise' ? 'brass' : 'dark';
  return use === 'in' ? 'dark' : 'brass';
};

const placeOf = ([side, row]: Spot): string =>
  row === 0 ? `top ${side}` : row === 1 ? side : `bottom ${side}`;

/**
 * The face of a device: every screw with its place, the same for the picture, the steps and every table. No two share a
 * place.
 */
export const faceOf = ({ letter, terminals }: DeviceArticle, screws: Slot['screws']): FaceScrew[] => {
  const wanted = SPOTS[screws](letter);
  const taken = new Set<string>();
  const seen: Partial<Record<Use, number>> = {};
  const key = ([side, row]: Spot) => `${side} ${row}`;
  const settled = terminals.map(({ use }): Spot | null => {
    if (use === 'ground') return null;
    const nth = seen[use] ?? 0;
    seen[use] = nth + 1;
    const spot = wanted[use]?.[nth];
    if (!spot || taken.has(key(spot))) return null;
    taken.add(key(spot));
    return spot;
  });
  return terminals.map(({ name, use }, i): FaceScrew => {
    const free = SPARE.find((one) => !taken.has(key(one))) ?? GREEN;
    const spot = settled[i] ?? (use === 'ground' && !taken.has(key(GREEN)) ? GREEN : free);
    taken.add(key(spot));
    const [side, row] = spot;
    return {
      terminal: name,
      use,
      side,
      row,
      look: lookOf(use, screws),
      mark: markOf(use, screws),
      place: placeOf(spot),
    };
  });
};

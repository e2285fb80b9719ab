import { tellsApart, type FacePart, type ScrewColour } from '../model/face.js';
import { FOUR_WAYS, SINGLE_POLES, THREE_WAYS, type Faces } from '../materials/stock/faces.js';
import { isRaw, listOf, type Raw } from './raw.js';

/**
 * Where the screws of a device sat before articles said it themselves: by what each is for, as usual, or otherwise where the slot
 * said so. These places are what drawings and steps showed then.
 */
type Spot = readonly [side: FacePart['side'], height: number];

const HEIGHTS = [20, 45, 72, 90] as const;
const at = (side: FacePart['side'], row: 0 | 1 | 2 | 3): Spot => [side, HEIGHTS[row]];

const TOP_LEFT = at('left', 0);
const TOP_RIGHT = at('right', 0);
const LEFT = at('left', 1);
const RIGHT = at('right', 1);
const BOTTOM_LEFT = at('left', 2);
const BOTTOM_RIGHT = at('right', 2);
const GREEN = at('left', 3);
/** Between these there is room for as many terminals as an article may have. */
const SPARE: readonly Spot[] = [
  ...[TOP_LEFT, TOP_RIGHT, BOTTOM_LEFT, BOTTOM_RIGHT, LEFT, RIGHT, at('right', 3), GREEN],
  ...[33, 58, 6].flatMap((height): Spot[] => [
    ['left', height],
    ['right', height],
  ]),
];

type Screws = 'usual' | 'otherwise';
type Spots = Readonly<Record<string, readonly Spot[]>>;

const usual = (letter: unknown): Spots => ({
  in: [TOP_LEFT, TOP_RIGHT],
  out: [BOTTOM_LEFT, BOTTOM_RIGHT],
  traveler: [TOP_LEFT, TOP_RIGHT],
  common: [BOTTOM_RIGHT],
  load: [TOP_RIGHT],
  line: [BOTTOM_RIGHT],
  hot: letter === null ? [TOP_RIGHT, BOTTOM_RIGHT] : [BOTTOM_LEFT],
  neutral: letter === null ? [TOP_LEFT, BOTTOM_LEFT] : letter === 'S' ? [TOP_LEFT] : [LEFT],
});

const OTHERWISE: Spots = {
  in: [TOP_LEFT, BOTTOM_LEFT],
  out: [TOP_RIGHT, BOTTOM_RIGHT],
  traveler: [TOP_RIGHT, BOTTOM_RIGHT],
  common: [TOP_LEFT],
};

const colourOf = (use: unknown, screws: Screws): ScrewColour => {
  if (use === 'ground') return 'green';
  if (use === 'neutral') return 'silver';
  if (use === 'common') return screws === 'otherwise' ? 'brass' : 'dark';
  return use === 'in' ? 'dark' : 'brass';
};

const markedOf = (use: unknown, screws: Screws): string | null => {
  if (use === 'in') return 'IN';
  if (use === 'out') return 'OUT';
  if (use === 'common') return 'COMMON';
  if (screws === 'usual') return null;
  return use === 'line' ? 'LINE 1' : use === 'load' ? 'LINE 2' : null;
};

/** A device of before with the face that it was drawn with; one that has a face keeps it. */
export const withFaceOfBefore = (device: Raw): Raw =>
  listOf(device, 'terminals').some((one) => isRaw(one) && one['face'] === undefined)
    ? withFace(device)
    : device;

export const withFace = (device: Raw, screws: Screws = 'usual'): Raw => {
  const wanted = screws === 'usual' ? usual(device['letter']) : { ...usual(device['letter']), ...OTHERWISE };
  const terminals = listOf(device, 'terminals').filter(isRaw);
  const taken = new Set<string>();
  const seen = new Map<unknown, number>();
  const take = (spot: Spot | undefined): Spot | null => {
    if (!spot || taken.has(spot.join())) return null;
    taken.add(spot.join());
    return spot;
  };
  const settled = terminals.map(({ use }) => {
    if (use === 'ground') return null;
    const nth = seen.get(use) ?? 0;
    seen.set(use, nth + 1);
    return take(wanted[String(use)]?.[nth]);
  });
  const faced = terminals.map((terminal, i) => {
    const { use } = terminal;
    const [side, height] =
      settled[i] ??
      (use === 'ground' ? take(GREEN) : null) ??
      take(SPARE.find((one) => !taken.has(one.join()))) ??
      GREEN;
    const colour = colourOf(use, screws);
    return {
      terminal,
      face: { kind: 'screw', side, height, colour, marked: markedOf(use, screws) } as const,
    };
  });
  const told = new Set<string>();
  return {
    ...device,
    terminals: faced.map(({ terminal, face }): Raw => {
      // Where nothing else tells it from another, it is marked with its own name.
      const marked = told.has(tellsApart(face)) ? String(terminal['name']).slice(0, 10) : face.marked;
      told.add(tellsApart(face));
      return { ...terminal, face: { ...face, marked } };
    }),
  };
};

const FACES_BY_ID: readonly (readonly [RegExp, Faces])[] = [
  [/^single-pole-\d+$/, SINGLE_POLES],
  [/^three-way-\d+$/, THREE_WAYS],
  [/^four-way-\d+$/, FOUR_WAYS],
];

/** The same device with the other faces that the standard stock has for it: none for a device of the shop's own. */
export const otherFacesOf = (device: Raw): Raw[] => {
  const faces = FACES_BY_ID.find(([id]) => id.test(String(device['id'])))?.[1] ?? [];
  const terminals = listOf(device, 'terminals').filter(isRaw);
  return faces.slice(1).flatMap(({ id, name, face }) =>
    terminals.every((one) => face[String(one['name'])] !== undefined)
      ? [
          {
            ...device,
            id: `${String(device['id'])}-${id}`,
            name: `${String(device['name']).slice(0, 150)}, ${name}`,
            terminals: terminals.map((one) => ({ ...one, face: face[String(one['name'])] })),
          },
        ]
      : [],
  );
};

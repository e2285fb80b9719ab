import { UNITS } from '../model/job.js';
import { isRaw, listOf, type Raw } from './raw.js';
import { toFifth } from './toFifth.js';
import { toSixth } from './toSixth.js';
import { toFourth } from './toFourth.js';
import { toThird } from './toThird.js';

/*
 * Job files of earlier formats, brought up one format at a time. Each step is a function on raw JSON: what was checked by an
 * older schema is not known to this one. What a step cannot know is left "not told", and asked; nothing is guessed.
 */

/** Does it say of any of its fields that something is there? */
const saysAnything = (contents: Raw): boolean =>
  Object.entries(contents).some(([key, value]) =>
    Array.isArray(value) ? value.length > 0 : key !== 'domedCanopy' && value !== 0 && value !== false,
  );

/**
 * The circuit whose power is on each existing cable, as its feeds tell it: a cable from the panel is of the one circuit that is
 * fed in its box; one between two boxes of the one circuit whose fed cables it hangs on. Null where that is none or several.
 */
const circuitsOfCables = (cables: readonly unknown[], feeds: readonly unknown[]): (string | null)[] => {
  const ends = cables.map((cable): string[] => {
    const between = isRaw(cable) ? cable['between'] : null;
    return Array.isArray(between)
      ? between.filter((place): place is string => typeof place === 'string')
      : [];
  });
  const boxesOf = (i: number) => (ends[i] ?? []).filter((place) => place !== 'panel');
  const reached = new Map<string, Set<string>>();
  for (const feed of feeds) {
    if (!isRaw(feed) || typeof feed['at'] !== 'string' || typeof feed['circuit'] !== 'string') continue;
    if (feed['at'] === 'panel') continue;
    reached.set(feed['at'], (reached.get(feed['at']) ?? new Set<string>()).add(feed['circuit']));
  }
  for (let grew = true; grew;) {
    grew = false;
    for (const i of ends.keys()) {
      const boxes = boxesOf(i);
      if (boxes.length < 2) continue;
      const all = new Set(boxes.flatMap((box) => [...(reached.get(box) ?? [])]));
      for (const box of boxes) {
        const here = reached.get(box) ?? new Set<string>();
        for (const circuit of all) {
          if (here.has(circuit)) continue;
          reached.set(box, here.add(circuit));
          grew = true;
        }
      }
    }
  }
  return ends.map((_, i) => {
    const all = new Set(boxesOf(i).flatMap((box) => [...(reached.get(box) ?? [])]));
    const [only] = all;
    return all.size === 1 && only !== undefined ? only : null;
  });
};

/** Rings that give square boxes of the standard stock a round opening. */
const ROUND_RINGS = [
  {
    id: 'ring-4-round',
    name: 'Round plaster ring, 4 square',
    price: 15_000,
    family: 'square-4',
    volume: 35_000,
  },
  {
    ...{ id: 'ring-4.6875-round', name: 'Round plaster ring, 4 11/16 square', price: 20_000 },
    ...{ family: 'square-4.6875', volume: 40_000 },
  },
].map((one) => ({
  ...one,
  ...{ kind: 'box', part: 'ring', gangs: 0, metal: true, internalClamps: false, work: 'new', supports: 50 },
  shape: 'round',
}));

const isSquare = (article: unknown): article is Raw =>
  isRaw(article) &&
  article['kind'] === 'box' &&
  (article['part'] ?? 'box') === 'box' &&
  typeof article['family'] === 'string' &&
  article['family'].startsWith('square-');

/** A square box holds no luminaire by itself: it takes a round ring first, which the stock then has too. */
const withRoundRings = (stock: readonly unknown[]): unknown[] => {
  const families = new Set(stock.filter(isSquare).map((article) => article['family']));
  const ids = new Set(stock.flatMap((article) => (isRaw(article) ? [article['id']] : [])));
  return [
    ...stock.map((article) => (isSquare(article) ? { ...article, shape: 'square', supports: 0 } : article)),
    ...ROUND_RINGS.filter((ring) => families.has(ring.family) && !ids.has(ring.id)),
  ];
};

/** To 2: a square box takes a ring for a luminaire; an existing cable says whose power is on it; an existing box of which nothing was told says so. */
const toSecond = (document: Raw): Raw => {
  const cables = listOf(document, 'existingCables');
  const circuits = circuitsOfCables(cables, listOf(document, 'feeds'));
  return {
    // The first files did not say their units, which were the same.
    units: UNITS,
    ...document,
    ...(Array.isArray(document['stock']) ? { stock: withRoundRings(listOf(document, 'stock')) } : {}),
    ...(Array.isArray(document['existingCables'])
      ? {
          existingCables: cables.map((cable, i) =>
            isRaw(cable) ? { ...cable, circuit: circuits[i] ?? null } : cable,
          ),
        }
      : {}),
    ...(Array.isArray(document['boxes'])
      ? {
          boxes: listOf(document, 'boxes').map((box) => {
            if (!isRaw(box) || !isRaw(box['existingFill']) || saysAnything(box['existingFill'])) return box;
            return { ...box, existingFill: null };
          }),
        }
      : {}),
    format: 2,
  };
};

/** To 7: fans are told from vent fans, exceptions at switches and older eras can be told; nothing of that is known of a file of before. */
const toSeventh = (document: Raw): Raw => ({ ...document, format: 7 });

/** To 8: a splice has its minutes by the family of its connector; what was told of all holds for each. */
const toEighth = (document: Raw): Raw => {
  const labour = document['labour'];
  const splice = isRaw(labour) ? labour['splice'] : undefined;
  const families = ['lever', 'pushIn', 'twistOn', 'groundingTwistOn', 'crimp'];
  return {
    ...document,
    ...(isRaw(labour) && typeof splice === 'number'
      ? { labour: { ...labour, splice: Object.fromEntries(families.map((family) => [family, splice])) } }
      : {}),
    format: 8,
  };
};

/** To 9: groups may stay apart in a box; in no way that was chosen before do they. */
const toNinth = (document: Raw): Raw => ({ ...document, format: 9 });

/** To 10: new boxes keep some room free. Those of a job of before were chosen and priced without, and stay as they are. */
const toTenth = (document: Raw): Raw => {
  const preferences = document['preferences'];
  return {
    ...document,
    preferences: { ...(isRaw(preferences) ? preferences : {}), roomToSpare: 0 },
    format: 10,
  };
};

/** To 11: a box may tell what it measures inside, an article its packs and that it is not to be had, a job its order; of those of before nobody has told. */
const toEleventh = (document: Raw): Raw => ({ ...document, format: 11 });

/** To 12: an order may tell what the shop pays for a luminaire; of those of before nobody has. */
const toTwelfth = (document: Raw): Raw => ({ ...document, format: 12 });

/** To 13: an order may tell how what is in the truck counts, and a room that nobody has measured it; of those of before nobody has told either. */
const toThirteenth = (document: Raw): Raw => ({ ...document, format: 13 });

/** To 14: a run may tell which of the cables that lie there is kept for it; none of before does, and of several between two boxes the first has what lies there. */
const toFourteenth = (document: Raw): Raw => ({ ...document, format: 14 });

/** By the format that each one starts from. */
const STEPS: Readonly<Record<number, (document: Raw) => Raw>> = {
  ...{ 1: toSecond, 2: toThird, 3: toFourth, 4: toFifth, 5: toSixth, 6: toSeventh, 7: toEighth, 8: toNinth },
  ...{ 9: toTenth, 10: toEleventh, 11: toTwelfth, 12: toThirteenth, 13: toFourteenth },
};

/** A job file of any earlier format as the format `to` has it. */
export const migrated = (document: object, from: number, to: number): object => {
  let raw = document as Raw;
  for (let format = from; format < to; format++) {
    const step = STEPS[format];
    if (!step) throw new Error(`There is no way from format ${format} to ${format + 1}.`);
    raw = step(raw);
  }
  return raw;
};

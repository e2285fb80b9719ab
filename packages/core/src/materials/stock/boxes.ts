import type * as z from 'zod';
import type { boxArticleSchema } from '../../model/articles.js';
import { dollarsOf } from './dollars.js';
import { withInside } from './insides.js';

type BoxInput = z.input<typeof boxArticleSchema>;

const box = (
  id: string,
  name: string,
  cubicInches: number,
  gangs: number,
  price: number,
  more: Partial<BoxInput> = {},
): BoxInput => ({
  kind: 'box',
  id,
  name,
  price: dollarsOf(price),
  volume: Math.round(cubicInches * 10_000),
  gangs,
  metal: false,
  internalClamps: false,
  work: 'new',
  ...more,
});

const oldWork = { work: 'old', internalClamps: true } as const;
const steel = { metal: true, internalClamps: true } as const;
/** Any outlet box for a luminaire holds 50 lb (314.27(A)); a fan asks for one listed for it. */
const luminaire = { supports: 50 } as const;
const fan = { supports: 70, fanRated: true } as const;
/** A luminaire hangs on the round ring that is put on it. */
const square = { shape: 'square' } as const;

type Sized = [cubicInches: number, price: number][];

const nonmetallic = (gangs: number, sizes: Sized) =>
  sizes.map(([v, price]) => box(`wall-${gangs}-${v}`, `${gangs}-gang nonmetallic ${v} in³`, v, gangs, price));
const cutIn = (gangs: number, sizes: Sized) =>
  sizes.map(([v, price]) =>
    box(`old-${gangs}-${v}`, `${gangs}-gang old-work ${v} in³`, v, gangs, price, oldWork),
  );

/** Screwed to the side of a stud from inside the opening, where the wall is finished. */
const atStud = (gangs: number, sizes: Sized) =>
  sizes.map(([v, price]) =>
    box(`stud-${gangs}-${v}`, `${gangs}-gang screwed to a stud from inside, ${v} in³`, v, gangs, price, {
      work: 'old',
    }),
  );
/** Its metal yoke support grounds a switch that has no green screw (404.9(B), 314.40). */
const strapped = (sizes: Sized) =>
  sizes.map(([v, price]) =>
    box(`strap-1-${v}`, `1-gang nonmetallic with a grounding strap, ${v} in³`, v, 1, price, {
      groundingStrap: true,
    }),
  );

/** Sectional device boxes ganged side by side: the volumes of Table 314.16(A) add. */
const ganged = (depth: string, each: number) =>
  [2, 3, 4].map((gangs) =>
    box(
      `steel-${gangs}-${gangs * each}`,
      `${gangs}-gang steel, 3 x 2 x ${depth} ganged`,
      gangs * each,
      gangs,
      3 + 2.5 * gangs,
      steel,
    ),
  );
const masonry = (depth: string, each: number) =>
  [2, 3, 4].map((gangs) =>
    box(
      `masonry-${gangs}-${gangs * each}`,
      `${gangs}-gang masonry, 3 3/4 x 2 a gang x ${depth}`,
      gangs * each,
      gangs,
      4 + 3 * gangs,
      { ...steel, internalClamps: false },
    ),
  );
/** Clamps outside of it take no room in it (314.16(B)(2)); they come with it at this price. */
const clampsOutside = (id: string, name: string, cubicInches: number, gangs: number, price: number) =>
  box(`${id}-clamps-outside`, `${name}, with cable clamps outside`, cubicInches, gangs, price, {
    ...steel,
    internalClamps: false,
    ...(gangs === 0 ? { ...square, family: 'square-4' } : {}),
  });

/** Minimum volumes of standard metal boxes (Table 314.16(A)). */
const STEEL: [
  id: string,
  name: string,
  cubicInches: number,
  gangs: number,
  price: number,
  more?: Partial<BoxInput>,
][] = [
  ['octagon-12.5', 'Steel octagon 4 x 1 1/4', 12.5, 0, 2.5, { ...luminaire, family: 'octagon-4' }],
  ['octagon-15.5', 'Steel octagon 4 x 1 1/2', 15.5, 0, 2.75, { ...luminaire, family: 'octagon-4' }],
  ['octagon-21.5', 'Steel octagon 4 x 2 1/8', 21.5, 0, 3.5, { ...luminaire, family: 'octagon-4' }],
  ['square-18', 'Steel square 4 x 1 1/4', 18, 0, 2.75, { ...square, family: 'square-4' }],
  ['square-21', 'Steel square 4 x 1 1/2', 21, 0, 3, { ...square, family: 'square-4' }],
  ['square-30.3', 'Steel square 4 x 2 1/8', 30.3, 0, 4, { ...square, family: 'square-4' }],
  ['square-25.5', 'Steel square 4 11/16 x 1 1/4', 25.5, 0, 4.5, { ...square, family: 'square-4.6875' }],
  ['square-29.5', 'Steel square 4 11/16 x 1 1/2', 29.5, 0, 5, { ...square, family: 'square-4.6875' }],
  ['square-42', 'Steel square 4 11/16 x 2 1/8', 42, 0, 6, { ...square, family: 'square-4.6875' }],
  ['steel-1-7.5', '1-gang steel 3 x 2 x 1 1/2', 7.5, 1, 2.25],
  ['steel-1-10', '1-gang steel 3 x 2 x 2', 10, 1, 2.5],
  ['steel-1-10.5', '1-gang steel 3 x 2 x 2 1/4', 10.5, 1, 2.75],
  ['steel-1-12.5', '1-gang steel 3 x 2 x 2 1/2', 12.5, 1, 3],
  ['steel-1-14', '1-gang steel 3 x 2 x 2 3/4', 14, 1, 3.25],
  ['steel-1-18', '1-gang steel 3 x 2 x 3 1/2', 18, 1, 4],
  ['handy-10.3', '1-gang steel 4 x 2 1/8 x 1 1/2', 10.3, 1, 2.5],
  ['handy-13', '1-gang steel 4 x 2 1/8 x 1 7/8', 13, 1, 2.75],
  ['handy-14.5', '1-gang steel 4 x 2 1/8 x 2 1/8', 14.5, 1, 3],
  ['masonry-14', '1-gang masonry 3 3/4 x 2 x 2 1/2', 14, 1, 5, { internalClamps: false }],
  ['masonry-21', '1-gang masonry 3 3/4 x 2 x 3 1/2', 21, 1, 6, { internalClamps: false }],
];

const section = (
  id: string,
  name: string,
  part: 'ring' | 'extension',
  family: string,
  cubicInches: number,
  gangs: number,
  price: number,
  more: Partial<BoxInput> = {},
): BoxInput => box(id, name, cubicInches, gangs, price, { part, family, metal: true, ...more });

const round = { ...luminaire, shape: 'round' } as const;

/** Volumes of nonmetallic boxes, rings and extensions as marked. */
const articles: BoxInput[] = [
  ...nonmetallic(1, [
    [18, 1],
    [20, 1.25],
    [22.5, 1.5],
  ]),
  ...nonmetallic(2, [
    [32, 2.5],
    [35, 3],
  ]),
  ...nonmetallic(3, [
    [44, 4],
    [54, 5],
  ]),
  ...nonmetallic(4, [
    [64, 6],
    [70, 7],
  ]),
  ...cutIn(1, [
    [14, 2.5],
    [16, 3],
    [20, 3.5],
  ]),
  ...cutIn(2, [
    [25, 5],
    [34, 6],
  ]),
  ...[18, 20, 22.5].map((v) =>
    box(
      `ceiling-${v}`,
      `Round ceiling nonmetallic ${v} in³`,
      v,
      0,
      v === 18 ? 2 : v === 20 ? 2.5 : 3,
      luminaire,
    ),
  ),
  ...atStud(1, [
    [16, 4],
    [20, 4.5],
  ]),
  ...atStud(2, [[30, 7]]),
  ...strapped([
    [18, 2],
    [22.5, 2.5],
  ]),
  box('ceiling-fan-20.5', 'Round ceiling fan-rated 20.5 in³', 20.5, 0, 12, fan),
  box('brace-fan-old-15.5', 'Fan brace and box for a finished ceiling 15.5 in³', 15.5, 0, 18, {
    ...oldWork,
    ...steel,
    ...fan,
  }),
  box('ceiling-old-14.5', 'Round old-work ceiling 14.5 in³', 14.5, 0, 5, { ...oldWork, ...luminaire }),
  box('ceiling-old-20', 'Round old-work ceiling 20 in³', 20, 0, 6, { ...oldWork, ...luminaire }),
  ...[4, 6].map((v) =>
    box(`pancake-${v}`, `Shallow pancake ${v} in³`, v, 0, 3, { ...luminaire, metal: true }),
  ),
  ...STEEL.map(([id, name, volume, gangs, price, more]) =>
    box(id, name, volume, gangs, price, { ...steel, ...more }),
  ),
  ...ganged('2 1/2', 12.5),
  ...ganged('3 1/2', 18),
  ...masonry('2 1/2', 14),
  ...masonry('3 1/2', 21),
  clampsOutside('steel-1-12.5', '1-gang steel 3 x 2 x 2 1/2', 12.5, 1, 5),
  clampsOutside('steel-1-18', '1-gang steel 3 x 2 x 3 1/2', 18, 1, 6),
  clampsOutside('square-21', 'Steel square 4 x 1 1/2', 21, 0, 6),
  clampsOutside('square-30.3', 'Steel square 4 x 2 1/8', 30.3, 0, 7),
  box('octagon-fan-15.5', 'Steel octagon 4 x 1 1/2, fan-rated', 15.5, 0, 10, { ...steel, ...fan }),
  section('ring-4-1', 'Plaster ring, 4 square, 1-gang', 'ring', 'square-4', 3.5, 1, 1.5),
  section('ring-4-2', 'Plaster ring, 4 square, 2-gang', 'ring', 'square-4', 6, 2, 2),
  section('ring-4.6875-1', 'Plaster ring, 4 11/16 square, 1-gang', 'ring', 'square-4.6875', 4, 1, 2),
  section('ring-4.6875-2', 'Plaster ring, 4 11/16 square, 2-gang', 'ring', 'square-4.6875', 8, 2, 2.5),
  section('ring-4-round', 'Round plaster ring, 4 square', 'ring', 'square-4', 3.5, 0, 1.5, round),
  section('ring-4.6875-round', 'Round plaster ring, 4 11/16 square', 'ring', 'square-4.6875', 4, 0, 2, round),
  section('extension-4', 'Extension ring, 4 square x 1 1/2', 'extension', 'square-4', 21, 0, 3),
  section('extension-octagon', 'Extension ring, 4 octagon x 1 1/2', 'extension', 'octagon-4', 15.5, 0, 2.75),
];

export const boxes: BoxInput[] = articles.map(withInside);

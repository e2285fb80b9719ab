import type * as z from 'zod';
import type { cableArticleSchema } from '../../model/articles.js';
import { dollarsOf } from './dollars.js';

type Cable = z.input<typeof cableArticleSchema>;

const COLOURS: Record<number, Cable['insulated']> = {
  2: ['black', 'white'],
  3: ['black', 'red', 'white'],
  4: ['black', 'red', 'blue', 'white'],
};

/** Dollars a foot, and for a coil of 250 ft. */
const PRICES: [awg: 14 | 12, conductors: number, foot: number, coil: number][] = [
  [14, 2, 0.5, 100],
  [14, 3, 0.75, 150],
  [14, 4, 1.2, 250],
  [12, 2, 0.75, 150],
  [12, 3, 1.1, 220],
  [12, 4, 1.8, 375],
];

/** What is met in old boxes again and again; it is reused where it lies, and not sold. */
const FOUND: Cable[] = [
  {
    id: 'found-14-2-no-ground',
    name: '14/2 without ground',
    insulated: ['black', 'white'],
    ground: 'none' as const,
  },
  {
    id: 'found-14-3-two-blacks',
    name: '14/3 two blacks',
    insulated: ['black', 'black-2', 'red'] as const,
  },
].map((one) => ({
  ...one,
  insulated: [...one.insulated] as Cable['insulated'],
  kind: 'cable',
  awg: 14,
  found: true,
}));

/** Nonmetallic sheathed copper cable with a bare ground, and what was found. */
const SOLD: Cable[] = PRICES.map(([awg, count, foot, coil]) => ({
  kind: 'cable',
  id: `${awg}-${count}`,
  name: `${awg}/${count}`,
  price: dollarsOf(foot),
  coilPrice: dollarsOf(coil),
  awg,
  insulated: COLOURS[count] ?? [],
}));

export const cables: Cable[] = [...SOLD, ...FOUND];

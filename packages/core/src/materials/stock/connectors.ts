import type * as z from 'zod';
import type { connectorArticleSchema } from '../../model/articles.js';
import { dollarsOf } from './dollars.js';

type Connector = z.input<typeof connectorArticleSchema>;
type Mix = NonNullable<Connector['mixes']>[number];

/** So many of a size: [size, least, most]. */
const mix = (...parts: [awg: Mix[number]['awg'], least: number, most: number][]): Mix =>
  parts.map(([awg, least, most]) => ({ awg, least, most }));

const ports = (
  family: 'lever' | 'pushIn',
  id: string,
  name: string,
  most: number,
  price: number,
): Connector => ({
  kind: 'connector',
  id,
  name,
  price: dollarsOf(price),
  family,
  conductors: [1, most],
  sizes: [18, 12],
});

const twisted = (
  id: string,
  name: string,
  price: number,
  conductors: [number, number],
  mixes: Mix[],
  more: Partial<Connector> = {},
): Connector => ({
  kind: 'connector',
  id,
  name,
  price: dollarsOf(price),
  family: 'twistOn',
  conductors,
  sizes: [18, 12],
  mixes,
  ...more,
});

/** Ranges are generic: ports take one conductor each; a twist-on takes the mixes of its listing. */
export const connectors: Connector[] = [
  ports('lever', 'lever-2', 'Lever 2', 2, 0.5),
  ports('lever', 'lever-3', 'Lever 3', 3, 0.6),
  ports('lever', 'lever-5', 'Lever 5', 5, 0.9),
  ports('pushIn', 'push-in-2', 'Push-in 2', 2, 0.2),
  ports('pushIn', 'push-in-3', 'Push-in 3', 3, 0.25),
  ports('pushIn', 'push-in-4', 'Push-in 4', 4, 0.3),
  ports('pushIn', 'push-in-6', 'Push-in 6', 6, 0.45),
  ports('pushIn', 'push-in-8', 'Push-in 8', 8, 0.6),
  twisted(
    'twist-on-small',
    'Twist-on small',
    0.1,
    [1, 4],
    [
      mix([14, 1, 3]),
      mix([12, 1, 1]),
      mix([14, 1, 2], [18, 1, 2]),
      mix([14, 1, 1], [16, 1, 2]),
      mix([18, 2, 4]),
    ],
  ),
  twisted(
    'twist-on-medium',
    'Twist-on medium',
    0.15,
    [1, 5],
    [
      mix([14, 1, 4]),
      mix([12, 1, 3]),
      mix([14, 1, 2], [12, 1, 2]),
      mix([14, 1, 3], [18, 1, 2]),
      mix([14, 1, 3], [16, 1, 2]),
      mix([12, 1, 2], [18, 1, 2]),
      mix([12, 1, 2], [16, 1, 2]),
    ],
  ),
  twisted(
    'twist-on-large',
    'Twist-on large',
    0.25,
    [2, 6],
    [
      mix([14, 2, 6]),
      mix([12, 2, 5]),
      mix([14, 1, 4], [12, 1, 2]),
      mix([14, 1, 2], [12, 1, 3]),
      mix([14, 1, 5], [18, 1, 3]),
      mix([14, 1, 4], [16, 1, 2]),
      mix([12, 1, 4], [18, 1, 2]),
      mix([12, 1, 3], [16, 1, 2]),
      mix([14, 1, 2], [12, 1, 2], [18, 1, 2]),
    ],
  ),
  twisted(
    'twist-on-ground',
    'Green grounding twist-on',
    0.3,
    [2, 5],
    [mix([14, 2, 5]), mix([12, 2, 4]), mix([14, 1, 3], [12, 1, 2]), mix([14, 1, 4], [18, 1, 1])],
    { family: 'groundingTwistOn', groundsOnly: true },
  ),
  {
    kind: 'connector',
    id: 'crimp-ground',
    name: 'Crimp sleeve for grounds',
    price: dollarsOf(0.15),
    family: 'crimp',
    conductors: [2, 6],
    sizes: [18, 10],
    circularMils: 40_000,
    groundsOnly: true,
  },
];

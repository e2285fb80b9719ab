import type * as z from 'zod';
import type { sundryArticleSchema } from '../../model/articles.js';
import { dollarsOf } from './dollars.js';

type Sundry = z.input<typeof sundryArticleSchema>;

const wireColours = ['black', 'white', 'red', 'blue', 'bare', 'green'] as const;

export const sundries: Sundry[] = [
  ...[1, 2, 3, 4].map((gangs): Sundry => ({
    kind: 'sundry',
    id: `plate-${gangs}`,
    name: `${gangs}-gang plate`,
    price: dollarsOf(gangs),
    use: 'plate',
    gangs,
  })),
  { kind: 'sundry', id: 'blank', name: 'Blank for an empty gang', price: dollarsOf(0.75), use: 'blank' },
  { kind: 'sundry', id: 'staple', name: 'Cable staple', price: dollarsOf(0.05), use: 'staple' },
  {
    kind: 'sundry',
    id: 'steel-plate',
    name: 'Steel plate for framing',
    price: dollarsOf(0.5),
    use: 'steelPlate',
  },
  ...(['black', 'red'] as const).map((colour): Sundry => ({
    kind: 'sundry',
    id: `tape-${colour}`,
    name: `Marking tape, ${colour}`,
    price: dollarsOf(0.04),
    use: 'tape',
    colour,
  })),
  ...([14, 12] as const).flatMap((awg) =>
    wireColours.map((colour): Sundry => ({
      kind: 'sundry',
      id: `wire-${awg}-${colour}`,
      name: `${awg} AWG solid wire, ${colour}`,
      price: dollarsOf(awg === 14 ? 0.15 : 0.2),
      use: 'wire',
      awg,
      colour,
    })),
  ),
];

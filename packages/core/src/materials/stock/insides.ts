import type * as z from 'zod';
import type { boxArticleSchema, Inside } from '../../model/articles.js';
import { STANDARD_BOXES, type StandardForm } from '../../nec/standardBoxes.js';

type BoxInput = z.input<typeof boxArticleSchema>;

/** From the middle of one device on a yoke to that of its neighbour, inches. */
const GANG_SPACING = 1.8125;
/** What one gang of the generic nonmetallic box is wide, and what each is high, inches. */
const [ONE_GANG, HIGH] = [2.125, 3.5];
/** Across a generic round box, inches. */
const ROUND = 3.75;

/** Which standard form (Table 314.16(A)) a steel box of this stock has, by what its id begins with. */
const FORMS: readonly (readonly [begins: string, form: StandardForm])[] = [
  ['octagon', 'round'],
  ['extension-octagon', 'round'],
  ['square', 'square'],
  ['extension-4', 'square'],
  ['steel', 'device'],
  ['handy', 'device'],
  ['masonry', 'masonry'],
];

/** As deep, to the sixteenth above, as an opening of so many square inches has to be for a volume in ten-thousandths of a cubic inch. */
const depthOf = (area: number, volume: number): number => Math.ceil((volume / 10_000 / area) * 16) / 16;

/** What an article of the generic stock measures inside: a standard steel box by its trade size, any other as deep as its marked volume makes it. */
const insideOf = ({ id, gangs, volume, shape, part, metal }: BoxInput): Inside => {
  const form = part === 'ring' || !metal ? null : FORMS.find(([begins]) => id.startsWith(begins))?.[1];
  const wide = Math.max(1, gangs);
  const standard = STANDARD_BOXES.find((one) => one.form === form && one.volume * wide === volume);
  if (standard) return { width: standard.width * wide, height: standard.height, depth: standard.depth };
  if (gangs === 0 && shape !== 'square')
    return { width: ROUND, height: ROUND, depth: depthOf((Math.PI / 4) * ROUND ** 2, volume) };
  const width = ONE_GANG + GANG_SPACING * (wide - 1);
  const height = part === 'ring' ? 3 : HIGH;
  return { width, height, depth: depthOf(width * height, volume) };
};

/** An article of the generic stock with what it measures inside. */
export const withInside = (article: BoxInput): BoxInput => ({ ...article, inside: insideOf(article) });

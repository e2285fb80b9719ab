import * as z from 'zod';
import { isolated } from './isolated.js';
import { articleIdSchema } from './ids.js';
import { moneySchema } from './units.js';

/** So many in a bag, a box or on a roll, for so much (ten-thousandths of a dollar). */
export const packSchema = z.strictObject({
  count: z.int().min(2).max(10_000),
  price: moneySchema,
  /** It is sold one by one too, at the price of the article. */
  singly: z.boolean().default(true),
});
export type Pack = z.infer<typeof packSchema>;

/** What every article has, of whatever kind. */
export const common = {
  id: articleIdSchema,
  name: z.string().overwrite(isolated).min(1).max(202),
  /** Ten-thousandths of a dollar; for cable and wire by the foot, otherwise each. */
  price: moneySchema.default(0),
  /** As it comes in a bag, a box or on a roll: so many, or so many feet, for so much. Null where it is sold one by one alone, or by the coil. */
  pack: packSchema.nullable().default(null),
  /** Not to be had: nothing new is planned with it. What is there, or was chosen by hand, stays. */
  absent: z.boolean().default(false),
};

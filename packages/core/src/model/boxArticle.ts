import * as z from 'zod';
import { common } from './articleCommon.js';
import { cubicInches, feetInches, inchesSchema, volumeSchema } from './units.js';

const insideMeasureSchema = inchesSchema.min(0.25).max(18);

/** What a tape reads inside a box or a section of one, inches; for a round one the width is its height. */
export const insideSchema = z.strictObject({
  width: insideMeasureSchema,
  height: insideMeasureSchema,
  depth: insideMeasureSchema,
});
export type Inside = z.infer<typeof insideSchema>;

/** Why a box that measures so inside cannot have the volume (ten-thousandths of a cubic inch) that it is counted at; null where it can. */
export const faultOfInside = ({
  inside,
  volume,
}: {
  inside: Inside | null;
  volume: number;
}): string | null => {
  if (inside === null) return null;
  const { width, height, depth } = inside;
  const most = Math.round(width * height * depth * 10_000);
  return volume <= most
    ? null
    : `${feetInches(width)} x ${feetInches(height)} x ${feetInches(depth)} inside is ${cubicInches(most)} at most, and it is counted at ${cubicInches(volume)}: measure again, or look at its marking.`;
};

/**
 * A box, or a section put on one: a plaster ring or an extension. A section adds its volume, where marked or listed
 * (314.16(A)), and goes on boxes of its `family`.
 */
const boxFieldsSchema = z.strictObject({
  ...common,
  kind: z.literal('box'),
  part: z.enum(['box', 'ring', 'extension']).default('box'),
  family: z.string().min(1).max(40).nullable().default(null),
  volume: volumeSchema,
  /** Of the opening, where it is told: a square one takes a ring before a device or a luminaire goes on it. */
  shape: z.enum(['device', 'round', 'square']).nullable().default(null),
  /** Device spaces; 0 for a ceiling or junction box. */
  gangs: z.int().min(0).max(8),
  metal: z.boolean(),
  /** A nonmetallic box whose metal yoke support grounds a switch that has no green screw (404.9(B), 314.40). */
  groundingStrap: z.boolean().default(false),
  internalClamps: z.boolean(),
  work: z.enum(['new', 'old']),
  /** Weight of a luminaire it is listed to hold, pounds; 0 for a device box (314.27(A)). */
  supports: z.number().min(0).max(1000).default(0),
  /** Listed to hold a ceiling fan (314.27(C)). */
  fanRated: z.boolean().default(false),
  /** Null while nobody has told them; then no picture of it is to scale. */
  inside: insideSchema.nullable().default(null),
});
export const boxArticleSchema = boxFieldsSchema.superRefine((article, context) => {
  const fault = faultOfInside(article);
  if (fault !== null) context.addIssue({ code: 'custom', path: ['inside'], message: fault });
});
export type BoxArticle = z.infer<typeof boxArticleSchema>;

import * as z from 'zod';
import { awgSchema } from './units.js';

/**
 * What is in a box, as far as fill goes (314.16(B)). Pigtails do not come from outside and are not listed. A size is
 * AWG.
 */
export const boxContentsSchema = z.strictObject({
  /** Size of each insulated conductor that enters from outside and ends or is spliced here. */
  conductors: z.array(awgSchema).max(500).default([]),
  /** Each that passes through unbroken; `loop` where a loop of 12 in or more of it is left in the box. */
  passing: z
    .array(z.strictObject({ awg: awgSchema, loop: z.boolean() }))
    .max(200)
    .default([]),
  /** Size of each equipment grounding conductor that enters from outside. */
  grounds: z.array(awgSchema).max(200).default([]),
  /** A further set of isolated grounds. */
  isolatedGrounds: z.array(awgSchema).max(200).default([]),
  /** One for each yoke: the gangs it needs, and the largest conductor connected to it. */
  yokes: z
    .array(z.strictObject({ gangs: z.int().min(1).max(8), awg: awgSchema }))
    .max(20)
    .default([]),
  internalClamps: z.boolean().default(false),
  /** Kinds of support fittings: studs, hickeys. */
  supportFittings: z.int().min(0).max(10).default(0),
  /** Luminaire leads smaller than 14 AWG, their ground left out. */
  fixtureWires: z.array(awgSchema).max(200).default([]),
  /** Do they come from a domed luminaire or canopy? Then up to four are not counted. */
  domedCanopy: z.boolean().default(true),
  /** For each assembly of terminal blocks, the largest conductor landed on it. */
  terminalBlocks: z.array(awgSchema).max(20).default([]),
});
export type BoxContents = z.infer<typeof boxContentsSchema>;

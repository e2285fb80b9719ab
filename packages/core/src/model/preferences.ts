import * as z from 'zod';
import { inchesSchema } from './units.js';

/** Where good electricians disagree, the job says which school it follows. The first of each is the default. */
export const preferencesSchema = z.strictObject({
  /** Where the edition asks for one, or at every switch. */
  neutral: z.enum(['byEdition', 'everySwitch']),
  connectors: z.enum(['lever', 'pushIn', 'twistOn']),
  /** Tape on a white that is a hot; `marker` is black ink. */
  reidentify: z.enum(['black', 'red', 'marker']),
  powerEntry: z.enum(['switchBox', 'luminaire', 'nearest']).default('switchBox'),
  /** A port left free in a lever or push-in connector for a later wire. */
  sparePort: z.boolean().default(false),
  groundConnectors: z.enum(['same', 'groundingTwistOn', 'crimp']).default('same'),
  /** A tail of its own, or one cable's ground left long through a connector made for it. */
  groundTail: z.enum(['pigtail', 'leftLong']).default('pigtail'),
  singlePoleLanding: z.enum(['loadOnTop', 'any']).default('loadOnTop'),
  /** The same colour on the same side at every switch, so that both up is on. */
  travelers: z.enum(['sameSide', 'any']).default('sameSide'),
  deviceLanding: z.enum(['hook', 'clamp']).default('hook'),
  boxBonding: z.enum(['pigtails', 'selfGroundingYoke']).default('pigtails'),
  receptacles: z.enum(['pigtailed', 'through']).default('pigtailed'),
  deviceTape: z.enum(['none', 'wrapped']).default('none'),
  /** Conductor left free past the sheath in every box, inches: the minimum or the habit (300.14). */
  freeConductor: z.literal([6, 8]).default(6),
  /** Length of a pigtail, inches. */
  tail: inchesSchema.min(6).max(12).default(6),
  boxOrder: z.enum(['fromFeed', 'fromLuminaire']).default('fromFeed'),
  /** The ground at a luminaire without a metal part or ground terminal. */
  plasticLuminaire: z.enum(['capped', 'pigtailLeft']).default('capped'),
  switchLegs: z.enum(['asItComes', 'tagged']).default('asItComes'),
  preTwist: z.enum(['asInstructed', 'always']).default('asInstructed'),
  firstOnDevice: z.enum(['ground', 'hots']).default('ground'),
  switchUp: z.enum(['alike', 'any']).default('alike'),
  circuitsInBox: z.enum(['one', 'several']).default('one'),
  feedMidChain: z.enum(['avoid', 'accept']).default('avoid'),
});
export type Preferences = z.infer<typeof preferencesSchema>;

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
  groundTailColour: z.enum(['bare', 'green']).default('bare'),
  singlePoleLanding: z.enum(['loadOnTop', 'any']).default('loadOnTop'),
  /** The same colour on the same side at every switch, so that both up is on; or whichever screw is nearer. */
  travelers: z.enum(['sameSide', 'any']).default('sameSide'),
  deviceLanding: z.enum(['hook', 'clamp']).default('hook'),
  /** Of a device in a steel box: a tail, its yoke by the screws that hold it, or both. */
  boxBonding: z.enum(['pigtails', 'selfGroundingYoke', 'both']).default('pigtails'),
  /** The ground of a steel box: a tail to its screw, or the ground of one cable looped round the screw on its way to the splice. */
  boxGround: z.enum(['tail', 'looped']).default('tail'),
  /** Tails are in the splice before the device comes, or on the device before it meets the box. */
  tailsFirst: z.enum(['splice', 'device']).default('splice'),
  /** A neutral that nothing uses yet goes under a twist-on as it is, or stripped; other connectors hold bare copper alone. */
  unusedNeutral: z.enum(['unstripped', 'stripped']).default('unstripped'),
  /** Boxes are made up after the rough-in check, or before it, as some authorities want to see the grounds. */
  madeUp: z.enum(['afterCheck', 'beforeCheck']).default('afterCheck'),
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
  /** Cable of four and more insulated conductors: used where it is best, or not in the truck and never bought. */
  wideCable: z.enum(['any', 'none']).default('any'),
  /** Two-wire cables of its circuits that a new box could still take when it is closed (314.16 asks for none). */
  roomToSpare: z.literal([0, 1, 2]).default(1),
  circuitsInBox: z.enum(['one', 'several']).default('one'),
  feedMidChain: z.enum(['avoid', 'accept']).default('avoid'),
});
export type Preferences = z.infer<typeof preferencesSchema>;

import * as z from 'zod';
import { moneySchema } from './units.js';

const dollars = (amount: number) => moneySchema.default(amount * 10_000);

/**
 * What a master pays for beside material and labour: prices of judgement, ten-thousandths of a dollar. Each hangs on a run or on a box
 * alone. The defaults are the guide's; a shop changes them as it sees fit.
 */
export const judgementSchema = z.strictObject({
  /** A pair of travelers spliced in a luminaire or junction box. */
  travelersThrough: dollars(10),
  /** Both traveler pairs of a four-way in one cable. */
  bothPairsInOneCable: dollars(20),
  /** A run that carries four insulated conductors. */
  fourConductors: dollars(10),
  /** A home run into a luminaire box; into one in a damp or wet place. */
  homeRunAtLuminaire: dollars(15),
  homeRunAtLuminaireOutside: dollars(25),
  /** The always-hot conductor spliced through a luminaire box. */
  hotThroughLuminaire: dollars(4),
  /** A switch box without a neutral; one to which another cable can be brought later. */
  withoutNeutral: dollars(15),
  withoutNeutralInReach: dollars(8),
  /** A traveler on a white, and any other hot on one. */
  travelerOnWhite: dollars(8),
  hotOnWhite: dollars(3),
  /** Each new cable beyond three in a one-gang or luminaire box. */
  cableBeyondThree: dollars(6),
  /** Less room left in a box than one more two-wire cable takes. */
  littleRoom: dollars(3),
  /** Power brought into the box of a four-way. */
  powerIntoFourWay: dollars(6),
  /** A box that another circuit is in too. */
  secondCircuit: dollars(15),
});
export type Judgement = z.infer<typeof judgementSchema>;

import * as z from 'zod';
import { moneySchema } from './units.js';

const minutes = z.number().min(0).max(10_000);

/** Minutes of labour by what is done, and the shop's rate. The defaults are made-up round figures, to be replaced. */
export const labourSchema = z.strictObject({
  /** Ten-thousandths of a dollar an hour. */
  rate: moneySchema.default(700_000),
  /** A foot of run, by how its way is got to. */
  foot: z
    .strictObject({
      open: minutes.default(0.5),
      attic: minutes.default(0.8),
      basement: minutes.default(0.6),
      fished: minutes.default(1.5),
    })
    .prefault({}),
  /** Setting up a run, whatever its length: holes, tags, two ends made ready. */
  run: minutes.default(6),
  opening: minutes.default(25),
  box: z
    .strictObject({ new: minutes.default(8), old: minutes.default(18), existing: minutes.default(6) })
    .prefault({}),
  /** A splice, by the family of its connector. */
  splice: z
    .strictObject({
      lever: minutes.default(1.5),
      pushIn: minutes.default(1.2),
      twistOn: minutes.default(1.8),
      groundingTwistOn: minutes.default(1.8),
      crimp: minutes.default(2.2),
    })
    .prefault({}),
  device: minutes.default(7),
  luminaire: minutes.default(15),
  /** Added to a box or luminaire above 10 ft. */
  high: minutes.default(10),
});
export type Labour = z.infer<typeof labourSchema>;

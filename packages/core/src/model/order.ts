import * as z from 'zod';
import { articleIdSchema, cableIdSchema, luminaireIdSchema } from './ids.js';
import { isolated } from './isolated.js';
import { moneySchema } from './units.js';

/** Where a thing stands in the shop, in the order in which a list is walked. */
export const AISLES = [
  'cable',
  'boxes',
  'devices',
  'luminaires',
  'connectors',
  'plates',
  'fasteners',
  'tape',
  'tails',
  'other',
] as const;
export const aisleSchema = z.enum(AISLES);
export type Aisle = z.infer<typeof aisleSchema>;

/** How many of something, or feet of it. */
const quantitySchema = z.number().min(0).max(1_000_000);

/** A line of the order that no wiring asks for; its price is for each, or by the foot. */
export const extraLineSchema = z.strictObject({
  id: z.string().min(1).max(100),
  aisle: aisleSchema,
  name: z.string().overwrite(isolated).min(1).max(202),
  quantity: quantitySchema,
  unit: z.enum(['each', 'foot']).default('each'),
  /** Null while nobody knows it. */
  price: moneySchema.nullable().default(null),
});
export type ExtraLine = z.infer<typeof extraLineSchema>;

/** Percent, to the hundredth. */
const percentSchema = z.number().min(0).max(1000);

/** What the customer's sum adds to material and labour. The defaults add nothing: nobody has told what the shop asks. */
export const termsSchema = z.strictObject({
  /** On material. */
  markup: percentSchema.default(0),
  /** On material with its markup and on labour, for what nobody foresees. */
  contingency: percentSchema.default(0),
  tax: percentSchema.default(0),
  taxOn: z.enum(['material', 'all']).default('material'),
});
export type Terms = z.infer<typeof termsSchema>;

/** What a job says of its order; what the wiring takes is read off the wiring. */
export const orderSchema = z.strictObject({
  extra: z.array(extraLineSchema).max(300).default([]),
  /** So much of an article is in the truck already and is not bought, in the unit of its line. */
  fromTruck: z.record(articleIdSchema, quantitySchema).default({}),
  /** What is in the truck counts so much of its price where plans are weighed by what has to be bought, percent: 0 where it is to be used up. */
  truckShare: percentSchema.max(100).default(20),
  /** Numbers of tags that were printed; one that was given is never given again, whatever became of its cable. */
  numbers: z.record(cableIdSchema, z.int().min(1).max(100_000)).default({}),
  terms: termsSchema.prefault({}),
  /** Price of each luminaire or fan that the shop brings; of any other the owner does. */
  luminaires: z.record(luminaireIdSchema, moneySchema).default({}),
});
export type Order = z.infer<typeof orderSchema>;

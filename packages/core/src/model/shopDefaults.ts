import * as z from 'zod';
import { amendmentSchema, type Amendment } from './amendment.js';
import { editionSchema } from './editions.js';
import type { Job } from './job.js';
import { isSame } from './same.js';
import { termsSchema } from './order.js';
import { preferencesSchema, type Preferences } from './preferences.js';

/** What the shop begins a new job with: the edition in force where it works, its habits, what it adds to a sum. A job keeps a copy. */
export const shopDefaultsSchema = z.strictObject({
  edition: editionSchema,
  preferences: preferencesSchema,
  terms: termsSchema.prefault({}),
  /** What is pulled and fitted comes off the truck, and what comes goes onto it. */
  drawsDown: z.boolean().default(false),
  /** What the local authority asks where the shop works: each of a whole job. */
  amendments: z
    .array(amendmentSchema.refine(({ scope }) => scope === 'job', 'is of a whole job'))
    .max(200)
    .default([]),
});
export type ShopDefaults = z.infer<typeof shopDefaultsSchema>;

/** What a shop that has said nothing begins with: the first of each school, the latest edition that was verified. */
export const usualDefaults = (): ShopDefaults =>
  shopDefaultsSchema.parse({
    edition: 2023,
    preferences: { neutral: 'byEdition', connectors: 'lever', reidentify: 'black' },
  });

/** A job with what the shop begins one with. */
export const withShopDefaults = (
  job: Job,
  { edition, preferences, terms, amendments }: ShopDefaults,
): Job => ({
  ...job,
  ...{ edition, preferences, amendments },
  order: { ...job.order, terms },
});

/** Habits in which a job departs from its shop. */
export const departsIn = (
  job: Pick<Job, 'preferences'>,
  { preferences }: Pick<ShopDefaults, 'preferences'>,
): (keyof Preferences)[] =>
  (Object.keys(preferences) as (keyof Preferences)[]).filter(
    (habit) => job.preferences[habit] !== preferences[habit],
  );

/** What the shop says of the local authority, and a job does not. */
export const amendmentsMissing = (
  job: Pick<Job, 'amendments'>,
  { amendments }: Pick<ShopDefaults, 'amendments'>,
): Amendment[] => {
  const own = new Map(job.amendments.map((one) => [one.id, one]));
  return amendments.filter((one) => !isSame(own.get(one.id), one));
};

/** A job with what the shop says of the local authority beside its own; one of the same name is the shop's again. */
export const withAmendmentsOf = (job: Job, { amendments }: Pick<ShopDefaults, 'amendments'>): Job => {
  const shops = new Set(amendments.map(({ id }) => id));
  return { ...job, amendments: [...job.amendments.filter(({ id }) => !shops.has(id)), ...amendments] };
};

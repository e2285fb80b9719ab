import * as z from 'zod';
import { editionSchema } from './editions.js';
import type { Job } from './job.js';
import { termsSchema } from './order.js';
import { preferencesSchema, type Preferences } from './preferences.js';

/** What the shop begins a new job with: the edition in force where it works, its habits, what it adds to a sum. A job keeps a copy. */
export const shopDefaultsSchema = z.strictObject({
  edition: editionSchema,
  preferences: preferencesSchema,
  terms: termsSchema.prefault({}),
});
export type ShopDefaults = z.infer<typeof shopDefaultsSchema>;

/** What a shop that has said nothing begins with: the first of each school, the latest edition that was verified. */
export const usualDefaults = (): ShopDefaults =>
  shopDefaultsSchema.parse({
    edition: 2023,
    preferences: { neutral: 'byEdition', connectors: 'lever', reidentify: 'black' },
  });

/** A job with what the shop begins one with. */
export const withShopDefaults = (job: Job, { edition, preferences, terms }: ShopDefaults): Job => ({
  ...job,
  ...{ edition, preferences },
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

import * as z from 'zod';
import { articleIdSchema } from './ids.js';
import { awgSchema, volumeSchema } from './units.js';

/** Colours of conductor insulation. Bare is the equipment grounding conductor. */
export const colourSchema = z.enum(['black', 'white', 'red', 'blue', 'bare']);
export type Colour = z.infer<typeof colourSchema>;

/** What a white is marked with where it is a hot: any colour but white, gray and green (200.7(C)(1)). */
export const markColourSchema = z.enum(['black', 'red', 'blue']);

const named = { id: articleIdSchema, name: z.string().min(1).max(200) };

/** A sheathed cable: insulated conductors by colour and one bare ground, all of one size. */
export const cableArticleSchema = z.object({
  ...named,
  kind: z.literal('cable'),
  awg: awgSchema,
  insulated: z
    .array(colourSchema.exclude(['bare']))
    .min(2)
    .max(4),
});
export type CableArticle = z.infer<typeof cableArticleSchema>;

const terminalNameSchema = z.string().min(1).max(40);

/**
 * A device on a yoke. `positions` lists, for each position of the handle, the pairs of terminals that are connected
 * then; a device without a handle has one position. The layout of terminals is the article's, not the circuit's.
 */
export const deviceArticleSchema = z.object({
  ...named,
  kind: z.literal('device'),
  /** What it can be in a group: S, S3, S4 in drafting letters. */
  letter: z.enum(['S', 'S3', 'S4']),
  amperes: z.int().min(1).max(60),
  gangs: z.int().min(1).max(2),
  terminals: z
    .array(
      z.object({
        name: terminalNameSchema,
        use: z.enum(['line', 'load', 'common', 'traveler', 'in', 'out', 'ground', 'neutral']),
      }),
    )
    .min(2)
    .max(12),
  positions: z
    .array(
      z.object({
        name: z.string().min(1).max(20),
        connected: z.array(z.tuple([terminalNameSchema, terminalNameSchema])),
      }),
    )
    .min(1)
    .max(8),
});
export type DeviceArticle = z.infer<typeof deviceArticleSchema>;

export const boxArticleSchema = z.object({
  ...named,
  kind: z.literal('box'),
  volume: volumeSchema.min(1),
  /** Device spaces; 0 for a ceiling or junction box. */
  gangs: z.int().min(0).max(8),
  metal: z.boolean(),
  internalClamps: z.boolean(),
  work: z.enum(['new', 'old']),
});
export type BoxArticle = z.infer<typeof boxArticleSchema>;

/** A connector and what it may join: a number of conductors within a range of sizes, by its listing. */
export const connectorArticleSchema = z
  .object({
    ...named,
    kind: z.literal('connector'),
    family: z.enum(['lever', 'pushIn', 'twistOn']),
    conductors: z.tuple([z.int().min(1), z.int().min(1).max(20)]),
    /** Thinnest and thickest conductor it takes. */
    sizes: z.tuple([awgSchema, awgSchema]),
    /** For twist-on: most copper it takes, in circular mils; null where ports alone decide. */
    circularMils: z.int().min(1).nullable(),
  })
  .refine((c) => c.conductors[0] <= c.conductors[1], {
    message: 'the least number of conductors is above the most',
    path: ['conductors'],
  });
export type ConnectorArticle = z.infer<typeof connectorArticleSchema>;

export const articleSchema = z.discriminatedUnion('kind', [
  cableArticleSchema,
  deviceArticleSchema,
  boxArticleSchema,
  connectorArticleSchema,
]);
export type Article = z.infer<typeof articleSchema>;

export type ArticleOf<K extends Article['kind']> = Extract<Article, { kind: K }>;

/** The articles of one kind, in the order of the stock. */
export const articlesOf = <K extends Article['kind']>(stock: readonly Article[], kind: K): ArticleOf<K>[] =>
  stock.filter((article): article is ArticleOf<K> => article.kind === kind);

/**
 * One article by kind and id. Throws where it is missing: the schema has refused such a job at the boundary, so a
 * miss here is misuse.
 */
export const articleOf = <K extends Article['kind']>(
  stock: readonly Article[],
  kind: K,
  id: string,
): ArticleOf<K> => {
  const found = stock.find((article): article is ArticleOf<K> => article.kind === kind && article.id === id);
  if (!found) throw new Error(`The stock has no ${kind} "${id}".`);
  return found;
};

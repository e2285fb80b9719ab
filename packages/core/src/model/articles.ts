import * as z from 'zod';
import { insulatedColourSchema, type Colour } from './colours.js';
import { facePartSchema, faultOfFace } from './face.js';
import { articleIdSchema } from './ids.js';
import { awgSchema, moneySchema } from './units.js';
import { common } from './articleCommon.js';
import { boxArticleSchema } from './boxArticle.js';

export { packSchema, type Pack } from './articleCommon.js';
export { boxArticleSchema, faultOfInside, insideSchema, type BoxArticle, type Inside } from './boxArticle.js';

/**
 * A sheathed cable, or the conductors of a raceway as found: insulated conductors by colour and a ground, all of one
 * size. `ground` says what serves as one; older work may have none.
 */
export const cableArticleSchema = z.strictObject({
  ...common,
  kind: z.literal('cable'),
  awg: awgSchema,
  insulated: z
    .array(insulatedColourSchema)
    .min(1)
    .max(12)
    .refine((colours) => new Set(colours).size === colours.length, {
      message: 'two conductors have the same name; number them, as in black and black-2',
    }),
  ground: z.enum(['bare', 'green', 'raceway', 'none']).default('bare'),
  /** Found on site: it can be reused where it lies, and not bought. */
  found: z.boolean().default(false),
  /** What its conductors are; `unknown` is what nobody recognised. This program plans through copper alone. */
  metal: z.enum(['copper', 'aluminium', 'copperClad', 'unknown']).default('copper'),
  /** What holds its conductors together, as found. */
  sheath: z
    .enum(['nonmetallic', 'armored', 'raceway', 'cloth', 'knobAndTube', 'unknown'])
    .default('nonmetallic'),
  /** Feet in a coil as it is sold, and the price of a whole coil; 0 where it is sold by the foot alone. */
  coilFeet: z.int().min(1).max(5000).default(250),
  coilPrice: moneySchema.default(0),
});
export type CableArticle = z.infer<typeof cableArticleSchema>;

/** The conductor of a cable that serves as equipment ground; null where it has none. */
export const groundOf = ({ ground }: CableArticle): Colour | null => (ground === 'none' ? null : ground);

/** Every conductor of a cable, its ground last. */
export const conductorsOf = (article: CableArticle): Colour[] => {
  const ground = groundOf(article);
  return ground === null ? [...article.insulated] : [...article.insulated, ground];
};

const terminalNameSchema = z.string().min(1).max(40);
const terminalPairSchema = z.tuple([terminalNameSchema, terminalNameSchema]);

export const ROLES = [
  'switch',
  'dimmer',
  'timer',
  'occupancySensor',
  'receptacle',
  'switchReceptacle',
] as const;
export const deviceRoleSchema = z.enum(ROLES);
export type DeviceRole = z.infer<typeof deviceRoleSchema>;

/** Is a receptacle in it, alone on its yoke or with a switch? */
export const hasReceptacle = (role: DeviceRole): boolean =>
  role === 'receptacle' || role === 'switchReceptacle';

/**
 * A device on a yoke. `positions` lists, for each position of the handle, the pairs of terminals that are connected
 * then; a device without a handle has one position. The layout of terminals is the article's, not the circuit's.
 * Whether it needs a neutral is told by its terminals.
 */
export const deviceArticleSchema = z.strictObject({
  ...common,
  kind: z.literal('device'),
  role: deviceRoleSchema.default('switch'),
  /** What it can be in a group: S, S3, S4 in drafting letters; null for a receptacle. */
  letter: z.enum(['S', 'S3', 'S4']).nullable(),
  amperes: z.int().min(1).max(60),
  gangs: z.int().min(1).max(2),
  terminals: z
    .array(
      z.strictObject({
        name: terminalNameSchema,
        use: z.enum(['line', 'load', 'common', 'traveler', 'in', 'out', 'hot', 'neutral', 'ground']),
        /** Where it is on the device in the hand, and how it is told: picture, steps and tables speak of the same. */
        face: facePartSchema,
      }),
    )
    .min(2)
    .max(12)
    .superRefine((terminals, context) => {
      const fault = faultOfFace(terminals);
      if (fault) context.addIssue({ code: 'custom', path: [fault.at, 'face'], message: fault.message });
    }),
  positions: z
    .array(z.strictObject({ name: z.string().min(1).max(20), connected: z.array(terminalPairSchema) }))
    .min(1)
    .max(8),
  /** Terminals joined by the device itself, whatever its handle does, as by the tab of a receptacle. */
  bridged: z.array(terminalPairSchema).default([]),
  /** Of a receptacle: its slots are shuttered (406.12). */
  tamperResistant: z.boolean().default(false),
  /** Loads beside luminaires that it is listed for: a dimmer for a fan motor or a receptacle (404.14(E)). */
  alsoListedFor: z
    .array(z.enum(['motor', 'receptacle']))
    .max(2)
    .default([]),
  /** Its yoke is listed to be grounded by the screws that hold it to a metal box (250.146(B)). */
  selfGrounding: z.boolean().default(false),
  /** The end of the chain it has to stand at: where the line arrives or where the switch leg leaves. */
  chainEnd: z.enum(['line', 'load']).nullable().default(null),
  /** The article that every other location of its group has to be. */
  companion: articleIdSchema.nullable().default(null),
});
export type DeviceArticle = z.infer<typeof deviceArticleSchema>;
export type DeviceTerminal = DeviceArticle['terminals'][number];

/** All of a device but its name, its price and its face. */
const wiringOf = ({ id, name, price, terminals, ...rest }: DeviceArticle): string => {
  void [id, name, price];
  return JSON.stringify([rest, terminals.map(({ name: terminal, use }) => [terminal, use])]);
};

/** Are two devices one and the same to the circuit, whatever their faces? */
export const wiresAlike = (a: DeviceArticle, b: DeviceArticle): boolean => wiringOf(a) === wiringOf(b);

/** A mix that a connector is listed for: so many conductors of each size; sizes not named are not taken. */
const mixSchema = z
  .array(z.strictObject({ awg: awgSchema, least: z.int().min(0), most: z.int().min(1) }))
  .min(1)
  .max(6);

/** A connector and what it may join: a number of conductors within a range of sizes, by its listing. */
export const connectorArticleSchema = z
  .strictObject({
    ...common,
    kind: z.literal('connector'),
    family: z.enum(['lever', 'pushIn', 'twistOn', 'groundingTwistOn', 'crimp']),
    conductors: z.tuple([z.int().min(1), z.int().min(1).max(20)]),
    /** Thinnest and thickest conductor it takes. */
    sizes: z.tuple([awgSchema, awgSchema]),
    /** For twist-on: most copper it takes, in circular mils; null where ports or mixes decide. */
    circularMils: z.int().min(1).nullable().default(null),
    /** Combinations of sizes by its listing; null where number and sizes alone decide. */
    mixes: z.array(mixSchema).min(1).nullable().default(null),
    /** For equipment grounds alone. */
    groundsOnly: z.boolean().default(false),
  })
  .refine((c) => c.conductors[0] <= c.conductors[1], {
    message: 'the least number of conductors is above the most',
    path: ['conductors'],
  });
export type ConnectorArticle = z.infer<typeof connectorArticleSchema>;

/** A luminaire or a fan as it comes: what it brings to be joined or landed, by its face seen from below. */
export const luminaireArticleSchema = z.strictObject({
  ...common,
  kind: z.literal('luminaire'),
  form: z.enum(['lampholder', 'luminaire', 'fan']),
  terminals: z.strictObject({
    hot: facePartSchema,
    neutral: facePartSchema,
    /** Null where it has no metal to ground. */
    ground: facePartSchema.nullable(),
  }),
});
export type LuminaireArticle = z.infer<typeof luminaireArticleSchema>;

/** What else a job uses up. Wire and tape are by the foot, the rest each. */
export const sundryArticleSchema = z.strictObject({
  ...common,
  kind: z.literal('sundry'),
  use: z.enum(['plate', 'blank', 'staple', 'steelPlate', 'tape', 'wire']),
  /** For a plate: device spaces. */
  gangs: z.int().min(1).max(8).nullable().default(null),
  /** For tail wire: size and colour; for tape: colour. */
  awg: awgSchema.nullable().default(null),
  colour: z
    .union([insulatedColourSchema, z.literal('bare')])
    .nullable()
    .default(null),
});
export type SundryArticle = z.infer<typeof sundryArticleSchema>;

export const articleSchema = z.discriminatedUnion('kind', [
  cableArticleSchema,
  deviceArticleSchema,
  boxArticleSchema,
  connectorArticleSchema,
  luminaireArticleSchema,
  sundryArticleSchema,
]);
export type Article = z.infer<typeof articleSchema>;

export type ArticleOf<K extends Article['kind']> = Extract<Article, { kind: K }>;

/** The articles of one kind, in the order of the stock. */
export const articlesOf = <K extends Article['kind']>(stock: readonly Article[], kind: K): ArticleOf<K>[] =>
  stock.filter((article): article is ArticleOf<K> => article.kind === kind);

/** Those of one kind that are to be had, in the order of the stock: from these alone anything new is planned. */
export const articlesToHave = <K extends Article['kind']>(
  stock: readonly Article[],
  kind: K,
): ArticleOf<K>[] => articlesOf(stock, kind).filter(({ absent }) => !absent);

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

const knownCompanions = new WeakMap<readonly Article[], ReadonlySet<string>>();

/** Devices of a stock that do nothing but with another, which asks for them. */
export const companionsIn = (stock: readonly Article[]): ReadonlySet<string> => {
  const known = knownCompanions.get(stock);
  if (known) return known;
  const made = new Set<string>(
    stock.flatMap((article) => (article.kind === 'device' && article.companion ? [article.companion] : [])),
  );
  knownCompanions.set(stock, made);
  return made;
};

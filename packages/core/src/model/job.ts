import * as z from 'zod';
import { articleSchema, deviceRoleSchema } from './articles.js';
import {
  articleIdSchema,
  boxIdSchema,
  cableIdSchema,
  circuitIdSchema,
  feedIdSchema,
  groupIdSchema,
  jobIdSchema,
  levelIdSchema,
  luminaireIdSchema,
  placeSchema,
  roomIdSchema,
  slotIdSchema,
  treePlaceSchema,
  wiringIdSchema,
  type BoxId,
  type CircuitId,
  type Place,
} from './ids.js';
import { amendmentSchema } from './amendment.js';
import { boxContentsSchema } from './contents.js';
import { judgementSchema } from './judgement.js';
import { orderSchema } from './order.js';
import { labourSchema } from './labour.js';
import {
  accessSchema,
  answerSchema,
  doorSchema,
  levelSchema,
  nameSchema,
  pictureSchema,
  pointSchema,
  roomSchema,
  routeSchema,
  routingSchema,
} from './place.js';
import { preferencesSchema } from './preferences.js';
import { editionSchema, judgedEditionSchema } from './editions.js';
import { awgSchema, inchesSchema, volumeSchema } from './units.js';
import { endSchema, wiringSchema, type Cable } from './wiring.js';

export {
  EDITIONS,
  JUDGED_EDITIONS,
  editionSchema,
  judgedEditionSchema,
  type Edition,
  type JudgedEdition,
} from './editions.js';

export const boxSchema = z.strictObject({
  id: boxIdSchema,
  name: nameSchema,
  /** The box as bought or found; null lets the program choose the cheapest of the stock that fits. */
  article: articleIdSchema.nullable(),
  /** Rings and extensions put on it. */
  sections: z.array(articleIdSchema).max(4).default([]),
  /** Can another cable be brought in later without removing finish? Asked by 404.2(C). */
  accessible: answerSchema,
  level: levelIdSchema.nullable().default(null),
  room: roomIdSchema.nullable().default(null),
  at: pointSchema.nullable().default(null),
  mount: z.enum(['wall', 'ceiling', 'surface']).nullable().default(null),
  /**
   * New work is nailed to framing, old work clamped to finished drywall, existing is there already; beyond is a box of
   * other work where an onward feed ends: neither bought nor opened nor judged.
   */
  work: z.enum(['new', 'old', 'existing', 'beyond']).default('new'),
  material: z.enum(['any', 'nonmetallic', 'metal']).default('any'),
  /** Does it stay accessible once the building is finished (314.29)? */
  staysAccessible: answerSchema.default('unknown'),
  location: z.enum(['dry', 'damp', 'wet', 'unknown']).default('unknown'),
  /** Is it within the space of a tub or shower (404.4(C))? */
  inTubSpace: answerSchema.default('unknown'),
  /**
   * What else spares a neutral at a switch here (404.2(C)): a raceway with room for one more conductor, a switch with an enclosure of its
   * own (300.15(E)), or a light that is controlled automatically.
   */
  neutralException: z.enum(['none', 'raceway', 'integral', 'automatic', 'unknown']).default('unknown'),
  /** Support fittings inside: each kind takes an allowance (314.16(B)(3)). */
  fittings: z
    .array(z.enum(['stud', 'hickey']))
    .max(2)
    .default([]),
});
export type Box = z.infer<typeof boxSchema>;

/** One device space of a box. S, S3 or S4 is derived from the group, never stored. */
export const slotSchema = z.strictObject({
  id: slotIdSchema,
  box: boxIdSchema,
  gang: z.int().min(0).max(7),
  group: groupIdSchema,
  role: deviceRoleSchema.default('switch'),
  /** Somebody has said of its neutral: it is brought whatever the code asks (a loop of three wires), or it is not (a loop of two). */
  neutral: z.enum(['byRule', 'brought', 'none']).default('byRule'),
  /** What may come here later and counts in the choice of a way. */
  expected: z
    .array(z.enum(['dimmer', 'sensor', 'anotherSwitch', 'receptacle']))
    .max(4)
    .default([]),
  /** The very device; null lets the program take the first of the stock that suits. */
  article: articleIdSchema.nullable().default(null),
  /** A new one is bought and comes in the place of the one that is there. */
  comesNew: z.boolean().default(false),
  /** It is there and comes out: what is planned does without it. */
  leaves: z.boolean().default(false),
});
export type Slot = z.infer<typeof slotSchema>;

/** A load on a box. A fan with a light is two: the fan, and the light as a part of it. */
export const luminaireSchema = z.strictObject({
  id: luminaireIdSchema,
  name: nameSchema,
  box: boxIdSchema,
  group: groupIdSchema,
  /** A fan is one that hangs under a ceiling, a vent fan is built into it. An onward feed stands for all that hangs on it beyond this plan. */
  unit: z.enum(['luminaire', 'fan', 'ventFan', 'nightLight', 'onward']).default('luminaire'),
  /** The luminaire or fan whose neutral and ground it shares. */
  partOf: luminaireIdSchema.nullable().default(null),
  /** Load in volt-amperes. */
  va: z.number().min(0.1).max(5000),
  terminals: z.enum(['leads', 'screws']),
  leadAwg: awgSchema,
  metal: z.boolean(),
  /** Grounded by the green screw of its mounting strap instead of a lead. */
  strap: z.boolean().default(false),
  /** Its canopy is domed, so that up to four leads smaller than 14 AWG are not counted (314.16(B)(1)). */
  domedCanopy: z.boolean().default(true),
  pounds: z.number().min(0).max(1000).nullable().default(null),
  /** The wiring space marked on its own driver box, which takes the place of an outlet box; null where it has none. */
  driverBox: volumeSchema.nullable().default(null),
  /** A fan may come in its place later, and counts in the choice of a way. */
  fanExpected: z.boolean().default(false),
  /** Where it is marked to be used (410.10). */
  suitedTo: z.enum(['dry', 'damp', 'wet', 'unknown']).default('unknown'),
  /** Is its own driver box listed for conductors that go on to others (410.21)? */
  throughWiring: answerSchema.default('unknown'),
  /** It comes new in the place of the one that hangs there. */
  comesNew: z.boolean().default(false),
});
export type Luminaire = z.infer<typeof luminaireSchema>;

/**
 * The switches that control one set of luminaires together, and those luminaires; or, where `control` is hot, what is
 * never switched: receptacles, night lights, onward feeds.
 */
export const groupSchema = z.strictObject({
  id: groupIdSchema,
  name: nameSchema,
  circuit: circuitIdSchema,
  room: roomIdSchema,
  control: z.enum(['switched', 'hot']).default('switched'),
});
export type Group = z.infer<typeof groupSchema>;

export const PURPOSES = [
  'lighting',
  'general',
  'smallAppliance',
  'bathroom',
  'laundry',
  'garage',
  'other',
] as const;

export const circuitSchema = z.strictObject({
  id: circuitIdSchema,
  name: nameSchema,
  /** Breaker rating in amperes; 10 is for lighting alone, from 2023 on (210.23(A)). */
  breaker: z.union([z.literal(10), z.literal(15), z.literal(20)]),
  /** Size of every new conductor of the circuit. */
  awg: z.union([z.literal(14), z.literal(12), z.literal(10)]),
  afci: answerSchema.default('unknown'),
  gfci: answerSchema.default('unknown'),
  /** What else the circuit serves; some may not serve lighting. */
  purpose: z.enum([...PURPOSES, 'unknown']).default('unknown'),
  /** Of a circuit for bathroom receptacles: does it serve one bathroom and nothing else (210.11(C)(3))? */
  oneBathroom: answerSchema.default('unknown'),
  /** Load on it already, volt-amperes. */
  existingVa: z.number().min(0).max(20_000).default(0),
});
export type Circuit = z.infer<typeof circuitSchema>;

/** Where hot and neutral arrive: at the panel (a home run is planned), or in a box that an existing cable reaches. */
export const feedSchema = z.strictObject({
  id: feedIdSchema,
  circuit: circuitIdSchema,
  at: placeSchema,
  /** What is tapped there, as long as the existing wiring does not tell of the box (`tapOf`); of no meaning at the panel. */
  tap: z.enum(['receptacle', 'switch', 'luminaire', 'junction']).default('junction'),
  /** What a receptacle that is tapped is, as somebody has tested it: both halves, with every handle near it in both positions. */
  source: z.enum(['unknown', 'live', 'halfSwitched', 'multiwire']).default('unknown'),
  /** Which side of a ground-fault device is tapped; none where there is no such device. */
  gfciSide: z.enum(['line', 'load', 'none', 'unknown']).default('unknown'),
});
export type Feed = z.infer<typeof feedSchema>;

/** A cable that lies between two places already, as the existing wiring has it: its conductors are a limit, its price is zero. */
export interface ExistingCable extends Pick<Cable, 'id' | 'article' | 'length' | 'via'> {
  /** Whose power is on it; null while nobody has said: then it serves no circuit, and may be live from any breaker. */
  circuit: CircuitId | null;
  between: [Place, BoxId];
}

/** A run of the cabling tree. A return run leads to, or on from, the far place of a luminaire box. */
export const runSchema = z.strictObject({
  from: treePlaceSchema,
  to: treePlaceSchema,
  /** The cable that lies there and is kept for it, where several runs lead between the same two boxes. */
  by: cableIdSchema.optional(),
});
export type Run = z.infer<typeof runSchema>;

/** Groups of a box whose nets stay apart from those of its other groups: a node of the tree of their own, named by the first of them. */
export const apartSchema = z.strictObject({
  box: boxIdSchema,
  groups: z.array(groupIdSchema).min(1).max(50),
});

/**
 * The way one circuit is cabled. Chains (line end first) and the switches that get a neutral may be left out; then
 * the planner picks those that ask for the fewest conductors.
 */
export const choiceSchema = z.strictObject({
  circuit: circuitIdSchema,
  feed: feedIdSchema,
  runs: z.array(runSchema).max(200),
  chains: z.record(groupIdSchema, z.array(slotIdSchema)).optional(),
  neutralAt: z.array(slotIdSchema).optional(),
  /** Groups that stay apart from the others of their box: `{ box: door, groups: [pendants] }` makes the node `door~node.pendants`. */
  apart: z.array(apartSchema).max(200).optional(),
  /** Cables that lie there and that this way takes out of their boxes. */
  givenUp: z.array(cableIdSchema).max(500).optional(),
  /** Cables that lie there and whose conductors are not kept on what they are on, but used as though they were new. */
  anew: z.array(cableIdSchema).max(500).optional(),
  /** Room that its new boxes keep free, ten-thousandths of a cubic inch; left out: by the preferences of the job. */
  room: z.int().min(0).max(10_000_000).optional(),
});
export type Choice = z.infer<typeof choiceSchema>;

/** What is known or decided about the run between two places, whichever circuit takes it; it outlives planning again. */
export const runFactSchema = z.strictObject({
  between: z.tuple([placeSchema, placeSchema]),
  /** Measured along the run from box to box, inches. */
  length: inchesSchema.nullable().default(null),
  rule: z.enum(['forced', 'forbidden']).nullable().default(null),
  route: routeSchema.nullable().default(null),
  access: accessSchema.nullable().default(null),
  /** Drywall openings to cut and patch. */
  openings: z.int().min(0).max(50).default(0),
  /** Holes less than 1 1/4 in from the face of the framing: each gets a steel plate (300.4(A)). */
  closeHoles: z.int().min(0).max(500).default(0),
});
export type RunFact = z.infer<typeof runFactSchema>;

export const wiringDocSchema = z.strictObject({
  id: wiringIdSchema,
  kind: z.enum(['existing', 'planned', 'found', 'built']),
  /** The wiring of the job that it was made from; null where it stands for itself. */
  basedOn: wiringIdSchema.nullable().default(null),
  /** How sure each box of it is: proposed by the program as usual, partly looked at, or seen. A box not named is planned. */
  certainty: z.record(boxIdSchema, z.enum(['assumed', 'partlySeen', 'seen'])).default({}),
  /** Ends of which it is only assumed where they are, in boxes that are partly seen. */
  assumedEnds: z.array(endSchema).max(50_000).default([]),
  /** What the size of a cable was read from: its print, a gauge, or the colour of its jacket, which is a hint alone. */
  sizesFrom: z.record(cableIdSchema, z.enum(['print', 'gauge', 'jacket'])).default({}),
  /** Whose power is on each cable of what is there, as the wiring shows it or somebody told. One that is not named serves no circuit. */
  carries: z.record(cableIdSchema, circuitIdSchema).default({}),
  /** What is in boxes that are there beside what the job and this wiring show. Of a box not named nobody has told. */
  others: z.record(boxIdSchema, boxContentsSchema).default({}),
  /** Devices and luminaires that are told to be there and of which the wiring has none: nobody has said of what kind they are, or how they are wired. */
  stands: z
    .strictObject({
      slots: z.array(slotIdSchema).max(1000),
      luminaires: z.array(luminaireIdSchema).max(1000),
    })
    .prefault({ slots: [], luminaires: [] }),
  wiring: wiringSchema,
});

export type WiringDoc = z.infer<typeof wiringDocSchema>;

export const JOB_FORMAT = 14;

/** Units are written into the file, so that it reads without the program. Sizes are AWG; people read feet and inches. */
export const UNITS = {
  length: 'inches',
  volume: 'ten-thousandths of a cubic inch',
  load: 'volt-amperes',
  breaker: 'amperes',
} as const;
const unitsSchema = z.strictObject({
  length: z.literal(UNITS.length),
  volume: z.literal(UNITS.volume),
  load: z.literal(UNITS.load),
  breaker: z.literal(UNITS.breaker),
});

/** Syntax of the job file. Lengths are inches; `checkReferences` looks after ids. */
export const jobShape = z.strictObject({
  format: z.literal(JOB_FORMAT),
  units: unitsSchema,
  id: jobIdSchema,
  name: nameSchema,
  edition: editionSchema,
  /** The edition that existing work was built by; null while nobody knows, then today's judges it too. */
  existingEdition: judgedEditionSchema.nullable().default(null),
  amendments: z.array(amendmentSchema).max(200).default([]),
  preferences: preferencesSchema,
  routing: routingSchema.prefault({}),
  labour: labourSchema.prefault({}),
  stock: z.array(articleSchema).max(2000),
  levels: z.array(levelSchema).max(50).default([]),
  rooms: z.array(roomSchema).max(500),
  doors: z.array(doorSchema).max(500).default([]),
  pictures: z.array(pictureSchema).max(20).default([]),
  circuits: z.array(circuitSchema).max(100),
  feeds: z.array(feedSchema).max(200),
  boxes: z.array(boxSchema).max(500),
  slots: z.array(slotSchema).max(1000),
  luminaires: z.array(luminaireSchema).max(1000),
  groups: z.array(groupSchema).max(300),
  runFacts: z.array(runFactSchema).max(2000),
  judgement: judgementSchema.prefault({}),
  order: orderSchema.prefault({}),
  choices: z.array(choiceSchema).max(100),
  wirings: z.array(wiringDocSchema).max(21),
});
export type Job = z.infer<typeof jobShape>;

/** The planned wiring of a job, or null before anything could be planned. */
export const plannedWiring = (job: Job) => plannedDocument(job)?.wiring ?? null;

export const plannedDocument = (job: Job) => job.wirings.find((document) => document.kind === 'planned');

/** Does it lie between these two places, whichever way round? */
export const isBetween = (
  { between: [a, b] }: { between: readonly [string, string] },
  x: string,
  y: string,
): boolean => (a === x && b === y) || (a === y && b === x);

/** What is known of the run between two places, whichever way round. */
export const runFactOf = (job: Job, x: string, y: string): RunFact | undefined =>
  job.runFacts.find((fact) => isBetween(fact, x, y));

import * as z from 'zod';
import { articleSchema } from './articles.js';
import {
  articleIdSchema,
  boxIdSchema,
  circuitIdSchema,
  feedIdSchema,
  groupIdSchema,
  jobIdSchema,
  luminaireIdSchema,
  placeSchema,
  roomIdSchema,
  slotIdSchema,
  wiringIdSchema,
} from './ids.js';
import { awgSchema, inchesSchema } from './units.js';
import { wiringSchema } from './wiring.js';

/** Any Unicode, up to 200 characters, never run as markup. */
export const nameSchema = z
  .string()
  .trim()
  .min(1)
  // Characters as people count them: an emoji is one, though it is two units of a string.
  .refine((name) => [...name].length <= 200, { message: 'a name has at most 200 characters' });

/** Editions of the National Electrical Code offered for new work. */
export const EDITIONS = [2011, 2014, 2017, 2020, 2023] as const;
export const editionSchema = z.literal(EDITIONS);
export type Edition = z.infer<typeof editionSchema>;

/** An answer to what the program cannot know. "unknown" never passes silently. */
export const answerSchema = z.enum(['yes', 'no', 'unknown']);
export type Answer = z.infer<typeof answerSchema>;

export const ROOM_KINDS = [
  'habitable',
  'bathroom',
  'hallway',
  'stairway',
  'storage',
  'garage',
  'outdoors',
] as const;
export const roomKindSchema = z.enum(ROOM_KINDS);
export type RoomKind = z.infer<typeof roomKindSchema>;

export const roomSchema = z.object({
  id: roomIdSchema,
  name: nameSchema,
  kind: roomKindSchema,
  /** Is the whole floor visible from the switch locations? Asked by 404.2(C). */
  wholeFloorVisible: answerSchema,
});
export type Room = z.infer<typeof roomSchema>;

export const boxSchema = z.object({
  id: boxIdSchema,
  name: nameSchema,
  article: articleIdSchema,
  /** Can another cable be brought in later without removing finish? Asked by 404.2(C). */
  accessible: answerSchema,
});
export type Box = z.infer<typeof boxSchema>;

/** One device space of a box. S, S3 or S4 is derived from the group, never stored. */
export const slotSchema = z.object({
  id: slotIdSchema,
  box: boxIdSchema,
  gang: z.int().min(0).max(7),
  group: groupIdSchema,
});
export type Slot = z.infer<typeof slotSchema>;

export const luminaireSchema = z.object({
  id: luminaireIdSchema,
  name: nameSchema,
  box: boxIdSchema,
  group: groupIdSchema,
  /** Load in volt-amperes. */
  va: z.number().min(0.1).max(5000),
  terminals: z.enum(['leads', 'screws']),
  leadAwg: awgSchema,
  metal: z.boolean(),
});
export type Luminaire = z.infer<typeof luminaireSchema>;

/** The switches that control one set of luminaires together, and those luminaires. */
export const groupSchema = z.object({
  id: groupIdSchema,
  name: nameSchema,
  circuit: circuitIdSchema,
  room: roomIdSchema,
});
export type Group = z.infer<typeof groupSchema>;

export const circuitSchema = z.object({
  id: circuitIdSchema,
  name: nameSchema,
  /** Breaker rating in amperes. */
  breaker: z.union([z.literal(15), z.literal(20)]),
  /** Size of every new conductor of the circuit. */
  awg: z.union([z.literal(14), z.literal(12), z.literal(10)]),
});
export type Circuit = z.infer<typeof circuitSchema>;

/** Where hot and neutral arrive: at the panel (a home run is planned), or in a box that an existing cable reaches. */
export const feedSchema = z.object({ id: feedIdSchema, circuit: circuitIdSchema, at: placeSchema });
export type Feed = z.infer<typeof feedSchema>;

export const runSchema = z.object({ from: placeSchema, to: boxIdSchema });
export type Run = z.infer<typeof runSchema>;

/**
 * The way one circuit is cabled. Chains (line end first) and the switches that get a neutral may be left out; then
 * the planner picks those that ask for the fewest conductors.
 */
export const choiceSchema = z.object({
  circuit: circuitIdSchema,
  feed: feedIdSchema,
  runs: z.array(runSchema).max(200),
  chains: z.record(groupIdSchema, z.array(slotIdSchema)).optional(),
  neutralAt: z.array(slotIdSchema).optional(),
});
export type Choice = z.infer<typeof choiceSchema>;

/** A measured length between two places, in inches; it outlives planning again. */
export const runFactSchema = z.object({ between: z.tuple([placeSchema, placeSchema]), length: inchesSchema });

export const preferencesSchema = z.object({
  neutral: z.enum(['byEdition', 'everySwitch']),
  connectors: z.enum(['lever', 'pushIn', 'twistOn']),
  reidentify: z.enum(['black', 'red']),
});
export type Preferences = z.infer<typeof preferencesSchema>;

export const wiringDocSchema = z.object({
  id: wiringIdSchema,
  kind: z.enum(['existing', 'planned', 'found', 'built']),
  wiring: wiringSchema,
});

export const JOB_FORMAT = 1;

/** Units are written into the file, so that it reads without the program. Sizes are AWG; people read feet and inches. */
export const UNITS = {
  length: 'inches',
  volume: 'ten-thousandths of a cubic inch',
  load: 'volt-amperes',
  breaker: 'amperes',
} as const;
const unitsSchema = z.object({
  length: z.literal(UNITS.length),
  volume: z.literal(UNITS.volume),
  load: z.literal(UNITS.load),
  breaker: z.literal(UNITS.breaker),
});

/** Syntax of the job file, version 1. Lengths are inches; `checkReferences` looks after ids. */
export const jobShape = z.object({
  format: z.literal(JOB_FORMAT),
  units: unitsSchema,
  id: jobIdSchema,
  name: nameSchema,
  edition: editionSchema,
  preferences: preferencesSchema,
  stock: z.array(articleSchema).max(2000),
  rooms: z.array(roomSchema).max(500),
  circuits: z.array(circuitSchema).max(100),
  feeds: z.array(feedSchema).max(200),
  boxes: z.array(boxSchema).max(500),
  slots: z.array(slotSchema).max(1000),
  luminaires: z.array(luminaireSchema).max(1000),
  groups: z.array(groupSchema).max(300),
  runFacts: z.array(runFactSchema).max(2000),
  choices: z.array(choiceSchema).max(100),
  wirings: z.array(wiringDocSchema).max(20),
});
export type Job = z.infer<typeof jobShape>;

/** The planned wiring of a job, or null before anything could be planned. */
export const plannedWiring = (job: Job) =>
  job.wirings.find((document) => document.kind === 'planned')?.wiring ?? null;

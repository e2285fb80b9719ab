import * as z from 'zod';
import { judgedEditionSchema } from './editions.js';
import { isolated } from './isolated.js';
import { doorIdSchema, levelIdSchema, pictureIdSchema, roomIdSchema } from './ids.js';
import { coordinateSchema, inchesSchema } from './units.js';

/** Any Unicode, up to 200 characters, never run as markup, and never turning the sentence it stands in. */
export const nameSchema = z
  .string()
  .trim()
  .overwrite(isolated)
  .min(1)
  // Characters as people count them: an emoji is one, though it is two units of a string.
  .refine((name) => [...name].length <= 200, { message: 'a name has at most 200 characters' });

/** An answer to what the program cannot know. "unknown" never passes silently. */
export const answerSchema = z.enum(['yes', 'no', 'unknown']);
export type Answer = z.infer<typeof answerSchema>;

/** A floor of the building. `elevation` is its floor above the lowest one, inches; so is its usual ceiling above it. */
export const levelSchema = z.strictObject({
  id: levelIdSchema,
  name: nameSchema,
  elevation: coordinateSchema.default(0),
  ceiling: inchesSchema.default(96),
});
export type Level = z.infer<typeof levelSchema>;

/**
 * `living` is a living, family, recreation or like room; `habitable` any other habitable one. What is unknown is asked,
 * and taken for habitable, which is the strictest, until it is answered.
 */
export const ROOM_KINDS = [
  'habitable',
  'bedroom',
  'living',
  'dining',
  'kitchen',
  'bathroom',
  'laundry',
  'hallway',
  'stairway',
  'closet',
  'storage',
  'crawlSpace',
  'garage',
  'outdoors',
  'unknown',
] as const;
export const roomKindSchema = z.enum(ROOM_KINDS);
export type RoomKind = z.infer<typeof roomKindSchema>;

export const ROUTES = ['over', 'through', 'under'] as const;
/** Up through the plate and over the ceiling, level through the studs, or down and under the floor. */
export const routeSchema = z.enum(ROUTES);
export type Route = z.infer<typeof routeSchema>;

export const ACCESSES = ['open', 'attic', 'basement', 'fished'] as const;
/** How a cable is got to its way: open framing, from the attic, from the basement, or fished in finished walls. */
export const accessSchema = z.enum(ACCESSES);
export type Access = z.infer<typeof accessSchema>;

/**
 * How runs go in one wall, where that is known: the wall from corner `wall` of the outline to the next. Null leaves it to
 * the job.
 */
export const wallFactSchema = z.strictObject({
  wall: z.int().min(0).max(99),
  route: routeSchema.nullable().default(null),
  access: accessSchema.nullable().default(null),
});
export type WallFact = z.infer<typeof wallFactSchema>;

export const roomSchema = z.strictObject({
  id: roomIdSchema,
  name: nameSchema,
  kind: roomKindSchema,
  /** Is the whole floor visible from the switch locations? Asked by 404.2(C). */
  wholeFloorVisible: answerSchema,
  level: levelIdSchema.nullable().default(null),
  /** Corners of the floor in order, inches on the level; null while nobody has measured. */
  outline: z
    .array(z.strictObject({ x: coordinateSchema, y: coordinateSchema }))
    .min(3)
    .max(100)
    .nullable()
    .default(null),
  /** Its walls are those that an everyday place begins with: nobody has measured them, so every length in it is about so. */
  rough: z.boolean().default(false),
  /** Ceiling above the floor, inches; null for that of the level. */
  ceiling: inchesSchema.nullable().default(null),
  /** Of a stairway: risers between two levels; null while nobody has counted. */
  risers: z.int().min(0).max(40).nullable().default(null),
  /** Of a stairway: landings on its way that have an entryway. */
  landings: z.int().min(0).max(10).default(0),
  /** Is there a lighting outlet with a wall switch beside what this job plans? */
  otherLight: answerSchema.default('unknown'),
  /** Walls in which runs go another way than usual. */
  walls: z.array(wallFactSchema).max(100).default([]),
  /** The edition that existing work here was built by; null for that of the job. */
  builtBy: judgedEditionSchema.nullable().default(null),
});
export type Room = z.infer<typeof roomSchema>;

/**
 * A way into a room. The wall is the one from corner `wall` of the outline to the next; `offset` runs along it to the nearer
 * edge of the opening, inches. The latch is on the side away from the hinge.
 */
export const doorSchema = z.strictObject({
  id: doorIdSchema,
  name: nameSchema,
  room: roomIdSchema,
  wall: z.int().min(0).max(99),
  offset: inchesSchema,
  width: inchesSchema.default(32),
  /** Which edge of the opening the hinge is at, going along the wall; none is an opening without a door. */
  hinge: z.enum(['start', 'end', 'none']).default('start'),
  swings: z.enum(['in', 'out']).default('in'),
});
export type Door = z.infer<typeof doorSchema>;

/** A point of the building: x and y on its level, z above the floor of that level, inches. */
export const pointSchema = z.strictObject({ x: coordinateSchema, y: coordinateSchema, z: coordinateSchema });
export type Point = z.infer<typeof pointSchema>;

/** How runs go that say nothing of their own, and what is added to them. All assumptions of an estimated length. */
export const routingSchema = z.strictObject({
  route: routeSchema.default('over'),
  access: accessSchema.default('open'),
  /** Added to an estimated run for bends and detours, percent. */
  allowance: z.number().min(0).max(100).default(10),
  /**
   * Taken at least for a home run, and for any other run, whose length nobody knows, inches; a guess, and shown as one. It counts as long as
   * the longest of its kind that is known of its circuit, so that it never looks cheaper than one that is known.
   */
  homeRunGuess: inchesSchema.default(600),
  runGuess: inchesSchema.default(240),
  /** Conductor left at the panel, inches. */
  atPanel: inchesSchema.default(36),
  /** Where the panel stands; null while nobody has said. */
  panel: z
    .strictObject({ level: levelIdSchema.nullable().default(null), at: pointSchema })
    .nullable()
    .default(null),
});
export type Routing = z.infer<typeof routingSchema>;

/**
 * A picture of the house under the plan of a level. The file itself is kept by the server under its SHA-256; the job holds
 * where its upper left corner lies and how many inches one of its pixels is.
 */
export const pictureSchema = z.strictObject({
  id: pictureIdSchema,
  name: nameSchema,
  hash: z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 in 64 hexadecimal digits'),
  level: levelIdSchema.nullable().default(null),
  /** Pixels. */
  width: z.int().min(1).max(20_000),
  height: z.int().min(1).max(20_000),
  at: z.strictObject({ x: coordinateSchema, y: coordinateSchema }),
  inchesPerPixel: z.number().min(0.001).max(1000),
  /** How much of it shows, percent. */
  strength: z.int().min(5).max(100).default(45),
});
export type Picture = z.infer<typeof pictureSchema>;

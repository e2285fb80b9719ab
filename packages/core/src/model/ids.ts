import * as z from 'zod';

/** Longest id that is derived from those of its ends: of a splice from a box and a cable, of a cable from its places. */
export const LONGEST_DERIVED = 2000;

/**
 * Identifiers are branded so that a box cannot be handed where a slot is wanted. Random for what the user makes,
 * derived from endpoints for what the program makes, so that a ticked step survives planning again.
 */
const id = <B extends string>(_brand: B, longest = 200) =>
  z
    .string()
    .min(1)
    .max(longest)
    .regex(/^[\w.:>/~-]+$/, 'an id holds letters, digits and . : > / ~ _ - only')
    .refine((text) => text !== '__proto__', 'an id may not be __proto__; give it another name')
    .brand<B>();

/** An id made of others, kept within the length of one that people make: what is too long is told by a sum of all of it. */
export const joinedId = (text: string): string => {
  if (text.length <= 200) return text;
  let sum = 0;
  for (const sign of text) sum = (Math.imul(sum, 31) + (sign.codePointAt(0) ?? 0)) >>> 0;
  return `${text.slice(0, 180)}~${sum.toString(36)}`;
};

export const jobIdSchema = id('JobId');
export const roomIdSchema = id('RoomId');
export const levelIdSchema = id('LevelId');
export const doorIdSchema = id('DoorId');
export const pictureIdSchema = id('PictureId');
export const boxIdSchema = id('BoxId');
export const slotIdSchema = id('SlotId');
export const luminaireIdSchema = id('LuminaireId');
export const groupIdSchema = id('GroupId');
export const feedIdSchema = id('FeedId');
export const circuitIdSchema = id('CircuitId');
export const articleIdSchema = id('ArticleId');
export const wiringIdSchema = id('WiringId');
export const cableIdSchema = id('CableId', LONGEST_DERIVED);
export const deviceIdSchema = id('DeviceId', LONGEST_DERIVED);
export const jointIdSchema = id('JointId', LONGEST_DERIVED);
export const pigtailIdSchema = id('PigtailId', LONGEST_DERIVED);

export type JobId = z.infer<typeof jobIdSchema>;
export type RoomId = z.infer<typeof roomIdSchema>;
export type LevelId = z.infer<typeof levelIdSchema>;
export type DoorId = z.infer<typeof doorIdSchema>;
export type PictureId = z.infer<typeof pictureIdSchema>;
export type BoxId = z.infer<typeof boxIdSchema>;
export type SlotId = z.infer<typeof slotIdSchema>;
export type LuminaireId = z.infer<typeof luminaireIdSchema>;
export type GroupId = z.infer<typeof groupIdSchema>;
export type FeedId = z.infer<typeof feedIdSchema>;
export type CircuitId = z.infer<typeof circuitIdSchema>;
export type ArticleId = z.infer<typeof articleIdSchema>;
export type WiringId = z.infer<typeof wiringIdSchema>;
export type CableId = z.infer<typeof cableIdSchema>;
export type DeviceId = z.infer<typeof deviceIdSchema>;
export type JointId = z.infer<typeof jointIdSchema>;
export type PigtailId = z.infer<typeof pigtailIdSchema>;

/**
 * Stands for a breaker of the panel that nobody has named: what may be live from it is drawn live. It is no circuit of the
 * job, and may be landed on all the same.
 */
export const UNNAMED_BREAKER = 'breaker~unnamed' as CircuitId;

/** Stands for a place that nobody knows, at the far end of a cable that was found. It is no box of the job; what hangs there may be anything. */
export const UNKNOWN_PLACE = 'place~unknown' as BoxId;

/** The panel is a place that cables come from; it is not a box of the job. */
export const PANEL = 'panel';
export const placeSchema = z.union([z.literal(PANEL), boxIdSchema]);
export type Place = z.infer<typeof placeSchema>;

/**
 * A luminaire box that the feed enters may be two places of the cabling tree at once: a junction, and the luminaire at
 * the far end of a return run. The far place is written with this ending.
 */
const RETURN = '~return';
const returnPlaceSchema = id('ReturnPlace', LONGEST_DERIVED);
export type ReturnPlace = z.infer<typeof returnPlaceSchema>;
export const treePlaceSchema = z.union([z.literal(PANEL), boxIdSchema, returnPlaceSchema]);
/** A node of the cabling tree. */
export type TreePlace = Place | ReturnPlace;

/** Within a box that is several nodes of the tree, one for a group or a circuit of it: `door~node.pendants`. */
const NODE = '~node.';

export const isReturn = (place: TreePlace): place is ReturnPlace =>
  place.endsWith(RETURN) && !place.includes(NODE);
export const returnPlaceOf = (box: BoxId): ReturnPlace => `${box}${RETURN}` as ReturnPlace;
/** The node of a box at which the nets of a group or a circuit stay apart from the others of that box. */
export const nodePlaceOf = (box: BoxId, of: GroupId | CircuitId): TreePlace =>
  `${box}${NODE}${of}` as ReturnPlace;
/** Is it one of several nodes of a box, and not the box itself? */
export const isFarNode = (place: TreePlace): boolean => place.includes(NODE) || place.endsWith(RETURN);
/** Where a node of the tree stands. */
export const placeOfNode = (node: TreePlace): Place => {
  const at = node.indexOf(NODE);
  if (at >= 0) return node.slice(0, at) as BoxId;
  return isReturn(node) ? (node.slice(0, -RETURN.length) as BoxId) : node;
};
/** What tells a node from the others of its box; empty for the box itself. */
export const nodeEnding = (node: TreePlace): string => node.slice(placeOfNode(node).length);

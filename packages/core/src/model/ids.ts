import * as z from 'zod';

/**
 * Identifiers are branded so that a box cannot be handed where a slot is wanted. Random for what the user makes,
 * derived from endpoints for what the program makes, so that a ticked step survives planning again.
 */
const id = <B extends string>(_brand: B) =>
  z
    .string()
    .min(1)
    .max(200)
    .regex(/^[\w.:>/~-]+$/, 'an id holds letters, digits and . : > / ~ _ - only')
    .brand<B>();

export const jobIdSchema = id('JobId');
export const roomIdSchema = id('RoomId');
export const boxIdSchema = id('BoxId');
export const slotIdSchema = id('SlotId');
export const luminaireIdSchema = id('LuminaireId');
export const groupIdSchema = id('GroupId');
export const feedIdSchema = id('FeedId');
export const circuitIdSchema = id('CircuitId');
export const articleIdSchema = id('ArticleId');
export const wiringIdSchema = id('WiringId');
export const cableIdSchema = id('CableId');
export const deviceIdSchema = id('DeviceId');
export const jointIdSchema = id('JointId');
export const pigtailIdSchema = id('PigtailId');

export type JobId = z.infer<typeof jobIdSchema>;
export type RoomId = z.infer<typeof roomIdSchema>;
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

/** The panel is a place that cables come from; it is not a box of the job. */
export const PANEL = 'panel';
export const placeSchema = z.union([z.literal(PANEL), boxIdSchema]);
export type Place = z.infer<typeof placeSchema>;

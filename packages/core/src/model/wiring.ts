import * as z from 'zod';
import { colourSchema, markColourSchema } from './colours.js';
import {
  PANEL,
  UNKNOWN_PLACE,
  articleIdSchema,
  boxIdSchema,
  cableIdSchema,
  circuitIdSchema,
  deviceIdSchema,
  jointIdSchema,
  luminaireIdSchema,
  pigtailIdSchema,
  placeSchema,
  slotIdSchema,
  type ArticleId,
  type BoxId,
} from './ids.js';
import { ofId } from './records.js';
import { awgSchema, runInchesSchema } from './units.js';

/** One conductor's end at one side of its cable. Conductors have no id of their own. */
export const endSchema = z.strictObject({
  cable: cableIdSchema,
  side: z.enum(['from', 'to']),
  colour: colourSchema,
});
export type End = z.infer<typeof endSchema>;

/** Something a wire can land on. The panel's terminals are one circuit's breaker, neutral bar and ground bar. */
export const terminalSchema = z.union([
  z.strictObject({ device: deviceIdSchema, name: z.string().min(1).max(40) }),
  z.strictObject({ luminaire: luminaireIdSchema, name: z.enum(['hot', 'neutral', 'ground']) }),
  z.strictObject({ circuit: circuitIdSchema, name: z.enum(['hot', 'neutral', 'ground']) }),
  z.strictObject({ box: boxIdSchema, name: z.literal('ground') }),
]);
export type Terminal = z.infer<typeof terminalSchema>;

/** A device fitted in a box, on a slot where the job plans one. */
export const deviceSchema = z.strictObject({
  id: deviceIdSchema,
  box: boxIdSchema,
  slot: slotIdSchema.nullable(),
  article: articleIdSchema,
});
export type Device = z.infer<typeof deviceSchema>;

/** Boxes that a cable passes through unbroken; `loop` where 12 in or more of it is left there. */
export const viaSchema = z
  .array(z.strictObject({ box: boxIdSchema, loop: z.boolean() }))
  .max(20)
  .default([]);

/**
 * Length in inches along the run from box to box, what is left free in the boxes not counted; null while nobody has
 * measured it and it cannot be estimated. Guessed is what the job takes for a home run of which nothing is known.
 */
export const cableSchema = z.strictObject({
  id: cableIdSchema,
  article: articleIdSchema,
  from: placeSchema,
  to: boxIdSchema,
  length: runInchesSchema.nullable(),
  lengthSource: z.enum(['measured', 'estimated', 'guessed', 'unknown']),
  existing: z.boolean(),
  via: viaSchema,
});
export type Cable = z.infer<typeof cableSchema>;

/** A short piece of wire that does not leave the box. */
export const pigtailSchema = z.strictObject({ id: pigtailIdSchema, colour: colourSchema, awg: awgSchema });

/** A wire that a luminaire or a device brings with it: it is spliced, never landed. */
export const leadSchema = z.union([
  z.strictObject({ luminaire: luminaireIdSchema, name: z.enum(['hot', 'neutral', 'ground']) }),
  z.strictObject({ device: deviceIdSchema, name: z.string().min(1).max(40) }),
]);
export type Lead = z.infer<typeof leadSchema>;

export const memberSchema = z.union([
  z.strictObject({ end: endSchema }),
  z.strictObject({ pigtail: pigtailSchema }),
  z.strictObject({ lead: leadSchema }),
]);
export type Member = z.infer<typeof memberSchema>;

/**
 * A splice: everything in it is one conductor electrically. One member alone is a cap. Where no single connector
 * takes them all, several are chained by jumpers, and a jumper counts in both.
 */
export const jointSchema = z.strictObject({
  id: jointIdSchema,
  box: boxIdSchema,
  members: z.array(memberSchema).min(1).max(4000),
  connectors: z.array(
    z.strictObject({
      article: articleIdSchema,
      /** Indices into members. */
      members: z.array(z.int().min(0)),
      /** Ends of jumpers to neighbouring connectors of this chain. */
      jumperEnds: z.int().min(0).max(2),
    }),
  ),
});
export type Joint = z.infer<typeof jointSchema>;

/** A wire under a terminal. */
export const landingSchema = z.strictObject({
  wire: z.union([z.strictObject({ end: endSchema }), z.strictObject({ pigtail: pigtailIdSchema })]),
  terminal: terminalSchema,
});
export type Landing = z.infer<typeof landingSchema>;

/** A white re-identified as a hot at this end. */
export const markSchema = z.strictObject({ end: endSchema, colour: markColourSchema });
export type Mark = z.infer<typeof markSchema>;

/**
 * One wiring for the whole job: boxes, grounds and fill are shared. Two relations only, ends joined and ends landed;
 * nets, what is live, fill, take-off and drawings are computed from it and never stored.
 */
export const wiringSchema = z.strictObject({
  /** The articles chosen for each box: the box itself and what is put on it; none where a luminaire brings its own. */
  boxes: z.record(
    boxIdSchema,
    z.union([z.array(articleIdSchema).max(5), articleIdSchema.transform((box) => [box])]),
  ),
  devices: z.array(deviceSchema).max(1000),
  cables: z.array(cableSchema).max(25_000),
  joints: z.array(jointSchema).max(50_000),
  landings: z.array(landingSchema).max(100_000),
  marks: z.array(markSchema).max(50_000),
  /** Ends that nobody has looked at: what they are joined to is not known. Every other end without a splice or a screw is loose. */
  unseen: z.array(endSchema).max(50_000).default([]),
  /** Luminaires as fitted, by article; of one that is not here its place in the job tells what it brings. */
  luminaires: z
    .array(z.strictObject({ id: luminaireIdSchema, article: articleIdSchema }))
    .max(1000)
    .default([]),
});
export type Wiring = z.infer<typeof wiringSchema>;

/** A wiring that holds nothing. */
export const emptyWiring = (): Wiring => ({
  boxes: {},
  devices: [],
  cables: [],
  joints: [],
  landings: [],
  marks: [],
  unseen: [],
  luminaires: [],
});

/** The articles chosen for a box, the box itself first; none where none is. */
export const articlesAt = (wiring: Pick<Wiring, 'boxes'>, box: string): readonly ArticleId[] =>
  ofId(wiring.boxes, box) ?? [];

/** Text key of an end; equal for equal ends. */
export const endKey = (end: End): string => `${end.cable}|${end.side}|${end.colour}`;

/** Text key of a terminal; equal for equal terminals. */
export const terminalKey = (terminal: Terminal): string => {
  if ('device' in terminal) return `device|${terminal.device}|${terminal.name}`;
  if ('luminaire' in terminal) return `luminaire|${terminal.luminaire}|${terminal.name}`;
  if ('circuit' in terminal) return `circuit|${terminal.circuit}|${terminal.name}`;
  return `box|${terminal.box}|${terminal.name}`;
};

/** Boxes that a cable of the wiring ends in. */
export const boxesReached = (wiring: Pick<Wiring, 'cables'>): ReadonlySet<BoxId> =>
  new Set(
    wiring.cables
      .flatMap(({ from, to }) => (from === PANEL ? [to] : [from, to]))
      .filter((box) => box !== UNKNOWN_PLACE),
  );

/** The place where an end is. */
export const placeOfEnd = (cable: Cable, side: End['side']) => (side === 'from' ? cable.from : cable.to);

/** What an end of a cable is not known to be joined to: it lies where nobody knows, or nobody has looked at it. */
export const createUnknown = (wiring: Wiring): ((end: End) => boolean) => {
  const unseen = new Set(wiring.unseen.map(endKey));
  const cables = new Map(wiring.cables.map((cable) => [cable.id, cable]));
  return (end) => {
    const cable = cables.get(end.cable);
    return unseen.has(endKey(end)) || (cable !== undefined && placeOfEnd(cable, end.side) === UNKNOWN_PLACE);
  };
};

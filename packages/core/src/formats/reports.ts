import * as z from 'zod';
import { colourSchema } from '../model/colours.js';
import {
  articleIdSchema,
  boxIdSchema,
  cableIdSchema,
  circuitIdSchema,
  deviceIdSchema,
  groupIdSchema,
  luminaireIdSchema,
  placeSchema,
  slotIdSchema,
} from '../model/ids.js';
import { judgedEditionSchema, runSchema } from '../model/job.js';
import { awgSchema } from '../model/units.js';
import { endSchema, terminalSchema } from '../model/wiring.js';
import type { BoxFill } from '../nec/boxFill.js';
import type { Estimate } from '../materials/estimate.js';
import type { TruthTable } from '../proving/truthTable.js';

/** The data that the command line gives with --json, as schemas, so that other programs can rely on them. */
const count = z.int().min(0);
const money = z.int();
const inches = z.number();

const shortSchema = z.union([
  z.strictObject({ circuit: circuitIdSchema, to: z.enum(['neutral', 'ground']) }),
  z.strictObject({ circuit: circuitIdSchema, to: z.literal('otherHot'), other: circuitIdSchema }),
]);

/** `simulate`: a truth table for each group. Positions count from 0; the names of switches and loads stand beside. */
export const truthTableSchema = z.strictObject({
  group: groupIdSchema,
  switches: z.array(deviceIdSchema),
  luminaires: z.array(luminaireIdSchema),
  receptacles: z.array(slotIdSchema),
  rows: z.array(
    z.strictObject({
      positions: z.array(count),
      lights: z.array(z.enum(['lit', 'dim', 'dark', 'unknown'])),
      receptaclesLive: z.array(z.boolean()),
      receptaclesUnknown: z.array(z.boolean()),
      shorts: z.array(shortSchema),
    }),
  ),
  of: count,
}) satisfies z.ZodType<TruthTable>;

export const simulateReportSchema = z.array(truthTableSchema);

const fillSchema = z.strictObject({
  lines: z.array(
    z.strictObject({
      what: z.enum([
        'conductors',
        'passing',
        'loops',
        'canopyLeads',
        'fixtureWires',
        'clamps',
        'supportFittings',
        'devices',
        'grounds',
        'extraGrounds',
        'isolatedGrounds',
        'terminalBlocks',
      ]),
      count,
      awg: awgSchema.nullable(),
      each: count,
      total: count,
      section: z.string(),
    }),
  ),
  needed: count,
  /** Null while nobody knows which box it is; `needed` is the least of it where something is unknown. */
  available: count.nullable(),
  unknown: z.array(z.enum(['box', 'contents', 'unseen', 'unplanned'])),
  verdict: z.enum(['fits', 'over', 'unknown']),
}) satisfies z.ZodType<BoxFill>;

/** `fill`: one entry for each box, or for the worksheet. Volumes are ten-thousandths of a cubic inch. */
export const fillReportSchema = z.array(
  z.strictObject({
    ...{ id: boxIdSchema.nullable(), name: z.string(), ...fillSchema.shape },
    /** With `--smallest`: the smallest box of the stock that suits and holds it; null where there is none or that is not known. */
    smallest: z
      .strictObject({ articles: z.array(articleIdSchema), name: z.string(), volume: count, left: count })
      .nullable()
      .optional(),
  }),
);

/** `takeoff`: money in ten-thousandths of a dollar, lengths in inches, cable and wire quantities in feet. */
export const takeOffReportSchema = z.strictObject({
  takeOff: z.strictObject({
    lines: z.array(
      z.strictObject({
        kind: z.enum([
          'cable',
          'device',
          'box',
          'connector',
          'sundry',
          'plate',
          'blank',
          'staple',
          'steelPlate',
          'tape',
          'wire',
        ]),
        article: articleIdSchema.nullable(),
        name: z.string(),
        quantity: z.number().min(0),
        unit: z.enum(['each', 'foot']),
        price: money,
        total: money,
        uses: z.array(
          z.strictObject({ at: z.union([boxIdSchema, cableIdSchema]), quantity: z.number().min(0) }),
        ),
      }),
    ),
    total: money,
    unmeasured: z.array(cableIdSchema),
  }),
  cuts: z.array(
    z.strictObject({
      cable: cableIdSchema,
      article: articleIdSchema,
      name: z.string(),
      from: placeSchema,
      to: placeSchema,
      length: z
        .strictObject({ run: inches, allowance: inches, ends: inches, loops: inches, cut: inches })
        .nullable(),
      lengthSource: z.enum(['measured', 'estimated', 'guessed', 'unknown']),
      /** The same; `rough` where it is taken from a room that nobody has measured. */
      restsOn: z.enum(['measured', 'estimated', 'rough', 'guessed', 'unknown']),
      tags: z.strictObject({ from: z.string(), to: z.string() }),
      conductors: z.array(
        z.strictObject({
          colour: colourSchema,
          role: z.enum(['hot', 'neutral', 'ground', 'traveler', 'switchLeg', 'spare', 'conflict']),
          groups: z.array(z.string()),
          marked: z.boolean(),
        }),
      ),
    }),
  ),
  coils: z.array(
    z.strictObject({
      article: articleIdSchema,
      name: z.string(),
      coilFeet: count,
      coils: z.array(
        z.strictObject({
          cuts: z.array(cableIdSchema),
          used: inches,
          left: inches,
          buy: z.enum(['coil', 'feet']),
          price: money,
        }),
      ),
      proved: z.boolean(),
      price: money,
    }),
  ),
  tooLong: z.array(z.strictObject({ cable: cableIdSchema, cut: inches, coil: inches })),
  labour: z.strictObject({
    lines: z.array(
      z.strictObject({
        work: z.enum([
          'foot open',
          'foot attic',
          'foot basement',
          'foot fished',
          'run',
          'opening',
          'new box',
          'old-work box',
          'existing box',
          'splice lever',
          'splice pushIn',
          'splice twistOn',
          'splice groundingTwistOn',
          'splice crimp',
          'device',
          'luminaire',
          'above 10 ft',
        ]),
        quantity: z.number().min(0),
        each: z.number().min(0),
        minutes: z.number().min(0),
        at: z.array(z.union([boxIdSchema, cableIdSchema, luminaireIdSchema])),
        quantities: z.array(z.number().min(0)),
      }),
    ),
    minutes: z.number().min(0),
    total: money,
  }),
  cost: money,
}) satisfies z.ZodType<Estimate>;

/** `netlist`: one for each set of handle positions of the whole job; `luminaires` tells the nodes they hang between. */
export const netlistReportSchema = z.array(
  z.strictObject({
    positions: z.record(deviceIdSchema, count),
    text: z.string(),
    luminaires: z.array(z.strictObject({ id: luminaireIdSchema, hot: z.string(), neutral: z.string() })),
  }),
);

const atSchema = z.strictObject({
  circuit: z.string().optional(),
  room: z.string().optional(),
  group: z.string().optional(),
  box: z.string().optional(),
  cable: z.string().optional(),
  device: z.string().optional(),
  luminaire: z.string().optional(),
  joint: z.string().optional(),
  end: endSchema.optional(),
  terminal: terminalSchema.optional(),
  run: runSchema.optional(),
});

/** `inspect`: the findings, the worst first. */
export const findingsReportSchema = z.array(
  z.strictObject({
    kind: z.enum(['rule', 'refusal', 'question', 'local']),
    rule: z.string(),
    severity: z.enum(['violation', 'caution', 'verify', 'unfinished', 'waived']),
    section: z.string(),
    at: atSchema,
    /** The walk at which it is seen first, and the places of a check that is made on site. */
    walk: z.enum(['roughIn', 'final']),
    places: z.array(atSchema),
    title: z.string(),
    where: z.string().nullable(),
    what: z.string(),
    reason: z.string(),
    remedy: z.string(),
    questions: z.array(
      z.strictObject({
        kind: z.string(),
        of: z.string(),
        text: z.string(),
        why: z.string(),
        options: z.array(z.strictObject({ value: z.union([z.string(), z.number()]), words: z.string() })),
      }),
    ),
    actions: z.array(
      z.strictObject({ do: z.literal('takeOutRun'), circuit: circuitIdSchema, run: runSchema }),
    ),
    amendment: z.string().nullable(),
    builtBy: judgedEditionSchema.nullable(),
    /** The box that nobody has looked into, where it is so only if that is wired as is usual. */
    assumed: boxIdSchema.nullable(),
    /** The key of the finding that it most likely goes with. */
    follows: z.string().nullable(),
  }),
);

/** `compare`: the two editions, the findings that only one of them makes, and those told differently. */
export const compareReportSchema = z.strictObject({
  editions: z.tuple([judgedEditionSchema, judgedEditionSchema]),
  only: z.tuple([findingsReportSchema, findingsReportSchema]),
  changed: z.array(z.tuple([findingsReportSchema.element, findingsReportSchema.element])),
});

/** `validate`: only a valid file gets this far; the faults of another go to standard error. */
export const validateReportSchema = z.strictObject({ valid: z.literal(true), circuits: count, boxes: count });

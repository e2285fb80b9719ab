import * as z from 'zod';
import { boxIdSchema, circuitIdSchema, deviceIdSchema, luminaireIdSchema } from '../model/ids.js';

/** Handles as they are for a reading, all that matter. */
const positionsSchema = z.record(deviceIdSchema, z.int().min(0).max(20));

/** A place that a probe is put on, as the wiring names it: a conductor, a tail, a screw or a lead. */
const pointSchema = z.string().min(1).max(400);

/**
 * Something that is looked at or read.
 * - flip: with power on, the handles are set so; what does each load do?
 * - breaker: is it on?
 * - lamp: a lamp that is known to be good is put in, the handles set so that it should be lit.
 * - look: the box is opened, dead and proved so; every splice is tugged, every screw looked at, every switch tried across its screws.
 * - panel: the same at the terminals of the circuit in the panel, by an electrician.
 * - continuity: dead, loads out, in an open box, between two points.
 * - volts: live, with a two-pole tester, by an electrician, in an open box, between two points.
 * - hint: with power on, a non-contact tester at a closed luminaire, the handles set so. A hint, never a proof.
 * - hums: does a switch hum, crackle or grow warm?
 */
export const questionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('flip'), positions: positionsSchema }),
  z.strictObject({ kind: z.literal('breaker'), circuit: circuitIdSchema }),
  z.strictObject({ kind: z.literal('lamp'), luminaire: luminaireIdSchema, positions: positionsSchema }),
  z.strictObject({ kind: z.literal('look'), box: boxIdSchema }),
  z.strictObject({ kind: z.literal('panel'), circuit: circuitIdSchema }),
  z.strictObject({
    ...{ kind: z.literal('continuity'), box: boxIdSchema, a: pointSchema, b: pointSchema },
    positions: positionsSchema,
  }),
  z.strictObject({
    ...{ kind: z.literal('volts'), box: boxIdSchema, a: pointSchema, b: pointSchema },
    positions: positionsSchema,
  }),
  z.strictObject({ kind: z.literal('hint'), luminaire: luminaireIdSchema, positions: positionsSchema }),
  z.strictObject({ kind: z.literal('hums'), device: deviceIdSchema }),
]);
export type Question = z.infer<typeof questionSchema>;

export const SEEN = ['lit', 'dim', 'dark', 'flickers'] as const;
export const seenSchema = z.enum(SEEN);
/** What a load was seen to do. */
export type Seen = z.infer<typeof seenSchema>;

/** What was seen or read. `tripped`: the breaker of the circuit opened, then and there or (`later`) after a while. `cannot`: it was not possible, and is not asked again. */
export const replySchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('lights'), seen: z.record(luminaireIdSchema, seenSchema) }),
  z.strictObject({ kind: z.literal('tripped'), when: z.enum(['atOnce', 'later']).optional() }),
  z.strictObject({ kind: z.literal('is'), word: z.string().min(1).max(40) }),
  z.strictObject({ kind: z.literal('cannot') }),
]);
export type Reply = z.infer<typeof replySchema>;

export const observationSchema = z.strictObject({ question: questionSchema, answer: replySchema });
export type Observation = z.infer<typeof observationSchema>;

/** The words that answer each kind of question, but for what loads do. */
export const ANSWERS = {
  breaker: ['on', 'off'],
  lamp: ['helped', 'same'],
  look: ['asDrawn', 'other'],
  panel: ['asDrawn', 'other'],
  continuity: ['yes', 'no'],
  volts: ['120', '0', 'between'],
  hint: ['glows', 'dark'],
  hums: ['yes', 'no'],
} as const satisfies Record<Exclude<Question['kind'], 'flip'>, readonly string[]>;

/** The answer by which a fault is seen where it was looked for, to what looks at one place. */
export const SHOWS: Partial<Record<Question['kind'], string>> = {
  ...{ look: 'other', panel: 'other', lamp: 'helped', breaker: 'off' },
};

const sorted = (record: Readonly<Record<string, number>>): string =>
  Object.keys(record)
    .sort()
    .map((key) => `${key}=${record[key] ?? 0}`)
    .join(',');

/** After this the power stays off until a box was looked into: the breaker tripped, or a switch hums, crackles or grows warm. */
export const keepsOff = ({ question, answer }: Observation): boolean =>
  answer.kind === 'tripped' || (question.kind === 'hums' && answer.kind === 'is' && answer.word === 'yes');

/** Text key of a question; equal for equal ones. */
export const questionKey = (question: Question): string => {
  switch (question.kind) {
    case 'flip':
      return `flip|${sorted(question.positions)}`;
    case 'lamp':
      return `lamp|${question.luminaire}`;
    case 'breaker':
    case 'panel':
      return `${question.kind}|${question.circuit}`;
    case 'look':
      return `look|${question.box}`;
    case 'hint':
      return `hint|${question.luminaire}|${sorted(question.positions)}`;
    case 'hums':
      return `hums|${question.device}`;
    default:
      return `${question.kind}|${[question.a, question.b].sort().join('|')}|${sorted(question.positions)}`;
  }
};

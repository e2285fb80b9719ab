import * as z from 'zod';
import { colourSchema, hueOf, insulatedColourSchema } from '../model/colours.js';
import { boxIdSchema } from '../model/ids.js';

/** A cable of a box by its number: that of the strip of tape that was put on it. */
export const tapeSchema = z.strictObject({ box: boxIdSchema, number: z.int().min(1).max(40) });
export type Tape = z.infer<typeof tapeSchema>;

/**
 * What comes into a box and nobody knows: a cable with its insulated wires and what serves as its ground, or one loose conductor of a
 * raceway. Wires that look alike have a number of their own, for this end alone.
 */
export const stubSchema = z.strictObject({
  ...tapeSchema.shape,
  wires: z
    .array(insulatedColourSchema)
    .min(1)
    .max(12)
    .refine((wires) => new Set(wires).size === wires.length, {
      message: 'two wires of a cable have the same name; number them, as in black and black-2',
    }),
  ground: z.enum(['bare', 'green', 'raceway', 'none']),
  loose: z.boolean(),
});
export type Stub = z.infer<typeof stubSchema>;

/** All that comes into the boxes that are open, every end parted from every other. */
export const wiresFoundSchema = z.strictObject({
  stubs: z
    .array(stubSchema)
    .min(1)
    .max(200)
    .refine((stubs) => new Set(stubs.map(tapeKey)).size === stubs.length, {
      message: 'two cables of a box have the same number',
    })
    .refine((stubs) => stubs.every(({ loose, wires }) => !loose || wires.length === 1), {
      message: 'a loose conductor is one wire; tell each of a raceway by itself',
    }),
});
export type WiresFound = z.infer<typeof wiresFoundSchema>;

/** A wire that runs along the floor from box to box, for conductors that have no ground with them. */
export const LAID = 'laid' as const;
export const pointSchema = z.union([colourSchema, z.literal(LAID)]);
export type WirePoint = z.infer<typeof pointSchema>;

/** Two wires of one cable that are joined, or that the tester is put on. */
export const pairSchema = z.tuple([pointSchema, pointSchema]);
export type Pair = z.infer<typeof pairSchema>;

/** Where two wires of a cable are joined by a link. */
export const linkSchema = z.strictObject({ number: tapeSchema.shape.number, pair: pairSchema });
export type Link = z.infer<typeof linkSchema>;

/**
 * Something that is read.
 * - rest: dead, in one box, no link anywhere: which pairs of each cable show continuity by themselves?
 * - far: dead, links on in one box: which of those pairs shows at a cable of another box?
 * - alike: dead, two ends of one cable are known: which of the wires that look alike is the one that the link is on?
 * - panel: dead, breaker off: does the wire of its breaker show continuity to the ground bar, with a link on at a box, or before there is one?
 * - live: ends apart in connectors with a test opening, breaker on: which wires of a cable read voltage to ground?
 */
export const wireQuestionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rest'), box: boxIdSchema }),
  z.strictObject({
    ...{ kind: z.literal('far'), box: boxIdSchema, links: z.array(linkSchema).min(1).max(40) },
    at: tapeSchema,
  }),
  z.strictObject({
    ...{ kind: z.literal('alike'), link: tapeSchema, pair: pairSchema, at: tapeSchema },
    among: z.array(insulatedColourSchema).min(2).max(12),
  }),
  z.strictObject({ kind: z.literal('panel'), link: tapeSchema.nullable(), pair: pairSchema.nullable() }),
  z.strictObject({ kind: z.literal('live'), at: tapeSchema }),
]);
export type WireQuestion = z.infer<typeof wireQuestionSchema>;

/** What was read: pairs by the number of their cable, one pair or none, one wire or none, yes or no, the wires that are live. */
export const wireReplySchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('pairs'), shown: z.array(linkSchema).max(400) }),
  z.strictObject({ kind: z.literal('pair'), pair: pairSchema.nullable() }),
  z.strictObject({ kind: z.literal('wire'), wire: insulatedColourSchema.nullable() }),
  z.strictObject({ kind: z.literal('shows'), shows: z.boolean() }),
  z.strictObject({ kind: z.literal('hot'), wires: z.array(insulatedColourSchema).max(12) }),
  z.strictObject({ kind: z.literal('cannot') }),
]);
export type WireReply = z.infer<typeof wireReplySchema>;

export const wireReadingSchema = z.strictObject({ question: wireQuestionSchema, answer: wireReplySchema });
export type WireReading = z.infer<typeof wireReadingSchema>;

/** Where links are on for a reading; null where there are none. */
export const linksOf = (question: WireQuestion): { box: Tape['box']; links: readonly Link[] } | null => {
  switch (question.kind) {
    case 'far':
      return { box: question.box, links: question.links };
    case 'alike':
      return { box: question.link.box, links: [{ number: question.link.number, pair: question.pair }] };
    case 'panel':
      return question.link && question.pair
        ? { box: question.link.box, links: [{ number: question.link.number, pair: question.pair }] }
        : null;
    default:
      return null;
  }
};

/** Text key of a cable of a box. */
export const tapeKey = ({ box, number }: Tape): string => `${box}#${number}`;

export const findStub = ({ stubs }: WiresFound, tape: Tape): Stub | undefined =>
  stubs.find((one) => one.box === tape.box && one.number === tape.number);

/** The conductor of a cable that serves as its ground; null where it has none. */
export const groundWire = ({ ground }: Pick<Stub, 'ground'>): WirePoint | null =>
  ground === 'none' ? null : ground;

/** What one sees of a wire, numbers left out: alike ones are numbered at each end for itself. */
const sightOf = (stub: Pick<Stub, 'ground'>, point: WirePoint): string => {
  if (point === LAID) return LAID;
  return point === groundWire(stub) ? 'ground' : hueOf(point);
};

/** The wire of the other end of a cable that looks like one of this end, where only one does; a wire laid along is the same at both. */
export const sameAt = (stub: Stub, point: WirePoint, other: Stub): WirePoint | null => {
  if (point === LAID) return LAID;
  const sight = sightOf(stub, point);
  const ground = groundWire(other);
  const points = [...other.wires, ...(ground === null ? [] : [ground])].filter(
    (one) => sightOf(other, one) === sight,
  );
  return points.length === 1 ? (points[0] ?? null) : null;
};

/** A pair by what one sees of it: the same at both ends of a cable. */
export const patternOf = (stub: Pick<Stub, 'ground'>, [a, b]: Pair): string =>
  [sightOf(stub, a), sightOf(stub, b)].sort().join(' to ');

/** What both ends of one cable have in common: its wires as they are seen. */
export const kindOf = ({ wires, ground, loose }: Stub): string =>
  loose ? `loose ${wires.map(hueOf).join()}` : `${wires.map(hueOf).sort().join()} ${ground}`;

/** Every pair of a cable that a link can join, or the tester be put on. */
export const allPairsOf = (stub: Stub): Pair[] => {
  const ground = groundWire(stub);
  const points: WirePoint[] = [...stub.wires, ...(ground === null ? [] : [ground])];
  // One wire alone shows nothing by itself: a wire laid from box to box is the way back.
  if (stub.loose || points.length === 1) return stub.wires.map((wire): Pair => [wire, LAID]);
  return points.flatMap((a, i) => points.slice(i + 1).map((b): Pair => [a, b]));
};

/**
 * The pairs of a cable that a link can join, each seen as no other. First those of a wire that has its like with one that has none: where it
 * shows at the other end, the two that look alike are told apart as well.
 */
export const pairsOf = (stub: Stub): Pair[] => {
  const hasLike = (point: WirePoint) =>
    stub.wires.some(
      (wire) =>
        wire !== point && point !== groundWire(stub) && point !== LAID && hueOf(wire) === hueOf(point),
    );
  const seen = new Set<string>();
  const pairs = allPairsOf(stub).filter((pair) => {
    const pattern = patternOf(stub, pair);
    if (seen.has(pattern)) return false;
    seen.add(pattern);
    return true;
  });
  const tells = ([a, b]: Pair) => hasLike(a) !== hasLike(b);
  return [...pairs.filter(tells), ...pairs.filter((pair) => !tells(pair))];
};

/** The pairs of a cable that may show continuity by themselves. A loose conductor has none but to the raceway it is in. */
export const restPairsOf = (stub: Stub): Pair[] => {
  const ground = groundWire(stub);
  if (!stub.loose) return stub.wires.length === 1 && ground === null ? [] : allPairsOf(stub);
  return ground === null ? [] : stub.wires.map((wire): Pair => [wire, ground]);
};

import * as z from 'zod';
import { WALKS } from '../code/rule.js';
import { observationSchema } from '../diagnosis/question.js';
import { wireReadingSchema, wiresFoundSchema } from '../identify/found.js';
import { articleIdSchema, LONGEST_DERIVED, wiringIdSchema } from '../model/ids.js';

/** Longest id of a fact: made of those of a box and of what is spliced there. */
const LONGEST_FACT = LONGEST_DERIVED + 1000;

/** Names a record, so that one that comes twice is kept once. */
export const recordIdSchema = z.string().min(1).max(100);

/** What a record is about. */
export const ABOUT_KINDS = ['job', 'circuit', 'group', 'box', 'cable', 'article', 'fact', 'room'] as const;

export const aboutSchema = z.strictObject({
  kind: z.enum(ABOUT_KINDS),
  /** Id of it; of a fact of a wiring, the id that its step has. */
  id: z.string().min(1).max(LONGEST_FACT),
  /** The wiring that holds it; null where it is in none, or where that was not told. */
  wiring: wiringIdSchema.nullable().default(null),
  /** The revision of the job on the screen then, and the sum of what it is about: what changed since falls open. Null: not told. */
  revision: z.int().min(1).nullable().default(null),
  hash: z
    .string()
    .regex(/^[0-9a-f]{16}$/)
    .nullable()
    .default(null),
});
export type About = z.infer<typeof aboutSchema>;

interface RecordKind {
  /** What such a record may be about. */
  about: readonly (typeof ABOUT_KINDS)[number][];
  /** By version of the body, from 1 on; what is kept is never rewritten, so old ones stay. */
  bodies: readonly [z.ZodType, ...z.ZodType[]];
}

const text = (most: number) => z.string().trim().min(1).max(most);
const inches = z.number().min(0).max(24_000);

/** What it takes off the truck of the shop, feet or pieces; less than nothing puts it on. Null where the shop does not keep count so. */
const drawsSchema = z
  .strictObject({ article: articleIdSchema, amount: z.number().min(-1e6).max(1e6) })
  .nullable()
  .default(null);

const part = z.number().min(0).max(1);
export const wallPointSchema = z.strictObject({ x: part, y: part, along: inches, height: inches });
export type WallPoint = z.infer<typeof wallPointSchema>;

/**
 * What can be put on record. A new kind is a line here: server, page and table take it as it is.
 * Units: lengths in inches, volts, amperes, ohms.
 */
export const RECORD_KINDS = {
  /** A step that is done. */
  tick: { about: ['fact'], bodies: [z.strictObject({})] },
  /** Another record was wrong, or does not hold any more. */
  retraction: { about: ['job'], bodies: [z.strictObject({ why: z.string().max(500).default('') })] },
  note: { about: ABOUT_KINDS, bodies: [z.strictObject({ text: text(4000) })] },
  /** Somebody looked into it. */
  seen: {
    about: ['box', 'cable', 'fact'],
    bodies: [z.strictObject({ what: z.string().max(500).default('') })],
  },
  /** A figure read off a meter, between two points in words. */
  reading: {
    about: ['box', 'cable', 'fact'],
    bodies: [
      z.strictObject({
        from: text(200),
        to: text(200),
        value: z.number().min(-1e6).max(1e6),
        unit: z.enum(['V', 'A', 'ohm']),
        live: z.boolean(),
      }),
    ],
  },
  /** One move of a test sheet, and whether what came was expected. */
  testStep: {
    about: ['group', 'fact'],
    bodies: [z.strictObject({ expected: text(200), met: z.boolean(), saw: z.string().max(200).default('') })],
  },
  /** What was seen or read while a fault of a circuit was looked for, and the same in words. */
  observed: {
    about: ['circuit'],
    bodies: [z.strictObject({ seen: observationSchema, words: text(4000) })],
  },
  /** Boxes of a circuit were opened whose wires nobody knows, every end parted: what comes in. What was read before is done with. */
  wiresOpened: { about: ['circuit'], bodies: [z.strictObject({ found: wiresFoundSchema })] },
  /** A reading by which wires are told, and the same in words. */
  wireRead: {
    about: ['circuit'],
    bodies: [z.strictObject({ reading: wireReadingSchema, words: text(4000) })],
  },
  /** A fault of a circuit was found and mended. */
  mended: { about: ['circuit'], bodies: [z.strictObject({ where: text(500), what: text(4000) })] },
  signOff: {
    about: ['job', 'circuit'],
    bodies: [z.strictObject({ stage: z.enum(['roughIn', 'final', 'asBuilt']), initials: text(20) })],
  },
  /** A photograph that is kept by the SHA-256 of its bytes. */
  photo: {
    about: ABOUT_KINDS,
    bodies: [
      z.strictObject({ hash: z.string().regex(/^[0-9a-f]{64}$/), words: z.string().max(500).default('') }),
    ],
  },
  /** The permit of the job, as it was given. */
  permit: {
    about: ['job'],
    bodies: [z.strictObject({ number: text(60), authority: z.string().max(200).default('') })],
  },
  /** An inspection that was asked for or held, on a day (YYYY-MM-DD), and what the inspector said. */
  inspection: {
    about: ['job'],
    bodies: [
      z.strictObject({
        walk: z.enum(WALKS),
        state: z.enum(['asked', 'held']),
        on: z.iso.date(),
        note: z.string().max(2000).default(''),
      }),
    ],
  },
  /** What the inspector asked to be put right. */
  correction: {
    about: ['job', 'circuit', 'box', 'cable'],
    bodies: [z.strictObject({ walk: z.enum(WALKS), text: text(1000) })],
  },
  /** A correction was put right: about the record of it. */
  cleared: { about: ['fact'], bodies: [z.strictObject({ how: z.string().max(1000).default('') })] },
  /**
   * A photograph of a wall of a room, and where four points of it lie that the plan knows: in the picture as parts of its width and
   * height from its upper left corner, on the wall in inches from its left end, as seen from the room, and above the floor.
   */
  wallPhoto: {
    about: ['room'],
    bodies: [
      z.strictObject({
        hash: z.string().regex(/^[0-9a-f]{64}$/),
        words: z.string().max(500).default(''),
        wall: z.int().min(0).max(500),
        points: z.array(wallPointSchema).length(4),
      }),
    ],
  },
  cut: { about: ['cable'], bodies: [z.strictObject({ length: inches })] },
  pulled: {
    about: ['cable'],
    bodies: [z.strictObject({ length: inches.nullable().default(null), draws: drawsSchema })],
  },
  fitted: {
    about: ['box', 'fact'],
    bodies: [z.strictObject({ article: z.string().max(200).nullable().default(null), draws: drawsSchema })],
  },
  delivered: {
    about: ['article'],
    bodies: [z.strictObject({ count: z.number().min(0).max(1e6), draws: drawsSchema })],
  },
} as const satisfies Record<string, RecordKind>;

export type RecordKindName = keyof typeof RECORD_KINDS;
const names = Object.keys(RECORD_KINDS) as [RecordKindName, ...RecordKindName[]];

/**
 * Something that happened on site. Records are added and never changed; one may take back another by `retracts`. `at` is when it
 * happened by the clock of whoever made it, `by` their name or initials, empty where nobody said.
 */
export const siteRecordSchema = z
  .strictObject({
    id: recordIdSchema,
    kind: z.enum(names),
    version: z.int().min(1).default(1),
    about: aboutSchema,
    body: z.record(z.string(), z.unknown()),
    retracts: recordIdSchema.nullable().default(null),
    by: z.string().max(60).default(''),
    /** What the device is called on which it was made, as the server says; left out on the machine itself. */
    device: z.string().max(60).optional(),
    at: z.iso.datetime(),
  })
  .superRefine((record, context) => {
    const kind: RecordKind = RECORD_KINDS[record.kind];
    const refuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    if (!kind.about.includes(record.about.kind))
      refuse(
        ['about', 'kind'],
        `a ${record.kind} is about a ${kind.about.join(' or ')}, not a ${record.about.kind}`,
      );
    if ((record.kind === 'retraction') !== (record.retracts !== null))
      refuse(['retracts'], 'a retraction names the record that it takes back, and no other kind does');
    const body = kind.bodies[record.version - 1];
    if (!body) {
      refuse(['version'], `a ${record.kind} has versions 1 to ${kind.bodies.length}`);
      return;
    }
    for (const issue of body.safeParse(record.body).error?.issues ?? [])
      refuse(['body', ...(issue.path as (string | number)[])], issue.message);
  });
export type SiteRecord = z.infer<typeof siteRecordSchema>;

/** What a record takes off the truck of the shop; null where it takes nothing, or is of a kind that never does. */
export const drawsOf = ({ body }: Pick<SiteRecord, 'body'>): z.infer<typeof drawsSchema> =>
  drawsSchema.parse(body['draws']);

/** Those that nobody has taken back, in their order. A retraction that was itself taken back takes nothing back. */
export const liveRecords = (records: readonly SiteRecord[]): SiteRecord[] => {
  const gone = new Set<string>();
  // A later retraction is heard first: it may undo an earlier one.
  for (const record of [...records].reverse())
    if (record.retracts !== null && !gone.has(record.id)) gone.add(record.retracts);
  return records.filter((one) => !gone.has(one.id) && one.kind !== 'retraction');
};

/** A wiring whose steps are ticked. */
export interface Ticked {
  id: string;
  planned: boolean;
}

/** Is a tick about a fact of this wiring? */
export const isOf = ({ wiring }: About, { id, planned }: Ticked): boolean =>
  wiring === null ? planned : wiring === id;

/** How a fact stands: ticked as it is now, ticked before it changed, or not at all. */
export type TickState = 'done' | 'changed' | 'open';

/**
 * How facts of a wiring stand by the ticks on record. A tick that does not say of which wiring is of the planned one, as those of before
 * all were; and one that does not say what it saw holds for its fact whatever that became.
 */
export const tickStates = (
  records: readonly SiteRecord[],
  wiring: Ticked,
): ((fact: { id: string; hash: string }) => TickState) => {
  const seen = new Map<string, Set<string | null>>();
  for (const { kind, about } of liveRecords(records)) {
    if (kind !== 'tick' || !isOf(about, wiring)) continue;
    const known = seen.get(about.id);
    if (known) known.add(about.hash);
    else seen.set(about.id, new Set([about.hash]));
  }
  return ({ id, hash }) => {
    const hashes = seen.get(id);
    if (!hashes) return 'open';
    return hashes.has(null) || hashes.has(hash) ? 'done' : 'changed';
  };
};

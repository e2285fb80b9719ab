import * as z from 'zod';
import { articleSchema } from '../model/articles.js';
import type { Job } from '../model/job.js';
import { articleIdSchema, jobIdSchema } from '../model/ids.js';
import { shopDefaultsSchema } from '../model/shopDefaults.js';
import { judgementSchema } from '../model/judgement.js';
import { labourSchema } from '../model/labour.js';
import { readJob } from '../formats/jobFile.js';
import { jobSummarySchema } from '../review/summarySchema.js';
import { learnerSchema, practisedSchema } from './practised.js';
import { recordIdSchema, siteRecordSchema } from './record.js';

/** Why the server refuses, by a word that a program can go by. */
export const PROBLEM_CODES = [
  'missing',
  'bad-request',
  'bad-job',
  'bad-record',
  'wrong-id',
  'id-taken',
  'newer-revision',
  'not-json',
  'not-text',
  'not-a-picture',
  'not-a-file',
  'too-large',
  'too-many',
  'busy',
  'no-access',
  'wrong-code',
  'field-view',
  'foreign-host',
  'foreign-origin',
  'database-down',
  'disk-full',
  'internal',
] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

/** The answer keeps what was read: a document that this program cannot read is told by path, and is no answer. */
const documentSchema = z.unknown().transform((document, context): Job => {
  const read = readJob(document);
  if (read.ok) return read.job;
  for (const { path, message } of read.faults)
    context.addIssue({ code: 'custom', path: path.split('.'), message });
  return z.NEVER;
});

const revisionSchema = z.int().min(1);
/** Who made something, and when: initials and what the device is called, empty where nobody told any or it was the machine itself. */
export const madeBySchema = z.object({ at: z.iso.datetime(), by: z.string(), device: z.string() });
export type MadeBy = z.infer<typeof madeBySchema>;

export const storedJobSchema = z.object({
  revision: revisionSchema,
  document: documentSchema,
  /** Left out of a copy that nobody has saved yet. */
  made: madeBySchema.optional(),
});
export type StoredJob = z.output<typeof storedJobSchema>;

export const faultSchema = z.object({ path: z.string(), message: z.string() });

/** The one shape of an error: code for programs, message for people, path into what was sent. */
export const problemSchema = z.object({
  code: z.enum(PROBLEM_CODES),
  message: z.string(),
  path: z.string(),
  /** All that is wrong with a document; the first leads. */
  faults: z.array(faultSchema).optional(),
});
export type Problem = z.infer<typeof problemSchema>;

/** What comes with `newer-revision`: the job as somebody else saved it. */
export const newerRevisionSchema = z.object({ current: storedJobSchema });

/** The most jobs that one page of the list has. */
export const LIST_MOST = 100;

/** Which jobs are asked for, as a query: from which on, how many, and of those that hold these words. */
export const listQuerySchema = z.object({
  search: z.string().trim().max(200).default(''),
  from: z.coerce.number().int().min(0).max(1_000_000).default(0),
  count: z.coerce.number().int().min(1).max(LIST_MOST).default(LIST_MOST),
});
export type ListQuery = z.output<typeof listQuerySchema>;

/** What a list shows of a job. No summary: this program cannot read what is stored. */
export const jobHeadSchema = z.object({
  id: jobIdSchema,
  name: z.string(),
  revision: revisionSchema,
  updatedAt: z.iso.datetime(),
  summary: jobSummarySchema.nullable(),
  /** The summary is being worked out: it was saved a moment ago. */
  pending: z.boolean(),
});
export type JobHead = z.infer<typeof jobHeadSchema>;

/** A job that was deleted, and when: it can be brought back for a while. */
export const deletedJobSchema = z.object({
  id: jobIdSchema,
  name: z.string(),
  revision: revisionSchema,
  deletedAt: z.iso.datetime(),
});
export type DeletedJob = z.infer<typeof deletedJobSchema>;

/** Days for which a deleted job, or a save that lost, can be found. */
export const DAYS_FOUND = 90;

/** Somebody who has a job open: the page, the browser it is open in, and what whoever sits there is called. */
export const presentSchema = z.object({
  editor: z.string().min(1).max(60),
  browser: z.string().max(60),
  /** Initials; empty where nobody said any. */
  called: z.string().max(60),
});
export type Present = z.infer<typeof presentSchema>;

/** What becomes of a job that is open, told as it stands each time something of it changes. */
export const jobNewsSchema = z.object({
  /** Null of a job that is not there. */
  revision: revisionSchema.nullable(),
  /** It was deleted. */
  gone: z.boolean(),
  /** Grows with each record that comes. */
  records: z.int().min(0),
  others: z.array(presentSchema),
});
export type JobNews = z.infer<typeof jobNewsSchema>;

/** Names a save, so that it is known when it comes twice. */
const saveIdSchema = z.string().min(1).max(100);
const madeSchema = z.object({ id: jobIdSchema, revision: revisionSchema });
const idSchema = z.object({ id: jobIdSchema });

export const revisionHeadSchema = z.object({
  saveId: saveIdSchema,
  /** Null of a save that lost. */
  revision: revisionSchema.nullable(),
  parent: z.int().min(0),
  savedAt: z.iso.datetime(),
  /** What somebody called it: it is kept for good. */
  name: z.string().nullable(),
  /** Initials of whoever saved it, and the device; empty where that was not told, or it was the machine itself. */
  by: z.string(),
  device: z.string(),
});
export type RevisionHead = z.infer<typeof revisionHeadSchema>;

export const catalogSchema = z.object({
  articles: z.array(articleSchema),
  labour: labourSchema,
  judgement: judgementSchema,
  defaults: shopDefaultsSchema,
});
export type Catalog = z.infer<typeof catalogSchema>;

/** A price of the catalog that was changed, ten-thousandths of a dollar. */
export const priceChangeSchema = z.object({
  article: articleIdSchema,
  before: z.int(),
  after: z.int(),
  at: z.iso.datetime(),
});
export type PriceChange = z.infer<typeof priceChangeSchema>;

/** So much of an article is on the truck: feet of cable and wire, pieces of the rest. */
export const onTruckSchema = z.object({ article: articleIdSchema, amount: z.number() });
export type OnTruck = z.infer<typeof onTruckSchema>;

/** What became of a job that came in from elsewhere: see `outcome`. */
export const takenInSchema = z.object({
  id: jobIdSchema,
  /**
   * new: it was not here. same: nothing of it was otherwise. newer: nothing was changed here meanwhile. merged: changed here and there, in different things.
   * clash: in the same; what came is among the saves. apart: nothing tells what both grew from.
   */
  outcome: z.enum(['new', 'same', 'newer', 'merged', 'clash', 'apart']),
  /** What both changed otherwise, in words of each. */
  clashes: z.array(z.object({ mine: z.array(z.string()), theirs: z.array(z.string()) })),
  /** So many records and pictures are here that were not. */
  records: z.int().min(0),
  pictures: z.int().min(0),
});
export type TakenIn = z.infer<typeof takenInSchema>;

/** full: as on the machine itself. field: reads all, ticks, records and photographs, and changes nothing else. */
export const accessRoleSchema = z.enum(['full', 'field']);
export type AccessRole = z.infer<typeof accessRoleSchema>;

/** A tablet or telephone that was let in. */
export const pairedDeviceSchema = z.object({
  id: z.string(),
  name: z.string(),
  role: accessRoleSchema,
  pairedAt: z.iso.datetime(),
  seenAt: z.iso.datetime(),
});
export type PairedDevice = z.infer<typeof pairedDeviceSchema>;

/** Somebody who practises, and when it was last. */
export const learnerHeadSchema = z.object({ name: learnerSchema, lastAt: z.iso.datetime() });
export type LearnerHead = z.infer<typeof learnerHeadSchema>;

/** Who asks: what the device is called, null of the machine itself; and what it may do, null where it was not let in. */
export const meSchema = z.object({
  /** The program was started so that others may be let in. */
  shared: z.boolean(),
  device: z.string().nullable(),
  role: accessRoleSchema.nullable(),
  /** There is a certificate that a device has to trust. */
  certificate: z.boolean(),
});
export type Me = z.infer<typeof meSchema>;

/** One thing that can be asked of the server. `:id` of a path is the id of a job. */
export interface Endpoint<
  Request extends z.ZodType | null = z.ZodType | null,
  Answer extends z.ZodType = z.ZodType,
> {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  path: string;
  /** The body as JSON; null where there is none, or where it is no JSON. */
  request: Request;
  answer: Answer;
}

const endpoint = <Request extends z.ZodType | null, Answer extends z.ZodType>(
  method: Endpoint['method'],
  path: string,
  request: Request,
  answer: Answer,
): Endpoint<Request, Answer> => ({ method, path, request, answer });

/** The document of a request is the core's to judge, fault by fault, so the envelope takes it as it comes. */
const sentDocument = z.unknown();

/** All that server and page say to each other, but for files and pictures. Paths are below `/api`. */
export const CONTRACT = {
  health: endpoint('GET', '/health', null, z.object({ ok: z.literal(true), database: z.string() })),
  me: endpoint('GET', '/access/me', null, meSchema),
  /** Lets this device in by the code that was printed; it is known by a cookie from then on. */
  pair: endpoint(
    'POST',
    '/access/pair',
    z.object({ code: z.string().min(1).max(40), name: z.string().trim().min(1).max(60) }),
    z.object({ name: z.string(), role: accessRoleSchema }),
  ),
  devices: endpoint('GET', '/access/devices', null, z.object({ devices: z.array(pairedDeviceSchema) })),
  putOut: endpoint('DELETE', '/access/devices/:device', null, z.object({ ok: z.literal(true) })),
  catalog: endpoint('GET', '/catalog', null, catalogSchema),
  /** Articles of the catalog put in or changed, all of them or none; one that is no more to be had stays, and says so. */
  putArticles: endpoint(
    'PUT',
    '/catalog/articles',
    z.object({ articles: z.array(articleSchema).min(1).max(5_000) }),
    z.object({ changed: z.int().min(0) }),
  ),
  putUnits: endpoint(
    'PUT',
    '/catalog/units',
    z.object({ labour: labourSchema, judgement: judgementSchema, defaults: shopDefaultsSchema }),
    z.object({ ok: z.literal(true) }),
  ),
  /** Prices that were changed, the newest first. */
  priceHistory: endpoint('GET', '/catalog/history', null, z.object({ changes: z.array(priceChangeSchema) })),
  truck: endpoint('GET', '/catalog/truck', null, z.object({ amounts: z.array(onTruckSchema) })),
  /** So much more of an article is on the truck, or less. Named, so that one that comes twice is heard once. */
  moveTruck: endpoint(
    'POST',
    '/catalog/truck',
    z.object({
      id: z.string().min(1).max(100),
      article: articleIdSchema,
      amount: z.number().min(-1e6).max(1e6),
    }),
    z.object({ ok: z.literal(true) }),
  ),
  /** A page of the jobs, the last changed first, as `listQuerySchema` asks; and how many there are in all. */
  jobs: endpoint('GET', '/jobs', null, z.object({ jobs: z.array(jobHeadSchema), total: z.int().min(0) })),
  makeJob: endpoint('POST', '/jobs', z.object({ saveId: saveIdSchema, document: sentDocument }), madeSchema),
  /** The text of a job file as text/plain. */
  importJob: endpoint('POST', '/jobs/import', null, madeSchema),
  /** A job with its pictures and records as application/zip, from whoever had it; what is here already is put together with it. */
  takeIn: endpoint('POST', '/shared-jobs', null, takenInSchema),
  openJob: endpoint('GET', '/jobs/:id', null, storedJobSchema),
  saveJob: endpoint(
    'PUT',
    '/jobs/:id',
    z.object({
      saveId: saveIdSchema,
      parent: revisionSchema,
      document: sentDocument,
      /** Initials of whoever saves; empty where nobody said any. */
      by: z.string().trim().max(60).default(''),
    }),
    madeSchema,
  ),
  deleteJob: endpoint('DELETE', '/jobs/:id', null, idSchema),
  restoreJob: endpoint('POST', '/jobs/:id/restore', null, idSchema),
  duplicateJob: endpoint('POST', '/jobs/:id/duplicate', null, madeSchema),
  revisions: endpoint(
    'GET',
    '/jobs/:id/revisions',
    null,
    z.object({ revisions: z.array(revisionHeadSchema) }),
  ),
  /** The document of any save, by its id: those that lost have no revision. */
  openSave: endpoint('GET', '/jobs/:id/saves/:save', null, z.object({ document: documentSchema })),
  nameSave: endpoint(
    'PUT',
    '/jobs/:id/saves/:save/name',
    z.object({ name: z.string().trim().max(200) }),
    z.object({ ok: z.literal(true) }),
  ),
  deletedJobs: endpoint('GET', '/deleted-jobs', null, z.object({ jobs: z.array(deletedJobSchema) })),
  openRevision: endpoint('GET', '/jobs/:id/revisions/:revision', null, storedJobSchema),
  records: endpoint('GET', '/jobs/:id/records', null, z.object({ records: z.array(siteRecordSchema) })),
  addRecord: endpoint('POST', '/jobs/:id/records', siteRecordSchema, z.object({ id: recordIdSchema })),
  /** Who practises here, whoever did last first. */
  learners: endpoint('GET', '/practice/learners', null, z.object({ learners: z.array(learnerHeadSchema) })),
  /** What somebody has practised, in the order in which it came; of a name that nobody has, nothing. */
  practised: endpoint(
    'GET',
    '/practice/learners/:learner',
    null,
    z.object({ practised: z.array(practisedSchema) }),
  ),
  addPractised: endpoint('POST', '/practice', practisedSchema, z.object({ id: recordIdSchema })),
  keepPicture: endpoint('POST', '/pictures', null, z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/) })),
} as const;
export type EndpointName = keyof typeof CONTRACT;

/** Where an endpoint is asked: its path with the ids in it, each written so that it stays one part. */
export const pathOf = (
  { path }: Pick<Endpoint, 'path'>,
  ids: Readonly<Record<string, string | number>> = {},
): string =>
  path.replace(/:(\w+)/g, (_all, name: string) => {
    const id = ids[name];
    if (id === undefined) throw new Error(`The path ${path} needs ${name}.`);
    return encodeURIComponent(id);
  });

/** Where the file of a job is, and a picture: for links, which the browser follows by itself; and what becomes of a job, as events that the server sends. */
export const FILE_PATHS = {
  job: '/jobs/:id/file',
  shared: '/jobs/:id/shared',
  picture: '/pictures/:hash',
  events: '/jobs/:id/events',
  certificate: '/access/certificate',
} as const;

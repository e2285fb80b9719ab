import { EntitySchema } from 'typeorm';
import type { AccessRole } from '@amber/core';

/** Compared byte for byte. */
const exact = { type: 'varchar', collation: 'utf8mb4_nopad_bin' } as const;

/** The head of a job: which revision is current, and what a list shows of it. */
export interface JobRow {
  id: string;
  name: string;
  revision: number;
  /** JSON of JobSummary, so that the list need not open every document; and the revision that it is of. */
  summary: string;
  summaryOf: number | null;
  /** What it can be found by; null of a job that was stored before there was a search. */
  words: string | null;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
}

/** Every save ever acknowledged, and every save that lost; those have no revision of their own. */
export interface RevisionRow {
  id: number;
  jobId: string;
  revision: number | null;
  parent: number;
  saveId: string;
  /** The job file, gzip. */
  document: Buffer;
  savedAt: Date;
  /** What somebody called it. */
  called: string | null;
  madeBy: string;
  device: string;
}

/** What the installation remembers of itself, such as that the demo was loaded. */
export interface NoteRow {
  name: string;
  value: string;
}

/** An article of the catalog; `details` is JSON of all that its kind has beside id, name and price. */
export interface ArticleRow {
  id: string;
  position: number;
  kind: string;
  name: string;
  /** Ten-thousandths of a dollar; the driver gives a bigint as text. */
  price: string;
  details: string;
}

/** One unit of labour by its dotted name: minutes, or the rate in ten-thousandths of a dollar an hour. */
/** What the shop begins new jobs with, as JSON; one row, under the name that it has. */
export interface DefaultsRow {
  name: string;
  document: string;
}

export const DefaultsEntity = new EntitySchema<DefaultsRow>({
  name: 'defaults',
  tableName: 'shop_defaults',
  columns: {
    name: { type: 'varchar', length: 60, primary: true },
    document: { type: 'mediumtext' },
  },
});

/** A price that was changed, ten-thousandths of a dollar. */
export interface PriceChangeRow {
  row: number;
  article: string;
  before: string;
  after: string;
  at: Date;
}

/** Feet or pieces of an article that went onto the truck of the shop, or came off it. */
export interface TruckMoveRow {
  id: string;
  article: string;
  amount: number;
  at: Date;
}

export interface LabourUnitRow {
  name: string;
  value: number;
}

/** One price of judgement by its name, ten-thousandths of a dollar. */
export interface JudgementPriceRow {
  name: string;
  price: number;
}

/** A picture that lies under a plan, by the SHA-256 of its bytes. */
export interface PictureRow {
  hash: string;
  type: string;
  bytes: Buffer;
  keptAt: Date;
}

/** Something that happened on site. Rows are added and never changed. */
export interface RecordRow {
  row: number;
  jobId: string;
  /** Names the record, so that one sent again is kept once. */
  id: string;
  kind: string;
  version: number;
  aboutKind: string;
  aboutId: string;
  wiring: string | null;
  revision: number | null;
  hash: string | null;
  /** JSON, by kind and version. */
  body: string;
  retracts: string | null;
  madeBy: string;
  device: string;
  /** When it happened, by the clock of whoever made it; and when it came here. */
  madeAt: Date;
  keptAt: Date;
}

/** A device that was let in by a code. */
export interface DeviceRow {
  id: string;
  /** SHA-256 of what the device shows. */
  token: string;
  name: string;
  role: AccessRole;
  pairedAt: Date;
  seenAt: Date;
  outAt: Date | null;
}

/** An exercise as somebody has first answered it. */
export interface PractisedRow {
  row: number;
  id: string;
  learner: string;
  kind: string;
  level: string;
  seed: number;
  edition: number;
  outcome: string;
  stopped: number;
  at: Date;
  keptAt: Date;
}

/** Somebody who has a job open. */
export interface PresenceRow {
  jobId: string;
  /** The page; the browser in which it is open; and what whoever sits there is called, empty where nobody said. */
  editor: string;
  browser: string;
  called: string;
  seenAt: Date;
}

const moment = { type: 'datetime', precision: 3 } as const;
const now = { default: () => 'CURRENT_TIMESTAMP(3)' } as const;

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  tableName: 'jobs',
  columns: {
    id: { ...exact, length: 200, primary: true },
    name: { type: 'varchar', length: 200 },
    revision: { type: 'int' },
    summary: { type: 'mediumtext' },
    summaryOf: { type: 'int', nullable: true, name: 'summary_of' },
    words: { type: 'mediumtext', nullable: true },
    createdAt: { ...moment, ...now, name: 'created_at' },
    updatedAt: { ...moment, ...now, name: 'updated_at' },
    deletedAt: { ...moment, name: 'deleted_at', nullable: true },
  },
  indices: [{ name: 'jobs_by_change', columns: ['deletedAt', 'updatedAt'] }],
});

export const RevisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  tableName: 'revisions',
  columns: {
    id: { type: 'int', primary: true, generated: 'increment' },
    jobId: { ...exact, length: 200, name: 'job_id' },
    revision: { type: 'int', nullable: true },
    parent: { type: 'int' },
    saveId: { ...exact, length: 100, name: 'save_id' },
    document: { type: 'mediumblob' },
    savedAt: { ...moment, ...now, name: 'saved_at' },
    called: { type: 'varchar', length: 200, nullable: true },
    madeBy: { type: 'varchar', length: 60, name: 'made_by', default: '' },
    device: { type: 'varchar', length: 60, default: '' },
  },
  indices: [
    { name: 'revisions_one_save', columns: ['jobId', 'saveId'], unique: true },
    { name: 'revisions_one_each', columns: ['jobId', 'revision'], unique: true },
  ],
});

export const NoteEntity = new EntitySchema<NoteRow>({
  name: 'note',
  tableName: 'notes',
  columns: {
    name: { type: 'varchar', length: 100, primary: true },
    value: { type: 'varchar', length: 1000 },
  },
});

export const ArticleEntity = new EntitySchema<ArticleRow>({
  name: 'article',
  tableName: 'catalog_articles',
  columns: {
    id: { ...exact, length: 200, primary: true },
    position: { type: 'int' },
    kind: { type: 'varchar', length: 20 },
    name: { type: 'varchar', length: 202 },
    price: { type: 'bigint' },
    details: { type: 'mediumtext' },
  },
});

export const PriceChangeEntity = new EntitySchema<PriceChangeRow>({
  name: 'priceChange',
  tableName: 'catalog_prices',
  columns: {
    row: { type: 'int', primary: true, generated: true },
    article: { type: 'varchar', length: 200 },
    before: { type: 'bigint', name: 'price_before' },
    after: { type: 'bigint', name: 'price_after' },
    at: { type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' },
  },
});

export const TruckMoveEntity = new EntitySchema<TruckMoveRow>({
  name: 'truckMove',
  tableName: 'truck_moves',
  columns: {
    id: { ...exact, length: 310, primary: true, name: 'move_id' },
    article: { ...exact, length: 200 },
    amount: { type: 'double' },
    at: { type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' },
  },
});

export const LabourUnitEntity = new EntitySchema<LabourUnitRow>({
  name: 'labourUnit',
  tableName: 'labour_units',
  columns: {
    name: { type: 'varchar', length: 60, primary: true },
    value: { type: 'double' },
  },
});

export const JudgementPriceEntity = new EntitySchema<JudgementPriceRow>({
  name: 'judgementPrice',
  tableName: 'judgement_prices',
  columns: {
    name: { type: 'varchar', length: 60, primary: true },
    price: { type: 'int' },
  },
});

export const PictureEntity = new EntitySchema<PictureRow>({
  name: 'picture',
  tableName: 'pictures',
  columns: {
    hash: { type: 'char', length: 64, primary: true },
    type: { type: 'varchar', length: 40 },
    bytes: { type: 'mediumblob' },
    keptAt: { ...moment, ...now, name: 'kept_at' },
  },
});

export const RecordEntity = new EntitySchema<RecordRow>({
  name: 'record',
  tableName: 'records',
  columns: {
    row: { type: 'int', primary: true, generated: 'increment' },
    jobId: { ...exact, length: 200, name: 'job_id' },
    id: { ...exact, length: 100, name: 'record_id' },
    kind: { type: 'varchar', length: 40 },
    version: { type: 'int' },
    aboutKind: { type: 'varchar', length: 20, name: 'about_kind' },
    aboutId: { type: 'varchar', length: 3000, name: 'about_id' },
    wiring: { type: 'varchar', length: 200, nullable: true },
    revision: { type: 'int', nullable: true },
    hash: { type: 'char', length: 16, nullable: true },
    body: { type: 'mediumtext' },
    retracts: { ...exact, length: 100, nullable: true },
    madeBy: { type: 'varchar', length: 60, name: 'made_by' },
    device: { type: 'varchar', length: 60, default: '' },
    madeAt: { ...moment, name: 'made_at' },
    keptAt: { ...moment, ...now, name: 'kept_at' },
  },
  indices: [{ name: 'records_one_each', columns: ['jobId', 'id'], unique: true }],
});

export const PractisedEntity = new EntitySchema<PractisedRow>({
  name: 'practised',
  tableName: 'practised',
  columns: {
    row: { type: 'int', primary: true, generated: 'increment' },
    id: { ...exact, length: 100, name: 'practised_id' },
    // Whoever writes a name in small letters is the same person.
    learner: { type: 'varchar', length: 60 },
    kind: { type: 'varchar', length: 20 },
    level: { type: 'varchar', length: 40 },
    seed: { type: 'int' },
    edition: { type: 'int' },
    outcome: { type: 'varchar', length: 10 },
    stopped: { type: 'int' },
    at: { ...moment, name: 'answered_at' },
    keptAt: { ...moment, ...now, name: 'kept_at' },
  },
  indices: [
    { name: 'practised_one_each', columns: ['id'], unique: true },
    { name: 'practised_by_learner', columns: ['learner'] },
  ],
});

export const PresenceEntity = new EntitySchema<PresenceRow>({
  name: 'presence',
  tableName: 'presence',
  columns: {
    jobId: { ...exact, length: 200, primary: true, name: 'job_id' },
    editor: { ...exact, length: 60, primary: true },
    browser: { type: 'varchar', length: 60 },
    called: { type: 'varchar', length: 60 },
    seenAt: { ...moment, ...now, name: 'seen_at' },
  },
});

export const DeviceEntity = new EntitySchema<DeviceRow>({
  name: 'device',
  tableName: 'devices',
  columns: {
    id: { ...exact, length: 60, primary: true },
    token: { type: 'char', length: 64, collation: 'utf8mb4_nopad_bin' },
    name: { type: 'varchar', length: 60 },
    role: { type: 'varchar', length: 10 },
    pairedAt: { ...moment, ...now, name: 'paired_at' },
    seenAt: { ...moment, ...now, name: 'seen_at' },
    outAt: { ...moment, name: 'out_at', nullable: true },
  },
  indices: [{ name: 'devices_by_token', columns: ['token'], unique: true }],
});

import { EntitySchema } from 'typeorm';

/** The head of a job: which revision is current, and what a list shows of it. */
export interface JobRow {
  id: string;
  name: string;
  revision: number;
  /** JSON of JobSummary, so that the list need not open every document. */
  summary: string;
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
export interface LabourUnitRow {
  name: string;
  value: number;
}

/** A picture that lies under a plan, by the SHA-256 of its bytes. */
export interface PictureRow {
  hash: string;
  type: string;
  bytes: Buffer;
  keptAt: Date;
}

/** A step of the work ticked or unticked. Rows are added and never changed; the last of a step holds. */
export interface TickRow {
  id: number;
  jobId: string;
  /** Names the tick, so that one sent again is kept once; null for those from before ticks had names. */
  tickId: string | null;
  step: string;
  done: boolean;
  at: Date;
}

/** Longest id of a step: made of those of a box and of what is spliced there. */
export const LONGEST_STEP = 3000;

const moment = { type: 'datetime', precision: 3 } as const;
const now = { default: () => 'CURRENT_TIMESTAMP(3)' } as const;

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  tableName: 'jobs',
  columns: {
    id: { type: 'varchar', length: 200, primary: true },
    name: { type: 'varchar', length: 200 },
    revision: { type: 'int' },
    summary: { type: 'mediumtext' },
    createdAt: { ...moment, ...now, name: 'created_at' },
    updatedAt: { ...moment, ...now, name: 'updated_at' },
    deletedAt: { ...moment, name: 'deleted_at', nullable: true },
  },
});

export const RevisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  tableName: 'revisions',
  columns: {
    id: { type: 'int', primary: true, generated: 'increment' },
    jobId: { type: 'varchar', length: 200, name: 'job_id' },
    revision: { type: 'int', nullable: true },
    parent: { type: 'int' },
    saveId: { type: 'varchar', length: 100, name: 'save_id' },
    document: { type: 'mediumblob' },
    savedAt: { ...moment, ...now, name: 'saved_at' },
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
    id: { type: 'varchar', length: 200, primary: true },
    position: { type: 'int' },
    kind: { type: 'varchar', length: 20 },
    name: { type: 'varchar', length: 200 },
    price: { type: 'bigint' },
    details: { type: 'mediumtext' },
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

export const TickEntity = new EntitySchema<TickRow>({
  name: 'tick',
  tableName: 'ticks',
  columns: {
    id: { type: 'int', primary: true, generated: 'increment' },
    jobId: { type: 'varchar', length: 200, name: 'job_id' },
    tickId: { type: 'varchar', length: 100, name: 'tick_id', nullable: true },
    step: { type: 'varchar', length: LONGEST_STEP },
    done: { type: 'boolean' },
    at: { ...moment, ...now },
  },
  indices: [
    { name: 'ticks_of_job', columns: ['jobId'] },
    { name: 'ticks_one_each', columns: ['jobId', 'tickId'], unique: true },
  ],
});

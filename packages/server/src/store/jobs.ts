import { randomUUID } from 'node:crypto';
import { IsNull, Not, type DataSource, type EntityManager } from 'typeorm';
import {
  type DeletedJob,
  type FileFault,
  type Job,
  type JobHead,
  type ListQuery,
  type MadeBy,
  type RevisionHead,
  type StoredJob,
} from '@amber/core';
import type { Summarise } from '../summary/summarise.js';
import { isDuplicate } from './duplicate.js';
import { again } from './again.js';
import { JobEntity, RevisionEntity, type RevisionRow } from './entities.js';
import { wordsOf } from './jobList.js';
import { NOBODY, type Maker } from './makers.js';
import { pack, readPacked } from './packed.js';
import { Summaries } from '../summary/summaries.js';

export type SaveOutcome =
  { kind: 'saved'; revision: number } | { kind: 'lost'; current: StoredJob } | { kind: 'missing' };

export type OpenOutcome =
  { kind: 'open'; job: StoredJob } | { kind: 'missing' } | { kind: 'unreadable'; faults: FileFault[] };

/** Milliseconds for which a list waits for what it shows of jobs that were saved a moment ago. */
const LIST_PATIENCE = 400;

/** Who made a save, and when. */
const madeOf = ({ savedAt, madeBy, device }: Pick<RevisionRow, 'savedAt' | 'madeBy' | 'device'>): MadeBy => ({
  ...{ at: savedAt.toISOString(), by: madeBy, device },
});

/** Jobs and their revisions. Every method is one transaction; an acknowledged save is on disk. */
export class JobStore {
  readonly #source: DataSource;
  readonly #summaries: Summaries;

  constructor(source: DataSource, summarise?: Summarise) {
    this.#source = source;
    this.#summaries = new Summaries(source, summarise);
  }

  async ping(): Promise<void> {
    await this.#source.query('SELECT 1');
  }

  /**
   * A page of the jobs that are not deleted, the last changed first, of those that a search finds: by name, or by what is in them. Gives how many there are in all,
   * too.
   */
  async list({ search, from, count }: ListQuery): Promise<{ jobs: JobHead[]; total: number }> {
    const found = this.#source
      .getRepository(JobEntity)
      .createQueryBuilder('job')
      .where('job.deletedAt IS NULL');
    if (search !== '')
      found.andWhere('(LOCATE(:search, job.words) > 0 OR LOCATE(:search, job.name) > 0)', { search });
    const total = await found.getCount();
    const rows = await found
      .orderBy('job.updatedAt', 'DESC')
      .addOrderBy('job.id', 'ASC')
      .offset(from)
      .limit(count)
      .getMany();
    const shown = await this.#summaries.of(rows, LIST_PATIENCE);
    const jobs = rows.map(({ id, name, revision, updatedAt }, i): JobHead => {
      const one = shown[i];
      return {
        id: id as JobHead['id'],
        ...{ name, revision, updatedAt: updatedAt.toISOString() },
        summary: one?.kind === 'is' ? one.summary : null,
        pending: one?.kind === 'pending',
      };
    });
    return { jobs, total };
  }

  async isThere(id: string): Promise<boolean> {
    return this.#source.getRepository(JobEntity).existsBy({ id, deletedAt: IsNull() });
  }

  /** Stores a new job as revision 1. False where the id is taken; the same save again is true. */
  async create(job: Job, saveId: string): Promise<boolean> {
    const document = await pack(job);
    const summary = await this.#summaries.ofDocument(document);
    try {
      await again(() =>
        this.#source.transaction(async (manager) => {
          await manager.insert(JobEntity, {
            ...{ id: job.id, name: job.name, revision: 1 },
            ...{ summary, summaryOf: 1, words: wordsOf(job) },
          });
          await manager.insert(RevisionEntity, { jobId: job.id, saveId, parent: 0, revision: 1, document });
        }),
      );
      return true;
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      return (await this.#savedAs(this.#source.manager, job.id, saveId)) !== undefined;
    }
  }

  async open(id: string, revision?: number): Promise<OpenOutcome> {
    const head = await this.#source.getRepository(JobEntity).findOneBy({ id, deletedAt: IsNull() });
    if (!head) return { kind: 'missing' };
    return this.#read(this.#source.manager, id, revision ?? head.revision);
  }

  /**
   * Saves a job over the revision it was read as. The head moves only while it still stands there, in the same
   * transaction that keeps the document. A save that lost is kept too, without a revision, and the newer one is given back.
   * A save id that was answered before is answered the same again.
   */
  async save(job: Job, parent: number, saveId: string, maker: Maker = NOBODY): Promise<SaveOutcome> {
    const document = await pack(job);
    const words = wordsOf(job);
    const outcome = await again(() =>
      this.#source.transaction(async (manager): Promise<SaveOutcome> => {
        const moved = await manager.update(
          JobEntity,
          { id: job.id, revision: parent, deletedAt: IsNull() },
          { name: job.name, revision: parent + 1, words, updatedAt: () => 'CURRENT_TIMESTAMP(3)' },
        );
        const keep = (revision: number | null) =>
          manager.insert(RevisionEntity, {
            ...{ jobId: job.id, saveId, parent, revision, document },
            ...{ madeBy: maker.by, device: maker.device },
          });
        if (moved.affected === 1) {
          await keep(parent + 1);
          return { kind: 'saved', revision: parent + 1 };
        }
        const before = await this.#savedAs(manager, job.id, saveId);
        if (before?.revision) return { kind: 'saved', revision: before.revision };
        const head = await manager.findOneBy(JobEntity, { id: job.id, deletedAt: IsNull() });
        if (!head) return { kind: 'missing' };
        if (!before) await keep(null);
        const current = await this.#read(manager, job.id, head.revision);
        if (current.kind !== 'open')
          throw new Error(`Revision ${head.revision} of job ${job.id} cannot be read.`);
        return { kind: 'lost', current: current.job };
      }),
    );
    if (outcome.kind === 'saved') this.#summaries.saved(job.id);
    return outcome;
  }

  /** Deletes so that it can be undone. */
  async remove(id: string): Promise<boolean> {
    const jobs = this.#source.getRepository(JobEntity);
    const done = await again(() =>
      jobs.update({ id, deletedAt: IsNull() }, { deletedAt: () => 'CURRENT_TIMESTAMP(3)' }),
    );
    return done.affected === 1;
  }

  async restore(id: string): Promise<boolean> {
    const jobs = this.#source.getRepository(JobEntity);
    const done = await again(() => jobs.update({ id, deletedAt: Not(IsNull()) }, { deletedAt: null }));
    return done.affected === 1;
  }

  /** A copy under a new id and name; the wiring goes along. */
  async duplicate(id: string): Promise<OpenOutcome> {
    const original = await this.open(id);
    if (original.kind !== 'open') return original;
    const { document } = original.job;
    const name = `${[...document.name].slice(0, 190).join('')} (copy)`;
    const copy = { ...document, id: randomUUID() as Job['id'], name };
    await this.create(copy, randomUUID());
    return { kind: 'open', job: { revision: 1, document: copy } };
  }

  /** Every save of a job, the newest first; those that lost have no revision. */
  async revisions(id: string): Promise<RevisionHead[]> {
    const rows = await this.#source.getRepository(RevisionEntity).find({
      select: {
        id: true,
        saveId: true,
        revision: true,
        parent: true,
        savedAt: true,
        called: true,
        madeBy: true,
        device: true,
      },
      where: { jobId: id },
      order: { id: 'DESC' },
    });
    return rows.map(({ saveId, revision, parent, savedAt, called, madeBy, device }) => ({
      saveId,
      revision,
      parent,
      savedAt: savedAt.toISOString(),
      name: called,
      ...{ by: madeBy, device },
    }));
  }

  /** The document of any save of a job, those that lost too. */
  async openSave(id: string, saveId: string): Promise<OpenOutcome> {
    const row = (await this.isThere(id)) ? await this.#savedAs(this.#source.manager, id, saveId) : undefined;
    if (!row) return { kind: 'missing' };
    const read = readPacked(row.document);
    return read.ok
      ? {
          kind: 'open',
          job: { revision: row.revision ?? Math.max(1, row.parent), document: read.job, made: madeOf(row) },
        }
      : { kind: 'unreadable', faults: read.faults };
  }

  /** Gives a save a name, by which it is kept for good, or takes it away; false where there is no such save. */
  async nameSave(id: string, saveId: string, name: string | null): Promise<boolean> {
    if (!(await this.isThere(id)) || !(await this.#savedAs(this.#source.manager, id, saveId))) return false;
    await this.#source.getRepository(RevisionEntity).update({ jobId: id, saveId }, { called: name });
    return true;
  }

  /** Jobs that were deleted and can be brought back, the last deleted first. */
  async deleted(): Promise<DeletedJob[]> {
    const rows = await this.#source
      .getRepository(JobEntity)
      .find({ where: { deletedAt: Not(IsNull()) }, order: { deletedAt: 'DESC', id: 'ASC' } });
    return rows.flatMap(({ id, name, revision, deletedAt }) =>
      deletedAt ? [{ id: id as JobHead['id'], name, revision, deletedAt: deletedAt.toISOString() }] : [],
    );
  }

  async #read(manager: EntityManager, id: string, revision: number): Promise<OpenOutcome> {
    const row = await manager.findOneBy(RevisionEntity, { jobId: id, revision });
    if (!row) return { kind: 'missing' };
    const read = readPacked(row.document);
    return read.ok
      ? { kind: 'open', job: { revision, document: read.job, made: madeOf(row) } }
      : { kind: 'unreadable', faults: read.faults };
  }

  #savedAs(manager: EntityManager, jobId: string, saveId: string) {
    return manager.findOneBy(RevisionEntity, { jobId, saveId }).then((row) => row ?? undefined);
  }
}

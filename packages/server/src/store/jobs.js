import { randomUUID } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';
import { IsNull, Not, QueryFailedError } from 'typeorm';
import { readJob, summariseJob } from '@amber/core';
import { JobEntity, RevisionEntity } from './entities.js';
const pack = (job) => gzipSync(JSON.stringify(job));
const unpack = (document) => JSON.parse(gunzipSync(document).toString('utf8'));
const isDuplicate = (error) => error instanceof QueryFailedError && error.driverError.code === 'ER_DUP_ENTRY';
/** Jobs and their revisions. Every method is one transaction; an acknowledged save is on disk. */
export class JobStore {
    #source;
    constructor(source) {
        this.#source = source;
    }
    async ping() {
        await this.#source.query('SELECT 1');
    }
    /** Jobs that are not deleted, the last changed first. */
    async list() {
        const rows = await this.#source
            .getRepository(JobEntity)
            .find({ where: { deletedAt: IsNull() }, order: { updatedAt: 'DESC', id: 'ASC' } });
        return rows.map((row) => ({
            id: row.id,
            name: row.name,
            revision: row.revision,
            updatedAt: row.updatedAt.toISOString(),
            summary: JSON.parse(row.summary),
        }));
    }
    /** Stores a new job as revision 1. False where the id is taken; the same save again is true. */
    async create(job, saveId) {
        try {
            await this.#source.transaction(async (manager) => {
                await manager.insert(JobEntity, {
                    id: job.id,
                    name: job.name,
                    revision: 1,
                    summary: JSON.stringify(summariseJob(job)),
                });
                await this.#insertRevision(manager, job, saveId, 0, 1);
            });
            return true;
        }
        catch (error) {
            if (!isDuplicate(error))
                throw error;
            return (await this.#savedAs(this.#source.manager, job.id, saveId)) !== undefined;
        }
    }
    async open(id, revision) {
        const head = await this.#source.getRepository(JobEntity).findOneBy({ id, deletedAt: IsNull() });
        if (!head)
            return { kind: 'missing' };
        return this.#read(this.#source.manager, id, revision ?? head.revision);
    }
    /**
     * Saves a job over the revision it was read as. The head moves only while it still stands there, in the same
     * transaction that keeps the document. A save that lost is kept too, without a revision, and the newer one is given back.
     * A save id that was answered before is answered the same again.
     */
    async save(job, parent, saveId) {
        const summary = JSON.stringify(summariseJob(job));
        return this.#source.transaction(async (manager) => {
            const moved = await manager.update(JobEntity, { id: job.id, revision: parent, deletedAt: IsNull() }, { name: job.name, revision: parent + 1, summary, updatedAt: () => 'CURRENT_TIMESTAMP(3)' });
            if (moved.affected === 1) {
                await this.#insertRevision(manager, job, saveId, parent, parent + 1);
                return { kind: 'saved', revision: parent + 1 };
            }
            const before = await this.#savedAs(manager, job.id, saveId);
            if (before?.revision)
                return { kind: 'saved', revision: before.revision };
            const head = await manager.findOneBy(JobEntity, { id: job.id, deletedAt: IsNull() });
            if (!head)
                return { kind: 'missing' };
            if (!before)
                await this.#insertRevision(manager, job, saveId, parent, null);
            const current = await this.#read(manager, job.id, head.revision);
            if (current.kind !== 'open')
                throw new Error(`Revision ${head.revision} of job ${job.id} cannot be read.`);
            return { kind: 'lost', current: current.job };
        });
    }
    /** Deletes so that it can be undone. */
    async remove(id) {
        const done = await this.#source
            .getRepository(JobEntity)
            .update({ id, deletedAt: IsNull() }, { deletedAt: () => 'CURRENT_TIMESTAMP(3)' });
        return done.affected === 1;
    }
    async restore(id) {
        const done = await this.#source
            .getRepository(JobEntity)
            .update({ id, deletedAt: Not(IsNull()) }, { deletedAt: null });
        return done.affected === 1;
    }
    /** A copy under a new id and name; the wiring goes along. */
    async duplicate(id) {
        const original = await this.open(id);
        if (original.kind !== 'open')
            return original;
        const { document } = original.job;
        const name = `${[...document.name].slice(0, 190).join('')} (copy)`;
        const copy = { ...document, id: randomUUID(), name };
        await this.create(copy, randomUUID());
        return { kind: 'open', job: { revision: 1, document: copy } };
    }
    /** Every save of a job, the newest first; those that lost have no revision. */
    async revisions(id) {
        const rows = await this.#source.getRepository(RevisionEntity).find({
            select: { id: true, saveId: true, revision: true, parent: true, savedAt: true },
            where: { jobId: id },
            order: { id: 'DESC' },
        });
        return rows.map(({ saveId, revision, parent, savedAt }) => ({
            saveId,
            revision,
            parent,
            savedAt: savedAt.toISOString(),
        }));
    }
    async #read(manager, id, revision) {
        const row = await manager.findOneBy(RevisionEntity, { jobId: id, revision });
        if (!row)
            return { kind: 'missing' };
        const read = readJob(unpack(row.document));
        return read.ok
            ? { kind: 'open', job: { revision, document: read.job } }
            : { kind: 'unreadable', faults: read.faults };
    }
    #savedAs(manager, jobId, saveId) {
        return manager.findOneBy(RevisionEntity, { jobId, saveId }).then((row) => row ?? undefined);
    }
    async #insertRevision(manager, job, saveId, parent, revision) {
        await manager.insert(RevisionEntity, { jobId: job.id, saveId, parent, revision, document: pack(job) });
    }
}
//# sourceMappingURL=jobs.js.map